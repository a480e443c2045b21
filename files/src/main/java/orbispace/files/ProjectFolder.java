package orbispace.files;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.DoubleConsumer;
import orbispace.core.audio.Audio;
import orbispace.core.design.Design;
import orbispace.core.design.Source;
import orbispace.core.render.SongMaterial;

/** The audio of a project, found beside its file. */
public final class ProjectFolder {
    private ProjectFolder() {}

    /**
     * What could be read of a song's stems.
     *
     * @param material the stems that were read
     * @param problems a line for each that was not
     */
    public record Stems(SongMaterial material, List<String> problems) {
        /** Keeps its own list. */
        public Stems {
            problems = List.copyOf(problems);
        }
    }

    /** Where a source's audio is. */
    public static Path audioPath(Path folder, Source source) {
        return folder.resolve(source.file());
    }

    /**
     * Reads all stems of a design, as many as can be read.
     *
     * @param folder the project's folder
     * @param progress takes the share that is done
     */
    public static Stems read(Path folder, Design design, DoubleConsumer progress) {
        Map<String, Audio> audio = new LinkedHashMap<>();
        List<String> problems = new ArrayList<>();
        double rate = design.song().sampleRateHz();
        int done = 0;
        for (Source source : design.sources()) {
            try {
                Audio stem = WavReader.read(audioPath(folder, source));
                if (stem.sampleRateHz() == rate) {
                    audio.put(source.id(), stem);
                } else {
                    problems.add(
                            source.file()
                                    + ": is at "
                                    + (int) stem.sampleRateHz()
                                    + " Hz, the song at "
                                    + (int) rate
                                    + "; export it at the song's rate");
                }
            } catch (FileProblem e) {
                problems.add(e.getMessage());
            }
            progress.accept(++done / (double) design.sources().size());
        }
        return new Stems(new SongMaterial(audio, rate), problems);
    }

    /**
     * Reads all stems or none.
     *
     * @throws FileProblem with the first stem that cannot be read
     */
    public static SongMaterial readAll(Path folder, Design design) throws FileProblem {
        Stems stems = read(folder, design, share -> {});
        if (!stems.problems().isEmpty()) {
            throw new FileProblem(stems.problems().getFirst());
        }
        return stems.material();
    }

    /** Length of the longest stem that can be read, in seconds. */
    public static double lengthSeconds(Path folder, Design design) {
        SongMaterial material = read(folder, design, share -> {}).material();
        return material.frames() / material.sampleRateHz();
    }
}
