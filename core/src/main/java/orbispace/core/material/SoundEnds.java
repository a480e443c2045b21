package orbispace.core.material;

import java.util.ArrayList;
import java.util.List;
import orbispace.core.audio.Line;
import orbispace.core.audio.Quantile;

/**
 * Where sounds end in levels of frames of 10 ms: the stops of what was even, the peaks of strokes,
 * and how long nothing new sounds behind either.
 */
final class SoundEnds {
    /** Frames behind a stop or stroke that must be there. */
    private static final int LEAST_BEHIND = 12;

    /** How long after an event what is new is looked for. */
    static final int LONGEST = 120;

    private static final int BEFORE = 12;
    private static final double EVEN_DB = 3;
    private static final double MOST_FALL = 0.9;
    private static final int DROP = 8;
    private static final double DROP_DB = 5;
    private static final double STROKE_RISE_DB = 10;
    private static final double LOUD_DB = 25;
    private static final double RISE_DB = 6;
    private static final int AROUND = 2;
    private static final int SWELL = 40;
    private static final double SWELL_DB = 6;
    private static final double BACK_DB = 4;

    private SoundEnds() {}

    /** Frames in which an even sound stops: it leaves its own course by 8 dB within 80 ms. */
    static List<Integer> stops(double[] levels) {
        double loud = Quantile.of(levels, 0.95);
        List<Integer> stops = new ArrayList<>();
        for (int i = BEFORE; i + LEAST_BEHIND + DROP < levels.length; i++) {
            if (levels[i] > loud - LOUD_DB) {
                Line course = Line.through(levels, i - BEFORE, i + 1);
                boolean even = course.slope() > -MOST_FALL && course.most() < EVEN_DB;
                boolean leaves = levels[i + 1] < course.at(i + 1) - 1;
                if (even && leaves && staysUnder(levels, course, i) && !comesBack(levels, i)) {
                    stops.add(i);
                    i += DROP;
                }
            }
        }
        return stops;
    }

    /** Whether what follows stays under its course for good, as chance in a tail does not. */
    private static boolean staysUnder(double[] levels, Line course, int stop) {
        for (int k = DROP; k <= DROP + AROUND + 2; k++) {
            if (levels[stop + k] > course.at(stop + k) - DROP_DB) {
                return false;
            }
        }
        return true;
    }

    /** Whether a level only swells: it is back soon where it was and had not dropped far. */
    private static boolean comesBack(double[] levels, int stop) {
        double lowest = levels[stop];
        int most = Math.min(levels.length, stop + SWELL);
        for (int i = stop + 1; i < most && lowest > levels[stop] - SWELL_DB; i++) {
            lowest = Math.min(lowest, levels[i]);
            if (i > stop + DROP && levels[i] > levels[stop] - BACK_DB) {
                return true;
            }
        }
        return false;
    }

    /** Frames of the peaks of strokes. */
    static List<Integer> strokes(double[] levels) {
        double loud = Quantile.of(levels, 0.98);
        List<Integer> strokes = new ArrayList<>();
        for (int i = 4; i + LEAST_BEHIND < levels.length; i++) {
            boolean highest = true;
            for (int k = -3; k <= 3; k++) {
                highest &= levels[i] >= levels[i + k];
            }
            if (highest
                    && levels[i] > loud - LOUD_DB
                    && levels[i] > levels[i - 4] + STROKE_RISE_DB) {
                strokes.add(i);
                i += 3;
            }
        }
        return strokes;
    }

    /** Where after an event something new sounds: a mean of 50 ms over the lowest since then. */
    static int nextSound(double[] levels, int event) {
        double lowest = levels[event];
        int most = Math.min(levels.length - AROUND, event + LONGEST + 1);
        for (int i = event + AROUND + 1; i < most; i++) {
            double mean = 0;
            for (int k = i - AROUND; k <= i + AROUND; k++) {
                mean += levels[k] / (2 * AROUND + 1);
            }
            if (mean > lowest + RISE_DB) {
                return Math.max(event + 1, i - AROUND);
            }
            lowest = Math.min(lowest, mean);
        }
        return Math.min(levels.length, event + LONGEST);
    }
}
