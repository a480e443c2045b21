package orbispace.core.design;

/**
 * A named span of bars.
 *
 * @param name what people call it
 * @param firstBar from 1
 * @param bars how many, at least 1
 */
public record Section(String name, int firstBar, int bars) {
    /** Checks the ranges. */
    public Section {
        Ranges.require("first bar", firstBar, 1, 1e6);
        Ranges.require("bars", bars, 1, 1e6);
    }

    /** The first bar that is not in it. */
    public int endBar() {
        return firstBar + bars;
    }
}
