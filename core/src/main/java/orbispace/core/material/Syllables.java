package orbispace.core.material;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import orbispace.core.time.Span;

/**
 * Where a phrase dips between its syllables: moments at which its level, over 30 ms, lies at least
 * 9 dB under the loudest on either side since the dip before. Of sung and spoken words most are
 * parted so; two that are sung on one breath without a consonant are not.
 */
public final class Syllables {
    private static final double PROMINENCE_DB = 9;
    private static final double LEAST_SECONDS = 0.08;
    private static final double STEP_SECONDS = 1.0 / Silhouette.STEPS_PER_SECOND;
    private static final double FLOOR_POWER = 1e-10;

    private Syllables() {}

    /** The dips inside a phrase, in seconds, in order. */
    public static List<Double> dips(Silhouette silhouette, Span phrase) {
        int n = (int) Math.floor(phrase.seconds() / STEP_SECONDS);
        double[] level = new double[n];
        for (int i = 0; i < n; i++) {
            double at = phrase.startSeconds() + (i + 0.5) * STEP_SECONDS;
            double power = silhouette.power(at - 1.5 * STEP_SECONDS, at + 1.5 * STEP_SECONDS);
            level[i] = 10 * Math.log10(power + FLOOR_POWER);
        }
        List<Integer> cuts = new ArrayList<>();
        split(level, 0, n, cuts);
        Collections.sort(cuts);
        return cuts.stream().map(i -> phrase.startSeconds() + (i + 0.5) * STEP_SECONDS).toList();
    }

    /** Parts a stretch at its deepest dip, if that is deep enough, and both parts likewise. */
    private static void split(double[] level, int from, int to, List<Integer> cuts) {
        int least = (int) Math.round(LEAST_SECONDS / STEP_SECONDS);
        double[] after = new double[Math.max(0, to - from) + 1];
        after[after.length - 1] = Double.NEGATIVE_INFINITY;
        for (int i = to - 1; i >= from; i--) {
            after[i - from] = Math.max(level[i], after[i - from + 1]);
        }
        int deepest = from;
        double most = PROMINENCE_DB;
        double before = Double.NEGATIVE_INFINITY;
        for (int i = from; i < to; i++) {
            before = Math.max(before, level[i]);
            double prominence = Math.min(before, after[i - from]) - level[i];
            if (prominence > most && i - from >= least && to - i >= least) {
                most = prominence;
                deepest = i;
            }
        }
        if (most > PROMINENCE_DB) {
            cuts.add(deepest);
            split(level, from, deepest, cuts);
            split(level, deepest + 1, to, cuts);
        }
    }
}
