package orbispace.core.prove.rule;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;
import orbispace.core.audio.Audio;
import orbispace.core.clear.CoverAnalysis;
import orbispace.core.clear.DuckCourse;
import orbispace.core.clear.Question;
import orbispace.core.clear.ReturnCost;
import orbispace.core.clear.ShareLevel;
import orbispace.core.clear.ShortCopy;
import orbispace.core.design.Design;
import orbispace.core.design.Leads;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Purposes;
import orbispace.core.design.Return;
import orbispace.core.design.Source;
import orbispace.core.design.Space;
import orbispace.core.design.Targets;
import orbispace.core.hearing.WetState;
import orbispace.core.material.Phrases;
import orbispace.core.material.StemFacts;
import orbispace.core.measure.Opening;
import orbispace.core.measure.StereoReport;
import orbispace.core.measure.Widening;
import orbispace.core.render.ImpulseResponse;
import orbispace.core.render.Job;
import orbispace.core.render.Renderer;
import orbispace.core.render.Rendering;
import orbispace.core.render.Responses;
import orbispace.core.time.Span;

/** Measures the returns of a design for its findings, by rendering the song. */
public final class FieldSurvey {
    private static final double DIRECT_SECONDS = 0.002;
    private static final MusicalTime NOW = new MusicalTime.Millis(0);

    private final CoverAnalysis analysis;
    private final Renderer renderer;
    private final Responses responses;

    /**
     * A survey of a song.
     *
     * @param analysis of the whole song
     * @param renderer of the same
     */
    public FieldSurvey(CoverAnalysis analysis, Renderer renderer) {
        this.analysis = analysis;
        this.renderer = renderer;
        responses = renderer.material().responses();
    }

    /** What is measured of each return, by letter. */
    public Map<String, ReturnFacts> measure(Design design, Map<String, StemFacts> stems, Job job) {
        Rendering rendering = renderer.render(design, job);
        Map<String, ReturnCost> costs = new TreeMap<>();
        analysis.costs(design, job).forEach(c -> costs.put(c.returnId(), c));
        Map<String, ReturnFacts> found = new ConcurrentHashMap<>();
        Optional<Source> lead = Leads.main(design);
        design.returns().parallelStream()
                .forEach(r -> {
                    job.check();
                    Audio wet = rendering.wets().get(r.id());
                    ReturnCost cost = costs.get(r.id());
                    if (wet != null && cost != null) {
                        Optional<Source> judged = Purposes.judge(design, r, lead);
                        found.put(
                                r.id(),
                                of(design, r, rendering.mix(), wet, cost, judged, stems, job));
                    }
                });
        Map<String, ReturnFacts> facts = new LinkedHashMap<>();
        for (Return r : design.returns()) {
            ReturnFacts of = found.get(r.id());
            if (of != null) {
                facts.put(r.id(), of);
            }
        }
        return facts;
    }

    private ReturnFacts of(
            Design design,
            Return r,
            Audio mix,
            Audio wet,
            ReturnCost cost,
            Optional<Source> judged,
            Map<String, StemFacts> stems,
            Job job) {
        Phrases phrases =
                judged.flatMap(s -> Optional.ofNullable(stems.get(s.id())))
                        .flatMap(StemFacts::phrases)
                        .orElse(Phrases.NONE);
        double start = renderer.firstFrame() / wet.sampleRateHz();
        Span whole = new Span(start, start + renderer.frames() / wet.sampleRateHz());
        OptionalDouble share =
                judged.map(s ->
                                OptionalDouble.of(
                                        analysis.pair(design, s, r, phrases.spans(), whole, job)
                                                .cover()
                                                .wetShare()))
                        .orElse(OptionalDouble.empty());
        Optional<DuckCourse> ducking =
                judged.filter(s -> !phrases.spans().isEmpty())
                        .flatMap(s ->
                                DuckCourse.of(
                                        analysis,
                                        new Question(design, s, r.id(), phrases, whole, false)));
        Widening opens = Opening.of(mix, wet, 0, wet.frames()).at(0);
        return new ReturnFacts(
                cost,
                StereoReport.of(wet),
                envelope(wet),
                share,
                opens,
                asked(design, r, judged, phrases, share, whole, job),
                r.space() instanceof Space.Convolution ? direct(design, r) : 0,
                ducking,
                ShortCopy.ofAll(design, r, responses));
    }

    /** The level at which a return that is noticed too little or too much is as it was asked. */
    private OptionalDouble asked(
            Design design,
            Return r,
            Optional<Source> judged,
            Phrases phrases,
            OptionalDouble share,
            Span whole,
            Job job) {
        if (judged.isEmpty() || share.isEmpty()) {
            return OptionalDouble.empty();
        }
        WetState state = analysis.borders().of(share.getAsDouble());
        Targets targets = Targets.asked(design, judged.get(), r);
        WetState wanted = targets.state();
        return targets.accepts(state) || (state != WetState.HIDDEN && state != WetState.OBVIOUS)
                ? OptionalDouble.empty()
                : ShareLevel.aiming(
                        analysis,
                        new Question(design, judged.get(), r.id(), phrases, whole, false),
                        wanted,
                        job);
    }

    /** How much of the response's energy comes with the dry sound. */
    private double direct(Design design, Return r) {
        Audio response = ImpulseResponse.of(design, r.withPredelay(NOW), responses);
        int early = (int) Math.round(DIRECT_SECONDS * response.sampleRateHz());
        double all = response.meanSquare() * response.frames();
        int cut = Math.min(early, response.frames());
        return all <= 0 ? 0 : response.slice(0, cut).meanSquare() * cut / all;
    }

    private static List<Float> envelope(Audio wet) {
        int step = (int) Math.round(ReturnFacts.STEP_SECONDS * wet.sampleRateHz());
        List<Float> envelope = new ArrayList<>();
        for (int at = 0; at + step <= wet.frames(); at += step) {
            envelope.add((float) wet.slice(at, at + step).meanSquare());
        }
        return envelope;
    }
}
