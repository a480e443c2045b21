package orbispace.core.words;

import java.util.Locale;
import org.jspecify.annotations.Nullable;

/** Numbers as people read them: a real minus, sensible digits, and the unit. */
public final class Wording {
    private static final int LONGEST_LINE = 500;
    private static final char MINUS = '\u2212';

    private Wording() {}

    /** A text with numbers in it, the same in every language of the machine. */
    public static String format(String format, Object... values) {
        return String.format(Locale.ROOT, format, values);
    }

    /** The same with real minuses. */
    public static String text(String format, Object... values) {
        return format(format, values).replaceAll("-(?=[0-9])", String.valueOf(MINUS));
    }

    /** A number with so many decimals and a real minus; never minus zero. */
    public static String number(double value, int decimals) {
        if (Double.isInfinite(value)) {
            return value < 0 ? MINUS + "\u221e" : "\u221e";
        }
        String text = format("%." + decimals + "f", value);
        boolean zero = text.chars().allMatch(c -> c == '-' || c == '0' || c == '.');
        return zero ? text.replace("-", "") : text.replace('-', MINUS);
    }

    /**
     * A text in one line, whatever came from a file: control characters, line breaks and marks that
     * turn the direction of writing become spaces, and what is very long is cut.
     */
    public static String oneLine(@Nullable String text) {
        StringBuilder line = new StringBuilder();
        String given = text == null ? "" : text;
        given.codePoints()
                .map(c -> isPlain(c) ? c : ' ')
                .limit(LONGEST_LINE)
                .forEach(line::appendCodePoint);
        String folded = line.toString().replaceAll(" {2,}", " ").strip();
        return given.codePointCount(0, given.length()) > LONGEST_LINE ? folded + "…" : folded;
    }

    private static boolean isPlain(int c) {
        return switch (Character.getType(c)) {
            case Character.CONTROL,
                    Character.FORMAT,
                    Character.LINE_SEPARATOR,
                    Character.PARAGRAPH_SEPARATOR,
                    Character.SURROGATE,
                    Character.UNASSIGNED,
                    Character.PRIVATE_USE ->
                    false;
            default -> true;
        };
    }

    /** A number with as many decimals as it needs, up to three. */
    public static String plain(double value) {
        return number(value, 3).replaceFirst("\\.?0+$", "");
    }

    /** A difference in one decimal, with its sign. */
    public static String signed(double value) {
        return (value >= 0.05 ? "+" : "") + number(value, 1);
    }

    /** A level. */
    public static String db(double value) {
        return number(value, 1) + " dB";
    }

    /** A time: milliseconds under one second, seconds above. */
    public static String time(double seconds) {
        return seconds < 1 ? millis(1000 * seconds) : seconds(seconds);
    }

    /** A time in milliseconds, more exact the shorter it is. */
    public static String millis(double value) {
        return number(value, value < 10 ? 1 : 0) + " ms";
    }

    /** A time in seconds. */
    public static String seconds(double value) {
        return number(value, 2) + " s";
    }

    /** A frequency. */
    public static String hertz(double value) {
        return value < 1000
                ? number(value, 0) + " Hz"
                : number(value / 1000, value % 1000 == 0 ? 0 : 1) + " kHz";
    }

    /** A share from 0 to 1 as percent. */
    public static String percent(double share, int decimals) {
        return number(100 * share, decimals) + " %";
    }
}
