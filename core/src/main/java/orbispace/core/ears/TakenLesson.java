package orbispace.core.ears;

import java.time.LocalDate;
import orbispace.core.words.Wording;

/**
 * A lesson that was taken to its end.
 *
 * @param day when
 * @param engineer who listened
 * @param place where
 * @param heard the song, its section and the return that it was about
 * @param kind what differed
 * @param outcome how it ended
 */
public record TakenLesson(
        LocalDate day,
        String engineer,
        EarPlace place,
        Subject heard,
        LessonKind kind,
        Outcome outcome) {
    /**
     * What a lesson was about.
     *
     * @param song title
     * @param section its name; empty for the whole song
     * @param returnName what the return was called
     */
    public record Subject(String song, String section, String returnName) {}

    /** Checks that somebody listened. */
    public TakenLesson {
        if (engineer.isBlank()) {
            throw new IllegalArgumentException("a lesson was taken by somebody: \"engineer\"");
        }
    }

    /** What came out, in plain words, with no more digits than the spread allows. */
    public String words() {
        String of = kind.label() + " of " + heard.returnName() + where();
        return switch (outcome) {
            case Outcome.Heard h ->
                    Wording.text(
                            "you hear %s more %s (%s to %s)",
                            amount(h.difference(), h) + " " + kind.unit(),
                            of,
                            amount(h.low(), h),
                            amount(h.high(), h));
            case Outcome.NotHeard n ->
                    Wording.text(
                            "you do not hear %s more %s",
                            rounded(n.greatest(), n.greatest() / 10) + " " + kind.unit(), of);
            case Outcome.Unsure u -> "nothing sure came out for " + of;
        };
    }

    private String where() {
        return heard.section().isEmpty() ? "" : " in " + heard.section();
    }

    private static String amount(double value, Outcome.Heard h) {
        return rounded(value, (h.high() - h.low()) / 2);
    }

    /** A number without the digits that its spread blurs. */
    static String rounded(double value, double spread) {
        int decimals = (int) -Math.floor(Math.log10(spread));
        double step = Math.pow(10, -decimals);
        return Wording.number(Math.rint(value / step) * step, Math.max(0, decimals));
    }
}
