package orbispace.app.desk;

import java.time.Clock;
import java.time.LocalDate;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import orbispace.app.listen.Ears;
import orbispace.app.listen.Transport;
import orbispace.app.session.Editor;
import orbispace.app.session.Jobs;
import orbispace.app.session.LogKeeping;
import orbispace.app.session.OfSong;
import orbispace.app.session.Selection;
import orbispace.core.design.Design;
import orbispace.core.design.Return;
import orbispace.core.design.Section;
import orbispace.core.ears.DailyWalk;
import orbispace.core.ears.LessonKind;
import orbispace.core.ears.Outcome;
import orbispace.core.ears.TakenLesson;
import orbispace.core.render.Job;
import org.jspecify.annotations.Nullable;

/**
 * Lessons of the ear on the open song: of two sounds one has more of something in one return, the
 * other is the field as it stands, and both are equally loud unless loudness is the question.
 * Nothing of the song is changed. What came out goes to the engineer's own file.
 */
public final class Lessons implements OfSong {
    private final Editor editor;
    private final Jobs jobs;
    private final Transport transport;
    private final LogKeeping log;
    private final Ears ears;
    private final Selection selection;
    private final EarKeeping keeping;
    private final LessonMaking making;
    private final Clock clock;
    private final ObjectProperty<@Nullable LessonState> state = new SimpleObjectProperty<>();
    private final Walking walking;
    private @Nullable LessonRun running;
    private boolean preparing;

    /** Lessons for the returns of a song. */
    Lessons(OpenSong song, EarKeeping keeping, Clock clock) {
        editor = song.editor();
        jobs = song.jobs();
        transport = song.transport();
        log = song.log();
        ears = song.ears();
        selection = song.selection();
        this.keeping = keeping;
        this.clock = clock;
        making = new LessonMaking(song, keeping);
        walking = new Walking(clock);
        selection.section().addListener((o, was, is) -> broken("another section was chosen"));
    }

    /** The lesson that runs or has just ended; null for none. */
    public ReadOnlyObjectProperty<@Nullable LessonState> state() {
        return state;
    }

    /** Whether one runs. */
    boolean runs() {
        return preparing || running != null;
    }

    /** Whether sounds are matched by what is sent into the return, not by the whole mix. */
    public boolean byPart() {
        return making.byPart();
    }

    /** Matches the sounds of the next lesson by what is sent into the return, or by the mix. */
    public void byPart(boolean is) {
        making.byPart(is);
    }

    @Override
    public void begin(Design given) {
        end();
    }

    /** Begins a lesson about a return over the chosen section; says why if it cannot. */
    public void begin(LessonKind kind, Return r) {
        end();
        start(kind, r, making.known(kind, r));
    }

    /** Begins a walk of short lessons, chosen by what is known least. */
    public void walk() {
        end();
        var stops = DailyWalk.choose(editor.now(), keeping.mine(), LocalDate.now(clock));
        if (stops.isEmpty()) {
            editor.problem().set("A walk needs a return to listen to.");
            return;
        }
        walking.begin(stops);
        nextStop();
    }

    private void nextStop() {
        walking.next()
                .ifPresent(next -> {
                    Return r = editor.now().requireReturn(next.returnId());
                    start(
                            next.kind(),
                            r,
                            next.last()
                                    .map(h -> OptionalDouble.of(h.difference()))
                                    .orElse(OptionalDouble.empty()));
                });
    }

    private void start(LessonKind kind, Return r, OptionalDouble expected) {
        Optional<String> lack = making.lacks(kind, r);
        if (lack.isPresent()) {
            end();
            editor.problem().set(lack.get());
            return;
        }
        preparing = true;
        state.set(LessonState.preparing(kind, r.name(), walking.stop()));
        making.make(kind, r, expected, walking.stop() > 0, this::run);
    }

    private void run(LessonRun made) {
        if (!preparing) {
            return;
        }
        preparing = false;
        running = made;
        transport.looping().set(true);
        if (!transport.playing().get()) {
            transport.togglePlaying();
        }
        show();
        prepare();
    }

    /** Matches what this round and the next ones need, this round first. */
    private void prepare() {
        LessonRun now = running;
        OptionalDouble needed = now == null ? OptionalDouble.empty() : now.needed();
        if (now == null || needed.isEmpty()) {
            return;
        }
        double difference = needed.getAsDouble();
        if (now.kind() == LessonKind.LEVEL) {
            took(now, difference, now.match(difference, Job.QUIET));
            return;
        }
        jobs.start(
                LessonMaking.JOB,
                "Making the two sounds of the lesson equally loud",
                (job, d) -> now.match(difference, job),
                (two, d) -> took(now, difference, two));
    }

    private void took(LessonRun of, double difference, Evening.Even two) {
        if (of.equals(running)) {
            of.matched(difference, two);
            show();
            prepare();
        }
    }

    private void show() {
        LessonRun now = running;
        state.set(now == null ? null : LessonState.of(now, walking.stop()));
    }

    /** What is heard of the lesson; empty if none runs. */
    Optional<BlindSound> heard() {
        return Optional.ofNullable(running).map(LessonRun::heard);
    }

    /** Lets the first or the second of the two be heard. */
    public void hear(boolean first) {
        LessonRun now = running;
        if (now != null && now.ready()) {
            now.hear(first);
            show();
        }
    }

    /** Lets what is heard begin again. */
    public void again() {
        LessonRun now = running;
        if (now != null) {
            transport.seek(now.span().startSeconds());
        }
    }

    /** Answers that the first, or the second, has more. */
    public void answer(boolean first) {
        LessonRun now = running;
        if (now == null || !now.ready()) {
            return;
        }
        now.answer(first);
        now.rounds().outcome().ifPresent(outcome -> ended(now, outcome));
        if (!now.equals(running)) {
            return;
        }
        if (walking.late()) {
            broken("the four minutes of the walk are over");
            return;
        }
        show();
        prepare();
    }

    private String section() {
        Section chosen = selection.section().get();
        return chosen == null ? "" : chosen.name();
    }

    private void ended(LessonRun of, Outcome outcome) {
        TakenLesson lesson =
                new TakenLesson(
                        LocalDate.now(clock),
                        keeping.engineer(),
                        keeping.place(),
                        new TakenLesson.Subject(
                                of.base().song().title(), section(), of.ret().name()),
                        of.kind(),
                        outcome);
        running = null;
        jobs.cancel(LessonMaking.JOB);
        LessonState end = LessonState.of(of, walking.stop()).ended(lesson);
        state.set(end);
        log.note(
                "Lesson: "
                        + lesson.words()
                        + ears.judged("the lesson").map(r -> " (" + r + ")").orElse(""));
        making.keep(
                of,
                lesson,
                whole -> {
                    if (end.equals(state.get())) {
                        state.set(end.ended(whole));
                    }
                });
        if (walking.stop() > 0) {
            nextStop();
        }
    }

    /** Ends a lesson without a result, and a walk with it. */
    public void end() {
        running = null;
        preparing = false;
        walking.end();
        jobs.cancel(LessonMaking.JOB);
        state.set(null);
    }

    /** The song was changed: a lesson that runs would be about another one. */
    void changed() {
        broken("the song was changed");
    }

    private void broken(String why) {
        if (runs()) {
            end();
            editor.problem().set("The lesson has ended: " + why + ".");
        }
    }

    /** How great the difference is now; must not be shown. */
    double difference() {
        return Objects.requireNonNull(running).rounds().difference();
    }

    /** Whether the first of the two has more; must not be shown. */
    boolean firstHasMore() {
        return Objects.requireNonNull(running).firstHasMore();
    }
}
