package orbispace.core.design;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import orbispace.core.space.CopiesSettings;

/**
 * What the rest of the program has to know of a space, whatever kind it is.
 *
 * @param label the kind in words
 * @param nature what it does to a sound
 * @param decaySeconds T60 that is set, of the longer side; empty for a space that has none
 * @param wall when it ends, after what goes into it; empty for a space that does not end at once
 * @param times its times by name, which may be note values
 * @param lastCopySeconds when the last of a fixed number of copies comes; 0 for none
 * @param hearsLevel whether it sounds otherwise, not only louder, when more is sent into it
 */
public record SpaceTraits(
        String label,
        Nature nature,
        OptionalDouble decaySeconds,
        Optional<MusicalTime> wall,
        Map<String, MusicalTime> times,
        double lastCopySeconds,
        boolean hearsLevel) {
    private static final double MOST_FEEDBACK = 0.95;

    /** What a space does to a sound. */
    public enum Nature {
        /** A room that decays as it is set. */
        TAIL,
        /** A room that decays as it was recorded. */
        RESPONSE,
        /** A tail that ends like a wall. */
        WALL,
        /** Single arrivals, one after another. */
        REPEATS,
        /** A few copies at once. */
        COPIES,
        /** No time of its own. */
        COLOUR;

        /** Whether it is a place to be in, whose decay ISO 3382 measures fairly. */
        public boolean isPlace() {
            return this == TAIL || this == RESPONSE;
        }

        /** Whether it goes on without single arrivals. */
        public boolean isDense() {
            return isPlace() || this == WALL;
        }
    }

    private static SpaceTraits of(String label, Nature nature) {
        return new SpaceTraits(
                label, nature, OptionalDouble.empty(), Optional.empty(), Map.of(), 0, false);
    }

    private SpaceTraits decaying(double seconds) {
        return new SpaceTraits(
                label,
                nature,
                OptionalDouble.of(seconds),
                wall,
                times,
                lastCopySeconds,
                hearsLevel);
    }

    private SpaceTraits hearingLevel(boolean hears) {
        return new SpaceTraits(label, nature, decaySeconds, wall, times, lastCopySeconds, hears);
    }

    private SpaceTraits timed(Map<String, MusicalTime> named) {
        return new SpaceTraits(
                label, nature, decaySeconds, wall, named, lastCopySeconds, hearsLevel);
    }

    private SpaceTraits ending(MusicalTime at) {
        return new SpaceTraits(
                label, nature, decaySeconds, Optional.of(at), times, lastCopySeconds, hearsLevel);
    }

    private SpaceTraits copying(double until) {
        return new SpaceTraits(label, nature, decaySeconds, wall, times, until, hearsLevel);
    }

    /** The traits of a space. */
    static SpaceTraits of(Space space) {
        return switch (space) {
            case Space.Reverb r -> of(r.kind().label(), Nature.TAIL).decaying(r.decaySeconds());
            case Space.Gated g ->
                    of(g.envelope().label() + " gated reverb", Nature.WALL)
                            .ending(g.length())
                            .timed(Map.of("length of the space", g.length()));
            case Space.Convolution c -> of("convolution", Nature.RESPONSE);
            case Space.Echo e ->
                    of(e.kind().label(), Nature.REPEATS)
                            .timed(times(e))
                            .hearingLevel(e.loop().saturation() > 0);
            case Space.Copies d ->
                    of("copies", Nature.COPIES)
                            .copying(
                                    d.copies().stream()
                                            .mapToDouble(CopiesSettings.Voice::seconds)
                                            .max()
                                            .orElse(0));
            case SplitPair s ->
                    of("split pair", Nature.TAIL)
                            .decaying(Math.max(s.left().decaySeconds(), s.right().decaySeconds()));
            case Space.Parallel p -> of("parallel", Nature.COLOUR).hearingLevel(true);
        };
    }

    private static Map<String, MusicalTime> times(Space.Echo e) {
        Map<String, MusicalTime> times = new LinkedHashMap<>();
        times.put("echo time", e.time());
        if (!e.rightTime().equals(e.time())) {
            times.put("right time", e.rightTime());
        }
        return times;
    }

    /**
     * A space with its decay, or that of its repeats, times a factor; 1 changes nothing.
     *
     * @param factor as far as the ranges of the space allow
     */
    public static Space ringing(Space space, double factor) {
        if (factor == 1) {
            return space;
        }
        return switch (space) {
            case Space.Reverb r -> longer(r, factor);
            case SplitPair s -> s.withSpaces(longer(s.left(), factor), longer(s.right(), factor));
            case Space.Convolution c ->
                    c.withScales(
                            Math.clamp(c.lowScale() * factor, 0.25, 2),
                            Math.clamp(c.midScale() * factor, 0.25, 2),
                            Math.clamp(c.highScale() * factor, 0.25, 2));
            // Feedback to the power of 1 / factor falls by as many dB in factor times the time.
            case Space.Echo e ->
                    e.withFeedback(Math.min(MOST_FEEDBACK, Math.pow(e.feedback(), 1 / factor)));
            case Space.Gated g -> g;
            case Space.Copies d -> d;
            case Space.Parallel p -> p;
        };
    }

    private static Space.Reverb longer(Space.Reverb r, double factor) {
        return r.withDecay(Math.clamp(factor * r.decaySeconds(), 0.1, 20));
    }
}
