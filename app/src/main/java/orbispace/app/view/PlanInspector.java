package orbispace.app.view;

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
import orbispace.app.draw.Palette;
import orbispace.app.session.Planning;
import orbispace.app.session.Session;
import orbispace.core.design.PlanCell;
import orbispace.core.design.Section;
import orbispace.core.design.Throw;
import orbispace.core.plan.PlanTemplate;
import orbispace.files.PlanWording;
import orbispace.files.Wording;

/** One return in one section, ready-made plans, and the list of throws. */
final class PlanInspector extends VBox {
    private final Session session;
    private final Planning planning;
    private final SealMark seal;
    private final Label title = new Label();
    private final Label heard = new Label();
    private final Map<String, CellNumber> numbers = new LinkedHashMap<>();
    private final ToggleButton mute = Plate.toggle("Mute", "mute this return in this section");
    private final Choice<PlanCell.Edge> edge;
    private final Choice<PlanCell.Tempo> tempo;
    private final MenuButton copy = new MenuButton("Copy this section to");
    private final VBox thrown = new VBox(6);

    /** A number of a cell with its field. */
    private record CellNumber(
            NumberField field,
            ToDoubleFunction<PlanCell> now,
            Function<Double, String> words,
            String unit) {}

    PlanInspector(Session session) {
        this.session = session;
        planning = session.planning();
        getStyleClass().add("inspector");
        seal = new SealMark(session.selection().returnId()::get, 12, true);
        title.getStyleClass().add("row-name");
        title.setWrapText(true);
        HBox head = new HBox(8, seal, title);
        head.setAlignment(Pos.CENTER_LEFT);
        head.getStyleClass().add("inspector-head");
        heard.getStyleClass().add("why");
        heard.setWrapText(true);
        numbers();
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
        copy.getStyleClass().add("kind-menu");
        copy.setAccessibleText("copy this section's plan to another");
        copy.setOnShowing(e -> fillCopy());
        copy.getItems().add(new MenuItem(""));
        HBox fields = new HBox(12);
        numbers.values().forEach(n -> fields.getChildren().add(n.field()));
        getChildren()
                .addAll(
                        head,
                        heard,
                        fields,
                        new HBox(6, mute, plain),
                        new HBox(6, edge, tempo),
                        copy,
                        caps("WHOLE SONG"),
                        templates(),
                        caps("THROWS"),
                        Plate.small("Throw the phrase at the playhead", planning::throwPhrase),
                        scroll());
        setSpacing(10);
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
        ScrollPane scroll = new ScrollPane(thrown);
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

    private static Label caps(String text) {
        Label label = new Label(text);
        label.getStyleClass().add("caps");
        return label;
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
                        session.problem()::set);
        numbers.put(name, new CellNumber(field, now, words, unit));
    }

    private static double rounded(double value) {
        return Math.rint(1000 * value) / 1000;
    }

    private void fillCopy() {
        copy.getItems().clear();
        for (Section s : session.design().get().song().sections()) {
            MenuItem item = new MenuItem(s.name());
            item.setOnAction(e -> planning.copyTo(s));
            copy.getItems().add(item);
        }
    }

    void setPalette(Palette palette) {
        seal.setPalette(palette);
    }

    void refresh() {
        String id = session.selection().returnId().get();
        PlanCell cell = planning.cell();
        String name = session.design().get().findReturn(id).map(r -> r.name()).orElse("no return");
        title.setText(name + planning.section().map(s -> " in " + s.name()).orElse(", no section"));
        heard.setText(cell.isPlain() ? "As elsewhere." : "Here: " + PlanWording.cell(cell) + ".");
        numbers.values()
                .forEach(n ->
                        n.field().show(n.words().apply(n.now().applyAsDouble(cell)), n.unit()));
        mute.setSelected(cell.muted());
        edge.show(cell.edge());
        tempo.show(cell.tempo());
        seal.repaint();
        showThrows();
    }

    private void showThrows() {
        thrown.getChildren().clear();
        for (Throw t : session.design().get().thrown()) {
            boolean heardThere = !session.design().get().lostThrows().contains(t);
            Label words =
                    new Label(
                            t.returnId()
                                    + ": "
                                    + PlanWording.thrown(session.design().get(), t)
                                    + (heardThere ? "" : ". Not heard: that return is gone"));
            words.setWrapText(true);
            words.getStyleClass().add("why");
            Button remove = Plate.small("Remove", () -> planning.remove(t));
            remove.setAccessibleText("remove throw " + t.id());
            Button louder = Plate.small("+1 dB", () -> louder(t, 1));
            louder.setAccessibleText("throw " + t.id() + " louder");
            Button softer = Plate.small("\u22121 dB", () -> louder(t, -1));
            softer.setAccessibleText("throw " + t.id() + " softer");
            VBox card = new VBox(4, words, new HBox(6, softer, louder, Plate.spring(), remove));
            card.getStyleClass().addAll("chain-card", "resting");
            thrown.getChildren().add(Plate.clip(card));
        }
    }

    private void louder(Throw t, double db) {
        planning.change(t.withLevel(Math.clamp(t.levelDb() + db, -90, 24)));
    }
}
