package orbispace.app.desk;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.random.RandomGenerator;
import orbispace.core.audio.Audio;
import orbispace.core.design.Design;
import orbispace.core.design.Return;
import orbispace.core.ears.LessonKind;
import orbispace.core.ears.Staircase;
import orbispace.core.measure.LoudnessMeter;
import orbispace.core.render.Job;
import orbispace.core.render.Renderer;
import orbispace.core.time.Span;

/** A lesson that runs: its two sounds, which of them has more, and how loud each is made. */
final class LessonRun {
    private static final double BEFORE_SECONDS = 4;
    private static final double QUIET_DB = -16;
    private static final double LOUDER_DB = 4;

    private final Design base;
    private final Return ret;
    private final LessonKind kind;
    private final Span span;
    private final Renderer window;
    private final Staircase stairs;
    private final RandomGenerator random;
    private final Map<Double, Double> gains = new HashMap<>();
    private boolean firstHasMore;
    private boolean hearsFirst;

    /** A field that is heard, and by how much it is turned up or down. */
    record Heard(Design design, double gainDb) {}

    /**
     * A lesson before its first round.
     *
     * @param base the field as it stands
     * @param ret the return that it is about
     * @param greatest the greatest difference of the kind that the return allows
     * @param span over which both sounds are equally loud
     * @param renderer of the song
     * @param random draws the hidden order
     */
    LessonRun(
            Design base,
            Return ret,
            LessonKind kind,
            double greatest,
            Span span,
            Renderer renderer,
            RandomGenerator random) {
        this.base = base;
        this.ret = ret;
        this.kind = kind;
        this.span = span;
        this.random = random;
        window = renderer.window(span.startSeconds() - BEFORE_SECONDS, span.endSeconds());
        stairs = new Staircase(greatest / 2, greatest);
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

    Design base() {
        return base;
    }

    Span span() {
        return span;
    }

    Staircase stairs() {
        return stairs;
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
        stairs.answer(first == firstHasMore);
        draw();
    }

    /** Whether both sounds of this round can be heard. */
    boolean ready() {
        return gains.containsKey(stairs.difference());
    }

    /** The next difference to be matched, that of this round first; empty if all are. */
    OptionalDouble needed() {
        List<Double> needed = new ArrayList<>(List.of(stairs.difference()));
        needed.addAll(stairs.next());
        return needed.stream().filter(d -> !gains.containsKey(d)).mapToDouble(d -> d).findFirst();
    }

    /** Takes by how much the sound with more is to be turned for a difference, dB. */
    void matched(double difference, double gainDb) {
        gains.put(difference, gainDb);
    }

    /** By how much the sound with more is to be turned, in dB, to be as loud as the other. */
    double matchDb(double difference, Job job) {
        double by = lufs(base, job) - lufs(more(difference), job);
        return Double.isFinite(by) ? by : 0;
    }

    private Design more(double difference) {
        return kind.edit(base, ret, difference).applyTo(base);
    }

    private double lufs(Design design, Job job) {
        Audio mix = window.render(design, job).mix();
        long start = Math.round(span.startSeconds() * mix.sampleRateHz());
        int skip = (int) Math.max(0, start - window.firstFrame());
        return LoudnessMeter.integratedLufs(mix.slice(skip, mix.frames()))
                .orElse(Double.NEGATIVE_INFINITY);
    }

    /** What is heard. The first rounds are quieter, both sounds alike. */
    Heard heard() {
        double quiet = Math.min(0, QUIET_DB + LOUDER_DB * stairs.answers());
        double difference = stairs.difference();
        Double gain = gains.get(difference);
        boolean more = gain != null && hearsFirst == firstHasMore;
        // The louder of the two is turned down, as in any pair.
        double match = gain == null ? 0 : more ? Math.min(0, gain) : Math.min(0, -gain);
        return new Heard(more ? more(difference) : base, match + quiet);
    }
}
