package orbispace.core.space;

import java.util.List;

/** The kinds of network reverb: how close their walls are and how they begin. */
public enum ReverbKind {
    /** Close walls: first reflections of a shoe-box of 60 cubic metres, then dense. */
    ROOM("room", 0.0151, 0.0797, 0.35, List.of(0.00127, 0.00231, 0.00389, 0.00593)),
    /** A hard, bright box of 25 cubic metres, close reflections, dense. */
    CHAMBER("chamber", 0.0151, 0.0811, 0.30, List.of(0.00113, 0.00197, 0.00331, 0.00487)),
    /** Dense at once, with no reflections to tell apart. */
    PLATE("plate", 0.0151, 0.0877, 0.35, List.of(0.00067, 0.00109, 0.00173, 0.00281)),
    /** Builds up over some tens of milliseconds. */
    HALL("hall", 0.0281, 0.0893, 0.14, List.of(0.00231, 0.00389, 0.00593, 0.00877)),
    /** Builds up slowly, with far walls. */
    VAST("vast", 0.0411, 0.1319, 0.08, List.of(0.00387, 0.00641, 0.00977, 0.01451));

    private final String label;
    final double shortestSeconds;
    final double longestSeconds;
    final double earlyShare;

    @SuppressWarnings("ImmutableEnumChecker") // A list of List.of never changes.
    final List<Double> diffusionSeconds;

    ReverbKind(
            String label,
            double shortestSeconds,
            double longestSeconds,
            double earlyShare,
            List<Double> diffusionSeconds) {
        this.label = label;
        this.shortestSeconds = shortestSeconds;
        this.longestSeconds = longestSeconds;
        this.earlyShare = earlyShare;
        this.diffusionSeconds = diffusionSeconds;
    }

    /** Its name in words and in projects. */
    public String label() {
        return label;
    }
}
