package orbispace.app.view.sheet;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import javafx.geometry.Pos;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import orbispace.app.desk.SheetModel;
import orbispace.app.song.HandOver;
import orbispace.app.view.control.KeptFocus;
import orbispace.app.view.control.NumberField;
import orbispace.app.view.control.Plate;
import orbispace.core.plan.Automation;
import orbispace.core.words.Entries;
import orbispace.files.midi.ControllerTable;

/** What of the plan and the throws is handed over, and the table of its controllers. */
final class LanesPanel extends VBox {
    private static final double MOST_HEIGHT = 150;

    private final SheetModel model;
    private final CheckBox midi = SheetInspector.box("Controllers", ".mid");
    private final CheckBox csv = SheetInspector.box("Breakpoints", ".csv");
    private final CheckBox words = SheetInspector.box("Thrown words as stems", "");
    private final VBox rows = new VBox(2);
    private final Label shared = new Label();
    private ControllerTable table = ControllerTable.USUAL;

    LanesPanel(SheetModel model) {
        this.model = model;
        midi.setOnAction(e -> refresh());
        shared.getStyleClass().add("why");
        shared.setWrapText(true);
        ScrollPane scroll = new ScrollPane(rows);
        scroll.setFitToWidth(true);
        scroll.setMaxHeight(MOST_HEIGHT);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        scroll.getStyleClass().add("cards");
        scroll.visibleProperty().bind(midi.selectedProperty());
        scroll.managedProperty().bind(scroll.visibleProperty());
        shared.managedProperty().bind(shared.visibleProperty());
        getChildren().addAll(midi, scroll, shared, csv, words);
        setSpacing(8);
        refresh();
    }

    /** What is to be written. */
    HandOver.Lanes order() {
        List<String> endings = new ArrayList<>();
        if (midi.isSelected()) {
            endings.add(".mid");
        }
        if (csv.isSelected()) {
            endings.add(".csv");
        }
        return new HandOver.Lanes(endings, table, words.isSelected());
    }

    /** Shows a row for each lane that moves. */
    void refresh() {
        KeptFocus.through(rows, this::remake);
    }

    private void remake() {
        rows.getChildren().clear();
        List<String> names =
                Automation.of(model.design().get()).lanes().stream()
                        .map(Automation.Lane::name)
                        .toList();
        for (int i = 0; i < names.size(); i++) {
            rows.getChildren().add(row(names.get(i), table.of(i, names.get(i))));
        }
        if (names.isEmpty()) {
            Label none = new Label("Nothing moves: no section differs and no word is thrown.");
            none.setWrapText(true);
            none.getStyleClass().add("caption");
            rows.getChildren().add(none);
        }
        List<Integer> twice = table.shared(names);
        shared.setVisible(midi.isSelected() && !twice.isEmpty());
        shared.setText("More than one lane is on controller " + twice + ".");
    }

    private HBox row(String name, ControllerTable.Controller now) {
        Label label = new Label(name);
        label.getStyleClass().add("caption");
        label.setMaxWidth(150);
        NumberField number =
                new NumberField(
                        "controller of " + name,
                        "a number from 0 to 119, or to 31 for 14 bits",
                        text -> {
                            OptionalDouble typed = Entries.number(text, "x");
                            typed.ifPresent(v -> choose(name, (int) Math.rint(v), now.fine()));
                            return typed.isPresent();
                        },
                        (direction, size) -> choose(name, now.number() + direction, now.fine()),
                        model.problem()::set);
        number.withoutName();
        number.show(String.valueOf(now.number()), "");
        ToggleButton fine = Plate.toggle("14", "14 bits for " + name);
        fine.setSelected(now.fine());
        fine.setOnAction(e -> choose(name, now.number(), fine.isSelected()));
        HBox row = new HBox(6, label, Plate.spring(), number, fine);
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }

    private void choose(String lane, int number, boolean fine) {
        try {
            table = table.with(lane, new ControllerTable.Controller(number, fine));
            model.problem().set("");
        } catch (IllegalArgumentException e) {
            model.problem().set(String.valueOf(e.getMessage()));
        }
        refresh();
    }
}
