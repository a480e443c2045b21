package orbispace.core.material.kit;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import orbispace.core.audio.Decibels;

/**
 * How much of each stem's strokes each other stem hears: the lower mode of the difference of their
 * levels over the clusters that both have, where at least eight lie within 3 dB of it.
 */
final class BleedGains {
    private static final int LEAST = 8;

    /** Of strokes that are known to be own so many tell, and one in so many of all of them. */
    private static final int LEAST_OWN = 4;

    private static final int LEAST_OWN_OF = 4;

    /** Fainter is not heard at all. */
    private static final double FAINTEST_DB = 45;

    private static final double WITHIN_DB = 3;

    /**
     * Two stems whose differences have but one mode hear one thing, unless one is so much fainter.
     */
    private static final double TWO_MODES_DB = -8;

    private static final double FAINTER_DB = 8;
    private static final double BRIGHTER_DB = 6;

    /** Parts of the spectrum so far under the loudest hold nothing of a drum. */
    private static final double NOTHING_DB = 40;

    /**
     * Events of the struck stem that are taken for its own: no softer than its loudest by so much.
     */
    private static final double LOUD_DB = 8;

    static final double NONE = Double.NEGATIVE_INFINITY;

    /** By hearing stem, struck stem and part of the spectrum. */
    private final double[][][] gains;

    private final DrumParts parts;
    private final boolean[][] own;

    /**
     * Finds the gains.
     *
     * @param parts what each stem stands at
     */
    BleedGains(Clusters clusters, DrumParts parts) {
        this(clusters, parts, new boolean[0][]);
    }

    /**
     * The same where it is known which strokes are whose: then soft ones tell as well, and those
     * that another stem does not hear at all.
     */
    BleedGains(Clusters clusters, DrumParts parts, boolean[][] own) {
        this.own = own;
        this.parts = parts;
        int stems = clusters.stems();
        gains = new double[stems][stems][Clusters.PARTS];
        for (double[][] of : gains) {
            for (double[] pair : of) {
                Arrays.fill(pair, NONE);
            }
        }
        for (int x = 0; x < stems; x++) {
            for (int y = x + 1; y < stems; y++) {
                if (!parts.isKin(x, y)) {
                    pair(clusters, x, y);
                }
            }
        }
    }

    private void pair(Clusters clusters, int x, int y) {
        int[] bledIntoX = lowerMode(clusters, struck(clusters, x, y), x, y);
        int[] bledIntoY = lowerMode(clusters, struck(clusters, y, x), y, x);
        double inX = median(clusters, bledIntoX, x, y, Clusters.WHOLE);
        double inY = median(clusters, bledIntoY, y, x, Clusters.WHOLE);
        boolean apart = inX + inY <= TWO_MODES_DB;
        if (inX > NONE && !parts.hearsAll(y) && (apart || inX < -FAINTER_DB)) {
            take(clusters, bledIntoX, x, y);
        }
        if (inY > NONE && !parts.hearsAll(x) && (apart || inY < -FAINTER_DB)) {
            take(clusters, bledIntoY, y, x);
        }
    }

    /** Clusters in which one stem is struck that another may hear. */
    private int[] struck(Clusters clusters, int hears, int struck) {
        double loud = clusters.loudDb(struck) - LOUD_DB;
        return IntStream.range(0, clusters.size())
                .filter(c -> clusters.event(c, struck) != null)
                .filter(c ->
                        own.length > 0
                                ? own[c][struck]
                                : clusters.event(c, hears) != null
                                        && clusters.levelDb(c, struck, Clusters.WHOLE) >= loud)
                .toArray();
    }

    /** The gains of a pair part by part: bleed is never much brighter than what it comes from. */
    private void take(Clusters clusters, int[] mode, int hears, int struck) {
        double loudest = Double.NEGATIVE_INFINITY;
        for (int part = 0; part < Clusters.WHOLE; part++) {
            loudest = Math.max(loudest, clusters.typicalDb(struck, part));
        }
        double least = Double.POSITIVE_INFINITY;
        for (int part = 0; part < Clusters.WHOLE; part++) {
            if (clusters.typicalDb(struck, part) >= loudest - NOTHING_DB) {
                double gain = median(clusters, mode, hears, struck, part);
                gains[hears][struck][part] = Math.min(gain, least + BRIGHTER_DB);
                least = Math.min(least, gain);
            }
        }
        gains[hears][struck][Clusters.WHOLE] =
                median(clusters, mode, hears, struck, Clusters.WHOLE);
    }

    /** The clusters in which one stem is fainter than the other by about the same, the most. */
    private int[] lowerMode(Clusters clusters, int[] both, int x, int y) {
        int part = Clusters.WHOLE;
        int[] byDifference =
                Arrays.stream(both)
                        .filter(c -> clusters.over(c, x, y, part) > -FAINTEST_DB)
                        .boxed()
                        .sorted(Comparator.comparingDouble(c -> clusters.over(c, x, y, part)))
                        .mapToInt(c -> c)
                        .toArray();
        double[] d =
                Arrays.stream(byDifference)
                        .mapToDouble(c -> clusters.over(c, x, y, part))
                        .toArray();
        int best = -1;
        int most = 0;
        for (int i = 0; i < d.length; i++) {
            int end = i;
            while (end < d.length && d[end] <= d[i] + 2 * WITHIN_DB) {
                end++;
            }
            if (best >= 0 && d[i] > d[best] + 2 * WITHIN_DB) {
                break;
            }
            int least = own.length > 0 ? Math.max(LEAST_OWN, d.length / LEAST_OWN_OF) : LEAST;
            if (end - i >= least && end - i > most) {
                most = end - i;
                best = i;
            }
        }
        return best < 0 ? new int[0] : Arrays.copyOfRange(byDifference, best, best + most);
    }

    private static double median(Clusters clusters, int[] mode, int x, int y, int part) {
        double[] d =
                Arrays.stream(mode)
                        .mapToDouble(c -> clusters.over(c, x, y, part))
                        .filter(over -> over > -FAINTEST_DB)
                        .sorted()
                        .toArray();
        return d.length == 0 ? NONE : d[d.length / 2];
    }

    /** What of a cluster a stem should hear of another's stroke, dB in a part or in the whole. */
    double predictedDb(Clusters clusters, int c, int hears, int struck, int part) {
        if (part < Clusters.WHOLE) {
            return clusters.levelDb(c, struck, part) + gains[hears][struck][part];
        }
        double sum = 0;
        for (int k = 0; k < Clusters.WHOLE; k++) {
            sum += Decibels.toPower(predictedDb(clusters, c, hears, struck, k));
        }
        return Decibels.ofPower(sum);
    }

    /** How much louder than in its own stem a stroke is in another, dB; -infinity if not known. */
    double db(int hears, int struck, int part) {
        return gains[hears][struck][part];
    }

    /** How far a stem's event lies over the bleed that every other stem predicts. */
    double marginDb(Clusters clusters, int c, int x, int part) {
        double margin = Double.POSITIVE_INFINITY;
        for (int y = 0; y < clusters.stems(); y++) {
            if (db(x, y, Clusters.WHOLE) > NONE) {
                double predicted = predictedDb(clusters, c, x, y, part);
                margin = Math.min(margin, clusters.levelDb(c, x, part) - predicted);
            }
        }
        return margin;
    }

    /** Whether two stems hear one drum. */
    boolean isKin(int one, int other) {
        return parts.isKin(one, other);
    }

    /** How loud stems hear each other's own strokes, as far as that is known. */
    List<Kit.Heard> heard(Clusters clusters) {
        List<Kit.Heard> heard = new ArrayList<>();
        for (int x = 0; x < gains.length; x++) {
            for (int y = 0; y < gains.length; y++) {
                double db =
                        x != y && isKin(x, y)
                                ? median(clusters, struck(clusters, x, y), x, y, Clusters.WHOLE)
                                : db(x, y, Clusters.WHOLE);
                if (x != y && db > NONE) {
                    heard.add(new Kit.Heard(x, y, db));
                }
            }
        }
        return heard;
    }
}
