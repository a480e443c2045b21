package orbispace.app.view.clear;

import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import orbispace.app.view.control.Plate;
import orbispace.core.clear.RoomMove;
import orbispace.core.words.Wording;

/** A move that makes room between two dry sources, with what both keep before and after. */
final class RoomCard extends VBox {
    RoomCard(RoomMove m, Runnable press) {
        Label change = text(m.change().strip(), "row-name");
        Label why = text(m.why(), "why");
        Label measures =
                text(
                        kept(m.first().name(), m.before().first(), m.after().first())
                                + "\n"
                                + kept(m.second().name(), m.before().second(), m.after().second()),
                        "remedy-measures");
        Button button = Plate.button("Apply", press);
        button.getStyleClass().add("strong");
        button.setAccessibleText("apply " + m.change().strip());
        HBox foot = new HBox(8, text("beside each other", "caption"), Plate.spring(), button);
        foot.setAlignment(Pos.CENTER_LEFT);
        super(3, change, why, measures, foot);
        Plate.clip(this);
        getStyleClass().addAll("chain-card", "open");
    }

    private static String kept(String name, double before, double after) {
        return name
                + " "
                + Wording.number(100 * before, 0)
                + " to "
                + Wording.number(100 * after, 0)
                + " %";
    }

    private static Label text(String words, String style) {
        Label label = new Label(words);
        label.getStyleClass().add(style);
        label.setWrapText(true);
        return label;
    }
}
