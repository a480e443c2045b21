package orbispace.core.prove.compare;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.random.RandomGenerator;
import orbispace.core.words.Wording;

/**
 * A blind trial: in each round X is one of two, in an order that nobody knows. Nothing is told
 * before the last round is answered.
 */
public final class BlindTrial {
    /** Chance above which a result says nothing. */
    public static final double SIGNIFICANT = 0.05;

    private static final int MOST_ROUNDS = 500;

    /** What is asked. */
    public enum Kind {
        /** Which of the two X is. */
        WHICH("which is it"),
        /** Which of the two, played in a hidden order, is liked better. */
        PREFERENCE("which is better");

        private final String label;

        Kind(String label) {
            this.label = label;
        }

        /** It in words. */
        public String label() {
            return label;
        }
    }

    /**
     * One answer.
     *
     * @param hiddenIsA whether X, or the first of the two played, was A
     * @param saidA whether A was answered, or liked better
     * @param seconds how long it took
     */
    public record Answer(boolean hiddenIsA, boolean saidA, double seconds) {
        /** Whether X was named. */
        public boolean right() {
            return hiddenIsA == saidA;
        }
    }

    /**
     * What came out, told only at the end.
     *
     * @param kind what was asked
     * @param answers all of them
     * @param count right answers, or how often A was liked better
     * @param chance that guessing does as well; two-sided for a preference
     */
    public record Result(Kind kind, List<Answer> answers, int count, double chance) {
        /** Keeps its own list. */
        public Result {
            answers = List.copyOf(answers);
        }

        /** Whether guessing is an unlikely explanation. */
        public boolean significant() {
            return chance < SIGNIFICANT;
        }

        /** Every answer in order: what was hidden, what was said, and the seconds it took. */
        public String course() {
            return answers.stream()
                    .map(a ->
                            Wording.format(
                                    "%s/%s %.1f",
                                    a.hiddenIsA() ? "A" : "B", a.saidA() ? "A" : "B", a.seconds()))
                    .collect(java.util.stream.Collectors.joining(", "));
        }

        /** It in plain words. */
        public String words() {
            return words("A", "B");
        }

        /** The same with the two by their names. */
        public String words(String a, String b) {
            int n = answers.size();
            String often =
                    kind == Kind.WHICH
                            ? count + " of " + n + " right"
                            : a + " liked better in " + count + " of " + n;
            String guessing =
                    Wording.format("; guessing does as well in %.1f %% of trials. ", 100 * chance);
            return often + guessing + verdict(a, b);
        }

        private String verdict(String a, String b) {
            if (kind == Kind.WHICH) {
                return significant()
                        ? "The difference was heard."
                        : "That is no proof that the difference is heard.";
            }
            return significant()
                    ? (2 * count > answers.size() ? a : b) + " is liked better."
                    : "That is no proof of a preference.";
        }
    }

    private final Kind kind;
    private final List<Boolean> hidden = new ArrayList<>();
    private final List<Answer> answers = new ArrayList<>();

    /**
     * A trial.
     *
     * @param rounds 1 to 500
     * @param random draws the hidden order; pass one that is seeded anew for each trial
     */
    public BlindTrial(Kind kind, int rounds, RandomGenerator random) {
        if (rounds < 1 || rounds > MOST_ROUNDS) {
            throw new IllegalArgumentException(
                    "a trial has 1 to " + MOST_ROUNDS + " rounds, not " + rounds);
        }
        this.kind = kind;
        for (int i = 0; i < rounds; i++) {
            hidden.add(random.nextBoolean());
        }
    }

    /** What is asked. */
    public Kind kind() {
        return kind;
    }

    /** How many rounds there are. */
    public int rounds() {
        return hidden.size();
    }

    /** How many are answered. */
    public int answered() {
        return answers.size();
    }

    /** Whether X is A in the round at hand, for what plays it; must not be shown. */
    public boolean hiddenIsA() {
        return hidden.get(Math.min(answers.size(), hidden.size() - 1));
    }

    /**
     * Answers the round at hand; ignored when all are answered.
     *
     * @param saidA whether A was answered, or liked better
     * @param seconds how long it took
     */
    public void answer(boolean saidA, double seconds) {
        if (!finished()) {
            answers.add(new Answer(hidden.get(answers.size()), saidA, seconds));
        }
    }

    /** Whether all rounds are answered. */
    public boolean finished() {
        return answers.size() == hidden.size();
    }

    /** What came out; empty until the last round is answered. */
    public Optional<Result> result() {
        if (!finished()) {
            return Optional.empty();
        }
        int n = answers.size();
        int count =
                (int)
                        answers.stream()
                                .filter(a -> kind == Kind.WHICH ? a.right() : a.saidA())
                                .count();
        double chance =
                kind == Kind.WHICH
                        ? chanceOfAtLeast(count, n)
                        : Math.min(1, 2 * chanceOfAtLeast(Math.max(count, n - count), n));
        return Optional.of(new Result(kind, answers, count, chance));
    }

    /** The exact binomial tail: the chance that guessing gets at least {@code k} of {@code n}. */
    public static double chanceOfAtLeast(int k, int n) {
        double sum = 0;
        for (int i = n; i >= Math.max(0, k); i--) {
            sum += Math.exp(logChoose(n, i) - n * Math.log(2));
        }
        return Math.min(1, sum);
    }

    private static double logChoose(int n, int k) {
        double log = 0;
        for (int i = 1; i <= Math.min(k, n - k); i++) {
            log += Math.log((n - i + 1.0) / i);
        }
        return log;
    }
}
