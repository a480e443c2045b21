package orbispace.app.song;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.function.DoubleConsumer;
import orbispace.core.audio.Audio;
import orbispace.core.design.Design;
import orbispace.core.design.Source;
import orbispace.demo.HarbourSong;
import orbispace.files.FileProblem;
import orbispace.files.midi.MidiTempo;
import orbispace.files.project.ProjectFile;
import orbispace.files.sound.WavWriter;

/** The demo song on disk: made once, then kept in the user's cache folder. */
public final class DemoFiles {
    private static final String NAME = "harbour-at-low-tide";

    private DemoFiles() {}

    /** Where the kept demo song lies. */
    public static Path keptFolder() {
        return CacheFolder.path().resolve("demo-" + HarbourSong.EDITION);
    }

    /**
     * The kept demo project, made if it is not there.
     *
     * @param progress takes the share that is done
     */
    public static Path project(DoubleConsumer progress) throws FileProblem {
        Path folder = keptFolder();
        Path project = folder.resolve(NAME + ProjectFile.SUFFIX);
        Design design = HarbourSong.design();
        boolean whole =
                design.sources().stream()
                        .map(Source::file)
                        .allMatch(f -> Files.isRegularFile(folder.resolve(f)));
        if (!whole) {
            write(folder, progress);
        } else {
            // The demo always opens as it was drawn up.
            ProjectFile.of(design).write(project, design);
        }
        return project;
    }

    /**
     * Writes stems, tempo and project into a folder; answers the files, the project last.
     *
     * @param progress takes the share that is done; called from several threads
     */
    public static List<Path> write(Path folder, DoubleConsumer progress) throws FileProblem {
        Prints.makeFolder(folder);
        Design design = HarbourSong.design();
        List<Path> files = new ArrayList<>();
        for (Map.Entry<String, Audio> stem : stems(progress).entrySet()) {
            Source source = design.findSource(stem.getKey()).orElseThrow();
            Path file = folder.resolve(source.file());
            WavWriter.write(
                    file,
                    stem.getValue(),
                    WavWriter.Depth.BITS_24,
                    HarbourSong.TITLE + ", " + source.name());
            files.add(file);
        }
        Path midi = folder.resolve(NAME + ".mid");
        MidiTempo.write(midi, design.song().clock(), design.song().sections());
        files.add(midi);
        Path project = folder.resolve(NAME + ProjectFile.SUFFIX);
        ProjectFile.of(design).write(project, design);
        files.add(project);
        return files;
    }

    private static Map<String, Audio> stems(DoubleConsumer progress) {
        int threads = Math.max(2, Runtime.getRuntime().availableProcessors());
        try (ExecutorService executor = Executors.newFixedThreadPool(threads)) {
            return HarbourSong.stems(executor, progress);
        }
    }
}
