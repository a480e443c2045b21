package orbispace.core.design;

import java.util.List;
import orbispace.core.hearing.WetState;

/**
 * What a wet may do to a dry. The defaults by role are argued from masking and the just noticeable
 * difference of loudness, not tested on listeners.
 *
 * @param presence least presence kept, 0 to 1
 * @param worstPhrase least presence kept in any phrase
 * @param clashArea largest clash area
 * @param state how much the wet should be noticed
 * @param lowShare largest share of the wet's energy under 250 Hz
 * @param sibilanceDb how far the wet's 5 to 9 kHz may lie over (under: negative) the dry's while it
 *     speaks
 * @param bloomDb least bloom; a level that no wet reaches for none
 * @param orHidden whether a wet that nobody notices will do too
 */
public record Targets(
        double presence,
        double worstPhrase,
        double clashArea,
        WetState state,
        double lowShare,
        double sibilanceDb,
        double bloomDb,
        boolean orHidden) {
    /** A bloom that every wet has. */
    public static final double ANY_BLOOM = -60;

    private static final double LOW_OF_SOME = 0.40;
    private static final double LOW_OF_ALL = 0.95;

    /** Targets of a wet that should be noticed as much as its state says. */
    public Targets(
            double presence,
            double worstPhrase,
            double clashArea,
            WetState state,
            double lowShare,
            double sibilanceDb,
            double bloomDb) {
        this(presence, worstPhrase, clashArea, state, lowShare, sibilanceDb, bloomDb, false);
    }

    /** Checks the ranges. */
    public Targets {
        Ranges.require("presence", presence, 0, 1);
        Ranges.require("presence of the worst phrase", worstPhrase, 0, 1);
        Ranges.require("clash area", clashArea, 0, 1);
        Ranges.require("share of lows", lowShare, 0, 1);
        Ranges.require("sibilance", sibilanceDb, -60, 20);
        Ranges.require("bloom", bloomDb, ANY_BLOOM, 0);
    }

    /** A lead voice or line over a felt space. */
    public static final Targets LEAD =
            new Targets(0.85, 0.80, 0.25, WetState.FELT, 0.05, -12, ANY_BLOOM);

    /** A lead with an effect that is wanted. */
    public static final Targets LEAD_EFFECT =
            new Targets(0.75, 0.70, 0.45, WetState.HEARD, 0.05, -9, ANY_BLOOM);

    /** An intimate or word-heavy lead. */
    public static final Targets LEAD_INTIMATE =
            new Targets(0.92, 0.88, 0.12, WetState.FELT, 0.05, -15, ANY_BLOOM);

    /** Backing, pads, keys and what else need not stand in front. */
    public static final Targets BACKING =
            new Targets(0.70, 0.60, 0.50, WetState.HEARD, 0.10, -6, ANY_BLOOM);

    /** An effect, a throw, something washed. */
    public static final Targets WASHED =
            new Targets(0.55, 0, 1, WetState.OBVIOUS, 0.25, 0, ANY_BLOOM);

    /** Nothing but that it is noticed. */
    public static final Targets FREE = new Targets(0, 0, 1, WetState.OBVIOUS, 1, 20, ANY_BLOOM);

    /** The defaults of a role. */
    public static Targets of(Role role) {
        return switch (role) {
            case LEAD -> LEAD;
            case BACKING, HITS, HARMONY_BED, BASS, COLOUR -> BACKING;
        };
    }

    /**
     * The defaults of a role against a return: how much of it should be noticed is what its {@link
     * Purpose} asks, an effect asks nothing else, and a space of hits or bass has lows of its own.
     */
    public static Targets of(Design design, Source source, Return r) {
        Purpose purpose = Purposes.of(design, r);
        Targets t = purpose.isLeftAlone() ? FREE : of(source.role());
        List<Source> main = Purposes.mainSenders(design, r);
        long low = main.stream().filter(s -> hasLows(s.role())).count();
        double lowOfLow = low < main.size() ? LOW_OF_SOME : LOW_OF_ALL;
        return new Targets(
                t.presence,
                t.worstPhrase,
                t.clashArea,
                purpose.asked(),
                low == 0 ? t.lowShare : Math.max(t.lowShare, lowOfLow),
                t.sibilanceDb,
                t.bloomDb,
                purpose.mayBeHidden());
    }

    /** What a design asks of a source against a return: its own aim, or the default. */
    public static Targets asked(Design design, Source source, Return r) {
        return design.aims().of(source.id(), r.id()).orElseGet(() -> of(design, source, r));
    }

    /**
     * What all returns together may leave of a source in its worst phrase while each by itself
     * leaves what is asked of it; under it one of them asks for a remedy.
     */
    public static double leftByAll(Design design, Source source) {
        return design.returns().stream()
                .mapToDouble(r -> asked(design, source, r).worstPhrase())
                .filter(worst -> worst > 0)
                .reduce(1, (x, y) -> x * y);
    }

    private static boolean hasLows(Role role) {
        return role == Role.HITS || role == Role.BASS;
    }

    /** The same with another state. */
    public Targets withState(WetState other) {
        return new Targets(
                presence, worstPhrase, clashArea, other, lowShare, sibilanceDb, bloomDb, orHidden);
    }

    /** The same with another least bloom. */
    public Targets withBloom(double otherDb) {
        return new Targets(
                presence, worstPhrase, clashArea, state, lowShare, sibilanceDb, otherDb, orHidden);
    }

    /** The same with another presence; the worst phrase may lie five points under it. */
    public Targets withPresence(double other) {
        return new Targets(
                other,
                Math.max(0, other - (presence - worstPhrase)),
                clashArea,
                state,
                lowShare,
                sibilanceDb,
                bloomDb,
                orHidden);
    }

    /** Whether a wet in some state is noticed as much as asked. */
    public boolean accepts(WetState is) {
        return is == state || (orHidden && is == WetState.HIDDEN);
    }
}
