package orbispace.app.desk;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
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
import orbispace.core.audio.Audio;
import orbispace.core.design.Design;
import orbispace.core.design.Return;
import orbispace.core.design.Section;
import orbispace.core.ears.EarPlace;
import orbispace.core.ears.LessonKind;
import orbispace.core.ears.Staircase;
import orbispace.core.ears.TakenLesson;
import orbispace.core.measure.LoudnessMeter;
import orbispace.core.render.Job;
import orbispace.core.render.Renderer;
import orbispace.core.time.Span;
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
    private static final double BEFORE_SECONDS = 4;
    private static final double QUIET_DB = -16;
    private static final double LOUDER_DB = 4;

    /**
     * A lesson as it stands, without what is hidden.
     *
     * @param kind what differs
     * @param returnName in which return
     * @param round counted from 1
     * @param ready whether both sounds can be heard
     * @param hearsFirst whether the first of the two is heard
     * @param taken what came out, at its end
     */
    public record State(
            LessonKind kind,
            String returnName,
            int round,
            boolean ready,
            boolean hearsFirst,
            Optional<TakenLesson> taken) {}

    /** A field that is heard, and by how much it is turned up or down. */
    record Heard(Design design, double gainDb) {}

    /** What a lesson that runs is made of. */
    private record Running(
            Design base,
            Return ret,
            LessonKind kind,
            Span span,
            Renderer window,
            Staircase stairs,
            Map<Double, Double> gains) {}

    private final Editor editor;
    private final Stretch stretch;
    private final Jobs jobs;
    private final Measurements measured;
    private final Transport transport;
    private final LogKeeping log;
    private final Ears ears;
    private final Selection selection;
    private final Clock clock;
    private final RandomGenerator random;
    private final ObjectProperty<@Nullable State> state = new SimpleObjectProperty<>();
    private @Nullable Running running;
    private boolean firstHasMore;
    private boolean hearsFirst = true;
    private String engineer = System.getProperty("user.name", "");
    private EarPlace place = EarPlace.HEADPHONES;
    private Path file;

    /**
     * Lessons for the returns of a song.
     *
     * @param file where what came out is kept; made when it is first needed
     * @param random draws the hidden order
     */
    Lessons(OpenSong song, Clock clock, Path file, RandomGenerator random) {
        this.file = file;
        editor = song.editor();
        stretch = song.stretch();
        jobs = song.jobs();
        measured = song.measured();
        transport = song.transport();
        log = song.log();
        ears = song.ears();
        selection = song.selection();
        this.clock = clock;
        this.random = random;
    }

    /** The lesson that runs or has just ended; null for none. */
    public ReadOnlyObjectProperty<@Nullable State> state() {
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
        double most = greatest.getAsDouble();
        Span span = stretch.span();
        running =
                new Running(
                        editor.now(),
                        r,
                        kind,
                        span,
                        measured.renderer()
                                .orElseThrow()
                                .window(span.startSeconds() - BEFORE_SECONDS, span.endSeconds()),
                        new Staircase(most / 2, most),
                        new HashMap<>());
        transport.looping().set(true);
        if (!transport.playing().get()) {
            transport.togglePlaying();
        }
        draw();
    }

    /** Hides which of the two has more, and makes the round heard as soon as it is ready. */
    private void draw() {
        firstHasMore = random.nextBoolean();
        hearsFirst = true;
        show();
        prepare();
    }

    /** Measures what this round and the next ones need, this round first. */
    private void prepare() {
        Running now = running;
        if (now == null) {
            return;
        }
        List<Double> needed = new ArrayList<>(List.of(now.stairs.difference()));
        needed.addAll(now.stairs.next());
        needed.removeIf(now.gains::containsKey);
        if (needed.isEmpty()) {
            return;
        }
        if (now.kind == LessonKind.LEVEL) {
            needed.forEach(d -> now.gains.put(d, 0.0));
            show();
            return;
        }
        double difference = needed.getFirst();
        jobs.start(
                JOB,
                "Making the two sounds of the lesson equally loud",
                (job, d) -> matchDb(now, difference, job),
                (gain, d) -> {
                    if (now.equals(running)) {
                        now.gains.put(difference, gain);
                        show();
                        prepare();
                    }
                });
    }

    /** By how much the sound with more is to be turned, in dB, to be as loud as the other. */
    private static double matchDb(Running now, double difference, Job job) {
        double base = lufs(now, now.base, job);
        double more = lufs(now, more(now, difference), job);
        return Double.isFinite(base - more) ? base - more : 0;
    }

    private static Design more(Running now, double difference) {
        return now.kind.edit(now.base, now.ret, difference).applyTo(now.base);
    }

    private static double lufs(Running now, Design design, Job job) {
        Audio mix = now.window.render(design, job).mix();
        long start = Math.round(now.span.startSeconds() * mix.sampleRateHz());
        int skip = (int) Math.max(0, start - now.window.firstFrame());
        return LoudnessMeter.integratedLufs(mix.slice(skip, mix.frames()))
                .orElse(Double.NEGATIVE_INFINITY);
    }

    private boolean ready() {
        return running != null && running.gains.containsKey(running.stairs.difference());
    }

    private void show() {
        Running now = running;
        state.set(
                now == null
                        ? null
                        : new State(
                                now.kind,
                                now.ret.name(),
                                now.stairs.answers() + 1,
                                ready(),
                                hearsFirst,
                                Optional.empty()));
    }

    /** What is heard of the lesson; empty if none runs. The first rounds are quieter. */
    Optional<Heard> heard() {
        Running now = running;
        if (now == null) {
            return Optional.empty();
        }
        double quiet = Math.min(0, QUIET_DB + LOUDER_DB * now.stairs.answers());
        double difference = now.stairs.difference();
        Double gain = now.gains.get(difference);
        boolean more = gain != null && hearsFirst == firstHasMore;
        // The louder of the two is turned down, as in any pair.
        double match = gain == null ? 0 : more ? Math.min(0, gain) : Math.min(0, -gain);
        return Optional.of(new Heard(more ? more(now, difference) : now.base, match + quiet));
    }

    /** Lets the first or the second of the two be heard. */
    public void hear(boolean first) {
        if (ready()) {
            hearsFirst = first;
            show();
        }
    }

    /** Lets what is heard begin again. */
    public void again() {
        Running now = running;
        if (now != null) {
            transport.seek(now.span.startSeconds());
        }
    }

    /** Answers that the first, or the second, has more. */
    public void answer(boolean first) {
        Running now = running;
        if (now == null || !ready()) {
            return;
        }
        now.stairs.answer(first == firstHasMore);
        now.stairs
                .outcome()
                .ifPresentOrElse(
                        outcome ->
                                took(
                                        new TakenLesson(
                                                LocalDate.now(clock),
                                                engineer,
                                                place,
                                                new TakenLesson.Subject(
                                                        now.base.song().title(),
                                                        section(),
                                                        now.ret.name()),
                                                now.kind,
                                                outcome)),
                        this::draw);
    }

    private String section() {
        Section chosen = selection.section().get();
        return chosen == null ? "" : chosen.name();
    }

    private void took(TakenLesson lesson) {
        Running ended = running;
        running = null;
        jobs.cancel(JOB);
        if (ended != null) {
            state.set(
                    new State(
                            ended.kind,
                            ended.ret.name(),
                            ended.stairs.answers(),
                            false,
                            true,
                            Optional.of(lesson)));
        }
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
        if (running != null) {
            end();
            editor.problem().set("The lesson has ended: the song was changed.");
        }
    }

    /** Keeps what comes out in another file. */
    void keepIn(Path other) {
        file = other;
    }

    /** Whether the first of the two has more; must not be shown. */
    boolean firstHasMore() {
        return firstHasMore;
    }
}
