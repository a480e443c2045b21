package orbispace.core.material;

/**
 * A room that was printed into a stem.
 *
 * @param decaySeconds time for 60 dB, from the slope over 20 dB or what there is of it
 * @param underDb how far the tail, carried back to the stop, lies under the sound before it
 * @param stops how many stops of the stem agree
 */
public record Ambience(double decaySeconds, double underDb, int stops) {}
