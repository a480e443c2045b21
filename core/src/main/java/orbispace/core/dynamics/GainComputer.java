package orbispace.core.dynamics;

/**
 * The static curve of a compressor with a soft knee (Giannoulis, Massberg and Reiss 2012, eq. 4),
 * with a limit on how far it may turn down.
 *
 * @param thresholdDb where the knee is centred, dBFS, -90 to 0
 * @param ratio 1 to 100
 * @param kneeDb width of the knee, 0 to 24
 * @param rangeDb the most it turns down, 0 to 60
 */
public record GainComputer(double thresholdDb, double ratio, double kneeDb, double rangeDb) {
    /** Checks the ranges. */
    public GainComputer {
        require("threshold", thresholdDb, -90, 0);
        require("ratio", ratio, 1, 100);
        require("knee", kneeDb, 0, 24);
        require("range", rangeDb, 0, 60);
    }

    /** How far it turns down, in dB from 0 to the range, for a key level in dBFS. */
    public double reductionDb(double levelDb) {
        double over = levelDb - thresholdDb;
        double slope = 1 - 1 / ratio;
        double reduction;
        if (2 * over <= -kneeDb) {
            reduction = 0;
        } else if (2 * over < kneeDb) {
            double into = over + kneeDb / 2;
            reduction = slope * into * into / (2 * kneeDb);
        } else {
            reduction = slope * over;
        }
        return Math.min(reduction, rangeDb);
    }

    static void require(String what, double value, double low, double high) {
        if (!(value >= low && value <= high)) {
            throw new IllegalArgumentException(
                    what + " " + value + " is outside " + low + " to " + high);
        }
    }
}
