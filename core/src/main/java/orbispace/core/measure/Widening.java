package orbispace.core.measure;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import orbispace.core.hearing.WetState;
import orbispace.core.words.Wording;

/**
 * What is wider in one sound than in another, octave by octave.
 *
 * @param gains octaves, the lowest first
 */
public record Widening(List<Gain> gains) {
    /** Nothing was measured. */
    public static final Widening NONE = new Widening(List.of());

    /** From here on it is felt. */
    public static final double FELT_DEGREES = 3;

    /** From here on it is heard. */
    public static final double HEARD_DEGREES = 8;

    /** From here on it is obvious. */
    public static final double OBVIOUS_DEGREES = 20;

    /** A state is reached in two octaves or more. */
    private static final int OCTAVES = 2;

    /** Keeps its own list. */
    public Widening {
        gains = List.copyOf(gains);
    }

    /**
     * What is wider in an octave.
     *
     * @param centreHz the middle of the octave
     * @param degrees how much; less than 0 for narrower; empty if either is silent there
     */
    public record Gain(double centreHz, OptionalDouble degrees) {}

    /** What two octaves or more have gained, degrees; never less than 0. */
    public double degrees() {
        List<Double> most = new ArrayList<>();
        gains.forEach(g -> most.add(g.degrees().orElse(0)));
        most.sort(java.util.Comparator.reverseOrder());
        return most.size() < OCTAVES ? 0 : Math.max(0, most.get(OCTAVES - 1));
    }

    /** What two octaves or more have lost, degrees; never less than 0. */
    public double narrowed() {
        return new Widening(
                        gains.stream()
                                .map(g -> new Gain(g.centreHz(), opposite(g.degrees())))
                                .toList())
                .degrees();
    }

    private static OptionalDouble opposite(OptionalDouble degrees) {
        return degrees.isPresent()
                ? OptionalDouble.of(-degrees.getAsDouble())
                : OptionalDouble.empty();
    }

    /**
     * What degrees gained make of a return: 3 in two octaves or more are felt, 8 heard, 20 obvious.
     */
    public WetState state() {
        double degrees = degrees();
        if (degrees >= OBVIOUS_DEGREES) {
            return WetState.OBVIOUS;
        }
        if (degrees >= HEARD_DEGREES) {
            return WetState.HEARD;
        }
        return degrees >= FELT_DEGREES ? WetState.FELT : WetState.HIDDEN;
    }

    /** It in a few words, such as "9° wider, 250 Hz to 4 kHz"; empty for less than is felt. */
    public String words() {
        double wider = degrees();
        double narrower = narrowed();
        boolean opens = wider >= FELT_DEGREES && wider >= narrower;
        if (!opens && narrower < FELT_DEGREES) {
            return "";
        }
        double sign = opens ? 1 : -1;
        List<Gain> there =
                gains.stream().filter(g -> sign * g.degrees().orElse(0) >= FELT_DEGREES).toList();
        return Wording.text(
                "%.0f° %s, %s to %s",
                opens ? wider : narrower,
                opens ? "wider" : "narrower",
                Wording.hertz(Math.ceil(there.getFirst().centreHz())),
                Wording.hertz(there.getLast().centreHz()));
    }
}
