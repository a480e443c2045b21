package orbispace.core.signal;

/** The sound that a response is the answer to. */
public final class Impulse {
    private Impulse() {}

    /**
     * An impulse in the middle, of energy 1 in all, and silence after it.
     *
     * @return two channels of so many frames
     */
    public static float[][] pair(int frames) {
        float[] left = new float[frames];
        left[0] = (float) Math.sqrt(0.5);
        return new float[][] {left, left.clone()};
    }

    /**
     * An impulse on one side, of energy 1, and silence after it.
     *
     * @param side 0 for left, 1 for right
     * @return two channels of so many frames
     */
    public static float[][] side(int side, int frames) {
        float[][] channels = new float[2][frames];
        channels[side][0] = 1;
        return channels;
    }
}
