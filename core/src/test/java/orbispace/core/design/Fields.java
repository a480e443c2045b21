package orbispace.core.design;

import java.util.List;
import java.util.Map;
import orbispace.core.design.Filter.Corner;
import orbispace.core.time.NoteValue;
import orbispace.core.time.SongClock;

/** Small designs for tests. */
public final class Fields {
    private Fields() {}

    public static Song song(double bpm) {
        return song(bpm, 48000);
    }

    public static Song song(double bpm, double rate) {
        return new Song(
                "Test song",
                rate,
                SongClock.constant(bpm, 4, 4),
                List.of(new Section("One", 1, 2), new Section("Two", 3, 2)));
    }

    public static Source source(String id, Role role) {
        return new Source(id, id, id + ".wav", role, 0, 0);
    }

    public static NoteValue note(String text) {
        return NoteValue.parse(text).orElseThrow();
    }

    public static Return hall(String id, double decaySeconds, Map<String, Double> sends) {
        return Return.of(
                id,
                "Hall " + id,
                sends,
                Filter.OPEN,
                new MusicalTime.Millis(20),
                Space.hall(decaySeconds, 1, 0.7),
                new Filter(new Corner(150, 2), new Corner(7000, 2)),
                null,
                -3,
                1);
    }

    public static Return echo(String id, String note, double feedback, Map<String, Double> sends) {
        return Return.of(
                id,
                "Echo " + id,
                sends,
                Filter.OPEN,
                new MusicalTime.Millis(0),
                Space.Echo.pingPong(new MusicalTime.Note(note(note), 0), feedback, 20, 20000, 1),
                Filter.OPEN,
                null,
                0,
                1);
    }

    /** A voice and a bed, into a hall A and an echo B. */
    public static Design two() {
        return new Design(
                song(120),
                List.of(source("voice", Role.LEAD), source("bed", Role.HARMONY_BED)),
                List.of(
                        hall("A", 1.2, Map.of("voice", -8.0, "bed", -12.0)),
                        echo("B", "1/4", 0.4, Map.of("voice", -10.0))));
    }
}
