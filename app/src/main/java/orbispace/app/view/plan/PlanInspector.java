package orbispace.app.view.plan;

import javafx.scene.control.ToggleButton;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import orbispace.app.desk.PlanModel;
import orbispace.app.draw.Palette;
import orbispace.app.view.control.Plate;

/** Beside the plan: the chosen cell, or the throws. */
final class PlanInspector extends VBox {
    private final PlanModel model;
    private final CellPanel cell;
    private final ThrowPanel thrown;
    private final ToggleButton cells = Plate.toggle("Section", "numbers of a return in a section");
    private final ToggleButton throwsTab = Plate.toggle("Throws", "thrown words");
    private boolean throwsShown;

    PlanInspector(PlanModel model) {
        this.model = model;
        cell = new CellPanel(model);
        thrown = new ThrowPanel(model);
        getStyleClass().add("inspector");
        cells.setOnAction(e -> show(false));
        throwsTab.setOnAction(e -> show(true));
        VBox.setVgrow(cell, Priority.ALWAYS);
        VBox.setVgrow(thrown, Priority.ALWAYS);
        getChildren().addAll(new HBox(6, cells, throwsTab), cell, thrown);
        setSpacing(10);
        model.throwing().picking().picked().addListener((o, was, is) -> show(is != null));
        show(false);
    }

    private void show(boolean throwsOnes) {
        throwsShown = throwsOnes;
        cells.setSelected(!throwsOnes);
        throwsTab.setSelected(throwsOnes);
        cell.setVisible(!throwsOnes);
        cell.setManaged(!throwsOnes);
        thrown.setVisible(throwsOnes);
        thrown.setManaged(throwsOnes);
        refresh();
    }

    void setPalette(Palette palette) {
        cell.setPalette(palette);
    }

    void refresh() {
        int n = model.design().get().thrown().size();
        throwsTab.setText(n == 0 ? "Throws" : "Throws (" + n + ")");
        if (throwsShown) {
            thrown.refresh();
        } else {
            cell.refresh();
        }
    }
}
