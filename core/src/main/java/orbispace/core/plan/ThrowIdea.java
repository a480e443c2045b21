package orbispace.core.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.ToDoubleFunction;
import orbispace.core.time.Span;

/**
 * A word that suggests itself to be thrown: it ends a phrase, a gap follows it, and little else
 * sounds there.
 *
 * @param word the last word of the phrase
 * @param gap what follows it
 * @param quieterDb how far everything else in the gap lies under what it is on average over all
 *     such gaps; above 0 for emptier ones
 * @param score the seconds of the gap, up to four, and one more for each 6 dB that it is emptier
 */
public record ThrowIdea(Span word, Span gap, double quieterDb, double score) {
    /** The shortest gap that is worth a throw. */
    public static final double LEAST_GAP_SECONDS = 0.6;

    private static final double MOST_SECONDS = 4;
    private static final double DB_PER_SECOND = 6;

    /**
     * All ideas, the best first.
     *
     * @param words of the source
     * @param songEnd end of the song in seconds, which ends the last gap
     * @param restPower mean power of everything else over a stretch, 0 for silence
     */
    public static List<ThrowIdea> of(
            Words words, double songEnd, ToDoubleFunction<Span> restPower) {
        List<Span> gaps = new ArrayList<>();
        List<Span> last = new ArrayList<>();
        for (int i = 0; i < words.phrases().size(); i++) {
            Span phrase = words.phrases().get(i);
            boolean isLast = i + 1 == words.phrases().size();
            double until = isLast ? songEnd : words.phrases().get(i + 1).startSeconds();
            if (until - phrase.endSeconds() >= LEAST_GAP_SECONDS) {
                gaps.add(new Span(phrase.endSeconds(), until));
                last.add(lastWord(words, phrase));
            }
        }
        double mean =
                gaps.stream().mapToDouble(g -> db(restPower.applyAsDouble(g))).average().orElse(0);
        List<ThrowIdea> ideas = new ArrayList<>();
        for (int i = 0; i < gaps.size(); i++) {
            double quieter = mean - db(restPower.applyAsDouble(gaps.get(i)));
            double score = Math.min(MOST_SECONDS, gaps.get(i).seconds()) + quieter / DB_PER_SECOND;
            ideas.add(new ThrowIdea(last.get(i), gaps.get(i), quieter, score));
        }
        ideas.sort(Comparator.comparingDouble(ThrowIdea::score).reversed());
        return List.copyOf(ideas);
    }

    private static Span lastWord(Words words, Span phrase) {
        return words.words().stream().filter(phrase::overlaps).reduce((a, b) -> b).orElse(phrase);
    }

    /** A level that silence does not take to minus infinity. */
    private static double db(double power) {
        return 10 * Math.log10(power + 1e-8);
    }
}
