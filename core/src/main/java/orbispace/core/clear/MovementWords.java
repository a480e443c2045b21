package orbispace.core.clear;

import java.util.ArrayList;
import java.util.List;
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
        double loss = e.stereo().monoFoldLossDb().orElse(99);
        double offset = e.shortOffsetMillis();
        boolean is = loss > MONO_LOSS_DB || offset > 0;
        String evidence =
                offset > 0
                        ? Wording.format(
                                "a copy %.0f ms behind the dry makes notches at odd multiples of"
                                        + " %.0f Hz",
                                offset, 500 / offset)
                        : Wording.format(
                                "folded to mono it loses %.1f dB; sides that are unrelated lose 3,"
                                        + " from %.1f on it is hollow",
                                loss, MONO_LOSS_DB);
        double first = offset > 0 ? 500 / offset : 0;
        return new EarRow(
                is,
                evidence,
                first,
                4 * first,
                List.of(),
                is ? List.of(EarAnswers.narrower(e)) : List.of());
    }
}
