package orbispace.app.session;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import orbispace.core.audio.Audio;
import orbispace.core.design.Design;
import orbispace.core.design.Filter;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Return;
import orbispace.core.design.Role;
import orbispace.core.design.Section;
import orbispace.core.design.Song;
import orbispace.core.design.Source;
import orbispace.core.design.Space;
import orbispace.core.time.NoteValue;
import orbispace.core.time.SongClock;
import orbispace.files.FileProblem;
import orbispace.files.WavReader;

/**
 * A song begun from stems: roles guessed from names, one tempo, and a first field of a hall and an
 * echo.
 *
 * @param design the drafted design, with file names relative to the folder
 * @param audio the stems by source
 * @param folder where the stems lie
 */
public record NewSong(Design design, Map<String, Audio> audio, Path folder) {
    private static final int SECTION_BARS = 8;
    private static final Map<String, Role> WORDS =
            Map.ofEntries(
                    Map.entry("backing", Role.BACKING),
                    Map.entry("choir", Role.BACKING),
                    Map.entry("harmon", Role.BACKING),
                    Map.entry("vo", Role.LEAD),
                    Map.entry("lead", Role.LEAD),
                    Map.entry("sing", Role.LEAD),
                    Map.entry("bass", Role.BASS),
                    Map.entry("drum", Role.HITS),
                    Map.entry("kick", Role.HITS),
                    Map.entry("snare", Role.HITS),
                    Map.entry("perc", Role.HITS),
                    Map.entry("shaker", Role.HITS),
                    Map.entry("pad", Role.HARMONY_BED),
                    Map.entry("key", Role.HARMONY_BED),
                    Map.entry("organ", Role.HARMONY_BED),
                    Map.entry("concertina", Role.HARMONY_BED));

    /** Keeps its own map. */
    public NewSong {
        audio = Map.copyOf(audio);
    }

    /**
     * Reads stems and drafts a song.
     *
     * @param stems WAV files of one sample rate
     * @param bpm tempo, 5 to 1000
     * @throws FileProblem for a stem that cannot be read or is at another rate
     */
    public static NewSong fromStems(List<Path> stems, double bpm) throws FileProblem {
        Path folder =
                java.util.Objects.requireNonNullElse(
                        stems.getFirst().toAbsolutePath().getParent(), Path.of("."));
        Map<String, Audio> audio = new LinkedHashMap<>();
        List<Source> sources = new ArrayList<>();
        double rate = 0;
        for (Path stem : stems) {
            Audio read = WavReader.read(stem);
            if (rate != 0 && read.sampleRateHz() != rate) {
                throw new FileProblem(
                        stem
                                + ": is at "
                                + (int) read.sampleRateHz()
                                + " Hz, the stems before it at "
                                + (int) rate
                                + "; export all at one rate");
            }
            rate = read.sampleRateHz();
            Source source = source(stem, folder, sources);
            sources.add(source);
            audio.put(source.id(), read);
        }
        double seconds = audio.values().stream().mapToDouble(Audio::seconds).max().orElse(1);
        String title = folder.getFileName() == null ? "Untitled" : folder.getFileName().toString();
        Song song = new Song(title, rate, SongClock.constant(bpm, 4, 4), sections(bpm, seconds));
        return new NewSong(new Design(song, sources, field(sources)), audio, folder);
    }

    private static Source source(Path stem, Path folder, List<Source> before) {
        String file = String.valueOf(stem.getFileName());
        String name = file.replaceFirst("\\.[^.]*$", "").replaceAll("[-_]+", " ").strip();
        String id =
                name.toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-").replaceAll("^-|-$", "");
        String base = id.isEmpty() ? "stem" : id.substring(0, Math.min(40, id.length()));
        String single = base;
        for (int n = 2; taken(before, single); n++) {
            single = base + "-" + n;
        }
        Path absolute = stem.toAbsolutePath().normalize();
        String path =
                absolute.startsWith(folder.normalize())
                        ? folder.normalize().relativize(absolute).toString()
                        : absolute.toString();
        String shown =
                name.isEmpty()
                        ? "Stem"
                        : name.substring(0, 1).toUpperCase(Locale.ROOT) + name.substring(1);
        return new Source(single, shown, path, role(name.toLowerCase(Locale.ROOT), before), 0, 0);
    }

    private static boolean taken(List<Source> sources, String id) {
        return sources.stream().anyMatch(s -> s.id().equals(id));
    }

    private static Role role(String name, List<Source> before) {
        Role guessed =
                WORDS.entrySet().stream()
                        .filter(e -> name.contains(e.getKey()))
                        .sorted(Map.Entry.comparingByKey())
                        .map(Map.Entry::getValue)
                        .findFirst()
                        .orElse(Role.COLOUR);
        boolean hasLead = before.stream().anyMatch(s -> s.role() == Role.LEAD);
        return guessed == Role.LEAD && hasLead ? Role.BACKING : guessed;
    }

    private static List<Section> sections(double bpm, double seconds) {
        int bars = Math.max(1, (int) Math.ceil(seconds * bpm / 240));
        List<Section> sections = new ArrayList<>();
        for (int bar = 1; bar <= bars; bar += SECTION_BARS) {
            int length = Math.min(SECTION_BARS, bars - bar + 1);
            sections.add(new Section("Bars " + bar + "\u2013" + (bar + length - 1), bar, length));
        }
        return sections;
    }

    private static List<Return> field(List<Source> sources) {
        Map<String, Double> hall = new TreeMap<>();
        Map<String, Double> echo = new TreeMap<>();
        for (Source s : sources) {
            switch (s.role()) {
                case LEAD -> {
                    hall.put(s.id(), -12.0);
                    echo.put(s.id(), -14.0);
                }
                case BACKING, HARMONY_BED -> hall.put(s.id(), -12.0);
                case HITS -> hall.put(s.id(), -18.0);
                case COLOUR -> hall.put(s.id(), -14.0);
                case BASS -> {}
            }
        }
        NoteValue sixtyFourth = NoteValue.parse("1/64").orElseThrow();
        NoteValue dotted = NoteValue.parse("1/4.").orElseThrow();
        Filter clean = new Filter(new Filter.Corner(180, 2), new Filter.Corner(6500, 2));
        return List.of(
                new Return(
                        "A",
                        "Hall",
                        hall,
                        Filter.OPEN,
                        new MusicalTime.Note(sixtyFourth, 0),
                        new Space.Hall(1.8, 1.1, 0.6),
                        clean,
                        null,
                        -4,
                        1),
                new Return(
                        "B",
                        "Echo",
                        echo,
                        Filter.OPEN,
                        new MusicalTime.Millis(0),
                        new Space.PingPong(new MusicalTime.Note(dotted, 0), 0.3, 120, 6000, 0.7),
                        clean,
                        null,
                        -4,
                        1));
    }
}
