package orbispace.core.material;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import orbispace.core.audio.Quantile;
import orbispace.core.time.Span;

/**
 * Where a voice or lead sounds.
 *
 * @param spans the phrases in order
 * @param innerGaps rests inside phrases, too short to part them
 * @param levels by which they were found; empty for phrases that were given
 * @param sure false where a printed room rings on behind most phrases, so that their ends may lie
 *     0.1 s off
 */
public record Phrases(
        List<Span> spans, List<Span> innerGaps, Optional<Levels> levels, boolean sure) {
    /** The material for which it is tried and holds. */
    public static final String HOLDS_FOR =
            "voices and leads 10 dB or more over their noise, breaths from 20 dB down";

    /** Keeps its own lists. */
    public Phrases {
        spans = List.copyOf(spans);
        innerGaps = List.copyOf(innerGaps);
    }

    /**
     * Levels that part sounding from resting.
     *
     * @param floorDb mean level of the frames in which it rests, dBFS
     * @param splitDb the level that parts the two classes, dBFS
     * @param speakingDb mean level of the frames in which it sounds, dBFS
     */
    public record Levels(double floorDb, double splitDb, double speakingDb) {}

    /** What is known of a stem in which no phrases are looked for. */
    public static final Phrases NONE = at(List.of());

    /** Phrases that were found. */
    public static Phrases found(List<Span> spans, List<Span> innerGaps, Levels levels) {
        return new Phrases(spans, innerGaps, Optional.of(levels), true);
    }

    /** Phrases that were given, not found; their levels are not known. */
    public static Phrases at(List<Span> spans) {
        return new Phrases(spans, List.of(), Optional.empty(), true);
    }

    /** The same, with ends that a room blurs. */
    Phrases inRoom() {
        return new Phrases(spans, innerGaps, levels, false);
    }

    /** The same, with only the phrases and inner gaps that begin within a stretch. */
    public Phrases within(Span stretch) {
        return new Phrases(
                spans.stream().filter(s -> begins(s, stretch)).toList(),
                innerGaps.stream().filter(s -> begins(s, stretch)).toList(),
                levels,
                sure);
    }

    private static boolean begins(Span span, Span within) {
        return span.startSeconds() >= within.startSeconds()
                && span.startSeconds() < within.endSeconds();
    }

    /** The rests between phrases; what comes before the first and after the last is none. */
    public List<Span> gaps() {
        List<Span> gaps = new ArrayList<>();
        for (int i = 1; i < spans.size(); i++) {
            gaps.add(new Span(spans.get(i - 1).endSeconds(), spans.get(i).startSeconds()));
        }
        return List.copyOf(gaps);
    }

    /** A quantile (0 to 1) of the gaps' lengths in seconds; 0 without gaps. */
    public double gapSeconds(double share) {
        return Quantile.of(gaps().stream().map(Span::seconds).toList(), share);
    }
}
