package orbispace.core.render;

import java.util.TreeMap;

/** A value that goes from one to another over the frames of a song. */
final class PlanLine {
    private static final double CURVED_FROM_SECONDS = 0.05;
    private static final int PIECES = 24;
    private static final double FLOOR = 1e-4;

    private final TreeMap<Integer, Double> points = new TreeMap<>();
    private final double rate;
    private final boolean level;
    private double value;

    private PlanLine(double rate, boolean level, double value) {
        this.rate = rate;
        this.level = level;
        this.value = value;
    }

    /** An amplitude factor, whose ways are straight in dB. */
    static PlanLine level(double rate, double value) {
        return new PlanLine(rate, true, value);
    }

    /** Anything else, whose ways are straight. */
    static PlanLine straight(double rate, double value) {
        return new PlanLine(rate, false, value);
    }

    /** Where it stands now. */
    double value() {
        return value;
    }

    /** Goes to another value; at the very first it simply is there. */
    void to(double wanted, int from, int frames, boolean first) {
        if (first) {
            points.clear();
            points.put(from, wanted);
        } else if (wanted != value) {
            points.put(from, value);
            boolean curved = frames > CURVED_FROM_SECONDS * rate;
            for (int p = 1; curved && p < PIECES; p++) {
                points.put(from + (int) ((long) frames * p / PIECES), between(wanted, p));
            }
            points.put(from + frames, wanted);
        }
        value = wanted;
    }

    private double between(double wanted, int piece) {
        double share = piece / (double) PIECES;
        if (!level) {
            return value + share * (wanted - value);
        }
        double low = Math.max(FLOOR, value);
        double high = Math.max(FLOOR, wanted);
        return low * Math.pow(high / low, share);
    }

    GainCurve curve() {
        return points.isEmpty() ? GainCurve.of(value) : GainCurve.through(points);
    }
}
