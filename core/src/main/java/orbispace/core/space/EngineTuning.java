package orbispace.core.space;

/** Settings worked out for one sample rate, ready to be taken by the audio thread. */
public interface EngineTuning {

    /** Makes the engine of this tuning, for the same rate. */
    Engine engine(double sampleRateHz);

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
