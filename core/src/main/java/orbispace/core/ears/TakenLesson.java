package orbispace.core.ears;

import java.time.LocalDate;
import java.util.Optional;
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
 * @param predicted what the hearing model says of the same pair; empty where that is not known
 */
public record TakenLesson(
        LocalDate day,
        String engineer,
        EarPlace place,
        Subject heard,
        LessonKind kind,
        Outcome outcome,
        Optional<Predicted> predicted) {
    /**
     * What a lesson was about.
     *
     * @param song title
     * @param section its name; empty for the whole song
     * @param returnName what the return was called
     */
    public record Subject(String song, String section, String returnName) {}

    /** A lesson of whose pair the hearing model was not asked. */
    public TakenLesson(
            LocalDate day,
            String engineer,
            EarPlace place,
            Subject heard,
            LessonKind kind,
            Outcome outcome) {
        this(day, engineer, place, heard, kind, outcome, Optional.empty());
    }

    /** Checks that somebody listened. */
    public TakenLesson {
        if (engineer.isBlank()) {
            throw new IllegalArgumentException("a lesson was taken by somebody: \"engineer\"");
        }
    }

    /** The same with what the hearing model says of the same pair. */
    public TakenLesson beside(Predicted by) {
        return new TakenLesson(day, engineer, place, heard, kind, outcome, Optional.of(by));
    }

    /** Whether it was a short one; the whole staircase asks more. */
    boolean brief() {
        return outcome instanceof Outcome.Heard h && h.answers() <= BriefRounds.MOST_ANSWERS;
    }

    /** What came out, in plain words, with no more digits than the spread allows. */
    public String words() {
        return heardWords() + predicted.map(this::expected).orElse("");
    }

    /** What the hearing model says of the same pair. */
    private String expected(Predicted by) {
        double most = by.difference().orElse(0);
        return most > 0
                ? "; the model expects " + rounded(most, most / 4) + " " + kind.unit()
                : "; the model expects that nobody does";
    }

    private String heardWords() {
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
