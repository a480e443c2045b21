package orbispace.core.clear;

import java.util.Arrays;
import orbispace.core.design.Targets;
import orbispace.core.hearing.Cover;
import orbispace.core.hearing.WetState;

/**
 * How a source stands against a return: all that {@link Targets} ask about.
 *
 * @param cover the hearing measures
 * @param sibilanceDb 5 to 9 kHz of the wet over the dry's while it speaks; very low for none
 * @param lowShare share of the return's energy under 250 Hz
 */
public record Standing(Cover cover, double sibilanceDb, double lowShare) {
    private static final double CLASH_POINTS = 40;
    private static final double LOW_POINTS = 40;
    private static final double SIBILANCE_POINTS = 0.5;
    private static final double MET = 0.25;
    private static final double HISS_DB = 0.5;
    private static final double MOST_UNDER_DB = 3;

    /**
     * How far targets are missed, in points of presence; other misses are weighed so that one that
     * one hears as clearly counts alike. 0 where all are met.
     */
    public double shortfall(Targets t) {
        return uncovered(t)
                + LOW_POINTS * Math.max(0, lowShare - t.lowShare())
                + (hisses(t) ? SIBILANCE_POINTS * (sibilanceDb - t.sibilanceDb()) : 0)
                + Math.max(0, t.bloomDb() - cover.bloomDb().orElse(-60))
                + noticed(t);
    }

    /** Whether its sibilance stands out; what is hidden does not hiss. */
    boolean hisses(Targets t) {
        return sibilanceDb > t.sibilanceDb() + HISS_DB && cover.state() != WetState.HIDDEN;
    }

    /** The part of the shortfall that is about the source being covered. */
    public double uncovered(Targets t) {
        return 100 * Math.max(0, t.presence() - cover.presenceKept().orElse(1))
                + 100 * Math.max(0, t.worstPhrase() - cover.worstPhrase().orElse(1))
                + CLASH_POINTS * Math.max(0, cover.clashArea() - t.clashArea());
    }

    /** How far it is noticed more than asked, or has sunk under what was asked, in dB of share. */
    private double noticed(Targets t) {
        double share = Math.max(1e-6, cover.wetShare());
        double most =
                Arrays.stream(WetState.values())
                        .filter(w -> w.compareTo(t.state()) > 0)
                        .mapToDouble(WetState::fromShare)
                        .min()
                        .orElse(1);
        double over = Math.max(0, 10 * Math.log10(share / most));
        double under = 10 * Math.log10(t.state().fromShare() / share);
        // One that is hidden already cannot be hidden more.
        return over + (t.state() == WetState.HIDDEN ? 0 : Math.clamp(under, 0, MOST_UNDER_DB));
    }

    /** Whether all targets are met, but for a trifle. */
    public boolean meets(Targets t) {
        return shortfall(t) < MET;
    }

    /** Whether the source is uncovered as much as asked. */
    public boolean uncovers(Targets t) {
        return cover.presenceKept().orElse(1) >= t.presence()
                && cover.worstPhrase().orElse(1) >= t.worstPhrase()
                && cover.clashArea() <= t.clashArea();
    }
}
