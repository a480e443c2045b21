package orbispace.core.prove.court;

import orbispace.core.design.Purpose;
import orbispace.core.design.Return;
import orbispace.core.hearing.WetState;

/**
 * What became of one return of a draft.
 *
 * @param ret the return as it stands in the end
 * @param purpose what it is for
 * @param asked how much of it should be noticed
 * @param reached how much is
 * @param share its share of all loudness, 0 to 1
 * @param met whether what was reached is what was asked
 * @param why its times and its level in words, and if it is not met, why not
 */
public record Verdict(
        Return ret,
        Purpose purpose,
        WetState asked,
        WetState reached,
        double share,
        boolean met,
        String why) {}
