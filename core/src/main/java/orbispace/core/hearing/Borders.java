package orbispace.core.hearing;

import orbispace.core.words.Wording;

/**
 * Where the states of a wet begin, for somebody's ears: the borders and aims of {@link WetState},
 * all moved by one factor.
 *
 * @param offsetDb how far they lie over the model's, in dB of wet share, -10 to 10; below 0 for who
 *     hears more
 * @param lowDb lower end of where the offset lies in 95 of 100 cases
 * @param highDb upper end of the same
 * @param lessons from how many lessons that is known; 0 for the model's own
 * @param whose whose ears they are, and where; empty for the model's own
 */
public record Borders(double offsetDb, double lowDb, double highDb, int lessons, String whose) {
    /** The borders as the model has them. */
    public static final Borders MODEL = new Borders(0, 0, 0, 0, "");

    /** Further than this they are not moved. */
    public static final double MOST_DB = 10;

    /** Checks that the offset lies in range and between its ends. */
    public Borders {
        if (!(Math.abs(offsetDb) <= MOST_DB) || !(lowDb <= offsetDb && offsetDb <= highDb)) {
            throw new IllegalArgumentException(
                    Wording.text(
                            "borders are moved by -10 to 10 dB between their ends, not by %.1f"
                                    + " (%.1f to %.1f)",
                            offsetDb, lowDb, highDb));
        }
    }

    /** Whether somebody's ears moved them. */
    public boolean own() {
        return !whose.isEmpty();
    }

    private double factor() {
        return Math.pow(10, offsetDb / 10);
    }

    /** The state of a wet share (0 to 1) with nothing known before. */
    public WetState of(double share) {
        return WetState.of(share / factor());
    }

    /** The wet share at which a state begins. */
    public double from(WetState state) {
        return state.fromShare() * factor();
    }

    /** The wet share to aim at for a state. */
    public double aim(WetState state) {
        return state.aimShare() * factor();
    }

    /** Whose they are; empty for the model's own. */
    public String by() {
        return own() ? "by the ears of " + whose : "";
    }

    /** Whose they are and how far they are moved; empty for the model's own. */
    public String words() {
        return own()
                ? Wording.text(
                        "borders %s, %s dB (%s to %s)",
                        by(),
                        Wording.signed(offsetDb),
                        Wording.signed(lowDb),
                        Wording.signed(highDb))
                : "";
    }
}
