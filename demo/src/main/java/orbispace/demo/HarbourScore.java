package orbispace.demo;

import java.util.ArrayList;
import java.util.List;
import orbispace.core.design.Section;
import orbispace.core.time.MetreMap;
import orbispace.core.time.SongClock;
import orbispace.core.time.TempoMap;
import orbispace.core.time.TempoMap.Change;

/** Tempo, form, chords and patterns of the song. */
final class HarbourScore {
    static final double SECONDS = 77.5;
    static final int FRAMES = (int) (SECONDS * Shape.RATE);

    static final SongClock CLOCK =
            new SongClock(
                    TempoMap.of(
                            List.of(
                                    Change.step(0, 84),
                                    Change.step(40, 88),
                                    Change.step(56, 76),
                                    new Change(70, 76, 88),
                                    Change.step(72, 88),
                                    new Change(96, 88, 52),
                                    Change.step(104, 52))),
                    MetreMap.constant(4, 4));

    static final List<Section> SECTIONS =
            List.of(
                    new Section("Intro", 1, 2),
                    new Section("Verse 1", 3, 8),
                    new Section("Chorus 1", 11, 4),
                    new Section("Bridge", 15, 4),
                    new Section("Chorus 2", 19, 6),
                    new Section("Outro", 25, 2));

    private static final double[] SECTION_DB = {-2, -1, 1.5, -3, 2, -3};

    /** Bar, concertina voicings, marimba ladder, bass notes. */
    private static final String BARS =
            """
            1|F3 A3 E4|D4 A4 C5 E5 D5|1 4 D2
            2|G3 B3 D4|D4 G4 B4 D5 E5|1 3.5 D2
            3|F3 A3 C4|D4 A4 C5 F4 E5|1 4 D2
            4|E3 A3 C4|C4 E4 A4 G4 C5|1 4 C2
            5|D3 G3 B3|B3 G4 D4 B4 D5|1 4 B1
            6|D3 F3 A3|A3 F4 D4 A4 D5|1 3.5 A1
            7|F3 A3 C4|F4 A4 C5 A4 F5|1 4 F2
            8|F3 B3 D4|G4 B4 D5 B4 G5|1 2.5 G2;3.5 1.5 D2
            9|E3 B3 D4|E4 B4 D5 G4 E5|1 4 E2
            10|E3 A3 C4|A3 E4 G4 C5 E5|1 3 A1
            11|A3 C4 F4|F4 C5 A4 F5 G5|1 2.5 F2;3.5 1.5 C2
            12|G3 C4 E4|E4 C5 G4 E5 G5|1 2.5 E2;3.5 1.5 C2
            13|G3 B3 D4|G4 D5 B4 G5 A5|1 2.5 G2;3.5 1.5 D2
            14|F3 A3 C4 D4|F4 C5 A4 D5 F5|1 2.5 D2
            15||A3 E4 B4 C5 E5|1 4 A1
            16|B3 D4|E4 B4 G4 D5 E5|1 4 E2
            17|A3 C4 E4|F4 C5 A4 E5 G5|1 4 F2
            18|G3 C4 D4;G3 B3 D4|G4 D5 C5 B4 G5|1 3.5 G1
            19|F3 A3 C4 F4|F4 C5 A4 F5 G5|1 2.5 F2;3.5 1.5 C2
            20|E3 G3 C4 E4|E4 C5 G4 E5 G5|1 2.5 E2;3.5 1.5 C2
            21|D3 G3 B3 D4|G4 D5 B4 G5 A5|1 2.5 G2;3.5 1.5 D2
            22|E3 G3 C4 E4|A4 E5 C5 G5 A5|1 2.5 A2;3.5 1.5 E2
            23|F3 A3 C4 F4|F4 C5 A4 F5 G5|1 2.5 F2;3.5 1.5 C2
            24|G3 B3 D4 G4|G4 D5 B4 G5 A5|1 3 G2
            25|A3 C4 E4;G3 B3 D4|A4 E5 B4 D5 G5|1 2 A1;3 2 B1
            26|F3 A3 D4 E4|D4 A4 E5 F5 D5|1 3.5 D2
            """;

    private HarbourScore() {}

    /** Seconds of a beat counted from 0. */
    static double seconds(double beat) {
        return CLOCK.tempo().secondsAt(beat);
    }

    /** The beat, from 0, of a place such as bar 3 and beat 2.5. */
    static double beat(int bar, double beatInBar) {
        return 4 * (bar - 1) + beatInBar - 1;
    }

    /** Seconds of a sixteenth slot of a bar; odd slots are late by the groove. */
    static double slotSeconds(int bar, int slot) {
        double late = slot % 2 == 1 ? 0.045 * 0.5 : 0;
        return seconds(4 * (bar - 1) + slot / 4.0 + late);
    }

    /** Level of the section of a bar in dB. */
    static double sectionDb(int bar) {
        for (int i = 0; i < SECTIONS.size(); i++) {
            if (bar < SECTIONS.get(i).endBar()) {
                return SECTION_DB[i];
            }
        }
        return 0;
    }

    /** Column of a bar: 1 voicings, 2 ladder, 3 bass. */
    static String bar(int bar, int column) {
        return BARS.lines().toList().get(bar - 1).split("\\|", -1)[column];
    }

    /** A stroke of a pattern: bar, slot, what, velocity. */
    record Stroke(int bar, int slot, String what, double velocity) {}

    /** Strokes written {@code slot:what:velocity} for a bar. */
    static List<Stroke> strokes(int bar, String pattern) {
        List<Stroke> strokes = new ArrayList<>();
        for (String word : pattern.split(" ")) {
            if (!word.isEmpty()) {
                String[] parts = word.split(":");
                strokes.add(
                        new Stroke(
                                bar,
                                Integer.parseInt(parts[0]),
                                parts[1],
                                Double.parseDouble(parts[2])));
            }
        }
        return strokes;
    }
}
