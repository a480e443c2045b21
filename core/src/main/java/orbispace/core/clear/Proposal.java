package orbispace.core.clear;

import orbispace.core.design.ReturnEdit;
import orbispace.core.hearing.Cover;

/**
 * A change that clears a source, with what it was rendered to do.
 *
 * @param edit the change
 * @param change it in words, from what to what
 * @param why the cause, with this song's values
 * @param before measures as the field stands
 * @param after measures with the change rendered
 * @param cost what it takes away
 */
public record Proposal(
        ReturnEdit edit, String change, String why, Cover before, Cover after, Cost cost) {

    /**
     * What a remedy takes away.
     *
     * @param bandwidthOctaves octaves of the return removed
     * @param duckDb how far it is turned down while the key sounds
     * @param bloomDb how much bloom is lost
     */
    public record Cost(double bandwidthOctaves, double duckDb, double bloomDb) {
        /**
         * One number to compare costs by: an octave weighs as much as 3 dB of ducking or 2 dB of
         * bloom.
         */
        public double total() {
            return bandwidthOctaves + duckDb / 3 + Math.max(0, bloomDb) / 2;
        }
    }

    /** Gain in presence, 0 to 1. */
    public double presenceGain() {
        return after.presenceKept().orElse(1) - before.presenceKept().orElse(1);
    }
}
