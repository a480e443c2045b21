package orbispace.core.render;

import java.util.ArrayList;
import java.util.List;
import orbispace.core.space.Engine;
import orbispace.core.space.EngineTuning;

/**
 * The space of a return. Where its timeline asks for spaces that one engine cannot become, such as
 * a hall with other walls, there is one engine for each: what enters goes over to the next within 5
 * ms, and the one before rings out. One that has rung out is emptied: asked again, it brings
 * nothing of what it held.
 */
final class EngineStage implements Stage {
    private static final double OVER_SECONDS = 0.005;

    private final List<Engine> engines = new ArrayList<>();
    private final List<Object> shapes = new ArrayList<>();
    private final int[] ringFrames;
    private final int[] ringLeft;
    private final float[] shares;
    private final float step;
    private final float[] inLeft;
    private final float[] inRight;
    private final float[] left;
    private final float[] right;
    private int active;

    /** A space at rest, ready for every step of a timeline whose tunings were worked out. */
    EngineStage(Timeline timeline, StageTuning[] tunings, double rate) {
        int[] rings = new int[tunings.length];
        for (int i = 0; i < tunings.length; i++) {
            if (timeline.steps().get(i).settings() instanceof StageSettings.Spatial s
                    && tunings[i] instanceof StageTuning.Spatial t) {
                Object shape = t.tuning().shape();
                if (!shapes.contains(shape)) {
                    shapes.add(shape);
                    engines.add(t.tuning().engine(rate));
                }
                int at = shapes.indexOf(shape);
                double seconds = Math.max(2 * OVER_SECONDS, s.settings().ringSeconds());
                int ring = (int) Math.min(1e9, seconds * rate);
                rings[at] = Math.max(rings[at], ring);
            }
        }
        ringFrames = rings;
        ringLeft = new int[engines.size()];
        shares = new float[engines.size()];
        shares[0] = 1;
        step = (float) (1 / (OVER_SECONDS * rate));
        int frames = engines.size() > 1 ? Block.MOST_FRAMES : 0;
        inLeft = new float[frames];
        inRight = new float[frames];
        left = new float[frames];
        right = new float[frames];
    }

    @Override
    public void apply(StageTuning tuning) {
        if (tuning instanceof StageTuning.Spatial s) {
            apply(s.tuning());
        }
    }

    private void apply(EngineTuning tuning) {
        int next = shapes.indexOf(tuning.shape());
        if (next < 0) {
            return;
        }
        if (next != active) {
            ringLeft[active] = ringFrames[active];
            ringLeft[next] = 0;
            active = next;
        }
        engines.get(next).apply(tuning);
    }

    @Override
    public void reset() {
        for (int e = 0; e < shares.length; e++) {
            engines.get(e).reset();
            shares[e] = e == active ? 1 : 0;
            ringLeft[e] = 0;
        }
    }

    @Override
    public void process(Block block, int from, int to) {
        if (engines.size() == 1) {
            engines.getFirst().at(block.frame);
            engines.getFirst().process(block.left, block.right, from, to);
            return;
        }
        int n = to - from;
        System.arraycopy(block.left, from, inLeft, 0, n);
        System.arraycopy(block.right, from, inRight, 0, n);
        java.util.Arrays.fill(block.left, from, to, 0);
        java.util.Arrays.fill(block.right, from, to, 0);
        for (int e = 0; e < shares.length; e++) {
            if (e == active) {
                work(e, block, from, n);
            } else if (ringLeft[e] > 0) {
                ring(e, block, from, n);
            }
        }
    }

    /** Lets a space that was left ring to its end; then it is empty, for when it is asked again. */
    private void ring(int e, Block block, int from, int n) {
        int rest = Math.min(n, ringLeft[e]);
        work(e, block, from, rest);
        ringLeft[e] -= rest;
        if (ringLeft[e] == 0) {
            engines.get(e).reset();
            shares[e] = 0;
        }
    }

    private void work(int e, Block block, int from, int n) {
        float wanted = e == active ? 1 : 0;
        float share = shares[e];
        for (int i = 0; i < n; i++) {
            share = share < wanted ? Math.min(1, share + step) : Math.max(wanted, share - step);
            left[i] = share * inLeft[i];
            right[i] = share * inRight[i];
        }
        shares[e] = share;
        engines.get(e).at(block.frame);
        engines.get(e).process(left, right, 0, n);
        for (int i = 0; i < n; i++) {
            block.left[from + i] += left[i];
            block.right[from + i] += right[i];
        }
    }
}
