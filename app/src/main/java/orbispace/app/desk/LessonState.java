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
 * @param ready whether both sounds can be heard
 * @param hearsFirst whether the first of the two is heard
 * @param taken what came out, at its end
 */
public record LessonState(
        LessonKind kind,
        String returnName,
        int round,
        boolean ready,
        boolean hearsFirst,
        Optional<TakenLesson> taken) {
    static LessonState of(LessonRun run) {
        return new LessonState(
                run.kind(),
                run.ret().name(),
                run.stairs().answers() + 1,
                run.ready(),
                run.hearsFirst(),
                Optional.empty());
    }

    LessonState ended(TakenLesson lesson) {
        return new LessonState(kind, returnName, round - 1, false, hearsFirst, Optional.of(lesson));
    }
}
