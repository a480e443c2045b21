package orbispace.core.clear;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Setting;
import orbispace.core.design.Space;
import orbispace.core.words.Wording;

/** What the measures say to words about how a return ends. */
final class TailWords {
    static final double GAP_DOWN_DB = 30;
    private static final double CROWDING_DB = -22;
    private static final double CUT_DB = -24;

    private TailWords() {}

    static EarRow tooLong(EarEvidence e) {
        OptionalDouble down = e.downAtGapDb();
        boolean is = down.isPresent() && down.getAsDouble() < GAP_DOWN_DB;
        return new EarRow(
                is,
                down.isEmpty()
                        ? untouched(e)
                        : Wording.format(
                                "%.0f dB down when the median rest of %.2f s ends; %.0f dB leave"
                                        + " the next phrase alone",
                                down.getAsDouble(), e.gapSeconds(), GAP_DOWN_DB),
                0,
                0,
                e.gapsHere(),
                is ? EarRow.present(EarAnswers.shorter(e, 0.7)) : List.of());
    }

    private static String untouched(EarEvidence e) {
        return e.gapSeconds() == 0
                ? "no rest of the source is known that the tail could outlast"
                : Wording.format(
                        "nothing is left when the median rest of %.2f s ends", e.gapSeconds());
    }

    static EarRow crowding(EarEvidence e) {
        OptionalDouble level = e.wetAtPhraseStartsDb();
        boolean is = level.isPresent() && level.getAsDouble() > CROWDING_DB;
        List<Candidate> answers = new ArrayList<>();
        if (is) {
            EarAnswers.shorter(e, 0.7).ifPresent(answers::add);
            EarAnswers.fewerRepeats(e).ifPresent(answers::add);
            answers.add(EarAnswers.level(e, -2));
        }
        return new EarRow(
                is,
                level.isEmpty()
                        ? "nothing of the last phrase is left as the next one begins"
                        : Wording.format(
                                "as phrases begin the wet of the last one lies %.0f dB under the"
                                        + " voice; %.0f dB leave it alone",
                                -level.getAsDouble(), -CROWDING_DB),
                0,
                0,
                e.gapsHere(),
                answers);
    }

    static EarRow fluttery(EarEvidence e) {
        OptionalDouble spacing = e.flutterMillis();
        List<Candidate> answers = new ArrayList<>();
        if (spacing.isPresent() && e.ret().space() instanceof Space.Echo echo) {
            answers.add(
                    Candidate.of(
                            Setting.FEEDBACK,
                            new ReturnEdit.Feedback(e.ret().id(), 0.2),
                            Wording.format("Feedback %.0f to 20 %%", 100 * echo.feedback()),
                            "fewer repeats that close"));
            answers.add(
                    Candidate.of(
                            Setting.ECHO_TIME,
                            new ReturnEdit.EchoTime(
                                    e.ret().id(),
                                    new MusicalTime.Millis(120),
                                    e.ret().timedAtBar()),
                            Wording.format("Echo time %.0f to 120 ms", spacing.getAsDouble()),
                            "apart enough to be heard as echoes"));
        }
        return new EarRow(
                spacing.isPresent(),
                spacing.isPresent()
                        ? Wording.format(
                                "repeats come every %.0f ms and go on: a rattle",
                                spacing.getAsDouble())
                        : "reflections are dense, and no repeats come close together",
                0,
                0,
                List.of(),
                answers);
    }

    static EarRow stopsDead(EarEvidence e) {
        OptionalDouble cut = e.cutDb();
        boolean is = cut.isPresent() && cut.getAsDouble() > CUT_DB;
        return new EarRow(
                is,
                is
                        ? Wording.format(
                                "the tail is cut %.0f dB under its beginning, within a few"
                                        + " hundredths of a second",
                                -cut.getAsDouble())
                        : "nothing cuts the tail while it can be heard",
                0,
                0,
                List.of(),
                is ? EarRow.present(EarAnswers.softer(e)) : List.of());
    }
}
