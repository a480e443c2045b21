package orbispace.core.render;

import java.util.Arrays;
import orbispace.core.signal.Cascade;

/** A filter slot; another filter is cross-faded in, since the two may have nothing in common. */
final class FilterStage implements Stage {
    private static final int FADE_FRAMES = 1024;
    private static final int PART_FRAMES = 256;

    private final float[] oldLeft = new float[PART_FRAMES];
    private final float[] oldRight = new float[PART_FRAMES];
    private Cascade now = new Cascade(StageSettings.Filtering.MOST_SECTIONS);
    private Cascade before = new Cascade(StageSettings.Filtering.MOST_SECTIONS);
    private double[] packed;
    private double[] wanted;
    private int fadeLeft;

    FilterStage(StageTuning.Filtering tuning) {
        packed = tuning.packed();
        wanted = packed;
        now.set(packed, true);
    }

    @Override
    public void apply(StageTuning tuning) {
        if (tuning instanceof StageTuning.Filtering f) {
            wanted = f.packed();
        }
    }

    @Override
    public void process(Block block, int from, int to) {
        int at = from;
        while (at < to) {
            startFade();
            int n = fadeLeft > 0 ? Math.min(Math.min(PART_FRAMES, fadeLeft), to - at) : to - at;
            if (fadeLeft > 0) {
                fade(block, at, n);
            } else {
                now.process(block.left, block.right, at, at + n);
            }
            at += n;
        }
    }

    @Override
    public void reset() {
        packed = wanted;
        fadeLeft = 0;
        now.reset();
        now.set(packed, true);
    }

    private void startFade() {
        if (fadeLeft == 0 && !Arrays.equals(wanted, packed)) {
            packed = wanted;
            Cascade next = before;
            before = now;
            now = next;
            now.reset();
            now.set(packed, true);
            fadeLeft = FADE_FRAMES;
        }
    }

    private void fade(Block block, int at, int n) {
        System.arraycopy(block.left, at, oldLeft, 0, n);
        System.arraycopy(block.right, at, oldRight, 0, n);
        before.process(oldLeft, oldRight, 0, n);
        now.process(block.left, block.right, at, at + n);
        for (int i = 0; i < n; i++) {
            float share = fadeLeft / (float) FADE_FRAMES;
            block.left[at + i] += share * (oldLeft[i] - block.left[at + i]);
            block.right[at + i] += share * (oldRight[i] - block.right[at + i]);
            fadeLeft--;
        }
    }
}
