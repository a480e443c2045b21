package orbispace.core.render;

import java.util.Arrays;
import org.jspecify.annotations.Nullable;

/**
 * The mix that is heard, and the one before it while it rings out: returns come and go without a
 * click and without cutting a tail.
 *
 * <p>{@link #process} neither allocates nor locks; any thread may {@link #set}.
 */
public final class LiveField {
    private final float[] left;
    private final float[] right;
    private volatile @Nullable LiveMix wanted;
    private @Nullable LiveMix now;
    private @Nullable LiveMix leaving;
    private int ringLeft;

    /** A silent field for blocks of at most {@code maxFrames}. */
    public LiveField(int maxFrames) {
        left = new float[maxFrames];
        right = new float[maxFrames];
    }

    /** Takes another mix with the next block. */
    public void set(LiveMix mix) {
        wanted = mix;
    }

    /** Whether there is a mix to be heard. */
    public boolean ready() {
        return wanted != null;
    }

    /** Makes the next frames, as {@link LiveMix#process}. */
    @SuppressWarnings("ReferenceEquality") // Another mix is another object.
    public void process(int start, float[] outLeft, float[] outRight, int count) {
        LiveMix next = wanted;
        if (next == null) {
            Arrays.fill(outLeft, 0, count, 0);
            Arrays.fill(outRight, 0, count, 0);
            return;
        }
        if (next != now) {
            leaving = now;
            if (now != null) {
                now.ringOut();
                next.fadeIn();
                ringLeft = now.ringFrames();
            }
            now = next;
        }
        next.process(start, outLeft, outRight, count);
        LiveMix old = leaving;
        if (old != null) {
            old.process(start, left, right, count);
            for (int i = 0; i < count; i++) {
                outLeft[i] += left[i];
                outRight[i] += right[i];
            }
            ringLeft -= count;
            leaving = ringLeft > 0 ? old : null;
        }
    }
}
