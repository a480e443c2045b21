package orbispace.core.render;

/** Trim and width of what a return passes together with others; both glide. */
final class BusStage implements Stage {
    private static final float GLIDE_FRAMES = 512;

    private float middle;
    private float side;
    private float middleTarget;
    private float sideTarget;

    BusStage(StageTuning.Bus tuning) {
        apply(tuning);
        reset();
    }

    @Override
    public void apply(StageTuning tuning) {
        if (tuning instanceof StageTuning.Bus b) {
            middleTarget = b.middle();
            sideTarget = b.side();
        }
    }

    @Override
    public void reset() {
        middle = middleTarget;
        side = sideTarget;
    }

    @Override
    public void process(Block block, int from, int to) {
        float m = middle;
        float s = side;
        boolean still = m == middleTarget && s == sideTarget;
        if (still && m == 1 && s == 1) {
            return;
        }
        float pace = still ? 0 : 1 / GLIDE_FRAMES;
        for (int i = from; i < to; i++) {
            m += pace * (middleTarget - m);
            s += pace * (sideTarget - s);
            float mid = m * (block.left[i] + block.right[i]) / 2;
            float difference = s * (block.left[i] - block.right[i]) / 2;
            block.left[i] = mid + difference;
            block.right[i] = mid - difference;
        }
        middle = LiveReturn.settle(m, middleTarget);
        side = LiveReturn.settle(s, sideTarget);
    }
}
