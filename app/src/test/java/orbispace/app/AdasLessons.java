package orbispace.app;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import orbispace.core.ears.EarPlace;
import orbispace.core.ears.LessonKind;
import orbispace.core.ears.Outcome;
import orbispace.core.ears.Predicted;
import orbispace.core.ears.TakenLesson;

/** Lessons that Ada took with headphones, on another song, day after day. */
public final class AdasLessons {
    private AdasLessons() {}

    /** Lessons whose offsets from the model's border lie half a decibel apart. */
    public static List<TakenLesson> of(int count, double firstOffsetDb) {
        List<TakenLesson> all = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            all.add(
                    new TakenLesson(
                                    LocalDate.of(2026, 11, 1 + i),
                                    "Ada",
                                    EarPlace.HEADPHONES,
                                    new TakenLesson.Subject("Another", "Chorus", "Long pier"),
                                    LessonKind.DECAY,
                                    new Outcome.Heard(30, 22, 41, 33))
                            .beside(new Predicted(OptionalDouble.of(40), firstOffsetDb + i / 2.0)));
        }
        return all;
    }
}
