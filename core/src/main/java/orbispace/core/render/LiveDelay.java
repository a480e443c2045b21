package orbispace.core.render;

import orbispace.core.signal.DelayLine;
import org.jspecify.annotations.Nullable;

/** Two channels held back by a whole number of frames, often none. */
final class LiveDelay {
    private final @Nullable DelayLine left;
    private final @Nullable DelayLine right;
    final float[] outLeft;
    final float[] outRight;

    LiveDelay(int frames, int maxFrames) {
        left = frames <= 0 ? null : line(frames);
        right = frames <= 0 ? null : line(frames);
        outLeft = new float[maxFrames];
        outRight = new float[maxFrames];
    }

    private static DelayLine line(int frames) {
        DelayLine line = new DelayLine(frames);
        line.setDelay(frames, true);
        return line;
    }

    void reset() {
        if (left != null && right != null) {
            left.reset();
            right.reset();
        }
    }

    void take(float[] l, float[] r, int n) {
        System.arraycopy(l, 0, outLeft, 0, n);
        System.arraycopy(r, 0, outRight, 0, n);
        if (left != null && right != null) {
            left.process(outLeft, 0, n);
            right.process(outRight, 0, n);
        }
    }
}
