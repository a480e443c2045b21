package orbispace.app.song;

import java.util.HashMap;
import java.util.Map;
import java.util.Objects;
import java.util.OptionalDouble;
import orbispace.core.audio.Audio;
import orbispace.core.design.Design;
import orbispace.core.measure.Loudness;
import orbispace.core.measure.LoudnessMeter;
import orbispace.core.render.Job;
import orbispace.core.render.Renderer;
import orbispace.core.time.Span;

/** Measures mixes of designs, each once. */
public final class MixLoudness {
    private final Renderer renderer;
    private final Job job;
    private final Map<Design, Loudness> whole = new HashMap<>();
    private final Map<Design, OptionalDouble> parts = new HashMap<>();

    public MixLoudness(Renderer renderer, Job job) {
        this.renderer = renderer;
        this.job = job;
    }

    /** The field as it stands, and a pair over the stretch in which it is compared. */
    public MixMeasure of(Design design, Design before, Design other, Span span) {
        for (Design d : new Design[] {design, before, other}) {
            measure(d, span);
        }
        return new MixMeasure(
                design,
                Objects.requireNonNull(whole.get(design)),
                Objects.requireNonNull(whole.get(before)),
                Objects.requireNonNull(whole.get(other)),
                new MixMeasure.Matched(
                        span,
                        Objects.requireNonNull(parts.get(before)),
                        Objects.requireNonNull(parts.get(other))));
    }

    private void measure(Design design, Span span) {
        if (whole.containsKey(design)) {
            return;
        }
        job.check();
        Audio mix = renderer.render(design, job).mix();
        whole.put(design, LoudnessMeter.measure(mix));
        double rate = mix.sampleRateHz();
        int from = (int) Math.round(span.startSeconds() * rate);
        int to = (int) Math.round(span.endSeconds() * rate);
        parts.put(design, LoudnessMeter.integratedLufs(mix.slice(from, to)));
    }
}
