package orbispace.app.desk;

import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.Set;
import java.util.function.Consumer;
import java.util.random.RandomGenerator;
import orbispace.app.measuring.Measurements;
import orbispace.app.session.Editor;
import orbispace.app.session.Jobs;
import orbispace.app.session.Stretch;
import orbispace.core.clear.CoverAnalysis;
import orbispace.core.design.Return;
import orbispace.core.ears.BriefRounds;
import orbispace.core.ears.EarPair;
import orbispace.core.ears.LessonKind;
import orbispace.core.ears.Outcome;
import orbispace.core.ears.Predicted;
import orbispace.core.ears.Rounds;
import orbispace.core.ears.Staircase;
import orbispace.core.ears.TakenLesson;
import orbispace.core.render.Job;

/** Makes lessons of the open song: where they begin, how they are matched, what is predicted. */
final class LessonMaking {
    /** The one lesson that is made or runs has one job at a time. */
    static final String JOB = "lesson";

    private final Editor editor;
    private final Stretch stretch;
    private final Jobs jobs;
    private final Measurements measured;
    private final EarKeeping keeping;
    private final RandomGenerator random = new Random();
    private boolean byPart;

    LessonMaking(OpenSong song, EarKeeping keeping) {
        editor = song.editor();
        stretch = song.stretch();
        jobs = song.jobs();
        measured = song.measured();
        this.keeping = keeping;
    }

    boolean byPart() {
        return byPart;
    }

    /** Matches the sounds of the next lesson by what is sent into the return, or by the mix. */
    void byPart(boolean is) {
        byPart = is;
    }

    /** Why no lesson can be made; empty if one can. */
    Optional<String> lacks(LessonKind kind, Return r) {
        if (kind.greatest(r).isEmpty()) {
            return Optional.of(r.name() + " has nothing for a lesson in " + kind.label());
        }
        return measured.renderer().isEmpty() || measured.analysis().isEmpty()
                ? Optional.of("A lesson needs the song's stems; they are not read yet.")
                : Optional.empty();
    }

    /** The threshold that was found last of the same, if one was. */
    OptionalDouble known(LessonKind kind, Return r) {
        String title = editor.now().song().title();
        return keeping.mine().reversed().stream()
                .filter(l -> l.kind() == kind && l.heard().returnName().equals(r.name()))
                .filter(l -> l.heard().song().equals(title))
                .map(TakenLesson::outcome)
                .filter(Outcome.Heard.class::isInstance)
                .mapToDouble(o -> ((Outcome.Heard) o).difference())
                .findFirst();
    }

    /**
     * Makes a lesson in the background.
     *
     * @param expected where its threshold is expected; empty to ask the hearing model
     * @param brief whether it is a short one
     */
    void make(
            LessonKind kind,
            Return r,
            OptionalDouble expected,
            boolean brief,
            Consumer<LessonRun> made) {
        double greatest = kind.greatest(r).orElseThrow();
        CoverAnalysis analysis = measured.analysis().orElseThrow();
        EarPair pair = new EarPair(measured.renderer().orElseThrow(), editor.now(), stretch.span());
        Evening evening =
                byPart
                        ? new Evening(
                                pair,
                                Set.copyOf(r.sends().keySet()),
                                measured.analysis(pair.base(), pair.span()))
                        : new Evening(pair);
        jobs.start(
                JOB,
                "Looking where the lesson begins",
                (job, d) ->
                        expected.isPresent()
                                ? expected.getAsDouble()
                                : Predicted.guess(
                                        pair.shares(kind, r, listener(analysis), job), greatest),
                (threshold, d) ->
                        made.accept(
                                new LessonRun(
                                        r,
                                        kind,
                                        evening,
                                        rounds(threshold, greatest, brief),
                                        random)));
    }

    private static EarPair.Listener listener(CoverAnalysis analysis) {
        return new EarPair.Listener(analysis.ear(), analysis.roomPower());
    }

    /** A staircase begins well over what is expected, and leaves room above. */
    private static Rounds rounds(double expected, double greatest, boolean brief) {
        return brief
                ? new BriefRounds(Math.min(expected, greatest), greatest)
                : new Staircase(
                        Math.min(expected * Math.pow(2, Staircase.BEGIN_OCTAVES), greatest / 2),
                        greatest);
    }

    /** Keeps a lesson, with what the hearing model says of its pair. */
    void keep(LessonRun of, TakenLesson lesson, Consumer<TakenLesson> kept) {
        Optional<CoverAnalysis> analysis = measured.analysis();
        keeping.keep(
                lesson,
                (taken, job) -> analysis.map(a -> predicted(of, taken, a, job)).orElse(taken),
                kept);
    }

    private static TakenLesson predicted(
            LessonRun of, TakenLesson lesson, CoverAnalysis analysis, Job job) {
        var shares = of.pair().shares(of.kind(), of.ret(), listener(analysis), job);
        double greatest = of.kind().greatest(of.ret()).orElseThrow();
        return switch (lesson.outcome()) {
            case Outcome.Heard h ->
                    lesson.beside(
                            Predicted.of(shares, greatest, Math.min(h.difference(), greatest)));
            case Outcome.NotHeard n -> lesson.beside(Predicted.of(shares, greatest, greatest));
            case Outcome.Unsure u -> lesson;
        };
    }
}
