package orbispace.core.design;

/**
 * A named span of bars.
 *
 * @param name what people call it
 * @param firstBar from 1
 * @param bars how many, at least 1
 * @param kind what it is in the form
 */
public record Section(String name, int firstBar, int bars, SectionKind kind) {
    /** Checks the ranges. */
    public Section {
        Ranges.require("first bar", firstBar, 1, 1e6);
        Ranges.require("bars", bars, 1, 1e6);
    }

    /** A section whose kind is guessed from its name. */
    public Section(String name, int firstBar, int bars) {
        this(name, firstBar, bars, SectionKind.guess(name));
    }

    /** The same with another stretch of bars. */
    public Section over(int otherFirstBar, int otherEndBar) {
        return new Section(name, otherFirstBar, otherEndBar - otherFirstBar, kind);
    }

    /** The first bar that is not in it. */
    public int endBar() {
        return firstBar + bars;
    }
}
