package orbispace.core.audio;

/**
 * Sound that lies elsewhere than in memory and is read stretch by stretch. Safe for use by several
 * threads.
 */
public interface Samples {
    /** 1 or 2. */
    int channels();

    /** Length in frames. */
    int frames();

    /**
     * Reads frames that all exist, full scale -1..1. Does not allocate once a thread has read
     * before, so that the audio thread may call it.
     *
     * @param from the first of them
     * @param count how many
     * @param left takes the first channel
     * @param right takes the second channel, or nothing of a mono sound
     * @param at where they are put in both
     * @throws java.io.UncheckedIOException in one line, if what lies there is not there any more
     */
    void read(int from, int count, float[] left, float[] right, int at);
}
