package orbispace.app.desk;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.random.RandomGenerator;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import orbispace.app.listen.Ears;
import orbispace.app.listen.Transport;
import orbispace.app.measuring.Measurements;
import orbispace.app.session.Editor;
import orbispace.app.session.Jobs;
import orbispace.app.session.LogKeeping;
import orbispace.app.session.OfSong;
import orbispace.app.session.Selection;
import orbispace.app.session.Stretch;
import orbispace.app.song.OwnPlace;
import orbispace.core.design.Design;
import orbispace.core.design.Return;
import orbispace.core.design.Section;
import orbispace.core.ears.EarPlace;
import orbispace.core.ears.LessonKind;
import orbispace.core.ears.Outcome;
import orbispace.core.ears.TakenLesson;
import orbispace.files.FileProblem;
import orbispace.files.project.EarsFile;
import org.jspecify.annotations.Nullable;

/**
 * Lessons of the ear on the open song: of two sounds one has more of something in one return, the
 * other is the field as it stands, and both are equally loud unless loudness is the question.
 * Nothing of the song is changed. What came out goes to the engineer's own file.
 */
public final class Lessons implements OfSong {
    private static final String JOB = "lesson";

    private final Editor editor;
    private final Stretch stretch;
    private final Jobs jobs;
    private final Measurements measured;
    private final Transport transport;
    private final LogKeeping log;
    private final Ears ears;
    private final Selection selection;
    private final Clock clock = Clock.system(ZoneId.systemDefault());
    private final RandomGenerator random = new Random();
    private final ObjectProperty<@Nullable LessonState> state = new SimpleObjectProperty<>();
    private @Nullable LessonRun running;
    private String engineer = System.getProperty("user.name", "");
    private EarPlace place = EarPlace.HEADPHONES;
    private Path file = OwnPlace.ears();

    /** Lessons for the returns of a song, kept with what belongs to the engineer. */
    Lessons(OpenSong song) {
        editor = song.editor();
        stretch = song.stretch();
        jobs = song.jobs();
        measured = song.measured();
        transport = song.transport();
        log = song.log();
        ears = song.ears();
        selection = song.selection();
        selection.section().addListener((o, was, is) -> broken("another section was chosen"));
    }

    /** The lesson that runs or has just ended; null for none. */
    public ReadOnlyObjectProperty<@Nullable LessonState> state() {
        return state;
    }

    /** Who listens. */
    public String engineer() {
        return engineer;
    }

    /** Where they listen. */
    public EarPlace place() {
        return place;
    }

    /** Says who listens; an empty name is refused. */
    public boolean listens(String name) {
        if (name.isBlank()) {
            return false;
        }
        engineer = name;
        return true;
    }

    /** Says where one listens. */
    public void listensAt(EarPlace at) {
        place = at;
    }

    @Override
    public void begin(Design given) {
        end();
    }

    /** Begins a lesson about a return over the chosen section; says why if it cannot. */
    public void begin(LessonKind kind, Return r) {
        end();
        var greatest = kind.greatest(r);
        if (greatest.isEmpty() || measured.renderer().isEmpty()) {
            editor.problem()
                    .set(
                            measured.renderer().isEmpty()
                                    ? "A lesson needs the song's stems; they are not read yet."
                                    : r.name() + " has nothing for a lesson in " + kind.label());
            return;
        }
        running =
                new LessonRun(
                        editor.now(),
                        r,
                        kind,
                        greatest.getAsDouble(),
                        stretch.span(),
                        measured.renderer().orElseThrow(),
                        random);
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
            took(now, difference, 0);
            return;
        }
        jobs.start(
                JOB,
                "Making the two sounds of the lesson equally loud",
                (job, d) -> now.matchDb(difference, job),
                (gain, d) -> took(now, difference, gain));
    }

    private void took(LessonRun of, double difference, double gainDb) {
        if (of.equals(running)) {
            of.matched(difference, gainDb);
            show();
            prepare();
        }
    }

    private void show() {
        LessonRun now = running;
        state.set(now == null ? null : LessonState.of(now));
    }

    /** What is heard of the lesson; empty if none runs. */
    Optional<LessonRun.Heard> heard() {
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
        now.stairs().outcome().ifPresent(outcome -> ended(now, outcome));
        if (now.equals(running)) {
            show();
            prepare();
        }
    }

    private String section() {
        Section chosen = selection.section().get();
        return chosen == null ? "" : chosen.name();
    }

    private void ended(LessonRun of, Outcome outcome) {
        TakenLesson lesson =
                new TakenLesson(
                        LocalDate.now(clock),
                        engineer,
                        place,
                        new TakenLesson.Subject(
                                of.base().song().title(), section(), of.ret().name()),
                        of.kind(),
                        outcome);
        running = null;
        jobs.cancel(JOB);
        state.set(LessonState.of(of).ended(lesson));
        log.note(
                "Lesson: "
                        + lesson.words()
                        + ears.judged("the lesson").map(r -> " (" + r + ")").orElse(""));
        Path to = file;
        jobs.startBeyondSong(
                "lessons kept",
                "Keeping the lesson",
                (job, d) -> keep(to, lesson),
                kept -> {},
                editor::failed);
    }

    private static int keep(Path file, TakenLesson lesson) throws FileProblem {
        List<TakenLesson> all =
                new ArrayList<>(Files.exists(file) ? EarsFile.read(file) : List.of());
        all.add(lesson);
        EarsFile.write(file, all);
        return all.size();
    }

    /** Ends a lesson without a result. */
    public void end() {
        running = null;
        jobs.cancel(JOB);
        state.set(null);
    }

    /** The song was changed: a lesson that runs would be about another one. */
    void changed() {
        broken("the song was changed");
    }

    private void broken(String why) {
        if (running != null) {
            end();
            editor.problem().set("The lesson has ended: " + why + ".");
        }
    }

    /** Keeps what comes out in another file. */
    void keepIn(Path other) {
        file = other;
    }

    /** Whether the first of the two has more; must not be shown. */
    boolean firstHasMore() {
        return Objects.requireNonNull(running).firstHasMore();
    }
}
