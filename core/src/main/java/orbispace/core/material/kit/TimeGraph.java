package orbispace.core.material.kit;

import java.util.List;

/**
 * The delays between the stems of a kit made one answer: by least squares over the graph of pairs,
 * weighted with their confidence. Stems of one drum are told against each other before all others.
 * What hangs over the kit or stands in its room has a distance and is never late; nor is a drum
 * that lies no farther out of line than microphones stand.
 */
final class TimeGraph {
    private static final double KIN = 100;
    private static final double ONE_WAY = 1e-4;
    private static final double LOOSE = 1e-9;

    private final DrumParts parts;
    private final List<Double> energy;
    private final double naturalFrames;
    private final double[][] later;
    private final double[][] weight;
    private final boolean[] known;

    /**
     * A graph without delays.
     *
     * @param energy of the own strokes of each stem
     * @param naturalFrames how far a drum may lie out of line with the others
     */
    TimeGraph(DrumParts parts, List<Double> energy, double naturalFrames) {
        this.parts = parts;
        this.energy = List.copyOf(energy);
        this.naturalFrames = naturalFrames;
        int n = energy.size();
        later = new double[n][n];
        weight = new double[n][n];
        known = new boolean[n];
    }

    /** Two stems hear each other: how much later the first lies, in frames. */
    void bothWays(int x, int y, double frames, double confidence) {
        if (parts.hearsAll(x) || parts.hearsAll(y)) {
            put(x, y, frames, ONE_WAY * confidence);
            return;
        }
        put(x, y, frames, confidence * (parts.isKin(x, y) ? KIN : 1));
        known[x] = true;
        known[y] = true;
    }

    /** Only one hears the other: how far apart they stand is in its delay, in frames. */
    void oneWay(int hears, int struck, double frames, double confidence) {
        put(hears, struck, frames, ONE_WAY * confidence);
    }

    private void put(int x, int y, double frames, double confidence) {
        later[x][y] = frames;
        later[y][x] = -frames;
        weight[x][y] = confidence;
        weight[y][x] = confidence;
    }

    /** Whether how far a stem's microphone stood is not in what is told of it. */
    boolean isKnown(int stem) {
        return known[stem];
    }

    /** How late each stem lies against that with the most energy, in frames. */
    double[] offsets() {
        int n = later.length;
        int reference = reference();
        double[][] rows = new double[n][n + 1];
        for (int x = 0; x < n; x++) {
            rows[x][x] = LOOSE;
            for (int y = 0; y < n && x != reference; y++) {
                rows[x][x] += weight[x][y];
                rows[x][y] -= y == reference ? 0 : weight[x][y];
                rows[x][n] += weight[x][y] * later[x][y];
            }
        }
        return solved(rows);
    }

    /** What of these offsets no distance explains, in frames. */
    int[] late(double[] offsets) {
        int[] late = new int[offsets.length];
        for (int x = 0; x < late.length; x++) {
            if (known[x]) {
                double drum = offsets[anchor(x)];
                double own = offsets[x] - drum;
                double frames = (Math.abs(drum) <= naturalFrames ? 0 : drum) + own;
                late[x] = Math.abs(frames) <= Kit.IN_LINE_SAMPLES ? 0 : (int) Math.round(frames);
            }
        }
        return late;
    }

    /** The stem with the most energy, of those that hear others and are heard if there are any. */
    int reference() {
        int best = 0;
        for (int s = 1; s < known.length; s++) {
            boolean louder = energy.get(s) > energy.get(best);
            best = known[s] == known[best] ? (louder ? s : best) : (known[s] ? s : best);
        }
        return best;
    }

    /** The stem with the most energy of those that stand at one drum. */
    int anchor(int stem) {
        int reference = reference();
        int best = stem;
        for (int s = 0; s < known.length; s++) {
            boolean louder = s == reference || energy.get(s) > energy.get(best);
            best = known[s] && parts.isKin(s, stem) && best != reference && louder ? s : best;
        }
        return best;
    }

    /** Diagonally dominant, so no pivots are needed. */
    private static double[] solved(double[][] rows) {
        int n = rows.length;
        for (int k = 0; k < n; k++) {
            for (int i = k + 1; i < n; i++) {
                double share = rows[i][k] / rows[k][k];
                for (int j = k; j <= n; j++) {
                    rows[i][j] -= share * rows[k][j];
                }
            }
        }
        double[] offsets = new double[n];
        for (int k = n - 1; k >= 0; k--) {
            double sum = rows[k][n];
            for (int j = k + 1; j < n; j++) {
                sum -= rows[k][j] * offsets[j];
            }
            offsets[k] = sum / rows[k][k];
        }
        return offsets;
    }
}
