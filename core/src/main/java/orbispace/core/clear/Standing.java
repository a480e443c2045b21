package orbispace.core.clear;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import orbispace.core.design.Targets;
import orbispace.core.hearing.Cover;
import orbispace.core.hearing.WetState;
import orbispace.core.words.Wording;

/**
 * How a source stands against a return: all that {@link Targets} ask about.
 *
 * @param cover the hearing measures
 * @param sibilanceDb 5 to 9 kHz of the wet over the dry's while it speaks; empty for none
 * @param lowShare share of the return's energy under 250 Hz
 * @param opens what the width says that the return makes of the mix; what is asked is asked of its
 *     loudness, so that no remedy makes a field narrower
 */
public record Standing(Cover cover, OptionalDouble sibilanceDb, double lowShare, WetState opens) {
    private static final double CLASH_POINTS = 40;
    private static final double LOW_POINTS = 40;
    private static final double SIBILANCE_POINTS = 0.5;
    private static final double TRIFLE = 0.0025;
    private static final double LEAST_DB = 0.1;
    private static final double HISS_DB = 0.5;
    private static final double OTHER_STATE_POINTS = 1;
    private static final double MOST_UNDER_DB = 3;

    /** How a source stands where the return's width was not measured. */
    public Standing(Cover cover, OptionalDouble sibilanceDb, double lowShare) {
        this(cover, sibilanceDb, lowShare, WetState.HIDDEN);
    }

    /** How much the return is noticed: the higher of what its loudness and its width say. */
    public WetState state() {
        return cover.state().or(opens);
    }

    /** The state in words, with what says so where that is the width. */
    public String stateWords() {
        return state().label() + (opens.compareTo(cover.state()) > 0 ? " by its width" : "");
    }

    /** What its loudness says, so told that nothing which opens the mix is called hidden. */
    String loudWords() {
        return cover.state().label()
                + (opens.compareTo(cover.state()) > 0 ? " by its loudness alone" : "");
    }

    /**
     * How far targets are missed, in points of presence; other misses are weighed so that one that
     * one hears as clearly counts alike. 0 where all are met.
     */
    public double shortfall(Targets t) {
        return uncovered(t)
                + LOW_POINTS * Math.max(0, lowShare - t.lowShare())
                + (hisses(t) ? SIBILANCE_POINTS * overDb(t) : 0)
                + Math.max(0, t.bloomDb() - cover.bloomDb().orElse(-60))
                + noticed(t);
    }

    /** Whether its sibilance stands out; what is hidden does not hiss. */
    boolean hisses(Targets t) {
        return overDb(t) > HISS_DB && cover.state() != WetState.HIDDEN;
    }

    /** How far its sibilance lies over what is asked, in dB; nothing of it lies infinitely low. */
    double overDb(Targets t) {
        return sibilanceDb.orElse(Double.NEGATIVE_INFINITY) - t.sibilanceDb();
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
                        .mapToDouble(cover.borders()::from)
                        .min()
                        .orElse(1);
        double over = Math.max(0, 10 * Math.log10(share / most));
        double under = 10 * Math.log10(cover.borders().from(t.state()) / share);
        // Another state than was asked is a miss in itself, however near its border.
        double other = t.accepts(cover.state()) ? 0 : OTHER_STATE_POINTS;
        // One that is hidden already cannot be hidden more.
        return over
                + other
                + (t.accepts(WetState.HIDDEN) ? 0 : Math.clamp(under, 0, MOST_UNDER_DB));
    }

    /** Whether all targets are met, to the accuracy with which measures are told. */
    public boolean meets(Targets t) {
        return misses(t).isEmpty();
    }

    /** Each target that is missed, in words: what is, and what was asked. */
    public List<String> misses(Targets t) {
        List<String> misses = new ArrayList<>();
        double presence = cover.presenceKept().orElse(1);
        double worst = cover.worstPhrase().orElse(1);
        if (presence < t.presence() - TRIFLE) {
            misses.add(percent("presence", presence, t.presence()));
        }
        if (worst < t.worstPhrase() - TRIFLE) {
            misses.add(percent("worst phrase", worst, t.worstPhrase()));
        }
        if (cover.clashArea() > t.clashArea() + TRIFLE) {
            misses.add(percent("clash", cover.clashArea(), t.clashArea()));
        }
        if (!t.accepts(cover.state())) {
            misses.add(loudWords() + " where " + t.state().label() + " was asked");
        }
        if (lowShare > t.lowShare() + TRIFLE) {
            misses.add(percent("lows", lowShare, t.lowShare()));
        }
        if (hisses(t)) {
            misses.add(decibels("sibilance", sibilanceDb.orElseThrow(), t.sibilanceDb()));
        }
        double bloom = cover.bloomDb().orElse(Targets.ANY_BLOOM);
        if (bloom < t.bloomDb() - LEAST_DB) {
            misses.add(decibels("bloom", bloom, t.bloomDb()));
        }
        return misses;
    }

    /** Those of the misses that are about the source being covered. */
    List<String> covered(Targets t) {
        Targets alone =
                new Targets(
                        t.presence(),
                        t.worstPhrase(),
                        t.clashArea(),
                        cover.state(),
                        1,
                        20,
                        Targets.ANY_BLOOM);
        return misses(alone);
    }

    private static String percent(String what, double is, double asked) {
        return Wording.format("%s %.1f %% where %.0f was asked", what, 100 * is, 100 * asked);
    }

    private static String decibels(String what, double is, double asked) {
        return Wording.format("%s %.1f dB where %.0f was asked", what, is, asked)
                .replace('-', '\u2212');
    }

    /** Whether the source is uncovered as much as asked. */
    public boolean uncovers(Targets t) {
        return cover.presenceKept().orElse(1) >= t.presence()
                && cover.worstPhrase().orElse(1) >= t.worstPhrase()
                && cover.clashArea() <= t.clashArea();
    }
}
