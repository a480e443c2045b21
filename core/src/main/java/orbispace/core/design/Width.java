package orbispace.core.design;

/**
 * The width of a return.
 *
 * @param factor of its side, 0 (mono) to 2
 * @param monoBelowHz lows kept in the middle below it, 20 to 500, or 0 for none
 */
public record Width(double factor, double monoBelowHz) {
    /** A width that changes nothing. */
    public static final Width PLAIN = new Width(1, 0);

    /** Checks the ranges. */
    public Width {
        ChainKnob.WIDTH.require(factor);
        if (monoBelowHz != 0) {
            Ranges.require("mono below", monoBelowHz, 20, 500);
        }
    }
}
