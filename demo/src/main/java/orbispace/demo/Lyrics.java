package orbispace.demo;

import java.util.ArrayList;
import java.util.List;

/** The words and the tune: phrases of notes, each a syllable with onset, vowel and coda. */
final class Lyrics {
    /**
     * A sung note.
     *
     * @param beat where its vowel begins, from 0
     * @param beats how long it is written
     * @param pitch note name
     * @param onset consonants before the vowel
     * @param vowel vowel or diphthong
     * @param coda consonants after it
     */
    record Note(double beat, double beats, String pitch, String onset, String vowel, String coda) {}

    /** Notes sung in one breath at a level (dB) and effort (0 to 1). */
    record Phrase(double levelDb, double effort, List<Note> notes) {}

    private static final String CHORUS_TIDE =
            "0.1 1 C5 h|A|,0.2 .5 A4 b|@|,0.2.5 .5 G4 |a|t,0.3 .5 A4 l|oU|,0.3.5 1.5 C5 t|aI|d";
    private static final String CHORUS_BOATS =
            "0.3 .5 G4 b|oU|ts,0.3.5 .5 G4 l|i|n,0.4 .5 C5 s|aI|d,0.4.5 .5 B4 b|aI|,1.1 1.25 D5"
                    + " s|aI|d";

    /** First bar, level, effort, notes whose bars count from it. */
    private static final String[][] PHRASES = {
        {
            "3",
            "0",
            ".50",
            "0.1 1 D4 r|oU|ps,0.2 .5 F4 l|aI|,0.2.5 1 G4 sl|a|k,0.3.5 .5 F4 |@|,0.4 1 E4 l|o|N,"
                    + "1.1 .5 C4 D|@|,1.1.5 1.5 E4 st|oU|n"
        },
        {
            "5",
            "0",
            ".50",
            "0.1 1 B3 m|V|d,0.2 .5 D4 r|I|,0.2.5 1 G4 m|e|m,0.3.5 .5 F4 b|@|z,0.4 .5 E4 |e|v,0.4.5"
                    + " .5 F4 r|i|,1.1 2 D4 k|i|l"
        },
        {"7", ".5", ".55", "0.1 1 A4 l|a|n,0.2 .5 G4 t|3|nz,0.2.5 1 A4 l|oU|"},
        {"7", ".5", ".55", "0.4 1 G4 w|V|n,1.1 .5 A4 b|aI|,1.1.5 1.5 B4 w|V|n"},
        {
            "9",
            "0",
            ".50",
            "0.1 .5 G4 |a|nd,0.1.5 .5 G4 D|@|,0.2 1.5 B4 m|u|n,0.3.5 .5 A4 k|V|mz,0.4 .5 G4 w|eI|,"
                    + "0.4.5 .5 E4 d|I|N,1.1 2 A4 h|oU|m"
        },
        {"11", "3", ".80", CHORUS_TIDE},
        {"12", "3", ".80", CHORUS_BOATS},
        {
            "13",
            "2.5",
            ".75",
            "0.4 .5 B4 h|A|,0.4.5 .5 A4 b|@|,1.1 .5 F4 |a|t,1.1.5 1 G4 l|oU|,1.2.5 1.75 A4 t|aI|d"
        },
        {"16", "-2.5", ".35", "0.1 1 E4 |V|n,0.2 .5 G4 d|@|,0.2.5 .5 E4 D|@|,0.3 .75 D4 s|I|lt"},
        {
            "17",
            "-2",
            ".35",
            "0.1 .5 E4 |@|,0.1.5 1 A4 b|e|l,0.2.5 .5 G4 w|I|D,0.3 .5 F4 n|oU|,0.3.5 1 E4 t|V|N"
        },
        {"18", "-1", ".42", "0.1.5 .5 D4 h|V|mz,0.2 .5 G4 f|O|,0.2.5 1 A4 w|O|,0.3.5 .5 B4 t|@|"},
        {"19", "3", ".85", CHORUS_TIDE},
        {"20", "3", ".85", CHORUS_BOATS},
        {
            "21",
            "3",
            ".85",
            "0.4 .5 B4 h|oU|ld,0.4.5 .5 A4 D|@|,1.1 1 C5 |i|v,1.2 .5 B4 n|I|N,1.2.5 1.25 A4 st|I|l"
        },
        {
            "23",
            "3.5",
            ".95",
            "0.2 .5 A4 t|I|l,0.2.5 .5 A4 D|@|,0.3 1 C5 C|a|,0.4 1 C5 n|@|lz,1.1 2.25 D5 w|aI|d"
        },
        {"25", "-2", ".40", "0.2 1 G4 l|oU|,0.3 2 E4 l|oU|,1.1 2.5 D4 t|aI|d"},
    };

    private Lyrics() {}

    static List<Phrase> phrases() {
        List<Phrase> phrases = new ArrayList<>();
        for (String[] p : PHRASES) {
            List<Note> notes = new ArrayList<>();
            for (String written : p[3].split(",")) {
                notes.add(note(Integer.parseInt(p[0]), written));
            }
            phrases.add(
                    new Phrase(
                            Double.parseDouble(p[1]),
                            Double.parseDouble(p[2]),
                            List.copyOf(notes)));
        }
        return phrases;
    }

    private static Note note(int firstBar, String written) {
        String[] p = written.split(" ");
        int dot = p[0].indexOf('.');
        int bar = firstBar + Integer.parseInt(p[0].substring(0, dot));
        double beatInBar = Double.parseDouble(p[0].substring(dot + 1));
        String[] syllable = p[3].split("\\|", -1);
        return new Note(
                HarbourScore.beat(bar, beatInBar),
                Double.parseDouble(p[1]),
                p[2],
                syllable[0],
                syllable[1],
                syllable[2]);
    }
}
