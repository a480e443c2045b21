package orbispace.core.render;

import orbispace.core.signal.FadingFilter;

/** A filter slot; another filter is cross-faded in, since the two may have nothing in common. */
final class FilterStage implements Stage {
    private final FadingFilter filter;

    FilterStage(StageTuning.Filtering tuning) {
        filter = new FadingFilter(StageSettings.Filtering.MOST_SECTIONS, tuning.packed());
    }

    @Override
    public void apply(StageTuning tuning) {
        if (tuning instanceof StageTuning.Filtering f) {
            filter.set(f.packed());
        }
    }

    @Override
    public void process(Block block, int from, int to) {
        filter.process(block.left, block.right, from, to);
    }

    @Override
    public void reset() {
        filter.reset();
    }
}
