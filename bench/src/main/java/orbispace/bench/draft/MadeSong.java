package orbispace.bench.draft;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import orbispace.bench.truth.Sounds;
import orbispace.core.audio.Audio;
import orbispace.core.design.Design;
import orbispace.core.design.Role;
import orbispace.core.design.Section;
import orbispace.core.design.SectionKind;
import orbispace.core.design.Song;
import orbispace.core.design.Source;
import orbispace.core.design.StemKind;
import orbispace.core.time.SongClock;

/** A song of one of six arrangements, made from a seed, with what its stems are. */
final class MadeSong {
    /** How a song is arranged. */
    enum Arrangement {
        /** Voice and piano. */
        SPARSE("sparse voice and piano", 72),
        /** Voice, backing, guitars, keys, bass and a kit of nine microphones. */
        BAND("dense band with kit", 118),
        /** Short words over kick, clap, hat, bass, chords. */
        DANCE("dance with hits", 122),
        /** Winds and a string take turns in front. */
        INSTRUMENTAL("instrumental, leads change", 96),
        /** A lead and four voices. */
        VOICES("voices only", 84),
        /** Few words, long rests, strings. */
        SLOW("slow with long gaps", 60);

        private final String title;
        private final double bpm;

        Arrangement(String title, double bpm) {
            this.title = title;
            this.bpm = bpm;
        }

        String title() {
            return title;
        }
    }

    private static final double[] TEMPI = {0.84, 1, 1.19};
    private static final int BARS = 12;
    private static final int[] CHORDS = {0, 5, 7, 3};

    private final Random random;
    private final double beat;
    private final double bpm;
    private final Map<String, float[]> stems = new LinkedHashMap<>();
    private final List<Source> sources = new ArrayList<>();
    private final List<String> leads = new ArrayList<>();

    private MadeSong(Arrangement arrangement, int seed) {
        random = new Random(Math.round(1000 * arrangement.bpm) + seed);
        bpm = Math.rint(arrangement.bpm * TEMPI[seed % TEMPI.length]);
        beat = 60 / bpm;
    }

    /** A song. */
    static MadeSong of(Arrangement arrangement, int seed) {
        MadeSong song = new MadeSong(arrangement, seed);
        switch (arrangement) {
            case SPARSE -> {
                song.voice("Lead vox", Role.LEAD, "", 0, 2.5, 1.5);
                song.chords("Piano", Role.HARMONY_BED, "", -9, 12, 0.7);
            }
            case BAND -> song.band();
            case DANCE -> song.dance();
            case INSTRUMENTAL -> song.instrumental();
            case VOICES -> {
                song.voice("Lead vox", Role.LEAD, "", 0, 3, 1.2);
                for (int i = 1; i <= 4; i++) {
                    song.held("BV " + i, Role.BACKING, "Choir", -11, 12 + CHORDS[i - 1], 2);
                }
            }
            case SLOW -> {
                song.voice("Lead vox", Role.LEAD, "", 0, 2, 5);
                song.held("Strings hi", Role.HARMONY_BED, "Strings", -13, 24, 4);
                song.held("Strings lo", Role.HARMONY_BED, "Strings", -12, 12, 4);
                song.chords("Piano", Role.COLOUR, "", -14, 12, 0.9);
            }
        }
        return song;
    }

    private void band() {
        voice("Lead vox", Role.LEAD, "Lead", 0, 3, 1);
        held("BV 1", Role.BACKING, "Choir", -14, 19, 2);
        held("BV 2", Role.BACKING, "Choir", -14, 15, 2);
        chords("Gtr L", Role.HARMONY_BED, "Guitars", -10, 12, 0.25);
        chords("Gtr R", Role.HARMONY_BED, "Guitars", -10, 12, 0.25);
        held("Organ", Role.HARMONY_BED, "", -15, 24, 4);
        bass(-8);
        MadeKit kit = new MadeKit(seconds(), random);
        for (int b = 0; b < 4 * BARS; b++) {
            strike(kit, b % 2 == 0 ? 0 : 1, b, 0.5);
            strike(kit, 2, b, 0.35);
            strike(kit, 2, b + 0.5, 0.25);
            if (b % 16 == 15) {
                strike(kit, 3, b + 0.5, 0.5);
                strike(kit, 3, b + 0.75, 0.5);
            }
        }
        kit.stems()
                .forEach((name, x) ->
                        add(
                                name,
                                Role.HITS,
                                name.startsWith("OH") ? StemKind.OVERHEAD : StemKind.CLOSE,
                                "Kit",
                                -6,
                                x));
    }

    private void strike(MadeKit kit, int drum, double beats, double level) {
        kit.strike(drum, at(beats + 0.01 * random.nextGaussian()), level * dynamics());
    }

    private double dynamics() {
        return Sounds.amplitude(random.nextGaussian());
    }

    private void dance() {
        voice("Lead vox", Role.LEAD, "", 0, 1.5, 2.5);
        float[] kick = empty();
        float[] clap = empty();
        float[] hat = empty();
        for (int b = 0; b < 4 * BARS; b++) {
            Sounds.kick(kick, at(b), 0.5 * dynamics(), random);
            if (b % 2 == 1) {
                Sounds.snare(clap, at(b), 0.4 * dynamics(), random);
            }
            Sounds.metal(hat, at(b + 0.5), 0.1 * dynamics(), 0.04, random);
        }
        add("Kick", Role.HITS, StemKind.DIRECT, "", -4, kick);
        add("Clap", Role.HITS, StemKind.DIRECT, "", -8, clap);
        add("HH", Role.HITS, StemKind.DIRECT, "", -10, hat);
        bass(-7);
        held("Pad", Role.HARMONY_BED, "", -14, 24, 4);
        chords("Stabs", Role.COLOUR, "", -13, 24, 0.12);
    }

    private void instrumental() {
        melody("Sax", "", -2, 24, 0, 4);
        melody("Fiddle", "", -2, 31, 4, 8);
        melody("Flute", "", -2, 36, 8, BARS);
        chords("Piano", Role.HARMONY_BED, "", -10, 12, 0.5);
        bass(-8);
        float[] drum = empty();
        for (int b = 0; b < 4 * BARS; b++) {
            if (b % 2 == 1) {
                Sounds.snare(drum, at(b), 0.25 * dynamics(), random);
            }
        }
        add("Snare", Role.HITS, StemKind.CLOSE, "", -10, drum);
        leads.addAll(List.of("sax", "fiddle", "flute"));
    }

    private void voice(
            String name, Role role, String group, double gain, double sings, double rests) {
        float[] x = empty();
        double b = 1;
        while (b < 4 * BARS - sings) {
            double lasts = sings * (0.7 + 0.6 * random.nextDouble());
            Players.sing(x, at(b), lasts * beat, 1, random);
            b += lasts + rests * (0.7 + 0.6 * random.nextDouble());
        }
        add(name, role, StemKind.CLOSE, group, gain, x);
    }

    private void melody(String name, String group, double gain, int note, int from, int to) {
        float[] x = empty();
        for (double b = 4 * from; b < 4 * to - 2; ) {
            for (int i = 0; i < 4 && b < 4 * to - 1; i++) {
                double lasts = 0.5 * (1 + random.nextInt(3));
                double hz = Players.hertz(note + CHORDS[random.nextInt(4)]);
                Players.hold(x, at(b), 0.95 * lasts * beat, hz, 0.14, random);
                b += lasts;
            }
            b += 1 + random.nextDouble();
        }
        add(name, from == 0 ? Role.LEAD : Role.COLOUR, StemKind.CLOSE, group, gain, x);
    }

    private void chords(String name, Role role, String group, double gain, int note, double rings) {
        float[] x = empty();
        for (int b = 0; b < 4 * BARS; b++) {
            if (b % 2 == 0 || random.nextDouble() < 0.4) {
                int root = note + CHORDS[b / 4 % 4];
                for (int third : new int[] {0, 4, 7}) {
                    double late = 0.01 * random.nextDouble();
                    double hz = Players.hertz(root + third);
                    Players.pluck(x, at(b) + late, hz, rings, 0.07 * dynamics(), random);
                }
            }
        }
        add(name, role, StemKind.CLOSE, group, gain, x);
    }

    private void held(String name, Role role, String group, double gain, int note, double beats) {
        float[] x = empty();
        for (double b = 8 * random.nextInt(2); b < 4 * BARS - beats; b += beats) {
            double hz = Players.hertz(note + CHORDS[(int) (b / 4) % 4]);
            Players.hold(x, at(b), 0.97 * beats * beat, hz, 0.1, random);
        }
        add(name, role, StemKind.CLOSE, group, gain, x);
    }

    private void bass(double gain) {
        float[] x = empty();
        for (int b = 0; b < 4 * BARS; b++) {
            double hz = Players.hertz(-12 + CHORDS[b / 4 % 4]);
            Players.pluck(x, at(b), hz, 0.35, 0.2 * dynamics(), random);
        }
        add("Bass", Role.BASS, StemKind.DIRECT, "", gain, x);
    }

    private double seconds() {
        return 4 * BARS * beat + 2.5;
    }

    private double at(double beats) {
        return Math.max(0, beats * beat);
    }

    private float[] empty() {
        float[] x = new float[Players.frames(seconds())];
        Sounds.hiss(x, 2e-5, random);
        return x;
    }

    private void add(String name, Role role, StemKind kind, String group, double gain, float[] x) {
        String id = name.toLowerCase(Locale.ROOT).replace(' ', '-');
        boolean side = name.endsWith(" L") || name.endsWith(" R");
        double pan = side ? (name.endsWith("L") ? -0.7 : 0.7) : 0;
        Source s = new Source(id, name, id + ".wav", role, gain, pan);
        sources.add(s.withKind(kind).withGroup(group));
        stems.put(id, x);
    }

    /** The stems by source id. */
    Map<String, Audio> audio() {
        Map<String, Audio> all = new LinkedHashMap<>();
        stems.forEach((id, x) -> all.put(id, Audio.of(Sounds.RATE, x)));
        return all;
    }

    /** The song without a field. */
    Design design() {
        List<Section> sections = new ArrayList<>();
        for (int i = 0; i < 3; i++) {
            Section s = new Section("Part " + (i + 1), 1 + 4 * i, 4, SectionKind.OTHER);
            sections.add(leads.isEmpty() ? s : s.ledBy(leads.get(i)));
        }
        return new Design(
                new Song("Made", Sounds.RATE, SongClock.constant(bpm, 4, 4), sections),
                sources,
                List.of());
    }
}
