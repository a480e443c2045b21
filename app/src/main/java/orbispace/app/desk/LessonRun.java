package orbispace.app.desk;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.random.RandomGenerator;
import orbispace.core.design.Design;
import orbispace.core.design.Return;
import orbispace.core.ears.EarPair;
import orbispace.core.ears.LessonKind;
import orbispace.core.ears.Rounds;
import orbispace.core.render.Job;
import orbispace.core.time.Span;

/** A lesson that runs: its two sounds, which of them has more, and how loud each is made. */
final class LessonRun {
    private static final double QUIET_DB = -16;
    private static final double LOUDER_DB = 4;

    private final Return ret;
    private final LessonKind kind;
    private final Evening evening;
    private final Rounds rounds;
    private final RandomGenerator random;
    private final Map<Double, Evening.Even> even = new HashMap<>();
    private boolean firstHasMore;
    private boolean hearsFirst;

    /**
     * A lesson before its first round.
     *
     * @param ret the return that it is about
     * @param evening makes both sounds equally loud
     * @param rounds how great the difference is in each
     * @param random draws the hidden order
     */
    LessonRun(Return ret, LessonKind kind, Evening evening, Rounds rounds, RandomGenerator random) {
        this.ret = ret;
        this.kind = kind;
        this.evening = evening;
        this.rounds = rounds;
        this.random = random;
        draw();
    }

    /** Hides which of the two has more. */
    private void draw() {
        firstHasMore = random.nextBoolean();
        hearsFirst = true;
    }

    LessonKind kind() {
        return kind;
    }

    Return ret() {
        return ret;
    }

    EarPair pair() {
        return evening.pair();
    }

    Design base() {
        return pair().base();
    }

    Span span() {
        return pair().span();
    }

    Rounds rounds() {
        return rounds;
    }

    boolean hearsFirst() {
        return hearsFirst;
    }

    /** Lets the first or the second be heard. */
    void hear(boolean first) {
        hearsFirst = first;
    }

    /** Whether the first of the two has more; must not be shown. */
    boolean firstHasMore() {
        return firstHasMore;
    }

    /** Answers that the first, or the second, has more; the next round is drawn. */
    void answer(boolean first) {
        rounds.answer(first == firstHasMore);
        draw();
    }

    /** Whether both sounds of this round can be heard. */
    boolean ready() {
        return even.containsKey(rounds.difference());
    }

    /** The next difference to be matched, that of this round first; empty if all are. */
    OptionalDouble needed() {
        List<Double> needed = new ArrayList<>(List.of(rounds.difference()));
        needed.addAll(rounds.next());
        return needed.stream().filter(d -> !even.containsKey(d)).mapToDouble(d -> d).findFirst();
    }

    /** Takes the two sounds of a difference. */
    void matched(double difference, Evening.Even two) {
        even.put(difference, two);
    }

    /** The two sounds of a difference, equally loud where loudness is not the question. */
    Evening.Even match(double difference, Job job) {
        Design more = kind.edit(base(), ret, difference).applyTo(base());
        return kind == LessonKind.LEVEL
                ? Evening.Even.asTheyAre(base(), more)
                : evening.of(more, job);
    }

    /** What is heard. The first rounds are quieter, both sounds alike. */
    BlindSound heard() {
        double quiet = Math.min(0, QUIET_DB + LOUDER_DB * rounds.answers());
        Evening.Even two = even.get(rounds.difference());
        if (two == null) {
            return new BlindSound(base(), Map.of(), quiet);
        }
        return (hearsFirst == firstHasMore ? two.other() : two.base()).turned(quiet);
    }
}
