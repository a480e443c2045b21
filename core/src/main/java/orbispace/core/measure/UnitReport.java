package orbispace.core.measure;

import java.util.List;
import java.util.OptionalDouble;
import orbispace.core.audio.Audio;
import orbispace.core.audio.Polarity;
import orbispace.core.words.Wording;

/**
 * What a sweep tells of a unit that it was played through.
 *
 * @param response its linear impulse response from its first arrival on, one channel per channel of
 *     the recording; 1 stands for unit gain
 * @param latencySamples from the start of the recording to the first arrival
 * @param polarity of the first arrival, where one leads
 * @param noiseDbfs mean level of the recording's last half second
 * @param harmonics level of each harmonic under the linear response
 * @param driftPpm by how much the recorder's clock runs faster than the player's; empty where the
 *     sweep was played once, or the unit answers differently each time
 * @param repeatDb energy of what differs between the answers to both sweeps, re the answer; empty
 *     where the sweep was played once
 * @param decay of the response
 */
public record UnitReport(
        Audio response,
        int latencySamples,
        Polarity polarity,
        double noiseDbfs,
        List<Harmonic> harmonics,
        OptionalDouble driftPpm,
        OptionalDouble repeatDb,
        DecayReport decay) {
    /** The material for which it is tried and holds. */
    public static final String HOLDS_FOR =
            "units that answer a sweep alike each time, noise to -75 dBFS, clocks to 200 ppm apart";

    /** Drift from which it is warned about, in parts per million. */
    public static final double DRIFT_PPM = 2;

    /**
     * A harmonic.
     *
     * @param order 2 or more
     * @param levelDb energy of its response re that of the linear one
     */
    public record Harmonic(int order, double levelDb) {}

    /** Keeps its own list. */
    public UnitReport {
        harmonics = List.copyOf(harmonics);
    }

    /** What is said of the clocks: how far they ran apart, or why that cannot be told. */
    public String clocks() {
        if (driftPpm.isPresent()) {
            return Wording.number(driftPpm.getAsDouble(), 1)
                    + " ppm apart"
                    + (drifts() ? ", undone; let one clock serve both" : "");
        }
        return repeatDb.isPresent()
                ? "not sure: its two answers differ by "
                        + Wording.number(repeatDb.getAsDouble(), 0)
                        + " dB, as those of a unit that moves"
                : "not sure: only a sweep that is played twice can tell";
    }

    /** Whether the clocks ran apart enough to matter. */
    public boolean drifts() {
        return Math.abs(driftPpm.orElse(0)) > DRIFT_PPM;
    }

    /** Mean of T30 at 500 Hz and 1 kHz, as a panel would say it; empty if neither is reliable. */
    public OptionalDouble trueSeconds() {
        return decay.bands().stream()
                .filter(b -> b.centreHz() > 400 && b.centreHz() < 1100)
                .map(BandDecay::t30)
                .filter(DecayTime.Measured.class::isInstance)
                .mapToDouble(t -> ((DecayTime.Measured) t).seconds())
                .average();
    }
}
