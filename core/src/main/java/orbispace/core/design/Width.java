package orbispace.core.design;

/**
 * The width of a return, and where it stands.
 *
 * @param factor of its side, 0 (mono) to 2
 * @param monoBelowHz lows kept in the middle below it, 20 to 500, or 0 for none
 * @param pan where all of it goes, as the balance of a stereo source, -1 (left) to 1
 */
public record Width(double factor, double monoBelowHz, double pan) {
    /** A width that changes nothing. */
    public static final Width PLAIN = new Width(1, 0);

    /** Checks the ranges. */
    public Width {
        ChainKnob.WIDTH.require(factor);
        if (monoBelowHz != 0) {
            Ranges.require("mono below", monoBelowHz, 20, 500);
        }
        ChainKnob.PAN.require(pan);
    }

    /** In the middle. */
    public Width(double factor, double monoBelowHz) {
        this(factor, monoBelowHz, 0);
    }

    /** The same otherwise wide. */
    public Width withFactor(double other) {
        return new Width(other, monoBelowHz, pan);
    }

    /** The same with other lows in the middle. */
    public Width withMonoBelow(double hz) {
        return new Width(factor, hz, pan);
    }

    /** The same elsewhere. */
    public Width withPan(double other) {
        return new Width(factor, monoBelowHz, other);
    }
}
