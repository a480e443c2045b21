package orbispace.core.render;

/** A stretch of sound on its way through a chain, with the peaks of the key of a stage. */
final class Block {
    /** The most frames that are worked on at once. */
    static final int MOST_FRAMES = 16384;

    final float[] left;
    final float[] right;
    final float[] mono;

    /** Peaks of the key at control rate. */
    float[] peaks = new float[0];

    /** The frame of the song of the first of the frames to be worked on. */
    int frame;

    /** Index of the peak of the first step that ends within the frames to be worked on. */
    int firstStep;

    Block(float[] left, float[] right) {
        this.left = left;
        this.right = right;
        this.mono = new float[Math.min(left.length, MOST_FRAMES)];
    }

    /** Puts the mean of both channels of some frames to the front of {@link #mono}. */
    void mono(int from, int to) {
        for (int i = from; i < to; i++) {
            mono[i - from] = (left[i] + right[i]) / 2;
        }
    }
}
