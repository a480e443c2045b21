package orbispace.app.view.plan;

import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import orbispace.app.desk.PlanModel;
import orbispace.app.desk.Planning;
import orbispace.app.view.control.Plate;
import orbispace.core.design.Section;
import orbispace.core.design.Source;
import orbispace.core.words.Wording;

/** The sends of a return, with how they differ in the chosen section. */
final class CellSends extends VBox {
    private final PlanModel model;
    private final Planning planning;

    CellSends(PlanModel model) {
        super(2);
        this.model = model;
        planning = model.planning();
    }

    /** The sends of the return, with how they differ here. */
    void show(String id) {
        getChildren().clear();
        var r = model.design().get().findReturn(id);
        if (r.isEmpty() || planning.section().isEmpty()) {
            return;
        }
        Section here = planning.section().get();
        for (Source s : model.design().get().sources()) {
            var send = r.get().sends().get(s.id());
            if (send == null) {
                continue;
            }
            getChildren().add(row(s, send.levelDb(), here.plan().sendDb(id, s.id())));
        }
    }

    private HBox row(Source s, double levelDb, double by) {
        Label name = new Label(s.name());
        name.getStyleClass().add("caption");
        Label level =
                new Label(
                        Wording.db(levelDb + by)
                                + (by == 0 ? "" : " (" + Wording.signed(by) + ")"));
        level.getStyleClass().add(by == 0 ? "caption" : "row-name");
        Button softer = Plate.small("\u2212", () -> planning.changeSend(s.id(), -1));
        softer.setAccessibleText("send less of " + s.name());
        Button louder = Plate.small("+", () -> planning.changeSend(s.id(), 1));
        louder.setAccessibleText("send more of " + s.name());
        HBox row = new HBox(6, name, Plate.spring(), level, softer, louder);
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }
}
