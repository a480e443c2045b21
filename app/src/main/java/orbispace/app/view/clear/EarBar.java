package orbispace.app.view.clear;

import java.util.EnumMap;
import java.util.Map;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import orbispace.app.desk.ClearModel;
import orbispace.app.view.control.Plate;
import orbispace.core.clear.Diagnosis;
import orbispace.core.clear.EarWord;

/** The ear words: pressing one asks the measures, and says what they answer. */
final class EarBar extends VBox {
    private final ClearModel model;
    private final Map<EarWord, ToggleButton> words = new EnumMap<>(EarWord.class);
    private final Label evidence = new Label();

    EarBar(ClearModel model) {
        super(4);
        this.model = model;
        Label head = new Label("What do you hear?");
        head.getStyleClass().add("section-head");
        evidence.getStyleClass().add("why");
        evidence.setWrapText(false);
        FlowPane flow = new FlowPane(4, 4);
        for (EarWord word : EarWord.values()) {
            ToggleButton button = Plate.toggle(word.label(), "I hear: " + word.label());
            button.getStyleClass().add("small");
            button.setOnAction(e -> press(word, button));
            words.put(word, button);
            flow.getChildren().add(button);
        }
        HBox line = new HBox(12, head, evidence);
        line.setAlignment(javafx.geometry.Pos.BASELINE_LEFT);
        getChildren().addAll(line, flow);
        model.clearing().diagnosis().addListener((o, was, is) -> refresh());
        model.selection().returnId().addListener((o, was, is) -> model.clearing().unhear());
        refresh();
    }

    private void press(EarWord word, ToggleButton button) {
        if (button.isSelected()) {
            model.clearing().hear(word);
        } else {
            model.clearing().unhear();
        }
    }

    private void refresh() {
        Diagnosis d = model.clearing().diagnosis().get();
        words.forEach((word, button) -> button.setSelected(d != null && d.word() == word));
        if (d == null) {
            evidence.setText(
                    "Press a word: the chart marks where it may live, and its remedies come"
                            + " first.");
        } else {
            evidence.setText(
                    (d.supported() ? "Yes: " : "Nothing measured supports it: ")
                            + d.evidence()
                            + ".");
        }
    }
}
