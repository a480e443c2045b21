package orbispace.core.design;

import java.util.function.UnaryOperator;
import orbispace.core.dynamics.DuckBand;
import org.jspecify.annotations.Nullable;

/**
 * A ducker keyed by a source or by a group.
 *
 * @param keySource id of the source, or name of the group, that turns the return down
 * @param rangeDb the most it turns down, 0 to 60
 * @param thresholdDb key level at which it begins, -90 to 0 dBFS
 * @param ratio 1 to 100
 * @param kneeDb 0 to 24
 * @param attackMillis 0.5 to 1,000
 * @param holdMillis 0 to 2,000
 * @param releaseMillis 5 to 5,000
 * @param band where it turns down; null for everywhere
 */
public record Duck(
        String keySource,
        double rangeDb,
        double thresholdDb,
        double ratio,
        double kneeDb,
        double attackMillis,
        double holdMillis,
        double releaseMillis,
        @Nullable DuckBand band) {
    /** The same, keyed by another name for what keys it. */
    Duck keyedBy(UnaryOperator<String> key) {
        return new Duck(
                key.apply(keySource),
                rangeDb,
                thresholdDb,
                ratio,
                kneeDb,
                attackMillis,
                holdMillis,
                releaseMillis,
                band);
    }

    /** A ducker that turns everything down. */
    public Duck(
            String keySource,
            double rangeDb,
            double thresholdDb,
            double ratio,
            double kneeDb,
            double attackMillis,
            double holdMillis,
            double releaseMillis) {
        this(
                keySource,
                rangeDb,
                thresholdDb,
                ratio,
                kneeDb,
                attackMillis,
                holdMillis,
                releaseMillis,
                null);
    }

    /** Checks the ranges. */
    public Duck {
        if (keySource.isBlank()) {
            throw new IllegalArgumentException("the key of a ducker has no name");
        }
        DuckKnob.DEPTH.require(rangeDb);
        DuckKnob.OVER.require(thresholdDb);
        DuckKnob.RATIO.require(ratio);
        DuckKnob.KNEE.require(kneeDb);
        DuckKnob.ATTACK.require(attackMillis);
        DuckKnob.HOLD.require(holdMillis);
        DuckKnob.RELEASE.require(releaseMillis);
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
                releaseMillis,
                band);
    }

    /** The same ducker with another ratio and knee. */
    public Duck withCurve(double otherRatio, double knee) {
        return new Duck(
                keySource,
                rangeDb,
                thresholdDb,
                otherRatio,
                knee,
                attackMillis,
                holdMillis,
                releaseMillis,
                band);
    }

    /** The same ducker going down otherwise. */
    public Duck withAttack(double millis) {
        return new Duck(
                keySource,
                rangeDb,
                thresholdDb,
                ratio,
                kneeDb,
                millis,
                holdMillis,
                releaseMillis,
                band);
    }

    /** The same ducker with other times. */
    public Duck withTimes(double hold, double release) {
        return new Duck(
                keySource, rangeDb, thresholdDb, ratio, kneeDb, attackMillis, hold, release, band);
    }

    /** The same ducker acting elsewhere; null for everywhere. */
    public Duck withBand(@Nullable DuckBand other) {
        return new Duck(
                keySource,
                rangeDb,
                thresholdDb,
                ratio,
                kneeDb,
                attackMillis,
                holdMillis,
                releaseMillis,
                other);
    }

    /** The same ducker turned by another key at another level. */
    public Duck keyedBy(String key, double threshold) {
        return new Duck(
                key,
                rangeDb,
                threshold,
                ratio,
                kneeDb,
                attackMillis,
                holdMillis,
                releaseMillis,
                band);
    }
}
