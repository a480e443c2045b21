package orbispace.files.project;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Stream;
import orbispace.core.audio.Audio;
import orbispace.core.design.Design;
import orbispace.core.design.Source;
import orbispace.core.material.StemFacts;
import orbispace.core.prove.stem.StemFindings;
import orbispace.core.render.Job;
import orbispace.core.render.Responses;
import orbispace.core.render.SongMaterial;
import orbispace.core.words.Wording;
import orbispace.files.FileProblem;
import orbispace.files.sound.ResponseFiles;
import orbispace.files.sound.SoundShelf;
import orbispace.files.sound.StemFiles;

/** The audio of a project, found beside its file. */
public final class ProjectFolder {
    private static final double FARTHEST_SECONDS = 600;
    private static final int SEARCH_DEPTH = 3;

    private ProjectFolder() {}

    /**
     * What could be read of a song's stems.
     *
     * @param stems each stem that was read as its file has it, at the song's rate, by source
     * @param found sources whose file was not in its place but was found elsewhere, with that file
     * @param problems a line for each that was not read, by source
     * @param responses the impulse responses of the design
     */
    public record Stems(
            Map<String, StemFiles.Stem> stems,
            Map<String, Path> found,
            Map<String, String> problems,
            ResponseFiles.Result responses) {
        /** Stems without impulse responses. */
        public Stems(
                Map<String, StemFiles.Stem> stems,
                Map<String, Path> found,
                Map<String, String> problems) {
            this(stems, found, problems, new ResponseFiles.Result(Map.of(), Map.of()));
        }

        /** Keeps its own maps. */
        public Stems {
            stems = Map.copyOf(stems);
            found = Map.copyOf(found);
            problems = Map.copyOf(problems);
        }

        /** What each stem holds. */
        public ContentOf content() {
            return s -> {
                StemFiles.Stem stem = stems.get(s.id());
                return stem == null ? "?" : stem.content();
            };
        }

        /**
         * A stem with what was measured of it.
         *
         * @throws NullPointerException if there is no such stem
         */
        public StemFindings.Stem measured(String id, StemFacts facts) {
            StemFiles.Stem stem = Objects.requireNonNull(stems.get(id));
            return new StemFindings.Stem(facts, stem.audio().seconds(), stem.ownRateHz());
        }

        /** The stems as a design lays them into its song. */
        public SongMaterial material(Design design) {
            Map<String, Audio> audio = new LinkedHashMap<>();
            stems.forEach((id, stem) -> audio.put(id, stem.audio()));
            return placed(design, audio, new Responses(responses.responses()));
        }
    }

    /** Stems as a design lays them into its song, with the impulse responses of its spaces. */
    public static SongMaterial placed(
            Design design, Map<String, Audio> stems, Responses responses) {
        Map<String, Audio> laid = new LinkedHashMap<>();
        for (Source source : design.sources()) {
            Audio stem = stems.get(source.id());
            if (stem != null) {
                laid.put(source.id(), SoundShelf.lay(source.laid(stem)));
            }
        }
        return new SongMaterial(laid, design.song().sampleRateHz(), responses);
    }

    /** Where a source's audio is. */
    public static Path audioPath(Path folder, Source source) {
        return folder.resolve(source.file());
    }

    /**
     * Reads all stems of a design, as many as can be read; one that is not in its place is looked
     * for in the project's folder and in those inside it.
     *
     * @param folder the project's folder
     * @param job takes the share that is done, and may stop it
     */
    public static Stems read(Path folder, Design design, Job job) {
        Stems read = read(folder, design, design.sources(), job);
        return new Stems(
                read.stems(), read.found(), read.problems(), ResponseFiles.read(folder, design));
    }

    /** Reads the stems of some sources of a design. */
    public static Stems read(Path folder, Design design, List<Source> sources, Job job) {
        Map<String, Path> paths = new LinkedHashMap<>();
        Map<String, Path> found = new LinkedHashMap<>();
        for (Source source : sources) {
            Path path = audioPath(folder, source);
            if (!Files.exists(path)) {
                Optional<Path> elsewhere = search(folder, String.valueOf(path.getFileName()));
                elsewhere.ifPresent(p -> found.put(source.id(), p));
                path = elsewhere.orElse(path);
            }
            paths.put(source.id(), path);
        }
        StemFiles.Result result =
                StemFiles.read(
                        paths.values().stream().distinct().toList(),
                        design.song().sampleRateHz(),
                        job);
        Map<String, StemFiles.Stem> stems = new LinkedHashMap<>();
        Map<String, String> problems = new LinkedHashMap<>();
        paths.forEach((id, path) ->
                result.of(path)
                        .ifPresentOrElse(
                                stem -> stems.put(id, stem),
                                () -> problems.put(id, result.problems().getOrDefault(path, ""))));
        refuseFarShifts(sources, stems, problems);
        return new Stems(stems, found, problems);
    }

    /** A stem that would begin long after all others end asks for memory and not for music. */
    private static void refuseFarShifts(
            List<Source> sources, Map<String, StemFiles.Stem> stems, Map<String, String> problems) {
        int longest = stems.values().stream().mapToInt(s -> s.audio().frames()).max().orElse(0);
        for (Source source : sources) {
            StemFiles.Stem stem = stems.get(source.id());
            if (stem == null) {
                continue;
            }
            double most = longest + FARTHEST_SECONDS * stem.audio().sampleRateHz();
            int shift = source.placement().shiftFrames();
            if (shift > most) {
                stems.remove(source.id());
                problems.put(
                        source.id(),
                        source.file()
                                + ": is shifted by "
                                + shift
                                + " frames, "
                                + Wording.seconds(shift / stem.audio().sampleRateHz())
                                + ", and would begin long after the song ends; give it another"
                                + " shift");
            }
        }
    }

    /** The only file of a name in a folder and those inside it. */
    public static Optional<Path> search(Path folder, String name) {
        try (Stream<Path> inside = Files.walk(folder, SEARCH_DEPTH)) {
            List<Path> same =
                    inside.filter(p -> String.valueOf(p.getFileName()).equals(name))
                            .filter(Files::isRegularFile)
                            .limit(2)
                            .toList();
            return same.size() == 1 ? Optional.of(same.getFirst()) : Optional.empty();
        } catch (IOException | java.io.UncheckedIOException e) {
            return Optional.empty();
        }
    }

    /**
     * Reads all stems or none.
     *
     * @throws FileProblem with the first stem that cannot be read
     */
    public static SongMaterial readAll(Path folder, Design design) throws FileProblem {
        return readStems(folder, design, Job.QUIET).material(design);
    }

    /**
     * Reads all stems and responses of a design.
     *
     * @throws FileProblem if any cannot be read
     */
    public static Stems readStems(Path folder, Design design, Job job) throws FileProblem {
        Stems stems = read(folder, design, job);
        List<String> problems = new ArrayList<>();
        for (Source source : design.sources()) {
            Optional.ofNullable(stems.problems().get(source.id())).ifPresent(problems::add);
        }
        problems.addAll(stems.responses().problems().values());
        if (!problems.isEmpty()) {
            throw new FileProblem(problems.getFirst());
        }
        return stems;
    }

    /** Length of the longest stem that can be read, in seconds. */
    public static double lengthSeconds(Path folder, Design design) {
        SongMaterial material = read(folder, design, Job.QUIET).material(design);
        return material.frames() / material.sampleRateHz();
    }
}
