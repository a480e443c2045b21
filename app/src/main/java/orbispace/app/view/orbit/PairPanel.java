package orbispace.app.view.orbit;

import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import orbispace.app.desk.OrbitModel;
import orbispace.app.view.control.Plate;
import orbispace.core.prove.compare.FieldSettlement;
import orbispace.core.prove.compare.Settlement;

/** The field before against the field as it is: rendered, subtracted, said in words. */
final class PairPanel extends VBox {
    private final OrbitModel model;
    private final VBox rows = new VBox(4);
    private final Button settle;

    PairPanel(OrbitModel model) {
        super(6);
        this.model = model;
        settle = Plate.small("Settle it", () -> model.settling().pair());
        settle.setAccessibleText("render both fields and subtract them");
        Button keep = Plate.small("Compare with now", model.pair()::keepAsBefore);
        keep.setAccessibleText("take the field as it is as the one before");
        ScrollPane scroll = new ScrollPane(rows);
        scroll.setFitToWidth(true);
        scroll.getStyleClass().add("cards");
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        HBox buttons = new HBox(6, settle, keep);
        getChildren().addAll(buttons, scroll);
        model.settling().ofPair().addListener((o, was, is) -> refresh());
        model.design().addListener((o, was, is) -> refresh());
        model.pair().before().addListener((o, was, is) -> refresh());
        visibleProperty().addListener((o, was, is) -> refresh());
        refresh();
    }

    /** What is not seen is not worked on. */
    private void refresh() {
        if (!isVisible()) {
            return;
        }
        rows.getChildren().clear();
        FieldSettlement pair = model.settling().ofPair().get();
        boolean same = model.pair().same();
        settle.setDisable(same);
        if (pair == null) {
            rows.getChildren()
                    .add(
                            words(
                                    same
                                            ? "Nothing has changed since the field before."
                                            : "Both fields are rendered over the whole song and"
                                                    + " subtracted; what is left is measured under"
                                                    + " the wet of the one before."));
            return;
        }
        rows.getChildren().add(row("all wet", pair.wet()));
        pair.returns().forEach((id, s) -> rows.getChildren().add(row(named(id), s)));
    }

    private String named(String id) {
        return model.design()
                .get()
                .findReturn(id)
                .or(() -> model.pair().before().get().findReturn(id))
                .map(r -> id + " " + r.name())
                .orElse(id);
    }

    private static HBox row(String name, Settlement settlement) {
        Label label = new Label(name);
        label.getStyleClass().add("row-name");
        label.setMinWidth(112);
        label.setMaxWidth(112);
        HBox row = new HBox(8, label, words(settlement.words()));
        row.setAlignment(Pos.TOP_LEFT);
        return row;
    }

    private static Label words(String text) {
        Label label = new Label(text);
        label.getStyleClass().add("caption");
        label.setWrapText(true);
        HBox.setHgrow(label, Priority.ALWAYS);
        return label;
    }
}
