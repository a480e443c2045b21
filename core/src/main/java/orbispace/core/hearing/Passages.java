package orbispace.core.hearing;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import orbispace.core.audio.Quantile;
import orbispace.core.time.Span;

/**
 * The frames in which a source speaks and those in which it rests.
 *
 * @param phrases frames of each phrase
 * @param speaking all phrase frames together
 * @param resting the frames of the gaps, trimmed so that no phrase leaks into them
 */
public record Passages(List<BitSet> phrases, BitSet speaking, BitSet resting) {
    private static final double AFTER_PHRASE_SECONDS = 0.060;
    private static final double BEFORE_PHRASE_SECONDS = 0.030;
    private static final double SHORTEST_GAP_SECONDS = 0.250;
    private static final double ACTIVE_SHARE = 0.05;
    private static final double ROUNDING = 1e-6;

    /** Passages of phrases given in seconds, on frames 0 to before {@code frames}. */
    public static Passages ofPhrases(List<Span> spans, int frames, double framesPerSecond) {
        List<BitSet> phrases = new ArrayList<>();
        BitSet speaking = new BitSet(frames);
        BitSet resting = new BitSet(frames);
        for (int i = 0; i < spans.size(); i++) {
            Span phrase = spans.get(i);
            BitSet set =
                    framesIn(phrase.startSeconds(), phrase.endSeconds(), frames, framesPerSecond);
            if (!set.isEmpty()) {
                phrases.add(set);
                speaking.or(set);
            }
            if (i + 1 < spans.size()
                    && spans.get(i + 1).startSeconds() - phrase.endSeconds()
                            >= SHORTEST_GAP_SECONDS) {
                double from = phrase.endSeconds() + AFTER_PHRASE_SECONDS;
                double to = spans.get(i + 1).startSeconds() - BEFORE_PHRASE_SECONDS;
                resting.or(framesIn(from, to, frames, framesPerSecond));
            }
        }
        return new Passages(phrases, speaking, resting);
    }

    /**
     * Passages by loudness alone: a frame speaks above 5 % of the 95th percentile of loudness. Gaps
     * are trimmed as those of phrases are.
     */
    public static Passages ofLoudness(Excitation dry) {
        double[] sones = dry.sones();
        double limit = ACTIVE_SHARE * Quantile.of(sones, 0.95);
        List<Span> runs = new ArrayList<>();
        int start = -1;
        for (int i = 0; i <= sones.length; i++) {
            boolean speaks = i < sones.length && sones[i] > limit && sones[i] > 0;
            if (speaks && start < 0) {
                start = i;
            } else if (!speaks && start >= 0) {
                runs.add(new Span(start / dry.framesPerSecond(), i / dry.framesPerSecond()));
                start = -1;
            }
        }
        return ofPhrases(runs, sones.length, dry.framesPerSecond());
    }

    private static BitSet framesIn(double from, double to, int frames, double framesPerSecond) {
        BitSet set = new BitSet(frames);
        int first = Math.max(0, (int) Math.ceil(from * framesPerSecond - ROUNDING));
        int end = Math.min(frames, (int) Math.ceil(to * framesPerSecond - ROUNDING));
        if (first < end) {
            set.set(first, end);
        }
        return set;
    }
}
