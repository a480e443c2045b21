package orbispace.app.song;

import java.util.List;
import java.util.OptionalDouble;
import orbispace.core.design.Design;
import orbispace.core.measure.Loudness;
import orbispace.core.time.Span;

/**
 * The loudness of the mix, and of the two mixes that are heard against each other.
 *
 * @param design the field as it stands
 * @param after the loudness of that field
 * @param before the first of the pair that is compared
 * @param other the second of the pair: the field as it stands, unless another was chosen
 * @param dry the loudness of the sources of the second alone
 * @param pair both of the pair where they are compared
 */
public record MixMeasure(
        Design design,
        Loudness after,
        Loudness before,
        Loudness other,
        Loudness dry,
        Matched pair) {
    /**
     * A pair over the stretch in which it is compared.
     *
     * @param span the stretch
     * @param beforeLufs integrated loudness of the first; empty for silence
     * @param otherLufs integrated loudness of the second; empty for silence
     * @param dryLufs integrated loudness of the sources of the second alone; empty for silence
     */
    public record Matched(
            Span span,
            OptionalDouble beforeLufs,
            OptionalDouble otherLufs,
            OptionalDouble dryLufs) {}

    /** A field without its returns. */
    public static Design dry(Design design) {
        return design.withReturns(List.of());
    }

    /**
     * Gain in dB that brings the dry sources alone to the second of the pair as it is heard; never
     * more than their peaks leave under full scale.
     */
    public double dryMatchDb() {
        if (pair.dryLufs().isEmpty() || pair.otherLufs().isEmpty()) {
            return 0;
        }
        double up = pair.otherLufs().getAsDouble() - pair.dryLufs().getAsDouble();
        double room = Math.max(0, -dry.truePeakDbtp().orElse(0));
        return Math.min(up + matchDb(false), Math.max(room, 0));
    }

    /** How much louder the second of the pair is than the first, in LU; 0 if one is silent. */
    public double differenceLu() {
        return pair.beforeLufs().isEmpty() || pair.otherLufs().isEmpty()
                ? 0
                : pair.otherLufs().getAsDouble() - pair.beforeLufs().getAsDouble();
    }

    /** Gain in dB that turns the louder of the two down to the other, for hearing one of them. */
    public double matchDb(boolean hearingBefore) {
        double difference = differenceLu();
        return hearingBefore ? Math.min(0, difference) : Math.min(0, -difference);
    }
}
