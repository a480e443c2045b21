package orbispace.core.design;

import java.util.Optional;
import orbispace.core.time.Span;

/**
 * What must not be lost of a return: what was heard of it when it was marked.
 *
 * @param span where it was marked, in seconds of the song
 * @param wetShare its share of all loudness there, 0 to 1
 * @param wetShareInGaps the same in the lead's rests
 */
public record Kept(Span span, double wetShare, double wetShareInGaps) {
    /** A remedy may take this much of it. */
    public static final double MOST_LOST = 0.15;

    /** Checks the ranges. */
    public Kept {
        Ranges.require("share that is kept", wetShare, 0, 1);
        Ranges.require("share that is kept in rests", wetShareInGaps, 0, 1);
    }

    /**
     * What is left that has to stay in a stretch: what was marked, if it was marked there, and else
     * what is there before a change.
     *
     * @param stretch where a change is judged
     * @param now what is heard there before it
     */
    public Kept in(Span stretch, Kept now) {
        return Optional.of(this).filter(k -> k.span.overlaps(stretch)).orElse(now);
    }

    /** Whether enough is left of it. */
    public boolean allows(double share, double shareInGaps) {
        double left = 1 - MOST_LOST;
        return share >= left * wetShare && shareInGaps >= left * wetShareInGaps;
    }
}
