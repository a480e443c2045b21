package orbispace.core.material.kit;

import java.util.ArrayList;
import java.util.List;
import orbispace.core.audio.Quantile;

/**
 * Where in the spectrum a stem's own strokes stand most over all bleed, and how loud they are
 * there, from those that are its own beyond doubt.
 *
 * @param part of the spectrum
 * @param levelDb the median of its own strokes there
 */
record OwnSound(int part, double levelDb) {
    private static final double CERTAIN_DB = 8;
    private static final double OVER_DB = 4;
    private static final double SOFTEST_DB = 22;
    private static final double LOUD_DB = 20;
    private static final double STRONG_DB = 15;
    private static final int LEAST = 4;

    static OwnSound of(Clusters clusters, BleedGains gains, int x) {
        List<Integer> certain = new ArrayList<>();
        for (int c = 0; c < clusters.size(); c++) {
            if (clusters.event(c, x) != null
                    && clusters.levelDb(c, x, Clusters.WHOLE) >= clusters.loudDb(x) - LOUD_DB
                    && gains.marginDb(clusters, c, x, Clusters.WHOLE) >= CERTAIN_DB) {
                certain.add(c);
            }
        }
        if (certain.size() < LEAST) {
            return new OwnSound(Clusters.WHOLE, clusters.typicalDb(x, Clusters.WHOLE));
        }
        double[] levels = new double[Clusters.PARTS];
        for (int part = 0; part < Clusters.PARTS; part++) {
            int k = part;
            levels[part] =
                    Quantile.of(certain.stream().map(c -> clusters.levelDb(c, x, k)).toList(), 0.5);
        }
        int best = Clusters.WHOLE;
        double most = 0;
        for (int part = 0; part < Clusters.WHOLE; part++) {
            int k = part;
            double margin =
                    Quantile.of(
                            certain.stream()
                                    .map(c -> Math.min(40, gains.marginDb(clusters, c, x, k)))
                                    .toList(),
                            0.5);
            if (levels[part] >= levels[Clusters.WHOLE] - STRONG_DB && margin > most) {
                most = margin;
                best = part;
            }
        }
        return new OwnSound(best, levels[best]);
    }

    boolean isHeard(Clusters clusters, int c, int x) {
        return clusters.levelDb(c, x, part) >= levelDb - SOFTEST_DB;
    }

    /** Whether a stem's event is its own stroke. */
    boolean has(Clusters clusters, BleedGains gains, int c, int x) {
        double here = gains.marginDb(clusters, c, x, part);
        double whole = gains.marginDb(clusters, c, x, Clusters.WHOLE);
        return isHeard(clusters, c, x) && (here >= OVER_DB || (whole >= OVER_DB && here >= 0));
    }
}
