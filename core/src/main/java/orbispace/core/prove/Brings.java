package orbispace.core.prove;

import orbispace.core.words.Wording;

/**
 * What is gained when the first remedy of a finding is pressed, as it was measured.
 *
 * @param amount how much, in its unit
 * @param unit what of, in words, such as "dB less ripple"
 * @param step the amount that is just worth a press, such as 1 dB of ripple
 */
public record Brings(double amount, String unit, double step) {
    /** The highest ripple that is told: what cancels altogether has no end. */
    private static final double MOST_RIPPLE_DB = 30;

    /** Less ripple of a sum in which a sound comes twice, the second time at this amplitude. */
    public static Brings ripple(double second) {
        double b = Math.clamp(second, 0, 0.999);
        return lessRipple(Math.min(MOST_RIPPLE_DB, 20 * Math.log10((1 + b) / (1 - b))));
    }

    /** Less ripple, in dB. */
    public static Brings lessRipple(double db) {
        return new Brings(db, "dB less ripple", 1);
    }

    /** How many steps it is, to hold unlike gains against each other. */
    public double steps() {
        return amount / step;
    }

    /** In words. */
    public String words() {
        return Wording.number(amount, 1) + " " + unit;
    }
}
