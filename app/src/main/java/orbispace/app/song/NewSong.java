package orbispace.app.song;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import java.util.Set;
import orbispace.core.audio.Audio;
import orbispace.core.design.Design;
import orbispace.core.design.Placement;
import orbispace.core.design.Section;
import orbispace.core.design.SectionKind;
import orbispace.core.design.Song;
import orbispace.core.design.Source;
import orbispace.core.intake.StemGuess;
import orbispace.core.material.Silhouette;
import orbispace.core.material.StemFacts;
import orbispace.core.render.Job;
import orbispace.core.time.SongClock;
import orbispace.files.FileProblem;
import orbispace.files.midi.MidiTempo;
import orbispace.files.project.FactsCache;
import orbispace.files.project.ProjectFolder;
import orbispace.files.sound.StemFiles;
import org.jspecify.annotations.Nullable;

/**
 * A song begun from stems: roles guessed from names and sound, tempo and sections from a MIDI file
 * or one tempo, and a first field of a hall and an echo.
 *
 * @param design the drafted design, with file names relative to the folder
 * @param stems the stems by source
 * @param problems a line for each file that could not be read
 * @param folder where the stems lie
 * @param kit ids of the stems that share strokes
 */
public record NewSong(
        Design design,
        ProjectFolder.Stems stems,
        List<String> problems,
        Path folder,
        Set<String> kit) {
    private static final int SECTION_BARS = 8;
    private static final double USUAL_BPM = 120;
    private static final double MOST_LATER_SECONDS = 1200;

    /** Keeps its own list. */
    public NewSong {
        problems = List.copyOf(problems);
        kit = Set.copyOf(kit);
    }

    /**
     * What a song is begun from.
     *
     * @param files sound files and folders that hold some
     * @param midi the file with tempo, metre and sections; null for none
     * @param bpm tempo where the MIDI file gives none, 5 to 1000; empty for 120
     */
    public record Material(List<Path> files, @Nullable Path midi, OptionalDouble bpm) {
        /** Keeps its own list. */
        public Material {
            files = List.copyOf(files);
        }

        /** Paths that were chosen together: the first MIDI file gives tempo and form. */
        public static Material of(List<Path> paths) {
            return new Material(
                    paths.stream().filter(p -> !isMidi(p)).toList(),
                    midiAmong(paths).orElse(null),
                    OptionalDouble.empty());
        }
    }

    /** Reads stems and drafts a song at one tempo. */
    public static NewSong fromStems(List<Path> stems, double bpm) throws FileProblem {
        return from(new Material(stems, null, OptionalDouble.of(bpm)), FactsCache.NONE, Job.QUIET);
    }

    /**
     * Reads material and drafts a song of all that could be read.
     *
     * @param facts keeps what is measured on the way
     * @throws FileProblem if no stem can be read, or the MIDI file cannot
     */
    public static NewSong from(Material material, FactsCache facts, Job job) throws FileProblem {
        MidiTempo.Form form =
                material.midi() == null
                        ? null
                        : MidiTempo.read(Objects.requireNonNull(material.midi()));
        List<Path> files = StemFiles.gather(material.files());
        if (files.isEmpty()) {
            throw new FileProblem("there is no sound file among what was brought; bring stems");
        }
        StemFiles.Result read = StemFiles.read(files, job);
        List<String> problems =
                files.stream().map(read.problems()::get).filter(Objects::nonNull).toList();
        if (read.stems().isEmpty()) {
            throw new FileProblem(problems.getFirst());
        }
        Path folder = commonFolder(read.stems().stream().map(StemFiles.Stem::file).toList());
        Map<String, StemFiles.Stem> stems = new LinkedHashMap<>();
        List<Source> brought = sources(read, folder, List.of(), stems);
        brought = brought.stream().sorted(Comparator.comparing(Source::role)).toList();
        Set<String> kit = Together.kit(brought, stems, read.sampleRateHz(), facts);
        List<Source> sources = Together.paired(Together.grouped(brought, kit), stems);
        double seconds =
                read.stems().stream().mapToDouble(s -> s.audio().seconds()).max().orElse(1);
        double bpm = material.bpm().orElse(USUAL_BPM);
        String title = folder.getFileName() == null ? "Untitled" : folder.getFileName().toString();
        SongClock clock = form == null ? SongClock.constant(bpm, 4, 4) : form.clock();
        List<Section> sections =
                form == null || form.sections().isEmpty()
                        ? sections(clock, seconds)
                        : form.sections();
        Song song = new Song(title, read.sampleRateHz(), clock, sections);
        return new NewSong(
                new Design(song, sources, FirstField.of(Together.sent(sources, stems))),
                new ProjectFolder.Stems(stems, Map.of(), Map.of()),
                problems,
                folder,
                kit);
    }

    /** The same with another design of it. */
    public NewSong with(Design other) {
        return new NewSong(other, stems, problems, folder, kit);
    }

    /** The same, named for a project in a folder, with its stems' files as seen from there. */
    public NewSong keptIn(Path project) {
        String title =
                project.getFileName() == null ? "Untitled" : project.getFileName().toString();
        Design moved = Relocation.moved(design, folder, project);
        return new NewSong(
                moved.withSong(moved.song().withTitle(title)), stems, problems, project, kit);
    }

    /**
     * Sources for stems that were read, with ids and roles that fit those already there.
     *
     * @param stems takes each stem by its new id
     */
    public static List<Source> sources(
            StemFiles.Result read,
            Path folder,
            List<Source> before,
            Map<String, StemFiles.Stem> stems) {
        List<Source> all = new ArrayList<>(before);
        long earliest =
                read.stems().stream()
                                .map(StemFiles.Stem::timeReferenceFrames)
                                .allMatch(OptionalLong::isPresent)
                        ? read.stems().stream()
                                .mapToLong(s -> s.timeReferenceFrames().orElse(0))
                                .min()
                                .orElse(0)
                        : -1;
        for (StemFiles.Stem stem : read.stems()) {
            Source source = source(stem, folder, all, earliest);
            all.add(source);
            stems.put(source.id(), stem);
        }
        return all.subList(before.size(), all.size());
    }

    private static Source source(
            StemFiles.Stem stem, Path folder, List<Source> before, long earliest) {
        String name = StemTitle.plain(stem.file());
        StemGuess guess = StemGuess.of(name, () -> facts(stem.audio()), before);
        Source plain =
                new Source(
                                freshId(name, before),
                                StemTitle.among(stem.file(), before),
                                Relocation.path(stem.file(), folder),
                                guess.role(),
                                0,
                                0)
                        .withKind(guess.kind());
        // Where all files tell when they begin, they are laid out as they were recorded.
        long own = earliest < 0 ? 0 : stem.timeReferenceFrames().orElse(0) - earliest;
        double later = own * stem.audio().sampleRateHz() / stem.ownRateHz();
        return later <= 0 || later > MOST_LATER_SECONDS * stem.audio().sampleRateHz()
                ? plain
                : plain.withPlacement(Placement.AS_IS.shifted((int) Math.round(later)));
    }

    private static StemFacts facts(Audio audio) {
        return StemFacts.measure(audio, Silhouette.of(audio), new StemFacts.Wanted(false, false));
    }

    private static String freshId(String name, List<Source> before) {
        String id = Prints.plainName(name);
        String base = id.isEmpty() ? "stem" : id.substring(0, Math.min(40, id.length()));
        String single = base;
        for (int n = 2; taken(before, single); n++) {
            single = base + "-" + n;
        }
        return single;
    }

    private static boolean taken(List<Source> sources, String id) {
        return sources.stream().anyMatch(s -> s.id().equals(id));
    }

    /** The deepest folder that holds all files. */
    private static Path commonFolder(List<Path> files) {
        Path folder = parent(files.getFirst());
        for (Path file : files) {
            while (!parent(file).startsWith(folder) && folder.getParent() != null) {
                folder = folder.getParent();
            }
        }
        return folder;
    }

    private static Path parent(Path file) {
        Path absolute = file.toAbsolutePath().normalize();
        return Objects.requireNonNullElse(absolute.getParent(), absolute);
    }

    private static List<Section> sections(SongClock clock, double seconds) {
        int bars = Math.max(1, clock.barAtSeconds(seconds - 1e-6));
        List<Section> sections = new ArrayList<>();
        for (int bar = 1; bar <= bars; bar += SECTION_BARS) {
            int length = Math.min(SECTION_BARS, bars - bar + 1);
            String name =
                    length == 1 ? "Bar " + bar : "Bars " + bar + "\u2013" + (bar + length - 1);
            sections.add(new Section(name, bar, length, SectionKind.OTHER));
        }
        return sections;
    }

    /** A MIDI file among paths, or directly in a folder among them. */
    static Optional<Path> midiAmong(List<Path> paths) {
        List<Path> found = new ArrayList<>();
        for (Path path : paths) {
            if (isMidi(path)) {
                found.add(path);
            } else if (Files.isDirectory(path)) {
                try (var inside = Files.list(path)) {
                    inside.filter(NewSong::isMidi).sorted().forEach(found::add);
                } catch (java.io.IOException e) {
                    // The folder is searched for sound next, which says what is wrong with it.
                    return Optional.empty();
                }
            }
        }
        return found.stream().findFirst();
    }

    static boolean isMidi(Path path) {
        return named(path, ".mid") || named(path, ".midi");
    }

    /** Whether a file has an ending, however it is written. */
    public static boolean named(Path path, String suffix) {
        return String.valueOf(path.getFileName())
                .toLowerCase(java.util.Locale.ROOT)
                .endsWith(suffix);
    }
}
