package orbispace.app.view.plan;

import java.util.List;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import orbispace.app.desk.PlanModel;
import orbispace.app.desk.Planning;
import orbispace.app.view.control.Plate;
import orbispace.core.design.Design;
import orbispace.core.design.Groups;
import orbispace.core.design.Section;
import orbispace.core.design.Source;
import orbispace.core.words.Wording;

/** The sends of a return, folded groups as one, with how they differ in the chosen section. */
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
        Design design = model.design().get();
        List<Source> sent =
                design.sources().stream().filter(s -> r.get().sends().containsKey(s.id())).toList();
        for (Groups.Row row : Groups.of(design).rows(sent, model.selection().folded().get())) {
            String first = row.sources().getFirst().id();
            double level = Groups.sendDb(row.sources(), r.get()).orElse(0);
            getChildren().add(row(row, level, here.plan().sendDb(id, first)));
        }
    }

    /** A source, or a folded group whose sends differ here as that of its first. */
    private HBox row(Groups.Row of, double levelDb, double by) {
        List<String> ids = of.sources().stream().map(Source::id).toList();
        Label name = new Label(of.name());
        name.getStyleClass().add("caption");
        Label level =
                new Label(
                        Wording.db(levelDb + by)
                                + (by == 0 ? "" : " (" + Wording.signed(by) + ")"));
        level.getStyleClass().add(by == 0 ? "caption" : "row-name");
        Button softer = Plate.small("\u2212", () -> planning.changeSends(ids, -1));
        softer.setAccessibleText("send less of " + of.name());
        Button louder = Plate.small("+", () -> planning.changeSends(ids, 1));
        louder.setAccessibleText("send more of " + of.name());
        HBox row = new HBox(6, name, Plate.spring(), level, softer, louder);
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }
}
