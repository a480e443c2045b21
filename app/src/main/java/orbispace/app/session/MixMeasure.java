package orbispace.app.session;

import orbispace.core.measure.Loudness;

/**
 * The loudness of the mix, and of the mix before.
 *
 * @param after the field as it stands
 * @param before the field it is compared with
 */
public record MixMeasure(Loudness after, Loudness before) {

    /** How much louder the mix is now than before, in LU. */
    public double differenceLu() {
        return after.integratedLufs().orElse(0) - before.integratedLufs().orElse(0);
    }

    /** Gain in dB that turns the louder of the two down to the other, for hearing one of them. */
    public double matchDb(boolean hearingBefore) {
        double difference = differenceLu();
        return hearingBefore ? Math.min(0, difference) : Math.min(0, -difference);
    }
}
