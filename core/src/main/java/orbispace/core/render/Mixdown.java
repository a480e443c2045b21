package orbispace.core.render;

import java.util.List;
import java.util.stream.IntStream;
import orbispace.core.audio.Audio;

/** Sums of sounds. */
final class Mixdown {
    private static final int PART = 8192;

    /** Frames that one thread goes over, a whole number of all parts that sounds are read in. */
    private static final int STRETCH = 1 << 19;

    private Mixdown() {}

    /**
     * Adds a stretch of a source to the same stretch, read by parts.
     *
     * @param firstFrame where in the song both begin
     */
    static void addSource(
            float[] left, float[] right, PrintedStand source, int firstFrame, int from, int to) {
        float gl = source.leftGain();
        float gr = source.rightGain();
        Block part = new Block(new float[PART], new float[PART]);
        float[] gains = new float[PART];
        int end = Math.min(to, source.frames());
        for (int at = from; at < end; at += PART) {
            int n = Math.min(PART, end - at);
            source.read(at, n, part, gains, firstFrame);
            for (int i = 0; i < n; i++) {
                left[at + i] += gl * part.left[i];
                right[at + i] += gr * part.right[i];
            }
        }
    }

    /** What is done to frames {@code from} to before {@code to}. */
    interface OnStretch {
        void take(int from, int to);
    }

    /** Goes over frames in stretches, several at a time. */
    static void stretches(int frames, OnStretch each) {
        IntStream.rangeClosed(0, (frames - 1) / STRETCH)
                .parallel()
                .forEach(i -> each.take(i * STRETCH, Math.min(frames, (i + 1) * STRETCH)));
    }

    /** Adds a stereo sound of the same length. */
    static void add(float[] left, float[] right, Audio audio, double gain) {
        float g = (float) gain;
        Block part = new Block(new float[PART], new float[PART]);
        for (int at = 0; at < left.length; at += PART) {
            int n = Math.min(PART, left.length - at);
            audio.read(at, n, part.left, part.right);
            for (int i = 0; i < n; i++) {
                left[at + i] += g * part.left[i];
                right[at + i] += g * part.right[i];
            }
        }
    }

    static Audio sum(Audio first, List<Audio> others) {
        float[] left = first.channel(0).clone();
        float[] right = first.channel(1).clone();
        for (Audio other : others) {
            add(left, right, other, 1);
        }
        return Audio.of(first.sampleRateHz(), left, right);
    }

    /** Lays a curve over both channels, whose first frame is so far in the song. */
    static void multiply(float[] left, float[] right, GainCurve curve, int firstFrame) {
        if (curve.isEven()) {
            return;
        }
        float[] gains = new float[PART];
        for (int at = 0; at < left.length; at += PART) {
            int to = Math.min(left.length, at + PART);
            curve.fill(gains, firstFrame + at, to - at);
            multiply(left, at, to, gains);
            multiply(right, at, to, gains);
        }
    }

    /** Lays a curve over the first frames of a block that begins so far in the song. */
    static void multiply(Block block, int n, GainCurve curve, int firstFrame) {
        if (!curve.isEven()) {
            float[] gains = new float[n];
            curve.fill(gains, firstFrame, n);
            multiply(block.left, 0, n, gains);
            multiply(block.right, 0, n, gains);
        }
    }

    /** Multiplies frames {@code from} to before {@code to} by as many gains. */
    static void multiply(float[] sound, int from, int to, float[] gains) {
        for (int i = from; i < to; i++) {
            sound[i] *= gains[i - from];
        }
    }
}
