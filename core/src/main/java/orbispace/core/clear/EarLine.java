package orbispace.core.clear;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import orbispace.core.hearing.WetState;
import orbispace.core.render.Job;
import orbispace.core.time.Span;

/**
 * A return balanced as one does by ear: raised until it is just obvious, then taken back until it
 * is only felt, on the loudest and on the sparsest phrase, where the two answers differ most.
 *
 * @param loudest the answer on the phrase in which everything else is loudest
 * @param sparsest the answer on the phrase in which it is softest
 */
public record EarLine(Answer loudest, Answer sparsest) {
    private static final double LEAST_DB = -50;
    private static final double MOST_DB = 18;
    private static final double STEP_DB = 0.5;

    /**
     * The levels of one phrase.
     *
     * @param phrase with the rest after it
     * @param obviousDb level of the return from which it is obvious
     * @param feltDb level at which it is felt and no more
     */
    public record Answer(Span phrase, double obviousDb, double feltDb) {}

    /** Balances the return of a question; empty without phrases in its stretch. */
    public static Optional<EarLine> of(CoverAnalysis analysis, Question q, Job job) {
        List<Span> phrases =
                q.phrases().spans().stream().filter(p -> p.overlaps(q.span())).toList();
        Comparator<Span> byLoudness =
                Comparator.comparingDouble(p -> analysis.drySones(q.design(), p));
        Optional<Span> loudest = phrases.stream().max(byLoudness);
        Optional<Span> sparsest = phrases.stream().min(byLoudness);
        return loudest.flatMap(l ->
                sparsest.map(s ->
                        new EarLine(
                                answer(analysis, q, withRest(q, l), job),
                                answer(analysis, q, withRest(q, s), job))));
    }

    /** A phrase and the rest after it, in which the tail is heard. */
    private static Span withRest(Question q, Span phrase) {
        double next =
                q.phrases().spans().stream()
                        .mapToDouble(Span::startSeconds)
                        .filter(t -> t >= phrase.endSeconds())
                        .min()
                        .orElse(phrase.endSeconds() + 1.5);
        return new Span(phrase.startSeconds(), Math.min(next, phrase.endSeconds() + 3));
    }

    private static Answer answer(CoverAnalysis analysis, Question q, Span span, Job job) {
        return new Answer(
                span,
                level(analysis, q, span, analysis.borders().from(WetState.OBVIOUS), job),
                level(analysis, q, span, analysis.borders().aim(WetState.FELT), job));
    }

    private static double level(
            CoverAnalysis analysis, Question q, Span span, double share, Job job) {
        double level = ShareLevel.of(analysis, q.over(span), share, LEAST_DB, MOST_DB, job);
        return Math.rint(level / STEP_DB) * STEP_DB;
    }
}
