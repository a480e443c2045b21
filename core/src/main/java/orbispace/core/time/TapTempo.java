package orbispace.core.time;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;

/**
 * The tempo of taps: the slope of a straight line through their times by least squares, so that one
 * uneven tap weighs little. A pause of more than two seconds starts over.
 */
public final class TapTempo {
    private static final double PAUSE_SECONDS = 2;
    private static final int LEAST_TAPS = 4;
    private static final int MOST_TAPS = 64;

    private final List<Double> taps = new ArrayList<>();

    /** Starts without a tap. */
    public TapTempo() {}

    /**
     * Takes a tap.
     *
     * @param seconds on any clock that runs on
     */
    public void tap(double seconds) {
        if (!taps.isEmpty() && !(seconds - taps.getLast() <= PAUSE_SECONDS)) {
            taps.clear();
        }
        taps.add(seconds);
        if (taps.size() > MOST_TAPS) {
            taps.removeFirst();
        }
    }

    /** How many taps count. */
    public int count() {
        return taps.size();
    }

    /** Quarters per minute; empty before the fourth tap, or for taps beyond 5 to 1000 bpm. */
    public OptionalDouble bpm() {
        int n = taps.size();
        if (n < LEAST_TAPS) {
            return OptionalDouble.empty();
        }
        double middle = (n - 1) / 2.0;
        double mean = taps.stream().mapToDouble(Double::doubleValue).average().orElse(0);
        double up = 0;
        double across = 0;
        for (int i = 0; i < n; i++) {
            up += (i - middle) * (taps.get(i) - mean);
            across += (i - middle) * (i - middle);
        }
        double bpm = 60 * across / up;
        return bpm >= 5 && bpm <= 1000 ? OptionalDouble.of(bpm) : OptionalDouble.empty();
    }
}
