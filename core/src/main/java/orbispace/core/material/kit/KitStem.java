package orbispace.core.material.kit;

import java.util.List;
import java.util.Optional;
import orbispace.core.material.Ambience;
import orbispace.core.material.GateKey;
import orbispace.core.material.Hits;

/**
 * What one stem of a kit holds.
 *
 * @param own its own strokes in order of time
 * @param bleed strokes of other stems that it hears
 * @param events the same as one stem's hits, its own strokes as hits
 * @param gate what parts its own strokes from all bleed, ghosts left out; empty where nothing does
 * @param gateWithGhosts the same with its ghosts; empty where nothing does or there are none
 * @param room that a microphone over the kit or in its room hears, if it can be told
 */
public record KitStem(
        List<Stroke> own,
        List<Bleed> bleed,
        Hits events,
        Optional<GateKey> gate,
        Optional<GateKey> gateWithGhosts,
        Optional<Ambience> room) {
    /**
     * A stroke.
     *
     * @param seconds its onset
     * @param peakDb highest sample, dBFS
     * @param ghost whether it is a ghost: 12 dB or more under the median of the stem's own
     */
    public record Stroke(double seconds, double peakDb, boolean ghost) {}

    /**
     * A stroke of another stem.
     *
     * @param seconds when it is heard here
     * @param peakDb highest sample here, dBFS
     * @param from index of the stem whose stroke it is
     */
    public record Bleed(double seconds, double peakDb, int from) {}

    /** Keeps its own lists. */
    public KitStem {
        own = List.copyOf(own);
        bleed = List.copyOf(bleed);
    }
}
