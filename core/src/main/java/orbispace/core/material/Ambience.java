package orbispace.core.material;

/**
 * A room that was printed into a stem.
 *
 * @param decaySeconds time for 60 dB, from the slope over 20 dB or what there is of it
 * @param underDb how far the tail, carried back to the stop, lies under the sound before it
 * @param stops how many stops or strokes of the stem it was seen behind
 * @param sure whether each half of them, every other one, tells the same decay within a quarter
 */
public record Ambience(double decaySeconds, double underDb, int stops, boolean sure) {
    /** A room whose decay is not in doubt. */
    public Ambience(double decaySeconds, double underDb, int stops) {
        this(decaySeconds, underDb, stops, true);
    }

    /** The same, in doubt. */
    Ambience unsure() {
        return new Ambience(decaySeconds, underDb, stops, false);
    }
}
