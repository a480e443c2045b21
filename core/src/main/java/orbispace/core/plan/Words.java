package orbispace.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import orbispace.core.material.Hits;
import orbispace.core.material.Phrases;
import orbispace.core.time.Span;

/**
 * What of a source can be chosen to be thrown: phrases, and the words in them, which lie between
 * the gaps of its syllables; of a drum its strokes.
 *
 * @param phrases in order
 * @param words in order; each lies in one phrase
 */
public record Words(List<Span> phrases, List<Span> words) {
    /** Nothing to choose. */
    public static final Words NONE = new Words(List.of(), List.of());

    private static final double STROKE_SECONDS = 0.25;
    private static final double EDGE_SECONDS = 1e-3;

    /** Keeps its own lists. */
    public Words {
        phrases = List.copyOf(phrases);
        words = List.copyOf(words);
    }

    /** The phrases of a voice and what lies between its inner gaps. */
    public static Words of(Phrases found) {
        List<Span> words = new ArrayList<>();
        for (Span phrase : found.spans()) {
            double from = phrase.startSeconds();
            for (Span gap : found.innerGaps()) {
                if (phrase.overlaps(gap)) {
                    words.add(new Span(from, Math.max(from, gap.startSeconds())));
                    from = gap.endSeconds();
                }
            }
            words.add(new Span(from, Math.max(from, phrase.endSeconds())));
        }
        words.removeIf(w -> w.seconds() < EDGE_SECONDS);
        return new Words(found.spans(), words);
    }

    /** Each stroke of a drum, up to the next or for a quarter of a second. */
    public static Words of(Hits found) {
        List<Span> strokes = new ArrayList<>();
        List<Hits.Hit> hits = found.hits();
        for (int i = 0; i < hits.size(); i++) {
            double at = hits.get(i).seconds();
            double next = i + 1 < hits.size() ? hits.get(i + 1).seconds() : Double.MAX_VALUE;
            strokes.add(new Span(at, Math.min(next, at + STROKE_SECONDS)));
        }
        return new Words(strokes, strokes);
    }

    /** The phrase at a moment, or the next one. */
    public Optional<Span> phraseAt(double seconds) {
        return phrases.stream().filter(p -> p.endSeconds() > seconds + EDGE_SECONDS).findFirst();
    }

    /** The word at a moment, or the next one. */
    public Optional<Span> wordAt(double seconds) {
        return words.stream().filter(w -> w.endSeconds() > seconds + EDGE_SECONDS).findFirst();
    }

    /** The phrase after a stretch, or before it; the stretch itself if there is none. */
    public Span step(Span from, int by) {
        List<Span> of = isWhole(from) ? phrases : words;
        Optional<Span> found =
                by > 0
                        ? of.stream()
                                .filter(s -> s.startSeconds() > from.startSeconds() + EDGE_SECONDS)
                                .findFirst()
                        : of.stream()
                                .filter(s -> s.startSeconds() < from.startSeconds() - EDGE_SECONDS)
                                .reduce((a, b) -> b);
        return found.orElse(from);
    }

    /** Whether a stretch begins and ends with phrases. */
    private boolean isWhole(Span s) {
        return phrases.stream().anyMatch(p -> near(p.startSeconds(), s.startSeconds()))
                && phrases.stream().anyMatch(p -> near(p.endSeconds(), s.endSeconds()));
    }

    private static boolean near(double a, double b) {
        return Math.abs(a - b) <= EDGE_SECONDS;
    }

    /** A word more at its end; if there is none, at its beginning. */
    public Span grown(Span from) {
        Optional<Span> after =
                words.stream()
                        .filter(w -> w.endSeconds() > from.endSeconds() + EDGE_SECONDS)
                        .findFirst();
        if (after.isPresent()) {
            return new Span(from.startSeconds(), after.get().endSeconds());
        }
        return words.stream()
                .filter(w -> w.startSeconds() < from.startSeconds() - EDGE_SECONDS)
                .reduce((a, b) -> b)
                .map(w -> new Span(w.startSeconds(), from.endSeconds()))
                .orElse(from);
    }

    /** A word fewer at its beginning; a single word stays. */
    public Span shrunk(Span from) {
        return words.stream()
                .filter(w ->
                        w.startSeconds() > from.startSeconds() + EDGE_SECONDS
                                && w.endSeconds() <= from.endSeconds() + EDGE_SECONDS)
                .findFirst()
                .map(w -> new Span(w.startSeconds(), from.endSeconds()))
                .orElse(from);
    }

    /** The edges of words inside a stretch, its own included. */
    public List<Double> edges(Span within) {
        List<Double> edges = new ArrayList<>(List.of(within.startSeconds()));
        for (Span w : words) {
            for (double at : new double[] {w.startSeconds(), w.endSeconds()}) {
                if (at > edges.getLast() + EDGE_SECONDS
                        && at < within.endSeconds() - EDGE_SECONDS) {
                    edges.add(at);
                }
            }
        }
        edges.add(within.endSeconds());
        return edges;
    }
}
