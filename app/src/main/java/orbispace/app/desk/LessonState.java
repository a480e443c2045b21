package orbispace.app.desk;

import java.util.Optional;
import orbispace.core.ears.LessonKind;
import orbispace.core.ears.TakenLesson;

/**
 * A lesson as it stands, without what is hidden.
 *
 * @param kind what differs
 * @param returnName in which return
 * @param round counted from 1
 * @param most more rounds there are not
 * @param ready whether both sounds can be heard
 * @param hearsFirst whether the first of the two is heard
 * @param stop which lesson of a walk it is, counted from 1; 0 for one by itself
 * @param taken what came out, at its end
 */
public record LessonState(
        LessonKind kind,
        String returnName,
        int round,
        int most,
        boolean ready,
        boolean hearsFirst,
        int stop,
        Optional<TakenLesson> taken) {
    static LessonState of(LessonRun run, int stop) {
        return new LessonState(
                run.kind(),
                run.ret().name(),
                run.rounds().answers() + 1,
                run.rounds().most(),
                run.ready(),
                run.hearsFirst(),
                stop,
                Optional.empty());
    }

    LessonState ended(TakenLesson lesson) {
        return new LessonState(
                kind,
                returnName,
                Math.max(1, round - 1),
                most,
                false,
                hearsFirst,
                stop,
                Optional.of(lesson));
    }

    /** One whose first difference is not known yet. */
    static LessonState preparing(LessonKind kind, String returnName, int stop) {
        return new LessonState(kind, returnName, 1, 1, false, true, stop, Optional.empty());
    }
}
