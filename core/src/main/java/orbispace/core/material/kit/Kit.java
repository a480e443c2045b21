package orbispace.core.material.kit;

import java.util.List;
import java.util.OptionalDouble;

/**
 * What the stems of a kit hold together.
 *
 * @param stems in the order they were given
 * @param sharing indices of the stems that share strokes with others
 * @param lines how they lie in time, in the same order
 * @param rippleDb how much the sum of two of them ripples at most, of those that do not lie in
 *     line; 0 if all do
 * @param hitClockSeconds from stroke to stroke of the busiest own strokes; empty for fewer than two
 */
public record Kit(
        List<KitStem> stems,
        List<Integer> sharing,
        List<Line> lines,
        double rippleDb,
        OptionalDouble hitClockSeconds) {
    /**
     * Where a stem lies in time.
     *
     * @param samples later than the stem with the most energy of its own; negative if earlier
     * @param known whether it and others hear each other, so that how far the microphones stood
     *     apart is not in it
     * @param inverted whether it is upside down against that stem
     */
    public record Line(int samples, boolean known, boolean inverted) {}

    /** The material for which it is tried and holds. */
    public static final String HOLDS_FOR =
            "kits with 8 strokes and more of each drum, bleed from 6 dB down";

    /** What is no farther apart than this lies in line: its first notch is over 8 kHz. */
    public static final int IN_LINE_SAMPLES = 2;

    /** Keeps its own list. */
    public Kit {
        stems = List.copyOf(stems);
        sharing = List.copyOf(sharing);
        lines = List.copyOf(lines);
    }
}
