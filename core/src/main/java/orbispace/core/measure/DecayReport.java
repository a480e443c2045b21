package orbispace.core.measure;

import java.util.List;

/**
 * The decay of an impulse response.
 *
 * @param predelaySeconds from the start of the recording to the onset (-20 dB under the peak)
 * @param broadband over all frequencies
 * @param bands octaves from 63 Hz to 8 kHz, as far as the sample rate reaches
 */
public record DecayReport(double predelaySeconds, BandDecay broadband, List<BandDecay> bands) {
    /** The material for which it is tried and holds. */
    public static final String HOLDS_FOR =
            "responses of 0.15 to 10 s whose last tenth is steady noise or tail";

    /** Keeps its own list. */
    public DecayReport {
        bands = List.copyOf(bands);
    }
}
