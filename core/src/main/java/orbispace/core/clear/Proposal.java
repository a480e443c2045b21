package orbispace.core.clear;

import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Setting;
import orbispace.core.design.Targets;
import orbispace.core.hearing.Cover;

/**
 * A change that clears a source, with what it was rendered to do.
 *
 * @param kind what kind of change
 * @param edit the change
 * @param change it in words, from what to what
 * @param why the cause, with this song's values
 * @param standingBefore measures as the field stands
 * @param standingAfter measures with the change rendered
 * @param cost what it takes away
 */
public record Proposal(
        Setting kind,
        ReturnEdit edit,
        String change,
        String why,
        Standing standingBefore,
        Standing standingAfter,
        Cost cost) {
    private static final double TROUBLE = 0.3;

    /**
     * What a remedy takes away.
     *
     * @param bandwidthOctaves octaves of the return removed
     * @param duckDb how far it is turned down while the key sounds
     * @param levelDb how far it is turned down
     * @param decayShare share of its decay that is lost, 0 to 1
     * @param bloomDb how much bloom is lost
     */
    public record Cost(
            double bandwidthOctaves,
            double duckDb,
            double levelDb,
            double decayShare,
            double bloomDb) {
        /**
         * One number to compare costs by: an octave weighs as much as 3 dB of ducking, 2 dB of
         * level or of bloom, or a quarter of the decay.
         */
        public double total() {
            return bandwidthOctaves
                    + duckDb / 3
                    + levelDb / 2
                    + 4 * decayShare
                    + Math.max(0, bloomDb) / 2;
        }
    }

    /** The hearing measures before. */
    public Cover before() {
        return standingBefore.cover();
    }

    /** The hearing measures after. */
    public Cover after() {
        return standingAfter.cover();
    }

    /** Gain in presence, 0 to 1. */
    public double presenceGain() {
        return after().presenceKept().orElse(1) - before().presenceKept().orElse(1);
    }

    /** How much nearer to targets it comes, in points. */
    public double gain(Targets targets) {
        return standingBefore.shortfall(targets) - standingAfter.shortfall(targets);
    }

    /** Whether it is what was still missing. */
    public boolean settles(Targets targets) {
        return standingAfter.meets(targets) && !standingBefore.meets(targets);
    }

    /** Gain per cost; any change costs at least its own trouble. */
    public double bargain(Targets targets) {
        return gain(targets) / (TROUBLE + Math.max(0, cost.total()));
    }
}
