package orbispace.core.design;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import orbispace.core.time.SongClock;

/**
 * What note values of a return come to where the tempo is another than where they were set: a line
 * is set to one length, so it is off its note there unless the return follows the sections.
 */
public final class FixedTimes {
    private FixedTimes() {}

    /**
     * One time in one section.
     *
     * @param time its name: predelay, echo time, right time, length of the space, length of the
     *     gate
     * @param section where
     * @param setMillis what is set
     * @param noteMillis what the note value is there
     * @param sixteenthMillis a sixteenth there
     */
    public record Deviation(
            String time,
            Section section,
            double setMillis,
            double noteMillis,
            double sixteenthMillis) {
        /** How much later than the note it comes, in ms. */
        public double millis() {
            return setMillis - noteMillis;
        }

        /** The error as a share of a sixteenth, without sign. */
        public double sixteenths() {
            return Math.abs(millis()) / sixteenthMillis;
        }
    }

    /** The note values of a return by name. */
    public static Map<String, MusicalTime.Note> notes(Return r) {
        Map<String, MusicalTime.Note> notes = new LinkedHashMap<>();
        take(notes, "predelay", r.predelay());
        r.space().traits().times().forEach((name, time) -> take(notes, name, time));
        Gate gate = r.gate();
        if (gate != null && gate.length() != null) {
            take(notes, "length of the gate", gate.length());
        }
        return notes;
    }

    private static void take(Map<String, MusicalTime.Note> notes, String name, MusicalTime time) {
        if (time instanceof MusicalTime.Note note) {
            notes.put(name, note);
        }
    }

    /**
     * Each note value in each section: what it is there and what is set. A return that follows the
     * sections has its note everywhere, at the tempo of each section's first bar.
     */
    public static List<Deviation> of(Song song, Return r) {
        List<Deviation> off = new ArrayList<>();
        SongClock clock = song.clock();
        notes(r).forEach((name, note) -> {
            for (Section section : song.sections()) {
                int bar = r.timing().followsSections() ? section.firstBar() : r.timedAtBar();
                off.add(
                        new Deviation(
                                name,
                                section,
                                1000 * note.seconds(clock, bar),
                                1000 * note.seconds(clock, section.firstBar()),
                                15_000 / clock.bpmOfBar(section.firstBar())));
            }
        });
        return off;
    }
}
