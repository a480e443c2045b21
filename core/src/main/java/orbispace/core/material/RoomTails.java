package orbispace.core.material;

import java.util.Arrays;

/**
 * Tells a voice from the room that is printed behind it: where what sounds ends, or something new
 * begins, with a straight fall, and the level before that fall lies clearly over its line, the
 * voice stopped at that step.
 */
final class RoomTails {
    private static final double END_STEP_DB = 3.5;
    private static final double REST_STEP_DB = 6;
    private static final double LEAST_END_SECONDS = 0.12;
    private static final double LEAST_REST_SECONDS = 0.28;
    private static final double LONGEST_SECONDS = 1.5;
    private static final double SEEN_SECONDS = 0.4;
    private static final double RINGS_SECONDS = 5;
    private static final double RISE_DB = 3;
    private static final double LEAST_SLOPE_DB = 6;
    private static final double MOST_SLOPE_DB = 300;
    private static final double END_STRAIGHT_DB = 2.2;
    private static final double REST_STRAIGHT_DB = 1.6;
    private static final double BETTER_DB = 0.3;
    private static final double FADED_DB = 4;
    private static final double NEW_DB = 5;
    private static final int BEFORE = 8;
    private static final int SMOOTH = 2;
    private static final int BREAK = 6;

    private final double[] levels;
    private final double[] smooth;
    private final boolean[] sounds;
    private final double frameSeconds;

    private RoomTails(double[] levels, boolean[] sounds, double frameSeconds) {
        this.levels = levels;
        this.sounds = sounds;
        this.frameSeconds = frameSeconds;
        smooth = smooth(levels);
    }

    /**
     * Takes the frames of tails from those that sound.
     *
     * @param levels of the frames, dB
     * @param limits over which they sound; what stops in the middle has no tail
     * @param rest under which nothing is told from the rests
     * @param sounds which of them sound; changed
     * @return the frames in which a tail rings, also where it does not count as sounding
     */
    static boolean[] silence(
            double[] levels, double[] limits, double rest, boolean[] sounds, double frameSeconds) {
        RoomTails tails = new RoomTails(levels, closed(sounds), frameSeconds);
        boolean[] rings = new boolean[levels.length];
        for (int end = 1; end <= levels.length; end++) {
            boolean stops = tails.sounds[end - 1] && (end == levels.length || !tails.sounds[end]);
            boolean begins = !stops && end < levels.length && tails.isOnset(end);
            int from = end;
            int until = end;
            if (begins) {
                from = tails.start(end, end, LEAST_REST_SECONDS, REST_STEP_DB, REST_STRAIGHT_DB);
            } else if (stops && levels[end - 1] < limits[end - 1] + FADED_DB) {
                until = tails.fallsUntil(end, Double.NEGATIVE_INFINITY, RINGS_SECONDS, NEW_DB);
                int seen = tails.fallsUntil(end, rest, SEEN_SECONDS, RISE_DB);
                from = tails.start(end, seen, LEAST_END_SECONDS, END_STEP_DB, END_STRAIGHT_DB);
            }
            if (from < end) {
                // What falls so briefly may be the end of a syllable.
                boolean brief = (until - from) * frameSeconds < LEAST_REST_SECONDS;
                until = brief ? end : until;
                Arrays.fill(sounds, from, until, false);
                // Smoothed, what comes next is seen as soon.
                Arrays.fill(
                        rings, from, Math.min(levels.length, until + (brief ? 0 : SMOOTH)), true);
            }
        }
        return rings;
    }

    /** The same without brief breaks, which are chance in a tail that is about to end. */
    private static boolean[] closed(boolean[] sounds) {
        boolean[] closed = sounds.clone();
        int last = -1;
        for (int i = 0; i < closed.length; i++) {
            if (sounds[i]) {
                if (last >= 0 && i - last <= BREAK) {
                    Arrays.fill(closed, last, i, true);
                }
                last = i;
            }
        }
        return closed;
    }

    /** Whether something new begins in a frame: it stands out of all of the 80 ms before. */
    private boolean isOnset(int frame) {
        if (!sounds[frame] || frame < BEFORE || !sounds[frame - 1]) {
            return false;
        }
        double before = 0;
        for (int k = frame - BEFORE; k < frame; k++) {
            before += levels[k] / BEFORE;
        }
        return levels[frame] > before + NEW_DB && levels[frame - 1] <= before + NEW_DB;
    }

    /** Until when what has faded falls on, too soft to count but to be seen. */
    private int fallsUntil(int end, double rest, double longestSeconds, double riseDb) {
        int most = Math.min(levels.length, end + (int) Math.round(longestSeconds / frameSeconds));
        int at = end;
        double lowest = smooth[end - 1];
        while (at < most && levels[at] > rest && smooth[at] < lowest + riseDb) {
            lowest = Math.min(lowest, smooth[at]);
            at++;
        }
        return at;
    }

    /**
     * The first frame of a tail; the end itself if there is none.
     *
     * @param end before which it must begin
     * @param falls until when it is seen
     */
    private int start(
            int end, int falls, double leastSeconds, double leastStepDb, double straightDb) {
        int least = (int) Math.round(leastSeconds / frameSeconds);
        int first = Math.max(BEFORE, end - (int) Math.round(LONGEST_SECONDS / frameSeconds));
        int best = end;
        double most = leastStepDb;
        double n = 0;
        double sx = 0;
        double sy = 0;
        double sxx = 0;
        double sxy = 0;
        double syy = 0;
        // The smoothing reaches into what comes after, and at the start into the voice.
        for (int i = falls - 1 - SMOOTH; i >= first && (i > end || sounds[i - 1]); i--) {
            double x = i - end;
            n++;
            sx += x;
            sy += smooth[i];
            sxx += x * x;
            sxy += x * smooth[i];
            syy += smooth[i] * smooth[i];
            int from = i - SMOOTH;
            if (from >= end || falls - from < least || n < 4 || from < first) {
                continue;
            }
            double slope = (n * sxy - sx * sy) / (n * sxx - sx * sx);
            double offset = (sy - slope * sx) / n;
            double rest = Math.max(0, (syy - offset * sy - slope * sxy) / n);
            double perSecond = -slope / frameSeconds;
            double step = before(from) - (offset + slope * (from - end));
            if (perSecond >= LEAST_SLOPE_DB
                    && perSecond <= MOST_SLOPE_DB
                    && rest <= straightDb * straightDb
                    && step > most + (best == end ? 0 : BETTER_DB)) {
                most = step;
                best = from;
            }
        }
        return best;
    }

    /** Mean level of the 80 ms before a frame. */
    private double before(int frame) {
        double sum = 0;
        for (int k = frame - BEFORE; k < frame; k++) {
            sum += levels[k];
        }
        return sum / BEFORE;
    }

    private static double[] smooth(double[] levels) {
        double[] smooth = new double[levels.length];
        for (int i = 0; i < levels.length; i++) {
            int from = Math.max(0, i - SMOOTH);
            int to = Math.min(levels.length, i + SMOOTH + 1);
            smooth[i] = Arrays.stream(levels, from, to).average().orElse(levels[i]);
        }
        return smooth;
    }
}
