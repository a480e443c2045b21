package orbispace.core.time;

/**
 * A stretch of time in seconds.
 *
 * @param startSeconds where it begins
 * @param endSeconds where it ends, not before the start
 */
public record Span(double startSeconds, double endSeconds) {
    /** Checks the order. */
    public Span {
        if (!(endSeconds >= startSeconds)) {
            throw new IllegalArgumentException(
                    "a span cannot end at "
                            + endSeconds
                            + " s before it starts at "
                            + startSeconds
                            + " s");
        }
    }

    /** Length in seconds. */
    public double seconds() {
        return endSeconds - startSeconds;
    }

    /** Whether a moment lies in it, the end excluded. */
    public boolean contains(double seconds) {
        return seconds >= startSeconds && seconds < endSeconds;
    }

    /** Whether the two share more than a point. */
    public boolean overlaps(Span other) {
        return startSeconds < other.endSeconds && other.startSeconds < endSeconds;
    }
}
