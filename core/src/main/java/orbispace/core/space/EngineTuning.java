package orbispace.core.space;

/** Settings worked out for one sample rate, ready to be taken by the audio thread. */
public sealed interface EngineTuning
        permits NetworkReverb.Tuning,
                ConvolutionEngine.Tuning,
                Echo.Tuning,
                Doubler.Tuning,
                SplitPair.Tuning,
                Parallel.Tuning {

    /** Works out settings. */
    static EngineTuning of(EngineSettings settings, double sampleRateHz) {
        return switch (settings) {
            case ReverbSettings s -> NetworkReverb.Tuning.of(s, sampleRateHz);
            case GatedSettings s ->
                    ConvolutionEngine.Tuning.of(s, VelvetNoise.response(s, sampleRateHz));
            case ConvolutionSettings s ->
                    ConvolutionEngine.Tuning.of(s, s.response().taps(sampleRateHz));
            case EchoSettings s -> Echo.Tuning.of(s, sampleRateHz);
            case DoublerSettings s -> Doubler.Tuning.of(s, sampleRateHz);
            case SplitSettings s -> SplitPair.Tuning.of(s, sampleRateHz);
            case ParallelSettings s -> new Parallel.Tuning(s);
        };
    }

    /**
     * The same for one engine alone, with the working memory that it will need; call before the
     * audio thread gets it. Two engines must never share what this returns.
     */
    default EngineTuning own() {
        return this;
    }

    /** Names the engine that can take this tuning in mid-sound; others need a new engine. */
    Object shape();
}
