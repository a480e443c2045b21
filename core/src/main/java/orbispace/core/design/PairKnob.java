package orbispace.core.design;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.ToDoubleFunction;
import orbispace.core.design.Space.Reverb;
import org.jspecify.annotations.Nullable;

/**
 * A number of one of the two spaces of a pair.
 *
 * @param left whether of the one on the left
 * @param trait what of it
 */
public record PairKnob(boolean left, Trait trait) implements Knob {
    /** What each of the two has beside its decay. */
    @SuppressWarnings("ImmutableEnumChecker") // Functions that keep nothing.
    public enum Trait {
        /** T60 of its highs relative to its middle. */
        HIGHS("highs", Scale.factor("high decay ratio", 0.1, 2), Reverb::highRatio, null),
        /** How much sooner its echoes are dense. */
        DENSITY("density", Scale.factor("density", 0.25, 4), v -> v.character().density(), null),
        /** How much later it begins. */
        LATER(
                "later",
                Scale.millis("later side", 0, 200, 1, 0),
                null,
                SplitPair.Place::laterMillis),
        /** Where it stands. */
        PAN(
                "pan",
                Scale.share("pan of a side", -1, 1, 0.05)
                        .accepting("percent of right like 80, left like \u221280"),
                null,
                SplitPair.Place::pan);

        private final String label;
        private final Scale scale;
        private final @Nullable ToDoubleFunction<Reverb> ofSpace;
        private final @Nullable ToDoubleFunction<SplitPair.Place> ofPlace;

        Trait(
                String label,
                Scale scale,
                @Nullable ToDoubleFunction<Reverb> ofSpace,
                @Nullable ToDoubleFunction<SplitPair.Place> ofPlace) {
            this.label = label;
            this.scale = scale;
            this.ofSpace = ofSpace;
            this.ofPlace = ofPlace;
        }

        /** What a side may not be. */
        void require(double value) {
            scale.require(value);
        }

        private double now(SplitPair s, boolean left) {
            if (ofSpace != null) {
                return ofSpace.applyAsDouble(s.space(left));
            }
            return ofPlace == null ? 0 : ofPlace.applyAsDouble(s.place(left));
        }

        private SplitPair with(SplitPair s, boolean left, double v) {
            Reverb space = s.space(left);
            SplitPair.Place place = s.place(left);
            return switch (this) {
                case HIGHS -> s.withSpace(left, space.withRatios(space.lowRatio(), v));
                case DENSITY ->
                        s.withSpace(left, space.withCharacter(space.character().withDensity(v)));
                case LATER -> s.withPlace(left, new SplitPair.Place(v, place.pan()));
                case PAN -> s.withPlace(left, new SplitPair.Place(place.laterMillis(), v));
            };
        }
    }

    /** All of one side. */
    public static List<PairKnob> of(boolean left) {
        List<PairKnob> all = new ArrayList<>();
        for (Trait trait : Trait.values()) {
            all.add(new PairKnob(left, trait));
        }
        return all;
    }

    @Override
    public String title() {
        return (left ? "left: " : "right: ") + trait.label;
    }

    @Override
    public String label() {
        return trait.label;
    }

    @Override
    public Setting setting() {
        return Setting.SPACE;
    }

    @Override
    public Turn turn() {
        return new Turn.Plain(
                trait.scale,
                r -> r.space() instanceof SplitPair,
                r -> r.space() instanceof SplitPair s ? trait.now(s, left) : 0,
                (at, r, v) ->
                        r.space() instanceof SplitPair s
                                ? Optional.of(SpaceKnob.space(r, trait.with(s, left, v), title()))
                                : Optional.empty());
    }
}
