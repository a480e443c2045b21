package orbispace.app.measuring;

import orbispace.core.clear.CoverAnalysis;
import orbispace.core.design.Design;
import orbispace.core.design.Return;
import orbispace.core.render.Renderer;
import orbispace.core.time.Span;
import org.jspecify.annotations.Nullable;

/**
 * An analysis of a section alone, with a run-up in which what rings into it arises.
 *
 * @param span the section
 * @param runUpSeconds how long before it rendering begins
 * @param analysis of the stretch, or of the whole song where a window would save little
 */
record SectionWindow(Span span, double runUpSeconds, CoverAnalysis analysis) {
    private static final double LEAST_RUN_UP_SECONDS = 4;
    private static final double MOST_RUN_UP_SECONDS = 30;
    private static final double WORTH_A_WINDOW = 0.7;

    /** The window for a section: the last one, as long as that is wide enough. */
    static SectionWindow of(
            @Nullable SectionWindow last,
            CoverAnalysis whole,
            Renderer renderer,
            Design design,
            Span span) {
        double runUp = runUp(renderer, design);
        double seconds = renderer.frames() / renderer.material().sampleRateHz();
        boolean saves = span.seconds() + runUp <= WORTH_A_WINDOW * seconds;
        if (last != null
                && last.span.equals(span)
                && last.runUpSeconds >= runUp
                && saves == (last.analysis != whole)) {
            return last;
        }
        return new SectionWindow(span, runUp, saves ? whole.window(span, runUp) : whole);
    }

    /** How long the field may ring. */
    private static double runUp(Renderer renderer, Design design) {
        double longest = LEAST_RUN_UP_SECONDS;
        for (Return r : design.returns()) {
            longest = Math.max(longest, renderer.chain(design, r).ringSeconds());
        }
        return Math.min(MOST_RUN_UP_SECONDS, longest);
    }
}
