package orbispace.app;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import java.util.Random;
import java.util.stream.Stream;
import orbispace.app.song.NewSong;
import orbispace.core.audio.Audio;
import orbispace.files.FileProblem;
import orbispace.files.project.FactsCache;
import orbispace.files.project.ProjectFile;
import orbispace.files.sound.WavWriter;

/** A short song of our own for tests: a voice-like lead, a pad and a drum, nine seconds. */
public final class Songs {
    /**
     * Half the usual rate: what is looked at here does not depend on it, and takes half as long.
     */
    public static final double RATE = 24000;

    public static final double SECONDS = 9;

    private Songs() {}

    /** Tone with noise in phrases of two seconds with a second of rest. */
    public static Audio lead() {
        Random random = new Random(1);
        float[] x = new float[(int) (SECONDS * RATE)];
        double smooth = 0;
        for (int i = 0; i < x.length; i++) {
            double t = i / RATE;
            double on = t % 3 < 2 ? 1 : 1e-4;
            smooth += 0.3 * (random.nextGaussian() - smooth);
            double tone =
                    Math.sin(2 * Math.PI * 330 * t)
                            + 0.6 * Math.sin(2 * Math.PI * 660 * t)
                            + 0.4 * Math.sin(2 * Math.PI * 1980 * t);
            x[i] = (float) (on * (0.08 * tone + 0.08 * smooth));
        }
        return Audio.of(RATE, x);
    }

    /** A quiet low pad. */
    public static Audio pad() {
        float[] x = new float[(int) (SECONDS * RATE)];
        for (int i = 0; i < x.length; i++) {
            double t = i / RATE;
            x[i] =
                    (float)
                            (0.02
                                    * (Math.sin(2 * Math.PI * 110 * t)
                                            + Math.sin(2 * Math.PI * 165.5 * t)));
        }
        return Audio.of(RATE, x);
    }

    /** A stroke each half second. */
    public static Audio drum() {
        Random random = new Random(2);
        float[] x = new float[(int) (SECONDS * RATE)];
        for (int i = 0; i < x.length; i++) {
            double t = i / RATE % 0.5;
            x[i] =
                    (float)
                            (0.3
                                    * Math.exp(-t / 0.04)
                                    * (Math.sin(2 * Math.PI * 90 * t)
                                            + 0.3 * random.nextGaussian()));
        }
        return Audio.of(RATE, x);
    }

    /** What is known of stems, kept for all tests of one run: a stem is measured once. */
    public static FactsCache facts() {
        return SharedFacts.CACHE;
    }

    /** A folder that goes when the run ends. */
    private static final class SharedFacts {
        private static final FactsCache CACHE = new FactsCache(folder("facts"));

        private static Path folder(String of) {
            try {
                Path folder = Files.createTempDirectory("orbispace-" + of);
                Runtime.getRuntime().addShutdownHook(new Thread(() -> remove(folder)));
                return folder;
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }

        private static void remove(Path folder) {
            try (var inside = Files.walk(folder)) {
                for (Path path : inside.sorted(Comparator.reverseOrder()).toList()) {
                    Files.deleteIfExists(path);
                }
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
    }

    /** The song as it was written once in this run. */
    private static final class Written {
        private static final Path FOLDER = SharedFacts.folder("song");
        private static final List<String> FILES = write();

        private static List<String> write() {
            try {
                WavWriter.write(
                        FOLDER.resolve("lead-voice.wav"), lead(), WavWriter.Depth.BITS_24, "");
                WavWriter.write(FOLDER.resolve("pad.wav"), pad(), WavWriter.Depth.BITS_16, "");
                WavWriter.write(FOLDER.resolve("drum.wav"), drum(), WavWriter.Depth.FLOAT_32, "");
                List<String> stems = List.of("lead-voice.wav", "pad.wav", "drum.wav");
                NewSong song = NewSong.fromStems(stems.stream().map(FOLDER::resolve).toList(), 120);
                String project = "ferry" + ProjectFile.SUFFIX;
                ProjectFile.of(song.design()).write(FOLDER.resolve(project), song.design());
                return Stream.concat(stems.stream(), Stream.of(project)).toList();
            } catch (FileProblem e) {
                throw new UncheckedIOException(e);
            }
        }
    }

    /** Writes the stems and a drafted project at 120 bpm; answers the project. */
    public static Path write(Path folder) throws IOException {
        for (String file : Written.FILES) {
            Files.copy(Written.FOLDER.resolve(file), folder.resolve(file));
        }
        return folder.resolve(Written.FILES.getLast());
    }
}
