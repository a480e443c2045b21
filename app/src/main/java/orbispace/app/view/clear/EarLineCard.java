package orbispace.app.view.clear;

import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import orbispace.app.desk.ClearModel;
import orbispace.app.view.control.Plate;
import orbispace.core.clear.EarLine;
import orbispace.core.design.ReturnEdit;
import orbispace.core.words.Wording;

/** The two levels of the ear line, where they differ, with a press to set either. */
final class EarLineCard extends VBox {
    private final ClearModel model;

    EarLineCard(ClearModel model, EarLine line) {
        super(4);
        this.model = model;
        Label text =
                new Label(
                        "Obvious from "
                                + Wording.number(line.loudest().obviousDb(), 1)
                                + " dB in the loudest phrase"
                                + barOf(line.loudest())
                                + ", from "
                                + Wording.number(line.sparsest().obviousDb(), 1)
                                + " in the sparsest"
                                + barOf(line.sparsest())
                                + "; taken back until only felt:");
        text.getStyleClass().add("why");
        text.setWrapText(true);
        HBox buttons =
                new HBox(
                        5,
                        setTo(line.loudest().feltDb(), "loudest"),
                        setTo(line.sparsest().feltDb(), "sparsest"));
        getChildren().addAll(text, buttons);
    }

    private Button setTo(double db, String phrase) {
        return Plate.small(
                "Set " + Wording.number(db, 1) + " dB (" + phrase + ")",
                () -> model.edit(new ReturnEdit.Level(model.selection().returnId().get(), db)));
    }

    private String barOf(EarLine.Answer answer) {
        return " (bar "
                + model.design().get().song().clock().barAtSeconds(answer.phrase().startSeconds())
                + ")";
    }
}
