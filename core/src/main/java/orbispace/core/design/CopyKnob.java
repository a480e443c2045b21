package orbispace.core.design;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.function.ToDoubleFunction;
import orbispace.core.space.CopiesSettings.Voice;

/**
 * A number of one of several copies.
 *
 * @param index of the copy, from 0
 * @param trait what of it
 */
public record CopyKnob(int index, Trait trait) implements Knob {
    /** What a copy has. */
    @SuppressWarnings("ImmutableEnumChecker") // Functions that keep nothing.
    public enum Trait {
        /** How much later it comes. */
        LATER(
                "later",
                Scale.millis("copy", 5, 100, 0.5, 1),
                v -> 1000 * v.seconds(),
                (v, x) -> new Voice(x / 1000, v.cents(), v.side(), v.swaySeconds(), v.swayHz())),
        /** How far it is detuned. */
        CENTS(
                "cents",
                new Scale("detune", Unit.CENTS, "cents like \u22128", -50, 50, 1, 0),
                Voice::cents,
                (v, x) -> new Voice(v.seconds(), x, v.side(), v.swaySeconds(), v.swayHz())),
        /** Where it is. */
        SIDE(
                "side",
                Scale.share("side", -1, 1, 0.05)
                        .accepting("percent of right like 80, left like \u221280"),
                Voice::side,
                (v, x) -> new Voice(v.seconds(), v.cents(), x, v.swaySeconds(), v.swayHz())),
        /** How far its time sways. */
        SWAY(
                "sway",
                Scale.millis("sway", 0, 3, 0.1, 1),
                v -> 1000 * v.swaySeconds(),
                (v, x) -> new Voice(v.seconds(), v.cents(), v.side(), x / 1000, v.swayHz())),
        /** How fast it sways. */
        SWAY_RATE(
                "sways at",
                new Scale("sway rate", Unit.TURNS, "times a second like 0.4", 0.05, 5, 0.05, 2),
                Voice::swayHz,
                (v, x) -> new Voice(v.seconds(), v.cents(), v.side(), v.swaySeconds(), x));

        private final String label;
        private final Scale scale;
        private final ToDoubleFunction<Voice> now;
        private final BiFunction<Voice, Double, Voice> with;

        Trait(
                String label,
                Scale scale,
                ToDoubleFunction<Voice> now,
                BiFunction<Voice, Double, Voice> with) {
            this.label = label;
            this.scale = scale;
            this.now = now;
            this.with = with;
        }
    }

    /** All numbers of the copies of a space; none for one without copies. */
    public static List<CopyKnob> of(Space space) {
        List<CopyKnob> all = new ArrayList<>();
        if (space instanceof Space.Copies d) {
            for (int copy = 0; copy < d.copies().size(); copy++) {
                for (Trait trait : Trait.values()) {
                    all.add(new CopyKnob(copy, trait));
                }
            }
        }
        return all;
    }

    @Override
    public String title() {
        return "copy " + (index + 1) + ": " + trait.label;
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
                r -> copies(r).size() > index,
                r -> trait.now.applyAsDouble(copies(r).get(index)),
                (at, r, v) -> Optional.of(edit(r, v)));
    }

    private static List<Voice> copies(Return r) {
        return r.space() instanceof Space.Copies d ? d.copies() : List.of();
    }

    private Edit edit(Return r, double value) {
        List<Voice> copies = new ArrayList<>(copies(r));
        copies.set(index, trait.with.apply(copies.get(index), value));
        Space space = ((Space.Copies) r.space()).withCopies(copies);
        return new ReturnEdit.Spatial(r.id(), space, "copy " + (index + 1));
    }
}
