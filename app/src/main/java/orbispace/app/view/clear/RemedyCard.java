package orbispace.app.view.clear;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import orbispace.app.view.control.Plate;
import orbispace.core.clear.Proposal;
import orbispace.core.words.Wording;

/** A remedy with what it gains and costs, and the button that applies it or takes it back. */
final class RemedyCard extends VBox {
    /**
     * A card.
     *
     * @param says whether it says why; what the card above has said need not be said again
     */
    RemedyCard(Proposal p, boolean on, boolean says, Runnable press) {
        Label change = new Label(p.change());
        change.getStyleClass().add("row-name");
        change.setWrapText(true);
        Label why = new Label(p.why());
        why.getStyleClass().add("why");
        why.setWrapText(true);
        why.setVisible(says);
        why.setManaged(says);
        Label measures =
                new Label(
                        "presence "
                                + percent(p.before().presenceKept())
                                + " to "
                                + percent(p.after().presenceKept())
                                + " %\nbloom "
                                + level(p.before().bloomDb())
                                + " to "
                                + level(p.after().bloomDb())
                                + " dB");
        measures.getStyleClass().add("remedy-measures");
        Label cost = new Label("costs " + cost(p));
        cost.getStyleClass().add("caption");
        Button button = Plate.button(on ? "Undo" : "Apply", press);
        button.getStyleClass().add(on ? "quiet" : "strong");
        button.setAccessibleText((on ? "undo " : "apply ") + p.change());
        Label state = new Label(on ? "on" : "");
        state.getStyleClass().add("row-state");
        cost.setWrapText(true);
        HBox.setHgrow(cost, Priority.ALWAYS);
        HBox foot = new HBox(8, cost, Plate.spring(), state, button);
        foot.setAlignment(Pos.CENTER_LEFT);
        super(3, change, why, measures, foot);
        Plate.clip(this);
        getStyleClass().addAll("chain-card", on ? "resting" : "open");
    }

    private static String percent(OptionalDouble share) {
        return share.isPresent() ? Wording.number(100 * share.getAsDouble(), 0) : "\u2013";
    }

    private static String level(OptionalDouble db) {
        return db.isPresent() ? Wording.number(db.getAsDouble(), 1) : "none";
    }

    private static String cost(Proposal p) {
        List<String> parts = new ArrayList<>();
        if (p.cost().bandwidthOctaves() > 0.05) {
            parts.add(Wording.number(p.cost().bandwidthOctaves(), 1) + " octaves");
        }
        if (p.cost().duckDb() > 0.05) {
            parts.add(Wording.number(p.cost().duckDb(), 1) + " dB in phrases");
        }
        if (p.cost().levelDb() > 0.05) {
            parts.add(Wording.number(p.cost().levelDb(), 1) + " dB of level");
        }
        if (p.cost().decayShare() > 0.005) {
            parts.add(Wording.percent(p.cost().decayShare(), 0) + " of the decay");
        }
        if (p.cost().bloomDb() > 0.05) {
            parts.add(Wording.number(p.cost().bloomDb(), 1) + " dB of bloom");
        }
        return parts.isEmpty() ? "nothing measurable" : String.join(", ", parts);
    }
}
