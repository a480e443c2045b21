package orbispace.core.render;

/** A stretch of sound on its way through a chain, with the peaks of the key of a stage. */
final class Block {
    /** The most frames that are worked on at once. */
    static final int MOST_FRAMES = 16384;

    final float[] left;
    final float[] right;
    final float[] middle;
    final float[] side;

    /** Peaks of the key at control rate. */
    float[] peaks = new float[0];

    /** The frame of the song of the first of the frames to be worked on. */
    int frame;

    /** Index of the peak of the first step that ends within the frames to be worked on. */
    int firstStep;

    Block(float[] left, float[] right) {
        this.left = left;
        this.right = right;
        this.middle = new float[Math.min(left.length, MOST_FRAMES)];
        this.side = new float[middle.length];
    }

    /** Puts middle and side of some frames to the front of {@link #middle} and {@link #side}. */
    void key(int from, int to) {
        for (int i = from; i < to; i++) {
            middle[i - from] = (left[i] + right[i]) / 2;
            side[i - from] = (left[i] - right[i]) / 2;
        }
    }
}
