package orbispace.core.design;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.function.ToDoubleFunction;
import orbispace.core.design.Filter.Band;

/**
 * A number of a bell or a shelf of a filter.
 *
 * @param before whether of the filter before the space
 * @param index of the band, from 0
 * @param trait what of it
 */
public record BandKnob(boolean before, int index, Trait trait) implements Knob {
    /** What a band has. */
    @SuppressWarnings("ImmutableEnumChecker") // Functions that keep nothing.
    public enum Trait {
        /** Where it is. */
        AT(
                "at",
                Scale.hertz("band", 20, 20000, 10).accepting("a frequency like 420"),
                Band::hz,
                (b, x) -> new Band(b.kind(), x, b.gainDb(), b.octaves())),
        /** How far it turns up or down. */
        BY(
                "by",
                Scale.decibels("band gain", -24, 12, 0.5, 1)
                        .accepting("decibels like \u22123; 0 takes it out"),
                Band::gainDb,
                (b, x) -> new Band(b.kind(), b.hz(), x, b.octaves())),
        /** How wide a bell is. */
        WIDE(
                "wide",
                new Scale("band width", Unit.OCTAVES, "octaves like 1.5", 0.2, 4, 0.1, 1),
                Band::octaves,
                (b, x) -> new Band(b.kind(), b.hz(), b.gainDb(), x));

        private final String label;
        private final Scale scale;
        private final ToDoubleFunction<Band> now;
        private final BiFunction<Band, Double, Band> with;

        Trait(
                String label,
                Scale scale,
                ToDoubleFunction<Band> now,
                BiFunction<Band, Double, Band> with) {
            this.label = label;
            this.scale = scale;
            this.now = now;
            this.with = with;
        }

        /** What a band may not be. */
        void require(double value) {
            scale.require(value);
        }
    }

    /** All numbers of the bands of a return's filters. */
    public static List<BandKnob> of(Return r) {
        List<BandKnob> all = new ArrayList<>();
        for (boolean before : new boolean[] {true, false}) {
            List<Band> bands = filter(r, before).bands();
            for (int i = 0; i < bands.size(); i++) {
                all.addAll(of(before, i, bands.get(i)));
            }
        }
        return all;
    }

    /** The numbers of one band; a shelf has no width. */
    public static List<BandKnob> of(boolean before, int index, Band band) {
        List<BandKnob> all = new ArrayList<>();
        for (Trait trait : Trait.values()) {
            if (trait != Trait.WIDE || band.kind() == Filter.Kind.BELL) {
                all.add(new BandKnob(before, index, trait));
            }
        }
        return all;
    }

    private static Filter filter(Return r, boolean before) {
        return before ? r.filterIn() : r.filterOut();
    }

    /** The edit that sets one of the filters of a return. */
    public static ReturnEdit set(Return r, boolean before, Filter filter) {
        return before
                ? new ReturnEdit.FilterIn(r.id(), filter)
                : new ReturnEdit.FilterOut(r.id(), filter);
    }

    @Override
    public String title() {
        return "band " + (index + 1) + (before ? " before: " : ": ") + trait.label;
    }

    @Override
    public String label() {
        return trait.label;
    }

    @Override
    public Setting setting() {
        return Setting.DIP;
    }

    @Override
    public Turn turn() {
        return new Turn.Plain(
                trait.scale,
                r -> filter(r, before).bands().size() > index,
                r -> trait.now.applyAsDouble(filter(r, before).bands().get(index)),
                (at, r, v) -> Optional.of(edit(r, v)));
    }

    private Edit edit(Return r, double value) {
        Filter filter = filter(r, before);
        boolean out = trait == Trait.BY && value == 0;
        Band changed = out ? null : trait.with.apply(filter.bands().get(index), value);
        return set(r, before, filter.withBand(index, changed));
    }
}
