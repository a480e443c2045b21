package orbispace.core.clear;

import orbispace.core.hearing.WetState;

/**
 * What a wet may do to a dry.
 *
 * @param presence least presence kept, 0 to 1
 * @param worstPhrase least presence kept in any phrase
 * @param clashArea largest clash area
 * @param state how much the wet should be noticed
 * @param lowShare largest share of the wet's energy under 250 Hz
 */
public record Targets(
        double presence, double worstPhrase, double clashArea, WetState state, double lowShare) {
    /** A lead voice or line over a felt space. */
    public static final Targets LEAD = new Targets(0.85, 0.80, 0.25, WetState.FELT, 0.05);
}
