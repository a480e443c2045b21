package orbispace.core.hearing;

import java.util.OptionalDouble;

/**
 * What a wet sound does to a dry one beside it. Shares and areas are 0 to 1.
 *
 * @param presenceKept how much of the dry's loudness in its phrases is left; empty if it is silent
 * @param worstPhrase the same for the phrase that keeps least
 * @param wetShare the wet's share of all loudness where it is strongest
 * @param wetShareInPhrases its share of all loudness while the dry speaks
 * @param wetShareInGaps its loudness in the gaps over the dry's in phrases
 * @param bloomDb audible wet in the gaps over the dry in phrases; empty for none
 * @param clashArea share of the dry's important cells that lose more than a fifth
 * @param borders by which the wet's state is told
 */
public record Cover(
        OptionalDouble presenceKept,
        OptionalDouble worstPhrase,
        double wetShare,
        double wetShareInPhrases,
        double wetShareInGaps,
        OptionalDouble bloomDb,
        double clashArea,
        Borders borders) {
    /** By the model's own borders. */
    public Cover(
            OptionalDouble presenceKept,
            OptionalDouble worstPhrase,
            double wetShare,
            double wetShareInPhrases,
            double wetShareInGaps,
            OptionalDouble bloomDb,
            double clashArea) {
        this(
                presenceKept,
                worstPhrase,
                wetShare,
                wetShareInPhrases,
                wetShareInGaps,
                bloomDb,
                clashArea,
                Borders.MODEL);
    }

    /** The same, told by other borders. */
    public Cover by(Borders other) {
        return new Cover(
                presenceKept,
                worstPhrase,
                wetShare,
                wetShareInPhrases,
                wetShareInGaps,
                bloomDb,
                clashArea,
                other);
    }

    /** The state of the wet share, with nothing known before. */
    public WetState state() {
        return borders.of(wetShare);
    }
}
