package orbispace.core.design;

import java.util.OptionalDouble;
import java.util.function.Function;
import orbispace.core.words.Entries;
import orbispace.core.words.Wording;

/** How people write and read a kind of number. */
@SuppressWarnings("ImmutableEnumChecker") // Functions that keep nothing.
public enum Unit {
    /** A level, or a difference of levels. */
    DECIBELS(Entries::db, "dB"),
    /** How much a level is taken down; a minus before it says the same. */
    REDUCTION(Unit::reduction, "dB"),
    /** A level under full scale. */
    FULL_SCALE(Entries::db, "dBFS"),
    /** A short time. */
    MILLIS(Entries::millis, "ms"),
    /** A time. */
    SECONDS(Entries::seconds, "s"),
    /** A frequency; from 1,000 on in kHz. */
    HERTZ(Entries::hertz, "Hz"),
    /** A share from 0 to 1, as percent. */
    SHARE(Entries::percent, "%"),
    /** How many times something else. */
    FACTOR(Entries::factor, ""),
    /** A slope of a compressor, so much to one. */
    RATIO(Entries::factor, ":1"),
    /** A hundredth of a semitone. */
    CENTS(text -> Entries.number(text, "cents"), ""),
    /** A width in the spectrum. */
    OCTAVES(text -> Entries.number(text, "oct"), "oct"),
    /** How steep a filter is. */
    SLOPE(text -> Entries.number(text, "dB/oct"), "dB/oct"),
    /** Turns in a second. */
    TURNS(text -> Entries.number(text, "Hz"), "Hz");

    private final Function<String, OptionalDouble> parse;
    private final String sign;

    Unit(Function<String, OptionalDouble> parse, String sign) {
        this.parse = parse;
        this.sign = sign;
    }

    private static OptionalDouble reduction(String text) {
        OptionalDouble db = Entries.db(text);
        return db.isPresent() ? OptionalDouble.of(Math.abs(db.getAsDouble())) : db;
    }

    /** The value that a typed text means; empty if it is not understood. */
    public OptionalDouble parse(String text) {
        return parse.apply(text);
    }

    /** A value with so many decimals, and its unit. */
    Knob.Reading read(double value, int decimals) {
        return switch (this) {
            case HERTZ ->
                    value >= 1000
                            ? new Knob.Reading(Wording.number(value / 1000, 1), "kHz")
                            : new Knob.Reading(Wording.number(value, 0), sign);
            case SHARE -> new Knob.Reading(Wording.number(100 * value, decimals), sign);
            case FACTOR -> new Knob.Reading("\u00d7" + Wording.number(value, decimals), sign);
            case DECIBELS,
                    REDUCTION,
                    FULL_SCALE,
                    MILLIS,
                    SECONDS,
                    RATIO,
                    CENTS,
                    OCTAVES,
                    SLOPE,
                    TURNS ->
                    new Knob.Reading(Wording.number(value, decimals), sign);
        };
    }
}
