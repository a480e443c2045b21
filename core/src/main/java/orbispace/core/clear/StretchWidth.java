package orbispace.core.clear;

import java.util.List;
import java.util.Set;
import orbispace.core.audio.Audio;
import orbispace.core.design.Design;
import orbispace.core.design.Source;
import orbispace.core.measure.WidthReport;
import orbispace.core.render.Job;
import orbispace.core.render.Renderer;
import orbispace.core.time.Span;

/**
 * How wide sounds are in a stretch, with and without what makes them wide.
 *
 * @param without the first: a field before, or a sound without its returns
 * @param with the second
 */
public record StretchWidth(WidthReport without, WidthReport with) {
    /** Two fields. */
    public static StretchWidth ofFields(
            CoverAnalysis analysis, Design before, Design after, Span span, Job job) {
        Renderer renderer = analysis.renderer();
        WidthReport was = report(renderer, renderer.render(before, job).mix(), span);
        return before.equals(after)
                ? new StretchWidth(was, was)
                : new StretchWidth(was, report(renderer, renderer.render(after, job).mix(), span));
    }

    /**
     * Some sources alone, and with what they make in all returns.
     *
     * @param ids of the sources
     */
    public static StretchWidth ofPart(
            CoverAnalysis analysis, Design design, Set<String> ids, Span span, Job job) {
        Renderer renderer = analysis.renderer();
        List<Source> sources = design.sources().stream().filter(s -> ids.contains(s.id())).toList();
        Audio dry = renderer.dry(design, sources);
        Audio wet = renderer.with(dry, OwnWet.sending(design, ids, true), job);
        return new StretchWidth(report(renderer, dry, span), report(renderer, wet, span));
    }

    /** A mix without one of its returns, and with it. */
    public static StretchWidth ofReturn(
            CoverAnalysis analysis, Design design, String returnId, Span span, Job job) {
        Renderer renderer = analysis.renderer();
        Audio mix = renderer.render(design, job).mix();
        Audio wet = renderer.wet(design, design.requireReturn(returnId), job);
        return new StretchWidth(
                report(renderer, mix.plus(wet, -1), span), report(renderer, mix, span));
    }

    private static WidthReport report(Renderer renderer, Audio sound, Span span) {
        return WidthReport.of(Openings.cut(renderer, sound, span));
    }
}
