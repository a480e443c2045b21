package orbispace.app.song;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import orbispace.core.design.Filter;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Return;
import orbispace.core.design.Source;
import orbispace.core.design.Space;
import orbispace.core.time.NoteValue;

/** The field that a new song begins with: a hall, and an echo for what leads. */
final class FirstField {
    private FirstField() {}

    static List<Return> of(List<Source> sources) {
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
        return returns(hall, echo);
    }

    private static List<Return> returns(Map<String, Double> hall, Map<String, Double> echo) {
        NoteValue sixtyFourth = NoteValue.parse("1/64").orElseThrow();
        NoteValue dotted = NoteValue.parse("1/4.").orElseThrow();
        Filter clean = new Filter(new Filter.Corner(180, 2), new Filter.Corner(6500, 2));
        return List.of(
                Return.of(
                        "A",
                        "Hall",
                        hall,
                        Filter.OPEN,
                        new MusicalTime.Note(sixtyFourth, 0),
                        Space.hall(1.8, 1.1, 0.6),
                        clean,
                        null,
                        -4,
                        1),
                Return.of(
                        "B",
                        "Echo",
                        echo,
                        Filter.OPEN,
                        new MusicalTime.Millis(0),
                        Space.Echo.pingPong(new MusicalTime.Note(dotted, 0), 0.3, 120, 6000, 0.7),
                        clean,
                        null,
                        -4,
                        1));
    }
}
