package orbispace.app.draw;

import orbispace.core.time.Span;

/**
 * The part of a song that is seen: zoomed and scrolled, never beyond the song and never under a
 * quarter second.
 *
 * @param fromSeconds left edge, at least 0
 * @param toSeconds right edge, at most the song's length
 * @param songSeconds that length
 */
public record TimeWindow(double fromSeconds, double toSeconds, double songSeconds) {
    private static final double LEAST_SECONDS = 0.25;

    /** Puts the edges inside the song, keeping the width where it can. */
    public TimeWindow {
        songSeconds = Math.max(LEAST_SECONDS, songSeconds);
        double width = Math.clamp(toSeconds - fromSeconds, LEAST_SECONDS, songSeconds);
        fromSeconds = Math.clamp(fromSeconds, 0, songSeconds - width);
        toSeconds = fromSeconds + width;
    }

    /** The whole song. */
    public static TimeWindow all(double songSeconds) {
        return new TimeWindow(0, songSeconds, songSeconds);
    }

    /** A stretch of a song; null for all of it. */
    public static TimeWindow of(@org.jspecify.annotations.Nullable Span span, double songSeconds) {
        return span == null
                ? all(songSeconds)
                : new TimeWindow(span.startSeconds(), span.endSeconds(), songSeconds);
    }

    /** How much is seen. */
    public double seconds() {
        return toSeconds - fromSeconds;
    }

    /** Whether all of the song is seen. */
    public boolean isAll() {
        return seconds() >= songSeconds - 1e-6;
    }

    /** Seen from nearer ({@code factor} above 1) or farther, with one moment kept in its place. */
    public TimeWindow zoomed(double atSeconds, double factor) {
        double width = Math.clamp(seconds() / factor, LEAST_SECONDS, songSeconds);
        double share = (atSeconds - fromSeconds) / seconds();
        double from = atSeconds - share * width;
        return new TimeWindow(from, from + width, songSeconds);
    }

    /** Later by some seconds, or earlier. */
    public TimeWindow scrolled(double bySeconds) {
        double from = Math.clamp(fromSeconds + bySeconds, 0, songSeconds - seconds());
        return new TimeWindow(from, from + seconds(), songSeconds);
    }

    /** The stretch that is seen. */
    public Span span() {
        return new Span(fromSeconds, toSeconds);
    }
}
