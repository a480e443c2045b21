package orbispace.core.design;

import java.util.function.UnaryOperator;
import orbispace.core.material.GateKey;
import org.jspecify.annotations.Nullable;

/**
 * A gate on a send or on a return.
 *
 * @param key id of the source, or name of the group, that opens it; empty for what it gates
 * @param keyFilter what of the key it hears
 * @param thresholdDb key peak at which it opens, -90 to 0 dBFS
 * @param hysteresisDb how far under that the key must fall before it may close, 0 to 40
 * @param rangeDb how far it closes, 0 to 120; from 100 on to silence
 * @param attackMillis 0.1 to 500
 * @param holdMillis how long it stays open after the key fell, if no length is set, 0 to 5,000
 * @param releaseMillis time in which it falls by 40 dB, 1 to 5,000
 * @param length from each hit to where it has fallen by 40 dB; null to follow the key instead
 */
public record Gate(
        String key,
        Filter keyFilter,
        double thresholdDb,
        double hysteresisDb,
        double rangeDb,
        double attackMillis,
        double holdMillis,
        double releaseMillis,
        @Nullable MusicalTime length) {
    /** From this range on it closes to silence. */
    public static final double SILENT_DB = 100;

    private static final int KEY_POLES = 4;

    /** Checks the ranges. */
    public Gate {
        GateKnob.OPENS_AT.require(thresholdDb);
        GateKnob.HYSTERESIS.require(hysteresisDb);
        GateKnob.CLOSES_BY.require(rangeDb);
        GateKnob.ATTACK.require(attackMillis);
        GateKnob.HOLD.require(holdMillis);
        GateKnob.RELEASE.require(releaseMillis);
    }

    /**
     * A gate that parts the strokes of a stem from its bleed, closing to silence.
     *
     * @param parting what was found to part them
     * @param key id of the source that opens it; empty for what it gates
     * @param length from each hit to where it has fallen by 40 dB; null to follow the key instead
     */
    public static Gate of(
            GateKey parting,
            String key,
            double attackMillis,
            double holdMillis,
            double releaseMillis,
            @Nullable MusicalTime length) {
        return new Gate(
                key,
                new Filter(corner(parting.keyHighPassHz()), corner(parting.keyLowPassHz())),
                Math.clamp(Math.rint(10 * parting.thresholdDb()) / 10, -90, 0),
                Math.clamp(Math.rint(10 * parting.hysteresisDb()) / 10, 0, 40),
                120,
                attackMillis,
                holdMillis,
                releaseMillis,
                length);
    }

    private static Filter.@Nullable Corner corner(double hz) {
        return hz <= 0 ? null : new Filter.Corner(hz, KEY_POLES);
    }

    /** The same, opened by another source or group; empty for what it gates. */
    public Gate keyed(String other) {
        return keyedBy(k -> other);
    }

    /** The same, keyed by another name for what keys it. */
    Gate keyedBy(UnaryOperator<String> other) {
        return new Gate(
                other.apply(key),
                keyFilter,
                thresholdDb,
                hysteresisDb,
                rangeDb,
                attackMillis,
                holdMillis,
                releaseMillis,
                length);
    }

    /** The same gate with another threshold and hysteresis. */
    public Gate withThreshold(double threshold, double hysteresis) {
        return new Gate(
                key,
                keyFilter,
                threshold,
                hysteresis,
                rangeDb,
                attackMillis,
                holdMillis,
                releaseMillis,
                length);
    }

    /** The same gate with another length. */
    public Gate withLength(@Nullable MusicalTime other) {
        return new Gate(
                key,
                keyFilter,
                thresholdDb,
                hysteresisDb,
                rangeDb,
                attackMillis,
                holdMillis,
                releaseMillis,
                other);
    }

    /** The same gate with other times. */
    public Gate withTimes(double attack, double hold, double release) {
        return new Gate(
                key, keyFilter, thresholdDb, hysteresisDb, rangeDb, attack, hold, release, length);
    }

    /** The same gate closing by another amount. */
    public Gate withRange(double range) {
        return new Gate(
                key,
                keyFilter,
                thresholdDb,
                hysteresisDb,
                range,
                attackMillis,
                holdMillis,
                releaseMillis,
                length);
    }

    /** The same gate hearing another part of its key. */
    public Gate withKeyFilter(Filter other) {
        return new Gate(
                key,
                other,
                thresholdDb,
                hysteresisDb,
                rangeDb,
                attackMillis,
                holdMillis,
                releaseMillis,
                length);
    }
}
