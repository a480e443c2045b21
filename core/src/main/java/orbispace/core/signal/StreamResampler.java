package orbispace.core.signal;

/**
 * Converts stereo blocks to another rate as they come, as {@link Resampler} does a whole sound;
 * what it gives comes half a kernel later than what it takes. {@link #process} neither allocates
 * nor locks.
 */
public final class StreamResampler {
    private final Resampler kernels;
    private final int mostIn;
    private final float[] left;
    private final float[] right;
    private int held;
    private int next;
    private long part;

    /**
     * A converter that has heard nothing yet.
     *
     * @param mostIn frames of the longest block
     */
    public StreamResampler(double fromHz, double toHz, int mostIn) {
        kernels = new Resampler(Math.round(fromHz), Math.round(toHz));
        this.mostIn = mostIn;
        left = new float[4 * kernels.half + mostIn];
        right = new float[left.length];
        held = kernels.half - 1;
    }

    /** The most frames that a block may become. */
    public int mostOut() {
        return (int) ((mostIn + 1) * kernels.up / kernels.down) + 1;
    }

    /** Takes {@code n} frames; says how many it gives. */
    public int process(float[] inLeft, float[] inRight, int n, float[] outLeft, float[] outRight) {
        System.arraycopy(inLeft, 0, left, held, n);
        System.arraycopy(inRight, 0, right, held, n);
        held += n;
        int made = 0;
        while (next + 2 * kernels.half <= held) {
            outLeft[made] = kernels.at(left, next, part);
            outRight[made++] = kernels.at(right, next, part);
            part += kernels.down;
            next += (int) (part / kernels.up);
            part %= kernels.up;
        }
        int gone = Math.min(next, held);
        System.arraycopy(left, gone, left, 0, held - gone);
        System.arraycopy(right, gone, right, 0, held - gone);
        held -= gone;
        next -= gone;
        return made;
    }
}
