package orbispace.core.clear;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import orbispace.core.audio.Audio;
import orbispace.core.design.Design;
import orbispace.core.design.Return;
import orbispace.core.measure.Opening;
import orbispace.core.measure.Widening;
import orbispace.core.measure.WidthCurve;
import orbispace.core.render.Job;
import orbispace.core.render.Renderer;
import orbispace.core.time.Span;
import org.jspecify.annotations.Nullable;

/**
 * What returns do to the width of a mix: the mix with one against the mix without it, in a stretch.
 * The last ones are kept, whatever the level of the return itself. Safe for use by several threads.
 */
final class Openings {
    private static final int MOST_KEPT = 6;

    /** What is taken softer says nothing of louder. */
    private static final double LEAST_DB = -60;

    private final Renderer renderer;
    private final Map<Object, Known> kept =
            new LinkedHashMap<>(16, 0.75f, true) {
                @Override
                protected boolean removeEldestEntry(Map.Entry<Object, Known> eldest) {
                    return size() > MOST_KEPT;
                }
            };

    Openings(Renderer renderer) {
        this.renderer = renderer;
    }

    /** A return's opening, taken at a level. */
    private record Known(double levelDb, Opening opening) {}

    /** What a return opens as it stands. */
    Widening now(Design design, Return r, Span span, Job job) {
        // Where its plan may hold it at a limit, another level is another sound.
        boolean scales = renderer.chain(design, r).plannedLevel().isEven();
        Return base = scales ? r.withLevel(0) : r;
        Object key = List.of(design.withReturn(base), r.id(), span);
        Known known = known(key);
        if (known == null) {
            Audio mix = renderer.render(design, job).mix();
            Audio wet = renderer.wet(design, r, job);
            int from = at(renderer, span.startSeconds());
            int to = at(renderer, span.endSeconds());
            known = new Known(r.levelDb(), Opening.of(mix, wet, from, to));
            if (r.levelDb() >= LEAST_DB) {
                synchronized (kept) {
                    kept.put(key, known);
                }
            }
        }
        return known.opening.at(r.levelDb() - known.levelDb);
    }

    private @Nullable Known known(Object key) {
        synchronized (kept) {
            return kept.get(key);
        }
    }

    /** What it would open, and what that would cost in mono, over its level. */
    WidthCurve curve(Design design, Return r, Span span, Job job) {
        Audio mix = cut(renderer, renderer.render(design, job).mix(), span);
        return WidthCurve.of(mix, cut(renderer, renderer.wet(design, r, job), span));
    }

    /** A stretch of the song out of something that was rendered. */
    static Audio cut(Renderer renderer, Audio rendered, Span span) {
        return rendered.slice(at(renderer, span.startSeconds()), at(renderer, span.endSeconds()));
    }

    private static int at(Renderer renderer, double seconds) {
        long frame = Math.round(seconds * renderer.material().sampleRateHz());
        return Math.clamp(frame - renderer.firstFrame(), 0, renderer.frames());
    }
}
