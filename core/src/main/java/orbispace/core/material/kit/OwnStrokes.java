package orbispace.core.material.kit;

import orbispace.core.audio.Decibels;

/**
 * Which strokes are whose. By level, a stroke is a stem's own where it lies 4 dB or more over the
 * bleed that every other stem predicts ({@link OwnSound}); where no stem's is, it belongs to the
 * one that comes nearest, unless that hardly hears it. By waveform, what a struck drum makes in a
 * stem is taken out first, after which its bleed counts 6 dB less.
 */
final class OwnStrokes {
    private static final double OVER_DB = 4;

    /** How much fainter bleed is taken to be once it was taken out by its waveform. */
    private static final double UNBLED_DB = 6;

    /** What became louder by this was not taken out. */
    private static final double LOUDER_DB = 1;

    /** A stroke that loses so much with the bleed is looked at again. */
    private static final double EXPLAINED_DB = 3;

    /** What is found beneath bleed is a stroke if it is no softer than the usual by so much. */
    private static final double SOFTEST_BENEATH_DB = 10;

    private final Clusters clusters;
    private final BleedGains gains;
    private final OwnSound[] sounds;

    OwnStrokes(Clusters clusters, BleedGains gains) {
        this.clusters = clusters;
        this.gains = gains;
        sounds = new OwnSound[clusters.stems()];
        for (int x = 0; x < sounds.length; x++) {
            sounds[x] = OwnSound.of(clusters, gains, x);
        }
    }

    /** By cluster and stem, from levels alone. */
    boolean[][] byLevel() {
        boolean[][] own = new boolean[clusters.size()][sounds.length];
        for (int c = 0; c < clusters.size(); c++) {
            int nearest = -1;
            double most = Double.NEGATIVE_INFINITY;
            boolean any = false;
            for (int x = 0; x < sounds.length; x++) {
                if (clusters.event(c, x) == null) {
                    continue;
                }
                double margin = gains.marginDb(clusters, c, x, Clusters.WHOLE);
                own[c][x] = sounds[x].has(clusters, gains, c, x);
                any |= own[c][x];
                if (margin > most) {
                    most = margin;
                    nearest = x;
                }
            }
            if (!any && nearest >= 0 && sounds[nearest].isHeard(clusters, c, nearest)) {
                own[c][nearest] = true;
            }
        }
        return own;
    }

    /** The same, where strokes beneath bleed are found and those that are bleed alone are not. */
    boolean[][] byWaveform(boolean[][] byLevel, Unbled unbled) {
        double[][][] left = unbled.levels();
        boolean[][] own = new boolean[byLevel.length][];
        for (int c = 0; c < own.length; c++) {
            own[c] = byLevel[c].clone();
            for (int x = 0; x < sounds.length; x++) {
                int part = sounds[x].part();
                boolean explained = clusters.levelDb(c, x, part) - left[c][x][part] >= EXPLAINED_DB;
                boolean beneath = !own[c][x] && isTakenOut(unbled, c, x, part);
                if (clusters.event(c, x) != null && (beneath || (own[c][x] && explained))) {
                    own[c][x] = isBeneath(unbled, left[c][x], c, x);
                }
            }
        }
        return own;
    }

    private boolean isTakenOut(Unbled unbled, int c, int x, int part) {
        int last = part == Clusters.WHOLE ? Clusters.WHOLE - 1 : part;
        for (int y = 0; y < sounds.length; y++) {
            for (int k = part == Clusters.WHOLE ? 0 : part; k <= last; k++) {
                if (unbled.takes(c, x, y, k)) {
                    return true;
                }
            }
        }
        return false;
    }

    private boolean isBeneath(Unbled unbled, double[] left, int c, int x) {
        int part = sounds[x].part();
        double here = beneathDb(unbled, left, c, x, part);
        return left[part] >= sounds[x].levelDb() - SOFTEST_BENEATH_DB
                && (here >= OVER_DB
                        || (here >= 0 && beneathDb(unbled, left, c, x, Clusters.WHOLE) >= OVER_DB));
    }

    /** How far what is left of a stem's event lies over what bleed may be left in it. */
    private double beneathDb(Unbled unbled, double[] left, int c, int x, int part) {
        double margin = Double.POSITIVE_INFINITY;
        for (int y = 0; y < sounds.length; y++) {
            if (gains.db(x, y, Clusters.WHOLE) > BleedGains.NONE) {
                double power = 0;
                int first = part == Clusters.WHOLE ? 0 : part;
                int last = part == Clusters.WHOLE ? Clusters.WHOLE - 1 : part;
                for (int k = first; k <= last; k++) {
                    boolean out =
                            unbled.takes(c, x, y, k)
                                    && left[k] <= clusters.levelDb(c, x, k) + LOUDER_DB;
                    double less = out ? UNBLED_DB : 0;
                    power += Decibels.toPower(gains.predictedDb(clusters, c, x, y, k) - less);
                }
                double heard = Math.min(left[part], clusters.levelDb(c, x, part));
                margin = Math.min(margin, heard - Decibels.ofPower(power));
            }
        }
        return margin;
    }
}
