package orbispace.app.session;

import orbispace.core.measure.Loudness;

/**
 * The loudness of the mix, and of the mix before.
 *
 * @param after the field as it stands
 * @param before the first of the pair that is compared
 * @param other the second of the pair: the field as it stands, unless another was chosen
 */
public record MixMeasure(Loudness after, Loudness before, Loudness other) {

    /** How much louder the second of the pair is than the first, in LU. */
    public double differenceLu() {
        return other.integratedLufs().orElse(0) - before.integratedLufs().orElse(0);
    }

    /** Gain in dB that turns the louder of the two down to the other, for hearing one of them. */
    public double matchDb(boolean hearingBefore) {
        double difference = differenceLu();
        return hearingBefore ? Math.min(0, difference) : Math.min(0, -difference);
    }
}
