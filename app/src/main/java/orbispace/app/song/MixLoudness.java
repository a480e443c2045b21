package orbispace.app.song;

import java.util.HashMap;
import java.util.Map;
import orbispace.core.audio.Audio;
import orbispace.core.design.Design;
import orbispace.core.measure.LoudnessMeter;
import orbispace.core.render.Job;
import orbispace.core.render.Renderer;
import orbispace.core.time.Span;

/** Measures mixes of designs, each once. */
public final class MixLoudness {
    private final Renderer renderer;
    private final KnownMixes known;
    private final Job job;
    private final Map<Design, KnownMixes.Measured> found = new HashMap<>();

    /**
     * A meter of a song's mixes.
     *
     * @param known what was measured before
     */
    public MixLoudness(Renderer renderer, KnownMixes known, Job job) {
        this.renderer = renderer;
        this.known = known;
        this.job = job;
    }

    /** The field as it stands, and a pair over the stretch in which it is compared. */
    public MixMeasure of(Design design, Design before, Design other, Span span) {
        KnownMixes.Measured first = measured(before, span);
        KnownMixes.Measured second = measured(other, span);
        KnownMixes.Measured dry = measured(MixMeasure.dry(other), span);
        return new MixMeasure(
                design,
                measured(design, span).whole(),
                first.whole(),
                second.whole(),
                dry.whole(),
                new MixMeasure.Matched(span, first.partLufs(), second.partLufs(), dry.partLufs()));
    }

    private KnownMixes.Measured measured(Design design, Span span) {
        return found.computeIfAbsent(design, d -> known.of(d, span, () -> measure(d, span)));
    }

    private KnownMixes.Measured measure(Design design, Span span) {
        job.check();
        Audio mix = renderer.render(design, job).mix();
        double rate = mix.sampleRateHz();
        int from = (int) Math.round(span.startSeconds() * rate);
        int to = (int) Math.round(span.endSeconds() * rate);
        return new KnownMixes.Measured(
                LoudnessMeter.measure(mix), LoudnessMeter.integratedLufs(mix.slice(from, to)));
    }
}
