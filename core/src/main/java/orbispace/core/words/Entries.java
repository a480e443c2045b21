package orbispace.core.words;

import java.util.Locale;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Numbers as people type them. */
public final class Entries {
    private static final Pattern NUMBER =
            Pattern.compile(
                    "([+-]?[0-9]*[.,]?[0-9]+)\\s*(k?)\\s*(hz|db/oct|oct|db|ms|cents|s|%|x|\u00d7)?");

    private Entries() {}

    /** A frequency: {@code 310}, {@code 3.1k}, {@code 310 Hz}. */
    public static OptionalDouble hertz(String text) {
        Matcher m = NUMBER.matcher(text.strip().toLowerCase(Locale.ROOT));
        return m.matches() && (m.group(3) == null || m.group(3).equals("hz"))
                ? OptionalDouble.of(number(m) * (m.group(2).isEmpty() ? 1 : 1000))
                : OptionalDouble.empty();
    }

    /** A level: {@code -8}, {@code -8 dB}. */
    public static OptionalDouble db(String text) {
        return plain(text, "db", 1);
    }

    /** A time in seconds: {@code 2.1}, {@code 2.1 s}, {@code 800 ms}. */
    public static OptionalDouble seconds(String text) {
        OptionalDouble millis =
                text.toLowerCase(Locale.ROOT).contains("ms")
                        ? plain(text, "ms", 0.001)
                        : OptionalDouble.empty();
        return millis.isPresent() ? millis : plain(text, "s", 1);
    }

    /** A time in milliseconds: {@code 240}, {@code 240 ms}, {@code 0.24 s}. */
    public static OptionalDouble millis(String text) {
        OptionalDouble millis = plain(text, "ms", 1);
        return millis.isPresent() ? millis : plain(text, "s", 1000);
    }

    /** A share from percent: {@code 31}, {@code 31 %}. */
    public static OptionalDouble percent(String text) {
        return plain(text, "%", 0.01);
    }

    /** A factor: {@code 1.2}, {@code x1.2}. */
    public static OptionalDouble factor(String text) {
        return plain(text.replaceFirst("^[x\u00d7]", ""), "x", 1);
    }

    /** A number with a unit or without: {@code 96}, {@code 96 bpm}. */
    public static OptionalDouble number(String text, String unit) {
        return plain(text, unit.toLowerCase(Locale.ROOT), 1);
    }

    private static OptionalDouble plain(String text, String unit, double scale) {
        Matcher m = NUMBER.matcher(text.strip().toLowerCase(Locale.ROOT));
        return m.matches()
                        && m.group(2).isEmpty()
                        && (m.group(3) == null || m.group(3).equals(unit))
                ? OptionalDouble.of(number(m) * scale)
                : OptionalDouble.empty();
    }

    private static double number(Matcher m) {
        return Double.parseDouble(m.group(1).replace(',', '.'));
    }
}
