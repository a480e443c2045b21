package orbispace.core.design;

/**
 * A ducker keyed by a source.
 *
 * @param keySource id of the source that turns the return down
 * @param rangeDb the most it turns down, 0 to 60
 * @param thresholdDb key level at which it begins, -90 to 0 dBFS
 * @param ratio 1 to 100
 * @param kneeDb 0 to 24
 * @param attackMillis 0.5 to 1,000
 * @param holdMillis 0 to 2,000
 * @param releaseMillis 5 to 5,000
 */
public record Duck(
        String keySource,
        double rangeDb,
        double thresholdDb,
        double ratio,
        double kneeDb,
        double attackMillis,
        double holdMillis,
        double releaseMillis) {
    /** Checks the ranges. */
    public Duck {
        Ranges.requireId("key", keySource);
        Ranges.require("duck range", rangeDb, 0, 60);
        Ranges.require("duck threshold", thresholdDb, -90, 0);
        Ranges.require("duck ratio", ratio, 1, 100);
        Ranges.require("duck knee", kneeDb, 0, 24);
        Ranges.require("duck attack", attackMillis, 0.5, 1000);
        Ranges.require("duck hold", holdMillis, 0, 2000);
        Ranges.require("duck release", releaseMillis, 5, 5000);
    }

    /** The same ducker with another range. */
    public Duck withRange(double range) {
        return new Duck(
                keySource,
                range,
                thresholdDb,
                ratio,
                kneeDb,
                attackMillis,
                holdMillis,
                releaseMillis);
    }
}
