package orbispace.core.material;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import orbispace.core.audio.Audio;
import orbispace.core.audio.Quantile;

/** When a stem gets louder at once, and how loud it is then; coarse and quick. */
final class Onsets {
    private static final double STEP_SECONDS = 0.01;
    private static final double RISE_DB = 6;
    private static final double SOFTEST_DB = 30;
    private static final int RISING_STEPS = 3;
    private static final int APART_STEPS = 5;
    private static final int NEAR_STEPS = 1;

    /** A sound that begins again after a time is this much softer at most, if a player did it. */
    private static final double AS_LOUD_DB = 2;

    /** So many do where a rhythm repeats; others may by chance. */
    private static final double OFTEN = 0.35;

    private final List<Integer> steps = new ArrayList<>();
    private final double[] levels;

    Onsets(Audio audio) {
        int step = Math.max(1, (int) Math.round(STEP_SECONDS * audio.sampleRateHz()));
        levels = new double[audio.frames() / step];
        Arrays.setAll(
                levels,
                i -> 10 * Math.log10(audio.slice(i * step, (i + 1) * step).meanSquare() + 1e-15));
        double loud = levels.length == 0 ? 0 : Quantile.of(levels, 0.95);
        for (int i = RISING_STEPS; i < levels.length; i++) {
            double before = levels[i - 1];
            for (int k = 2; k <= RISING_STEPS; k++) {
                before = Math.min(before, levels[i - k]);
            }
            boolean apart = steps.isEmpty() || i - steps.getLast() >= APART_STEPS;
            if (apart && levels[i] > before + RISE_DB && levels[i] > loud - SOFTEST_DB) {
                steps.add(i);
            }
        }
    }

    /** Whether what begins begins again after a time, as loud or louder: so does a rhythm. */
    boolean repeat(double seconds) {
        int lag = (int) Math.round(seconds / STEP_SECONDS);
        long again = steps.stream().filter(i -> begins(i + lag, peak(i) - AS_LOUD_DB)).count();
        return again > OFTEN * steps.size();
    }

    private boolean begins(int at, double least) {
        for (int i = at - NEAR_STEPS; i <= at + NEAR_STEPS; i++) {
            if (java.util.Collections.binarySearch(steps, i) >= 0 && peak(i) >= least) {
                return true;
            }
        }
        return false;
    }

    private double peak(int step) {
        double most = levels[step];
        for (int i = step; i < Math.min(levels.length, step + RISING_STEPS); i++) {
            most = Math.max(most, levels[i]);
        }
        return most;
    }
}
