package orbispace.core.clear;

import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import orbispace.core.Signals;
import orbispace.core.design.Aims;
import orbispace.core.design.Chain;
import orbispace.core.design.Design;
import orbispace.core.design.Duck;
import orbispace.core.design.Fields;
import orbispace.core.design.Filter;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Role;
import orbispace.core.design.Send;
import orbispace.core.design.Song;
import orbispace.core.design.Space;
import orbispace.core.design.Targets;
import orbispace.core.hearing.Cover;
import orbispace.core.material.Phrases;
import orbispace.core.render.Job;
import orbispace.core.render.Renderer;
import orbispace.core.render.SongMaterial;
import orbispace.core.render.StageCache;
import orbispace.core.time.Span;

/** A return that is tried: one voice of two phrases, and standings that are made up. */
final class TriedReturn {
    private TriedReturn() {}

    private static final double RATE = 24000;
    static final Span SPAN = new Span(0, 3);

    /** Two phrases a second apart. */
    static final Phrases PHRASES =
            Phrases.found(
                    List.of(new Span(0, 1), new Span(2, 3)),
                    List.of(new Span(0.3, 0.4), new Span(2.5, 2.52)),
                    new Phrases.Levels(-80, -50, -20));

    static final CoverAnalysis ANALYSIS = analysis();

    private static CoverAnalysis analysis() {
        float[] voice = Signals.noise(0.01, 200, 6000, 3, RATE, 1);
        for (int i = 0; i < voice.length; i++) {
            voice[i] *= i / RATE % 2 < 1 ? 1 : 0;
        }
        SongMaterial material = new SongMaterial(Map.of("voice", Signals.mono(RATE, voice)), RATE);
        return new CoverAnalysis(
                new Renderer(material, material.frames(), new StageCache(1L << 26)), -20, 10);
    }

    static Return ret(Chain chain) {
        return new Return(
                "A",
                "Tried",
                Map.of("voice", Send.of(-6)),
                Map.of(),
                chain,
                -3,
                new Return.Timing(1, false));
    }

    static Return hall(double decay) {
        return ret(Chain.of(Space.hall(decay, 1, 0.7)).withPredelay(new MusicalTime.Millis(20)));
    }

    static Question question(Return r, Aims aims) {
        Design design =
                new Design(
                                new Song("Quay", RATE, Fields.song(120).clock(), List.of()),
                                List.of(Fields.source("voice", Role.LEAD)),
                                List.of(r))
                        .withAims(aims);
        return new Question(design, design.sources().getFirst(), "A", PHRASES, SPAN, false);
    }

    static EarEvidence evidence(Return r) {
        return new EarEvidence(question(r, Aims.NONE), ANALYSIS, Job.QUIET);
    }

    static Return filtered(Filter filter) {
        return ret(hall(1).chain().withFilterOut(filter));
    }

    static Filter.Corner corner(Candidate c, boolean high) {
        Filter f = ((ReturnEdit.FilterOut) c.edit()).filter();
        return Objects.requireNonNull(high ? f.highPass() : f.lowPass());
    }

    static Space echo(double feedback) {
        return Space.Echo.pingPong(
                new MusicalTime.Note(Fields.note("1/4"), 0), feedback, 100, 8000, 0.5);
    }

    static Return ducked(double hold, double release, double range) {
        Duck duck = new Duck("voice", range, -50, 8, 6, 5, hold, release);
        return ret(hall(1).chain().withDuck(duck));
    }

    static Cover cover(double kept, double worst, double share) {
        return new Cover(
                OptionalDouble.of(kept),
                OptionalDouble.of(worst),
                share,
                share,
                share,
                OptionalDouble.of(-25),
                0.1);
    }

    static Standing covered(OptionalDouble hiss, double lows) {
        return new Standing(cover(0.7, 0.6, 0.02), hiss, lows);
    }

    static final Standing COVERED = covered(OptionalDouble.of(-30), 0.01);
    static final Standing CLEAR =
            new Standing(cover(0.99, 0.99, 0.02), OptionalDouble.of(-30), 0.01);

    static Optional<Candidate> found(RemedyRule rule, Return r, Standing now) {
        return rule.find(question(r, Aims.NONE), now, Targets.LEAD, ANALYSIS, Job.QUIET);
    }
}
