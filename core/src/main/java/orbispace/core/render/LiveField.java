package orbispace.core.render;

import java.util.Arrays;
import org.jspecify.annotations.Nullable;

/**
 * The mix that is heard, and those before it while they ring out: returns come and go without a
 * click and without cutting a tail, however often the field is changed. Should more than {@link
 * #MOST_RINGING} ring at once, the one nearest its end is faded out.
 *
 * <p>{@link #process} neither allocates nor locks; any thread may {@link #set}.
 */
public final class LiveField {
    /** How many mixes ring to their end at once. */
    public static final int MOST_RINGING = 6;

    private static final int HURRY_FRAMES = 4096;

    private final float[] left;
    private final float[] right;
    private final Leaving[] leaving = new Leaving[MOST_RINGING + 1];
    private volatile @Nullable LiveMix wanted;
    private @Nullable LiveMix now;
    private boolean quietly;

    /** A mix that rings out. */
    private static final class Leaving {
        private @Nullable LiveMix mix;
        private int ringLeft;
        private int hurryLeft;
    }

    /** A silent field for blocks of at most {@code maxFrames}. */
    public LiveField(int maxFrames) {
        left = new float[maxFrames];
        right = new float[maxFrames];
        Arrays.setAll(leaving, i -> new Leaving());
    }

    /** Takes another mix with the next block, or one that still rings back again. */
    public void set(LiveMix mix) {
        wanted = mix;
    }

    /** Whether there is a mix to be heard. */
    public boolean ready() {
        return wanted != null;
    }

    /** Makes the next frames, as {@link LiveMix#process}. */
    public void process(int start, float[] outLeft, float[] outRight, int count) {
        takeOver();
        LiveMix current = now;
        if (current == null) {
            Arrays.fill(outLeft, 0, count, 0);
            Arrays.fill(outRight, 0, count, 0);
            return;
        }
        if (quietly) {
            quietly = false;
            current.fadeIn();
        }
        current.process(start, outLeft, outRight, count);
        for (Leaving old : leaving) {
            ring(old, start, outLeft, outRight, count);
        }
    }

    @SuppressWarnings("ReferenceEquality") // Another mix is another object.
    private void takeOver() {
        LiveMix next = wanted;
        LiveMix before = now;
        if (next == null || next == before) {
            return;
        }
        Leaving free = null;
        for (Leaving l : leaving) {
            if (l.mix == next && l.hurryLeft > 0) {
                // It is about to be gone, and comes in anew then.
                return;
            }
            if (l.mix == next) {
                // It comes back with its tail; what leaves takes its place.
                free = l;
                next.comeBack();
                break;
            }
            free = l.mix == null ? l : free;
        }
        if (before == null) {
            now = next;
            return;
        }
        if (free == null) {
            return;
        }
        boolean back = free.mix == next;
        if (!back) {
            next.enter();
        }
        before.ringOut();
        free.mix = before;
        free.ringLeft = before.ringFrames();
        free.hurryLeft = 0;
        now = next;
        hurry();
    }

    /** Where all places are taken, the next to be silent makes room soon. */
    private void hurry() {
        Leaving first = leaving[0];
        for (Leaving l : leaving) {
            if (l.mix == null) {
                return;
            }
            first = l.ringLeft < first.ringLeft ? l : first;
        }
        first.hurryLeft = HURRY_FRAMES;
    }

    private void ring(Leaving old, int start, float[] outLeft, float[] outRight, int count) {
        LiveMix mix = old.mix;
        if (mix == null) {
            return;
        }
        mix.process(start, left, right, count);
        boolean hurries = old.hurryLeft > 0;
        for (int i = 0; i < count; i++) {
            float share = hurries ? Math.max(0, old.hurryLeft - i) / (float) HURRY_FRAMES : 1;
            outLeft[i] += share * left[i];
            outRight[i] += share * right[i];
        }
        old.ringLeft -= count;
        old.hurryLeft = Math.max(0, old.hurryLeft - count);
        if (old.ringLeft <= 0 || (hurries && old.hurryLeft == 0)) {
            mix.leave();
            old.mix = null;
        }
    }

    /**
     * Begins from rest and forgets all sound, such as tails of what was played before playing
     * stopped.
     */
    @SuppressWarnings("ReferenceEquality") // Another mix is another object.
    public void rest() {
        for (Leaving l : leaving) {
            if (l.mix != null) {
                l.mix.leave();
                l.mix = null;
            }
        }
        LiveMix next = wanted;
        LiveMix before = now;
        if (before != null && before != next) {
            before.leave();
        }
        if (next != null) {
            next.enter();
            next.reset();
        }
        now = next;
    }

    /** Lets the sources in little by little, since playing begins in mid-song. */
    public void fadeIn() {
        quietly = true;
    }
}
