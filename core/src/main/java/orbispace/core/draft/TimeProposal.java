package orbispace.core.draft;

import orbispace.core.design.ReturnEdit;

/**
 * A time worked out from the song.
 *
 * @param subject what it is a time of
 * @param label the time and what it does, in a few words
 * @param why the formula in words with this song's values in it
 * @param edit sets it
 */
public record TimeProposal(Subject subject, String label, String why, ReturnEdit edit) {
    /** What a time belongs to. */
    public enum Subject {
        /** The delay before the space. */
        PREDELAY,
        /** Decay or feedback. */
        SPACE,
        /** The length of the gate. */
        GATE
    }
}
