package orbispace.app.desk;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import javafx.beans.property.SimpleStringProperty;
import javafx.beans.property.StringProperty;
import orbispace.app.measuring.Measurements;
import orbispace.app.session.Editor;
import orbispace.app.session.Jobs;
import orbispace.app.session.OfSong;
import orbispace.app.session.Selection;
import orbispace.app.session.Stretch;
import orbispace.app.song.Material;
import orbispace.core.clear.CoverAnalysis;
import orbispace.core.design.Design;
import orbispace.core.design.Groups;
import orbispace.core.design.Source;
import orbispace.core.design.Throw;
import orbispace.core.design.ThrowsEdit;
import orbispace.core.design.Trail;
import orbispace.core.material.Phrases;
import orbispace.core.plan.ThrowConflict;
import orbispace.core.plan.ThrowIdea;
import orbispace.core.plan.ThrowRemedies;
import orbispace.core.plan.ThrowRemedy;
import orbispace.core.plan.ThrowStanding;
import orbispace.core.render.Responses;
import orbispace.core.time.SongClock;
import orbispace.core.time.Span;
import org.jspecify.annotations.Nullable;

/** Throwing words: what is picked of a source, the throws of it, and how they stand. */
public final class Throwing implements OfSong {
    private static final double USUAL_DB = -4;
    private static final String JOB = "throw";
    private static final long PAUSE_MILLIS = 250;

    private final Editor editor;
    private final Selection selection;
    private final Stretch stretch;
    private final Jobs jobs;
    private final Measurements measures;
    private final ThrowCourses courses;
    private final Clearing clearing;
    private final Picking picking;
    private final StringProperty throwId = new SimpleStringProperty("");
    private final ObjectProperty<@Nullable Measured> standing = new SimpleObjectProperty<>();

    /**
     * How a throw of a design stands.
     *
     * @param design the design
     * @param throwId the throw
     * @param standing what was measured
     */
    public record Measured(Design design, String throwId, ThrowStanding standing) {}

    /** Throws words of a song. */
    public Throwing(
            Editor editor,
            Selection selection,
            Stretch stretch,
            Jobs jobs,
            Measurements measures,
            ThrowCourses courses,
            Clearing clearing,
            Picking picking) {
        this.editor = editor;
        this.selection = selection;
        this.stretch = stretch;
        this.jobs = jobs;
        this.measures = measures;
        this.courses = courses;
        this.clearing = clearing;
        this.picking = picking;
        picking.picked()
                .addListener((o, was, is) ->
                        throwId.set(is == null ? "" : courses.at(is).map(Throw::id).orElse("")));
    }

    /** What follows the throws. */
    public ThrowCourses courses() {
        return courses;
    }

    /** What is picked of the source. */
    public Picking picking() {
        return picking;
    }

    /** Id of the chosen throw; empty for none. */
    public StringProperty throwId() {
        return throwId;
    }

    /** What was measured last of a chosen throw; null for nothing. */
    public ReadOnlyObjectProperty<@Nullable Measured> measured() {
        return standing;
    }

    @Override
    public void begin(Design given) {
        picking.pick(null);
        throwId.set("");
        standing.set(null);
    }

    private Design design() {
        return editor.now();
    }

    private SongClock clock() {
        return design().song().clock();
    }

    /** The chosen throw. */
    public Optional<Throw> chosen() {
        return find(throwId.get());
    }

    private Optional<Throw> find(String id) {
        return design().thrown().stream().filter(t -> t.id().equals(id)).findFirst();
    }

    /** Chooses a throw and picks its word. */
    public void choose(Throw t) {
        if (picking.source().stream().noneMatch(s -> s.id().equals(t.sourceId()))) {
            clearing.judge(t.sourceId());
        }
        picking.pick(courses.span(t));
        throwId.set(t.id());
    }

    /** Throws what is picked, or the next phrase, to the chosen return; of a folded group, all. */
    public void throwPicked() {
        if (picking.picked().get() == null) {
            picking.wholePhrase();
        }
        Span span = picking.picked().get();
        Optional<Source> source = picking.source();
        String id = selection.returnId().get();
        if (span == null || source.isEmpty() || design().findReturn(id).isEmpty()) {
            editor.problem()
                    .set("There is no phrase at the playhead or after it, or no return is chosen.");
            return;
        }
        Throw thrown =
                Throw.of(
                        ThrowsEdit.freshId(design()),
                        source.get().id(),
                        id,
                        clock().beatAt(span.startSeconds()),
                        clock().beatAt(span.endSeconds()),
                        USUAL_DB);
        List<Source> also = Groups.of(design()).together(source.get(), selection.folded().get());
        if (editor.edit(ThrowsEdit.adding(design(), thrown, also))) {
            throwId.set(thrown.id());
        }
    }

    /** Throws an idea to the chosen return. */
    public void take(ThrowIdea idea) {
        picking.pick(idea.word());
        throwPicked();
    }

    /** Changes the chosen throw. */
    public void change(UnaryOperator<Throw> change) {
        chosen().ifPresent(t -> change(t, change, null));
    }

    /** Changes the chosen throw by hand; all changes of a gesture are one step. */
    public void drag(UnaryOperator<Throw> change, Object gesture) {
        chosen().ifPresent(t -> change(t, change, gesture));
    }

    private void change(Throw t, UnaryOperator<Throw> change, @Nullable Object gesture) {
        try {
            ThrowsEdit edit = ThrowsEdit.changing(design(), change.apply(t));
            editor.change(edit, gesture);
        } catch (IllegalArgumentException e) {
            editor.problem().set(String.valueOf(e.getMessage()));
        }
    }

    /** Lets the chosen throw repeat in another way. */
    public void trail(UnaryOperator<Trail> change) {
        change(t -> t.withTrail(change.apply(t.trail())));
    }

    /** Lays the chosen throw over what is picked. */
    public void overPicked() {
        Span span = picking.picked().get();
        if (span != null) {
            change(t ->
                    t.over(clock().beatAt(span.startSeconds()), clock().beatAt(span.endSeconds())));
        }
    }

    /** Gives the chosen throw the feedback whose repeats end in the gap. */
    public void fit() {
        chosen().flatMap(courses::of)
                .ifPresent(c -> trail(t -> t.withFeedback(c.fittingFeedback())));
    }

    /** Shuts the trail of the chosen throw where the next phrase begins, or lets it ring out. */
    public void shutAtNext(boolean shut) {
        chosen().flatMap(courses::of)
                .ifPresent(c ->
                        trail(t -> t.until(shut ? clock().beatAt(c.gap().endSeconds()) : null)));
    }

    /** Draws the level of the chosen throw as points at the edges of its words. */
    public void rideOverWords() {
        change(t -> {
            List<Throw.RidePoint> points = new ArrayList<>();
            for (double at : picking.words().edges(courses.span(t))) {
                double beat = Math.clamp(clock().beatAt(at), t.fromBeat(), t.toBeat());
                points.add(new Throw.RidePoint(beat, t.levelDb()));
            }
            return t.withRide(points);
        });
    }

    /** The beat of the nearest edge of a word inside a throw. */
    public double snapped(Throw t, double seconds) {
        double nearest =
                picking.words().edges(courses.span(t)).stream()
                        .min(java.util.Comparator.comparingDouble(e -> Math.abs(e - seconds)))
                        .orElse(seconds);
        return Math.clamp(clock().beatAt(nearest), t.fromBeat(), t.toBeat());
    }

    /** Takes the chosen throw away. */
    public void remove() {
        chosen().ifPresent(t -> editor.edit(ThrowsEdit.without(design(), t.id())));
    }

    /** Presses a remedy. */
    public void apply(ThrowRemedy remedy) {
        editor.edit(remedy.edit(), remedy.words());
    }

    /** Goes to the next throw that something is wrong with. */
    public void nextConflict() {
        List<Throw> wrong =
                courses.conflicts().stream().map(ThrowConflict::thrown).distinct().toList();
        if (!wrong.isEmpty()) {
            int now = wrong.indexOf(chosen().orElse(null));
            choose(wrong.get((now + 1) % wrong.size()));
        }
    }

    /** Measures how the chosen throw stands, in the background, if that is not known. */
    public void measure() {
        Design now = design();
        Measured known = standing.get();
        Optional<Throw> t = chosen();
        Optional<CoverAnalysis> analysis = measures.analysis();
        if (known != null && known.design().equals(now) && known.throwId().equals(throwId.get())) {
            return;
        }
        if (t.isEmpty() || analysis.isEmpty()) {
            jobs.cancel(JOB);
            return;
        }
        Material m = measures.materials().get(t.get().sourceId());
        if (m == null || m.phrases().isEmpty() || jobs.awaits(JOB)) {
            return;
        }
        Phrases phrases = m.phrases().get();
        jobs.after(JOB, PAUSE_MILLIS, () -> measure(analysis.get(), t.get(), phrases));
    }

    /** Everything that the job needs of the session is read before it begins. */
    private void measure(CoverAnalysis analysis, Throw t, Phrases phrases) {
        Responses responses = courses.responses();
        double seconds = stretch.songSeconds();
        jobs.start(
                JOB,
                "Measuring the throw",
                (job, now) ->
                        ThrowRemedies.measure(analysis, responses, now, t, phrases, seconds, job),
                (found, now) -> found.ifPresent(s -> standing.set(new Measured(now, t.id(), s))));
    }
}
