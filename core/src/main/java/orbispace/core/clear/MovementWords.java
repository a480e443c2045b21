package orbispace.core.clear;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import orbispace.core.measure.StereoReport;
import orbispace.core.words.Wording;

/** What the measures say to words about movement and phase. */
final class MovementWords {
    private static final double PUMPING_PER_SECOND = DuckCourse.CHATTER_PER_SECOND;
    private static final double MONO_LOSS_DB = 4.5;

    private MovementWords() {}

    static EarRow pumping(EarEvidence e) {
        double swings = e.swingsPerSecond();
        boolean is = swings > PUMPING_PER_SECOND;
        List<Candidate> answers = new ArrayList<>();
        if (is && e.ret().duck() != null) {
            answers.add(DuckTimes.calmer(e.ret(), e.question.phrases().innerGaps()));
            answers.add(DuckTimes.shallower(e.ret()));
        }
        return new EarRow(
                is,
                e.ret().duck() == null
                        ? "there is no ducker that could pump"
                        : Wording.format(
                                "within phrases the ducker lets go by 3 dB and takes back %.1f"
                                        + " times a second; from %.1f on one hears it work",
                                swings, PUMPING_PER_SECOND),
                0,
                0,
                is ? e.phrasesHere().stream().limit(3).toList() : List.of(),
                answers);
    }

    static EarRow phasey(EarEvidence e) {
        StereoReport stereo = e.stereo();
        OptionalDouble loss = stereo.monoFoldLossDb();
        boolean cancels = loss.isEmpty() && stereo.correlation().isPresent();
        OptionalDouble notch = notchHz(e.shortOffsetMillis());
        boolean is = notch.isPresent() || cancels || loss.orElse(0) > MONO_LOSS_DB;
        double first = notch.orElse(0);
        return new EarRow(
                is,
                notch.isPresent() ? combs(notch.getAsDouble()) : folds(loss, cancels),
                first,
                4 * first,
                List.of(),
                is ? List.of(EarAnswers.narrower(e)) : List.of());
    }

    private static String combs(double notchHz) {
        return Wording.format(
                "a copy %.0f ms behind the dry makes notches at odd multiples of %.0f Hz",
                500 / notchHz, notchHz);
    }

    private static String folds(OptionalDouble lossDb, boolean cancels) {
        if (lossDb.isEmpty()) {
            return cancels
                    ? "folded to mono nothing of it is left: its sides cancel"
                    : "the space answers nothing, so nothing can cancel";
        }
        return Wording.format(
                "folded to mono it loses %.1f dB; sides that are unrelated lose 3, from %.1f on it"
                        + " is hollow",
                lossDb.getAsDouble(), MONO_LOSS_DB);
    }

    /** The first notch of a copy's comb: where it comes half a period late. */
    private static OptionalDouble notchHz(OptionalDouble offsetMillis) {
        return offsetMillis.isPresent()
                ? OptionalDouble.of(500 / offsetMillis.getAsDouble())
                : OptionalDouble.empty();
    }
}
