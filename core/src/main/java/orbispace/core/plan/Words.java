package orbispace.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import orbispace.core.material.Hits;
import orbispace.core.material.Phrases;
import orbispace.core.material.Silhouette;
import orbispace.core.material.Syllables;
import orbispace.core.time.SongClock;
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
    private static final double LEAST_WORD_SECONDS = 0.08;
    private static final double NEAR_SECONDS = 0.15;

    /** A breath lies at least so far under the loudest word of its phrase. */
    private static final double BREATH_DB = 18;

    private static final double MOST_BREATH_SECONDS = 0.8;

    /** Keeps its own lists. */
    public Words {
        phrases = List.copyOf(phrases);
        words = List.copyOf(words);
    }

    /** The phrases of a voice and what lies between its inner gaps. */
    public static Words of(Phrases found) {
        return new Words(
                found.spans(),
                found.spans().stream().flatMap(p -> parts(p, found.innerGaps()).stream()).toList());
    }

    /** The phrases of a voice and what lies between its inner gaps and the dips of its level. */
    public static Words of(Phrases found, Silhouette silhouette) {
        List<Span> words = new ArrayList<>();
        for (Span part : of(found).words()) {
            List<Span> dips =
                    Syllables.dips(silhouette, part).stream().map(at -> new Span(at, at)).toList();
            words.addAll(parts(part, dips));
        }
        List<Span> phrases = withoutBreaths(found.spans(), silhouette);
        return new Words(phrases, sung(whole(words), phrases, silhouette));
    }

    /** Without what is short and far under both the phrases beside it. */
    private static List<Span> withoutBreaths(List<Span> phrases, Silhouette silhouette) {
        List<Span> sung = new ArrayList<>();
        for (int i = 0; i < phrases.size(); i++) {
            double most = power(silhouette, phrases.get(i)) * Math.pow(10, BREATH_DB / 10);
            boolean under =
                    (i == 0 || power(silhouette, phrases.get(i - 1)) > most)
                            && (i + 1 == phrases.size()
                                    || power(silhouette, phrases.get(i + 1)) > most);
            boolean breath =
                    under && phrases.size() > 1 && phrases.get(i).seconds() < MOST_BREATH_SECONDS;
            if (!breath) {
                sung.add(phrases.get(i));
            }
        }
        return sung;
    }

    /** Without breaths: what lies far under the loudest word of its phrase is none. */
    private static List<Span> sung(List<Span> words, List<Span> phrases, Silhouette silhouette) {
        List<Span> sung = new ArrayList<>();
        for (Span phrase : phrases) {
            List<Span> here = words.stream().filter(phrase::overlaps).toList();
            double loudest = here.stream().mapToDouble(w -> power(silhouette, w)).max().orElse(0);
            for (Span w : here) {
                if (power(silhouette, w) >= loudest * Math.pow(10, -BREATH_DB / 10)) {
                    sung.add(w);
                }
            }
        }
        return sung;
    }

    private static double power(Silhouette silhouette, Span word) {
        return silhouette.power(word.startSeconds(), word.endSeconds());
    }

    /** Joins what is too short to be a word, such as a last consonant, to the word before it. */
    private static List<Span> whole(List<Span> parts) {
        List<Span> words = new ArrayList<>();
        for (Span part : parts) {
            boolean follows =
                    !words.isEmpty()
                            && part.startSeconds() - words.getLast().endSeconds() < NEAR_SECONDS;
            if (part.seconds() < LEAST_WORD_SECONDS && follows) {
                Span before = words.removeLast();
                words.add(new Span(before.startSeconds(), part.endSeconds()));
            } else {
                words.add(part);
            }
        }
        return words;
    }

    /** What lies between gaps inside a stretch. */
    private static List<Span> parts(Span whole, List<Span> gaps) {
        List<Span> parts = new ArrayList<>();
        double from = whole.startSeconds();
        for (Span gap : gaps) {
            if (gap.startSeconds() > from && gap.startSeconds() < whole.endSeconds()) {
                parts.add(new Span(from, gap.startSeconds()));
                from = Math.min(whole.endSeconds(), gap.endSeconds());
            }
        }
        parts.add(new Span(from, whole.endSeconds()));
        parts.removeIf(w -> w.seconds() < EDGE_SECONDS);
        return parts;
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

    /** Bars in place of phrases and quarter notes in place of words, for what has neither. */
    public static Words of(SongClock clock, double songEnd) {
        List<Span> bars = new ArrayList<>();
        List<Span> quarters = new ArrayList<>();
        for (int bar = 1; clock.secondsOfBar(bar) < songEnd - EDGE_SECONDS; bar++) {
            double beat = clock.metre().beatOfBar(bar);
            double next = clock.metre().beatOfBar(bar + 1);
            bars.add(new Span(clock.secondsAt(beat), clock.secondsAt(next)));
            for (double q = beat; q < next - EDGE_SECONDS; q++) {
                double to = Math.min(next, q + 1);
                quarters.add(new Span(clock.secondsAt(q), clock.secondsAt(to)));
            }
        }
        return new Words(bars, quarters);
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
