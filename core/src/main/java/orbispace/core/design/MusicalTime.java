package orbispace.core.design;

import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import orbispace.core.time.NoteValue;
import orbispace.core.time.SongClock;
import orbispace.core.words.Wording;

/** A time in a chain: plain milliseconds, or a note value with an offset. */
public sealed interface MusicalTime {

    /**
     * Milliseconds.
     *
     * @param value 0 to 60,000
     */
    record Millis(double value) implements MusicalTime {
        /** Checks the range. */
        public Millis {
            Ranges.require("time", value, 0, 60000);
        }
    }

    /**
     * A note value at the tempo of a return's bar.
     *
     * @param value the note value
     * @param offsetMillis added to it, -1,000 to 1,000
     */
    record Note(NoteValue value, double offsetMillis) implements MusicalTime {
        /** Checks the range. */
        public Note {
            Ranges.require("offset", offsetMillis, -1000, 1000);
        }
    }

    /** What people may write. */
    String ACCEPTED =
            "a note value like 1/8. or 1/4t, with + 3 ms if wanted, or a time like 48 ms or 0.7 s";

    /** A number with an optional unit, as people write it. */
    Pattern WRITTEN_MILLIS = Pattern.compile("([0-9]*[.,]?[0-9]+)\\s*(ms|s)?");

    /** A note value with an offset, as people write it. */
    Pattern WRITTEN_OFFSET =
            Pattern.compile("(.+?)\\s*(?:([+\\-\u2212])|plus|minus)\\s*([0-9]*[.,]?[0-9]+)\\s*ms");

    /** The time in seconds at a bar, never below 0. */
    default double seconds(SongClock clock, int bar) {
        return switch (this) {
            case Millis(double value) -> value / 1000;
            case Note(NoteValue value, double offset) ->
                    Math.max(0, (clock.length(value, bar).nominalMillis() + offset) / 1000);
        };
    }

    /** The written form. */
    default String label() {
        return switch (this) {
            case Millis(double value) -> trimmed(value) + " ms";
            case Note(NoteValue value, double offset) ->
                    offset == 0
                            ? value.label()
                            : value.label()
                                    + (offset < 0 ? " \u2212 " : " + ")
                                    + trimmed(Math.abs(offset))
                                    + " ms";
        };
    }

    /** A note value with what it lasts, or just what it lasts. */
    default String words(String lasting) {
        return this instanceof Note ? label() + "  " + lasting : lasting;
    }

    /** Reads what people write; a bare number is milliseconds. Empty if it is none. */
    static Optional<MusicalTime> parse(String text) {
        String t = text.strip().toLowerCase(Locale.ROOT);
        Optional<NoteValue> note = NoteValue.parse(t);
        if (note.isPresent()) {
            return Optional.of(new Note(note.get(), 0));
        }
        Matcher m = WRITTEN_MILLIS.matcher(t);
        try {
            if (m.matches()) {
                double value = number(m.group(1));
                return Optional.of(new Millis("s".equals(m.group(2)) ? 1000 * value : value));
            }
            Matcher o = WRITTEN_OFFSET.matcher(t);
            if (o.matches() && NoteValue.parse(o.group(1)).isPresent()) {
                double sign = "+".equals(o.group(2)) || t.contains("plus") ? 1 : -1;
                return Optional.of(
                        new Note(NoteValue.parse(o.group(1)).get(), sign * number(o.group(3))));
            }
        } catch (IllegalArgumentException outsideRange) {
            return Optional.empty();
        }
        return Optional.empty();
    }

    private static double number(String digits) {
        return Double.parseDouble(digits.replace(',', '.'));
    }

    private static String trimmed(double value) {
        return Wording.format(value % 1 == 0 ? "%.0f" : "%.1f", value);
    }
}
