package orbispace.core.material;

/**
 * A slap or an echo that was printed into a stem.
 *
 * @param seconds how much later than the sound it comes
 * @param underDb how far it lies under the sound
 */
public record PrintedEcho(double seconds, double underDb) {
    /** The material for which it is tried and holds. */
    public static final String HOLDS_FOR =
            "slaps and echoes from 40 ms to 1.2 s, to 14 dB under stems that sound for 10 s";

    /** Later than this it is heard by itself. */
    private static final double SLAP_SECONDS = 0.15;

    /** What it is called. */
    public String word() {
        return seconds < SLAP_SECONDS ? "slap" : "echo";
    }
}
