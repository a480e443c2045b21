package orbispace.core.space;

/**
 * What makes a send into a space or an echo: stereo in, fully wet stereo out, block by block.
 *
 * <p>{@code process} does not allocate, lock or throw. The same input gives the same output
 * whatever the block sizes.
 */
public sealed interface Engine permits HallReverb, PingPongEcho {

    /** Makes the engine that settings describe. */
    static Engine of(EngineSettings settings, double sampleRateHz) {
        return switch (EngineTuning.of(settings, sampleRateHz)) {
            case EngineTuning.Hall hall -> new HallReverb(hall, sampleRateHz);
            case EngineTuning.PingPong echo -> new PingPongEcho(echo, sampleRateHz);
        };
    }

    /**
     * Takes a new tuning of its own kind, smoothly and without allocating; one of another kind is
     * left alone, since another kind needs another engine.
     */
    void apply(EngineTuning tuning);

    /** Replaces frames {@code from} to before {@code to} by the wet sound. */
    void process(float[] left, float[] right, int from, int to);

    /** Forgets all sound. */
    void reset();
}
