package orbispace.core.space;

/**
 * What makes a send into a space or an echo: stereo in, fully wet stereo out, block by block.
 *
 * <p>{@code process} does not allocate, lock or throw. The same input gives the same output
 * whatever the block sizes, but for rounding (-130 dB) where spectra are used. No engine has
 * latency: each answers from its first frame.
 */
public interface Engine {

    /** Makes the engine that settings describe. */
    static Engine of(EngineSettings settings, double sampleRateHz) {
        return settings.tuning(sampleRateHz).engine(sampleRateHz);
    }

    /**
     * Takes a new tuning smoothly and without allocating, if {@link EngineTuning#shape} is its own;
     * one of another shape needs another engine and is left alone.
     */
    void apply(EngineTuning tuning);

    /**
     * Says which frame of the song is worked on next. What moves by itself, such as a sway, moves
     * by the song's own time, so that it is the same however the frame was reached; after a jump it
     * gets there within half a second.
     */
    default void at(int frame) {}

    /** Replaces frames {@code from} to before {@code to} by the wet sound. */
    void process(float[] left, float[] right, int from, int to);

    /** Forgets all sound. */
    void reset();
}
