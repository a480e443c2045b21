package orbispace.app.view.plan;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.function.BiFunction;
import java.util.function.Function;
import java.util.function.ToDoubleFunction;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import orbispace.app.desk.PlanModel;
import orbispace.app.desk.Planning;
import orbispace.app.draw.Palette;
import orbispace.app.view.control.Choice;
import orbispace.app.view.control.KeptFocus;
import orbispace.app.view.control.NumberField;
import orbispace.app.view.control.Plate;
import orbispace.app.view.control.SealMark;
import orbispace.core.design.PlanCell;
import orbispace.core.design.Section;
import orbispace.core.plan.PlanTemplate;
import orbispace.core.words.Entries;
import orbispace.core.words.Wording;
import orbispace.files.sheet.PlanWording;

/** One return in the chosen sections: how it differs there, and what was measured of it. */
final class CellPanel extends VBox {
    private final PlanModel model;
    private final Planning planning;
    private final SealMark seal;
    private final Label title = new Label();
    private final Label heard = new Label();
    private final Map<String, CellNumber> numbers = new LinkedHashMap<>();
    private final ToggleButton mute = Plate.toggle("Mute", "mute this return in this section");
    private final Choice<PlanCell.Edge> edge;
    private final Choice<PlanCell.Tempo> tempo;
    private final MenuButton copy = new MenuButton("Copy this section to");
    private final CellSends sends;
    private final TempoSteps steps;

    /** A number of a cell with its field. */
    private record CellNumber(
            NumberField field,
            ToDoubleFunction<PlanCell> now,
            Function<Double, String> words,
            String unit) {}

    CellPanel(PlanModel model) {
        this.model = model;
        planning = model.planning();
        seal = new SealMark(model.selection().returnId()::get, 12, true);
        heard.getStyleClass().add("why");
        heard.setWrapText(true);
        numbers();
        steps = new TempoSteps(model);
        sends = new CellSends(model);
        edge =
                new Choice<>(
                        "tail of the section before",
                        List.of(PlanCell.Edge.values()),
                        x -> "tail " + x.label(),
                        x -> planning.change(c -> c.withEdge(x), "tail"));
        tempo =
                new Choice<>(
                        "tempo of its times",
                        List.of(PlanCell.Tempo.values()),
                        x -> x == PlanCell.Tempo.AS_RETURN ? "times as set" : "times " + x.label(),
                        x -> planning.change(c -> c.withTempo(x), "tempo"));
        mute.setOnAction(e -> planning.change(c -> c.withMuted(mute.isSelected()), "mute"));
        Button plain =
                Plate.small("As elsewhere", () -> planning.change(c -> PlanCell.PLAIN, "plan"));
        getChildren()
                .addAll(
                        head(),
                        heard,
                        fields(),
                        new HBox(6, mute, plain),
                        new HBox(6, edge, tempo),
                        copy,
                        Plate.caps("WHOLE SONG"),
                        templates(),
                        Plate.caps("SENDS HERE"),
                        scroll(),
                        steps);
        setSpacing(10);
    }

    private HBox fields() {
        HBox fields = new HBox(12);
        numbers.values().forEach(n -> fields.getChildren().add(n.field()));
        return fields;
    }

    private HBox head() {
        title.getStyleClass().add("row-name");
        title.setWrapText(true);
        copy.getStyleClass().add("kind-menu");
        copy.setAccessibleText("copy this section's plan to another");
        copy.setOnShowing(e -> fillCopy());
        copy.getItems().add(new MenuItem(""));
        HBox head = new HBox(8, seal, title);
        head.setAlignment(Pos.CENTER_LEFT);
        head.getStyleClass().add("inspector-head");
        return head;
    }

    /** What of a cell is a number. */
    private void numbers() {
        number(
                "level offset",
                "decibels like \u22123",
                Entries::db,
                PlanCell::levelDb,
                PlanCell::withLevel,
                0.5,
                v -> Wording.number(v, 1),
                "dB");
        number(
                "decay",
                "a factor like 0.85",
                Entries::factor,
                PlanCell::decayScale,
                PlanCell::withDecay,
                0.05,
                v -> "\u00d7" + Wording.number(v, 2),
                "");
        number(
                "width",
                "a factor like 0.8",
                Entries::factor,
                PlanCell::widthScale,
                PlanCell::withWidth,
                0.05,
                v -> "\u00d7" + Wording.number(v, 2),
                "");
        number(
                "ramp",
                "quarter notes like 2",
                text -> Entries.number(text, "x"),
                PlanCell::rampBeats,
                PlanCell::withRamp,
                0.5,
                v -> Wording.number(v, 2),
                "quarters");
    }

    private ScrollPane scroll() {
        ScrollPane scroll = new ScrollPane(sends);
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        scroll.getStyleClass().add("cards");
        VBox.setVgrow(scroll, Priority.ALWAYS);
        return scroll;
    }

    private HBox templates() {
        HBox row = new HBox(6);
        for (PlanTemplate t : PlanTemplate.values()) {
            String name = t.label().substring(0, 1).toUpperCase(java.util.Locale.ROOT);
            row.getChildren()
                    .add(Plate.small(name + t.label().substring(1), () -> planning.lay(t)));
        }
        row.getChildren()
                .addAll(
                        Plate.small("Hold", planning::hold),
                        Plate.small("No plan", planning::clear));
        return row;
    }

    private void number(
            String name,
            String accepted,
            Function<String, OptionalDouble> read,
            ToDoubleFunction<PlanCell> now,
            BiFunction<PlanCell, Double, PlanCell> with,
            double step,
            Function<Double, String> words,
            String unit) {
        NumberField field =
                new NumberField(
                        name,
                        accepted,
                        text -> {
                            OptionalDouble typed = read.apply(text);
                            typed.ifPresent(v -> planning.change(c -> with.apply(c, v), name));
                            return typed.isPresent();
                        },
                        (direction, size) -> {
                            double by =
                                    switch (size) {
                                        case FINE -> step / 5;
                                        case PLAIN -> step;
                                        case COARSE -> 4 * step;
                                    };
                            planning.change(
                                    c ->
                                            with.apply(
                                                    c,
                                                    rounded(now.applyAsDouble(c) + direction * by)),
                                    name);
                        },
                        model.problem()::set);
        numbers.put(name, new CellNumber(field, now, words, unit));
    }

    private static double rounded(double value) {
        return Math.rint(1000 * value) / 1000;
    }

    private void fillCopy() {
        copy.getItems().clear();
        for (Section s : model.design().get().song().sections()) {
            MenuItem item = new MenuItem(s.name());
            item.setOnAction(e -> planning.copyTo(s));
            copy.getItems().add(item);
        }
    }

    private String where() {
        int along = planning.along().get().size();
        long chosen =
                model.design().get().song().sections().stream().filter(planning::isChosen).count();
        return along > 0 && chosen > 1
                ? " in " + chosen + " sections"
                : planning.section().map(s -> " in " + s.name()).orElse(", no section");
    }

    void setPalette(Palette palette) {
        steps.setPalette(palette);
        seal.setPalette(palette);
    }

    void refresh() {
        String id = model.selection().returnId().get();
        PlanCell cell = planning.cell();
        String name = model.design().get().findReturn(id).map(r -> r.name()).orElse("no return");
        title.setText(name + where());
        String words = cell.isPlain() ? "As elsewhere." : "Here: " + PlanWording.cell(cell) + ".";
        heard.setText(words + new CellWords(model).of(id));
        numbers.values()
                .forEach(n ->
                        n.field().show(n.words().apply(n.now().applyAsDouble(cell)), n.unit()));
        mute.setSelected(cell.muted());
        edge.show(cell.edge());
        tempo.show(cell.tempo());
        seal.repaint();
        KeptFocus.through(sends, () -> sends.show(id));
        steps.refresh();
    }
}
