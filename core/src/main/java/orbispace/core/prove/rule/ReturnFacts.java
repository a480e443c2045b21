package orbispace.core.prove.rule;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import orbispace.core.clear.DuckCourse;
import orbispace.core.clear.ReturnCost;
import orbispace.core.clear.ShortCopy;
import orbispace.core.hearing.Borders;
import orbispace.core.hearing.WetState;
import orbispace.core.measure.StereoReport;
import orbispace.core.measure.Widening;

/**
 * What was measured of one return of a design.
 *
 * @param cost what it takes of the mix
 * @param stereo of its sound over the song
 * @param envelope mean power of its sound in steps of 50 ms
 * @param wetShare its share of all loudness over the song, 0 to 1; empty without a source
 * @param opens what it makes wider of the mix over the song
 * @param askedLevelDb the level at which it is noticed as much as asked, where it is not heard or
 *     too obvious; empty if it is neither, or no level does
 * @param directShare share of its impulse response's energy within 2 ms of the dry sound
 * @param ducking what its ducker does over the lead's phrases, if it has one
 * @param copies sources of which it is a short copy that combs with them, by source id
 */
public record ReturnFacts(
        ReturnCost cost,
        StereoReport stereo,
        List<Float> envelope,
        OptionalDouble wetShare,
        Widening opens,
        OptionalDouble askedLevelDb,
        double directShare,
        Optional<DuckCourse> ducking,
        Map<String, ShortCopy> copies) {
    /** Length of a step of the envelope. */
    public static final double STEP_SECONDS = 0.05;

    /** Keeps its own copies. */
    public ReturnFacts {
        envelope = List.copyOf(envelope);
        copies = Map.copyOf(copies);
    }

    /** How much it is noticed, by its loudness or by its width; empty without a source. */
    Optional<WetState> state(Borders borders) {
        return wetShare.isPresent()
                ? Optional.of(borders.of(wetShare.getAsDouble()).or(opens.state()))
                : Optional.empty();
    }

    /** Whether it makes any sound. */
    boolean sounds() {
        return envelope.stream().anyMatch(power -> power > 0);
    }
}
