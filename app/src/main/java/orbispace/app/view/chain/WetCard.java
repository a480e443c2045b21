package orbispace.app.view.chain;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.scene.layout.Region;
import orbispace.app.desk.ChainModel;
import orbispace.app.draw.Pen;
import orbispace.app.view.control.NumberField;
import orbispace.core.design.ChainKnob;
import orbispace.core.design.Design;
import orbispace.core.design.Edit;
import orbispace.core.design.Knob;
import orbispace.core.design.Purpose;
import orbispace.core.design.Return;
import orbispace.core.design.WetBus;
import orbispace.core.design.WetEdit;

/** What the chosen return passes together with those of its purpose, or with all. */
final class WetCard {
    private final ChainModel model;
    private final Optional<Purpose> purpose;
    private final Map<Knob, NumberField> fields = new LinkedHashMap<>();

    /** Where a card goes. */
    interface Cards {
        ChainCard add(String head, Consumer<Pen> drawing, List<List<Region>> rows);
    }

    WetCard(ChainModel model, Optional<Purpose> purpose) {
        this.model = model;
        this.purpose = purpose;
    }

    private String who() {
        return purpose.map(p -> "all of " + p.label()).orElse("all wet");
    }

    private WetBus bus() {
        return model.design().get().wet().of(purpose);
    }

    /** What makes another card necessary. */
    static String shape(Design design, Optional<Purpose> purpose) {
        return purpose + FilterRows.shape(design.wet().of(purpose).filter());
    }

    void addTo(Cards cards) {
        Return standing = bus().standing();
        List<List<Region>> rows = new ArrayList<>();
        rows.add(List.of(field("trim", ChainKnob.LEVEL), field("width", ChainKnob.WIDTH)));
        for (List<Knob> row : FilterRows.of(false, standing)) {
            rows.add(row.stream().<Region>map(k -> field(k.label(), k)).toList());
        }
        cards.add(
                        who().toUpperCase(Locale.ROOT),
                        pen ->
                                ChainPlots.filter(
                                        pen,
                                        model.selection().returnId().get(),
                                        bus().filter(),
                                        model.design().get().song().sampleRateHz()),
                        rows)
                .addBelow(
                        new BandMenus(
                                "of " + who(),
                                () -> bus().filter(),
                                f -> set(bus().withFilter(f), "filter")));
    }

    private NumberField field(String name, Knob knob) {
        NumberField field =
                new NumberField(
                        name,
                        knob.accepted(),
                        text -> taken(name, r -> knob.typed(model.at(), r, text)),
                        (way, size) ->
                                taken(name, r -> knob.stepped(model.at(), r, way * size.steps())),
                        model.problem()::set);
        fields.put(knob, field);
        return field;
    }

    private boolean taken(String name, Function<Return, Optional<Edit>> turn) {
        WetBus bus = bus();
        Optional<Edit> edit = turn.apply(bus.standing());
        try {
            edit.ifPresent(e -> set(bus.with(model.design().get().song(), e), name));
        } catch (IllegalArgumentException e) {
            model.problem().set(String.valueOf(e.getMessage()));
        }
        return edit.isPresent();
    }

    private void set(WetBus bus, String what) {
        model.edit(new WetEdit(purpose, bus, what));
    }

    void show() {
        Return standing = bus().standing();
        fields.forEach((knob, field) ->
                knob.read(model.design().get(), standing)
                        .ifPresent(reading -> field.show(reading.value(), reading.unit())));
    }
}
