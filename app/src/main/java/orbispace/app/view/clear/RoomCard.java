package orbispace.app.view.clear;

import java.util.List;
import java.util.stream.Collectors;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import orbispace.app.draw.Palette;
import orbispace.app.view.control.Plate;
import orbispace.core.clear.room.RoomPlan;
import orbispace.core.words.Wording;

/** Room between dry sources: what moves and why, what everyone keeps, and left against right. */
final class RoomCard extends VBox {
    RoomCard(RoomPlan plan, Palette palette, Runnable press) {
        super(4, text(plan.words(), plan.isEmpty() ? "why" : "row-name"));
        if (!plan.isEmpty()) {
            List<Node> rows = getChildren();
            for (RoomPlan.Change c : plan.changes()) {
                rows.add(text(c.change(), "remedy-measures"));
                rows.add(text(c.why(), "why"));
            }
            SeatChart seats = new SeatChart(plan);
            seats.setPalette(palette);
            rows.add(seats);
            rows.add(
                    text(
                            "kept: "
                                    + plan.kept().stream()
                                            .map(RoomCard::kept)
                                            .collect(Collectors.joining(" \u00b7 ")),
                            "caption"));
            Button button = Plate.button("Apply all", press);
            button.getStyleClass().add("strong");
            button.setAccessibleText("apply room for " + plan.source().name());
            HBox foot = new HBox(8, Plate.spring(), button);
            foot.setAlignment(Pos.CENTER_LEFT);
            rows.add(foot);
        }
        Plate.clip(this);
        getStyleClass().addAll("chain-card", "open");
    }

    private static String kept(RoomPlan.Kept k) {
        return Wording.format(
                "%s %.0f to %.0f %%", k.source().name(), 100 * k.before(), 100 * k.after());
    }

    private static Label text(String words, String style) {
        Label label = new Label(words);
        label.getStyleClass().add(style);
        label.setWrapText(true);
        return label;
    }
}
