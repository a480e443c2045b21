package orbispace.app.desk;

import java.util.Optional;
import java.util.function.Supplier;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.beans.property.SimpleObjectProperty;
import javafx.beans.property.SimpleStringProperty;
import javafx.beans.property.StringProperty;
import orbispace.app.measuring.Measurements;
import orbispace.app.session.ComparedPair;
import orbispace.app.session.Editor;
import orbispace.app.session.Jobs;
import orbispace.app.session.OfSong;
import orbispace.app.session.Stretch;
import orbispace.core.clear.CoverAnalysis;
import orbispace.core.clear.StretchWidth;
import orbispace.core.design.Design;
import orbispace.core.design.Purpose;
import orbispace.core.design.Purposes;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.measure.Widening;
import orbispace.core.measure.WidthCurve;
import orbispace.core.render.Job;
import orbispace.core.time.Span;
import orbispace.core.words.Wording;
import org.jspecify.annotations.Nullable;

/**
 * How wide the mix is before and now, a source with what it makes in the returns, and the mix with
 * a return, over the chosen stretch; measured while one looks at it.
 */
public final class Widths implements OfSong {
    private final Editor editor;
    private final Jobs jobs;
    private final ComparedPair pair;
    private final Stretch stretch;
    private final Measurements measured;
    private final StringProperty of = new SimpleStringProperty(Proving.MIX);
    private final BooleanProperty wanted = new SimpleBooleanProperty(false);
    private final ObjectProperty<@Nullable Known> known = new SimpleObjectProperty<>();
    private final ObjectProperty<@Nullable Asked> mix = new SimpleObjectProperty<>();

    /** What was asked for. */
    private record Question(String of, Design before, Design after, Span span) {}

    /** An answer to what was asked for, of the mix. */
    private record Asked(Question question, Known known) {}

    /** What was asked for, and what became of the mix. */
    private record Answers(Asked mix, Known asked) {}

    /**
     * What was measured.
     *
     * @param of letter of a return, id of a source or name of a group; {@link Proving#MIX} for the
     *     mix before and now
     * @param width without what is to make it wide, and with it
     * @param curve over the level of a return; empty of anything else
     * @param levelDb level of the return as it was measured
     * @param isWidener whether the return is there to make it wide
     */
    public record Known(
            String of,
            StretchWidth width,
            Optional<WidthCurve> curve,
            double levelDb,
            boolean isWidener) {
        /** What is wider. */
        public Widening wider() {
            return width.with().over(width.without());
        }

        /** The level to take, if it is a widener and there is a best one. */
        public Optional<Double> bestDb() {
            return curve.filter(c -> isWidener)
                    .flatMap(WidthCurve::best)
                    .map(p -> levelDb + p.db());
        }
    }

    Widths(OpenSong song) {
        editor = song.editor();
        jobs = song.jobs();
        pair = song.pair();
        stretch = song.stretch();
        measured = song.measured();
        measured.mix().addListener((o, was, is) -> measure());
        of.addListener((o, was, is) -> measure());
        wanted.addListener((o, was, is) -> measure());
    }

    /** Whose width is looked at: a return's letter, a source's id, a group's name, or the mix. */
    public StringProperty of() {
        return of;
    }

    /** Whether anyone looks at it. */
    public BooleanProperty wanted() {
        return wanted;
    }

    /** What was measured last; null while nothing is known. */
    public ReadOnlyObjectProperty<@Nullable Known> known() {
        return known;
    }

    @Override
    public void begin(Design given) {
        of.set(Proving.MIX);
        known.set(null);
        mix.set(null);
    }

    /** What of the mix became wider or narrower, in words; empty for nothing that is felt. */
    public String became() {
        Asked now = mix.get();
        return now == null || !now.question.equals(question(Proving.MIX))
                ? ""
                : now.known.wider().words();
    }

    private Question question(String whose) {
        return new Question(whose, pair.before().get(), pair.after(), stretch.span());
    }

    /** Measures what is asked for while one looks at it, once the first mix is. */
    private void measure() {
        jobs.cancel("width");
        Design now = pair.after();
        Question whole = question(Proving.MIX);
        Question q = isThere(now) ? question(of.get()) : whole;
        Optional<Supplier<CoverAnalysis>> analysis = measured.analysis(now, q.span);
        if (analysis.isEmpty() || !wanted.get()) {
            known.set(null);
            return;
        }
        Asked before = mix.get();
        jobs.start(
                "width",
                "Measuring width",
                (job, d) -> {
                    CoverAnalysis there = analysis.get().get();
                    Asked all =
                            before != null && before.question.equals(whole)
                                    ? before
                                    : new Asked(whole, answer(there, whole, job));
                    return new Answers(all, q.equals(whole) ? all.known : answer(there, q, job));
                },
                (found, d) -> {
                    mix.set(found.mix);
                    known.set(found.asked);
                });
    }

    private boolean isThere(Design now) {
        return now.findReturn(of.get()).isPresent() || !PartMatching.ids(now, of.get()).isEmpty();
    }

    private static Known answer(CoverAnalysis analysis, Question q, Job job) {
        Optional<Return> ret = q.after.findReturn(q.of);
        if (ret.isPresent()) {
            return new Known(
                    q.of,
                    StretchWidth.ofReturn(analysis, q.after, q.of, q.span, job),
                    Optional.of(analysis.widthCurve(q.after, ret.get(), q.span, job)),
                    ret.get().levelDb(),
                    isWidener(Purposes.of(q.after, ret.get())));
        }
        StretchWidth width =
                q.of.equals(Proving.MIX)
                        ? StretchWidth.ofFields(analysis, q.before, q.after, q.span, job)
                        : StretchWidth.ofPart(
                                analysis, q.after, PartMatching.ids(q.after, q.of), q.span, job);
        return new Known(q.of, width, Optional.empty(), 0, false);
    }

    private static boolean isWidener(Purpose purpose) {
        return purpose == Purpose.WIDTH || purpose == Purpose.THICKENING;
    }

    /** Brings the return that is looked at to the best level of its curve. */
    public void takeBest() {
        Known now = known.get();
        if (now == null || now.bestDb().isEmpty()) {
            return;
        }
        double db = Math.clamp(now.bestDb().get(), -90, 24);
        editor.edit(
                new ReturnEdit.Level(now.of, db),
                "as wide as mono bears, " + Wording.number(db, 1) + " dB");
    }
}
