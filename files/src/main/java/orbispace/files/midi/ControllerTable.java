package orbispace.files.midi;

import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * Which controller carries which lane of automation.
 *
 * @param first number of the first lane's controller; lanes that are not chosen follow in order
 * @param fine whether those have 14 bits instead of 7
 * @param chosen controllers of single lanes by their names
 */
public record ControllerTable(int first, boolean fine, Map<String, Controller> chosen) {
    /** One after another from number 20 on. */
    public static final ControllerTable USUAL = new ControllerTable(20, false, Map.of());

    /** Where the fine part of a value is sent. */
    static final int FINE_OFFSET = 32;

    private static final int NUMBERS = 120;

    /**
     * A controller.
     *
     * @param number 0 to 119, or to 31 with fine values
     * @param fine whether its value has 14 bits
     */
    public record Controller(int number, boolean fine) {
        /** Checks the range. */
        public Controller {
            int most = fine ? FINE_OFFSET : NUMBERS;
            if (number < 0 || number >= most) {
                throw new IllegalArgumentException(
                        "controller "
                                + number
                                + " is outside 0 to "
                                + (most - 1)
                                + (fine ? " for 14 bits" : ""));
            }
        }
    }

    /** Checks the range and keeps its own map. */
    public ControllerTable {
        first = new Controller(first, fine).number();
        chosen = Collections.unmodifiableMap(new TreeMap<>(chosen));
    }

    /** The controller of a lane. */
    public Controller of(int lane, String name) {
        Controller own = chosen.get(name);
        int most = fine ? FINE_OFFSET : NUMBERS;
        return own == null ? new Controller(Math.floorMod(first + lane, most), fine) : own;
    }

    /** The same with another controller for a lane. */
    public ControllerTable with(String lane, Controller controller) {
        Map<String, Controller> other = new TreeMap<>(chosen);
        other.put(lane, controller);
        return new ControllerTable(first, fine, other);
    }

    /** Numbers that more than one of these lanes would be sent on, a fine part included. */
    public List<Integer> shared(List<String> lanes) {
        Map<Integer, Integer> uses = new TreeMap<>();
        for (int i = 0; i < lanes.size(); i++) {
            Controller c = of(i, lanes.get(i));
            uses.merge(c.number(), 1, Integer::sum);
            if (c.fine()) {
                uses.merge(c.number() + FINE_OFFSET, 1, Integer::sum);
            }
        }
        return uses.entrySet().stream()
                .filter(e -> e.getValue() > 1)
                .map(Map.Entry::getKey)
                .toList();
    }
}
