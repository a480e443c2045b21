package orbispace.core.time;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A note value: a power-of-two part or multiple of a whole note, straight, dotted (x 3/2) or
 * triplet (x 2/3). Values written in bars take their length from the metre.
 *
 * @param base the undotted value
 * @param flavour straight, dotted or triplet
 */
public record NoteValue(Base base, Flavour flavour) {

    /** The undotted values, shortest first. */
    public enum Base {
        /** 1/64. */
        SIXTY_FOURTH("1/64", 0.0625),
        /** 1/32. */
        THIRTY_SECOND("1/32", 0.125),
        /** 1/16. */
        SIXTEENTH("1/16", 0.25),
        /** 1/8. */
        EIGHTH("1/8", 0.5),
        /** 1/4. */
        QUARTER("1/4", 1),
        /** 1/2. */
        HALF("1/2", 2),
        /** A bar of the metre in force. */
        BAR("1 bar", 0),
        /** Two bars. */
        TWO_BARS("2 bars", 0),
        /** Four bars. */
        FOUR_BARS("4 bars", 0);

        private final String label;
        private final double quarters;

        Base(String label, double quarters) {
            this.label = label;
            this.quarters = quarters;
        }

        double quarters(double quartersPerBar) {
            return switch (this) {
                case BAR -> quartersPerBar;
                case TWO_BARS -> 2 * quartersPerBar;
                case FOUR_BARS -> 4 * quartersPerBar;
                case SIXTY_FOURTH, THIRTY_SECOND, SIXTEENTH, EIGHTH, QUARTER, HALF -> quarters;
            };
        }

        private boolean inBars() {
            return quarters == 0;
        }
    }

    /** How the value is lengthened or shortened. */
    public enum Flavour {
        /** As written. */
        STRAIGHT("", 1),
        /** x 3/2, written with a dot. */
        DOTTED(".", 1.5),
        /** x 2/3, written with a t. */
        TRIPLET("t", 2.0 / 3);

        private final String suffix;
        private final double factor;

        Flavour(String suffix, double factor) {
            this.suffix = suffix;
            this.factor = factor;
        }
    }

    private static final Pattern WRITTEN =
            Pattern.compile(
                    "(?:(\\d+)\\s*/\\s*(\\d+)|([124])\\s*bars?)\\s*(\\.|d|dotted|t|triplet)?");

    /** Length in quarter notes, in a metre with this many quarters per bar. */
    public double quarters(double quartersPerBar) {
        return base.quarters(quartersPerBar) * flavour.factor;
    }

    /** The written form, such as {@code 1/8.}, {@code 1/4t}, {@code 1 bar}, {@code 2 bars t}. */
    public String label() {
        boolean apart = base.inBars() && flavour == Flavour.TRIPLET;
        return base.label + (apart ? " " : "") + flavour.suffix;
    }

    /** Nominal length in seconds at a constant tempo. */
    public double seconds(double bpm, double quartersPerBar) {
        return quarters(quartersPerBar) * 60 / bpm;
    }

    /** Every note value there is: bases shortest first, each straight, dotted and triplet. */
    public static List<NoteValue> all() {
        List<NoteValue> values = new ArrayList<>();
        for (Base base : Base.values()) {
            for (Flavour flavour : Flavour.values()) {
                values.add(new NoteValue(base, flavour));
            }
        }
        return List.copyOf(values);
    }

    /**
     * Reads what people write: {@code 1/8.}, {@code 1/4t}, {@code 1/2}, {@code 1 bar}; empty if it
     * is none.
     */
    public static Optional<NoteValue> parse(String text) {
        Matcher m = WRITTEN.matcher(text.strip().toLowerCase(Locale.ROOT));
        if (!m.matches()) {
            return Optional.empty();
        }
        Flavour flavour = flavourOf(m.group(4));
        String label =
                m.group(3) != null
                        ? m.group(3) + (m.group(3).equals("1") ? " bar" : " bars")
                        : m.group(1) + "/" + m.group(2);
        return all().stream()
                .filter(v -> v.flavour == flavour && v.base.label.equals(label))
                .findFirst();
    }

    private static Flavour flavourOf(@org.jspecify.annotations.Nullable String suffix) {
        if (suffix == null) {
            return Flavour.STRAIGHT;
        }
        return suffix.startsWith("t") ? Flavour.TRIPLET : Flavour.DOTTED;
    }
}
