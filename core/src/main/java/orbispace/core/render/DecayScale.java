package orbispace.core.render;

import orbispace.core.design.Space;

/** A space with a longer or shorter decay. */
final class DecayScale {
    private static final double LONGEST = 20;
    private static final double SHORTEST = 0.1;
    private static final double MOST_FEEDBACK = 0.95;

    private DecayScale() {}

    /** The same space with its decay, or that of its repeats, times a factor; 1 changes nothing. */
    static Space of(Space space, double scale) {
        if (scale == 1) {
            return space;
        }
        return switch (space) {
            case Space.Reverb r -> scaled(r, scale);
            case Space.Split s ->
                    new Space.Split(scaled(s.left(), scale), scaled(s.right(), scale), s.width());
            case Space.Convolution c ->
                    new Space.Convolution(
                            c.file(),
                            c.startMillis(),
                            c.keepMillis(),
                            factor(c.lowScale() * scale),
                            factor(c.midScale() * scale),
                            factor(c.highScale() * scale));
            // Feedback to the power of 1 / scale falls by as many dB in scale times the time.
            case Space.Echo e ->
                    e.withFeedback(Math.min(MOST_FEEDBACK, Math.pow(e.feedback(), 1 / scale)));
            case Space.Gated g -> g;
            case Space.Doubler d -> d;
            case Space.Parallel p -> p;
        };
    }

    private static Space.Reverb scaled(Space.Reverb r, double scale) {
        return r.withDecay(Math.clamp(scale * r.decaySeconds(), SHORTEST, LONGEST));
    }

    private static double factor(double scale) {
        return Math.clamp(scale, 0.25, 2);
    }
}
