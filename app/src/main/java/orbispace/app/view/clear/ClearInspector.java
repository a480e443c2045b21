package orbispace.app.view.clear;

import javafx.application.Platform;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import orbispace.app.desk.ClearModel;
import orbispace.app.desk.Clearing;
import orbispace.app.draw.Palette;
import orbispace.app.song.Clearance;
import orbispace.app.view.control.Plate;
import orbispace.app.view.control.SealMark;
import orbispace.app.view.control.WhenSeen;
import orbispace.core.design.Design;
import orbispace.core.design.Return;
import orbispace.core.design.Source;

/** The measures of the lead against the chosen return, and what would clear it. */
final class ClearInspector extends VBox {
    private final WhenSeen seen = new WhenSeen(this, this::show);
    private final ClearModel model;
    private final MenuButton lead = new MenuButton();
    private final RemedyMenu kinds;
    private final Label name = new Label();
    private final SealMark seal;
    private final StandingPanel standing;
    private final RemedyList remedies;

    ClearInspector(ClearModel model) {
        super(7);
        this.model = model;
        getStyleClass().add("inspector");
        kinds = new RemedyMenu(model);
        standing = new StandingPanel(model);
        remedies = new RemedyList(model, seen::run);
        seal = new SealMark(model.selection().returnId()::get, 12, true);
        ScrollPane scroll = new ScrollPane(remedies);
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        scroll.getStyleClass().add("cards");
        VBox.setVgrow(scroll, Priority.ALWAYS);
        getChildren().addAll(head(), standing, remedyLine(), scroll);
        model.clearing()
                .room()
                .addListener((o, was, is) -> {
                    if (is != null) {
                        Platform.runLater(() -> scroll.setVvalue(remedies.roomAt(scroll)));
                    }
                });
        listen();
        seen.run();
    }

    private HBox head() {
        lead.getStyleClass().add("kind-menu");
        lead.setAccessibleText("the source that must stay clear");
        lead.getItems().add(new MenuItem(""));
        lead.setOnShowing(e -> fillSources());
        name.getStyleClass().add("row-name");
        Label against = new Label("against");
        against.getStyleClass().add("caption");
        HBox head = new HBox(7, lead, against, seal, name);
        head.setAlignment(Pos.CENTER_LEFT);
        head.getStyleClass().add("inspector-head");
        return head;
    }

    private HBox remedyLine() {
        Label remedyHead = new Label("Remedies");
        remedyHead.getStyleClass().add("section-head");
        Button solve = Plate.small("Solve", () -> model.clearing().solve(false));
        solve.setAccessibleText("take the cheapest set for this return");
        Button all = Plate.small("All returns", () -> model.clearing().solve(true));
        all.setAccessibleText("take the cheapest set for all returns");
        HBox line = new HBox(5, remedyHead, Plate.spring(), kinds, solve, all);
        line.setAlignment(Pos.CENTER_LEFT);
        return line;
    }

    private void listen() {
        model.clearing().diagnosis().addListener((o, was, is) -> seen.run());
        model.clearing().earLine().addListener((o, was, is) -> seen.run());
        model.clearing().solution().addListener((o, was, is) -> seen.run());
        model.clearing().room().addListener((o, was, is) -> seen.run());
        model.measured().clearance().addListener((o, was, is) -> seen.run());
        model.selection().returnId().addListener((o, was, is) -> seen.run());
        model.design().addListener((o, was, is) -> seen.run());
        model.jobs().busyWith().addListener((o, was, is) -> seen.run());
    }

    void setPalette(Palette given) {
        seal.setPalette(given);
        standing.setPalette(given);
        remedies.setPalette(given);
    }

    private void show() {
        String id = model.selection().returnId().get();
        Clearance c = model.measured().clearance().get();
        seal.repaint();
        name.setText(model.chosenReturn().map(Return::name).orElse("no return"));
        lead.setText(model.clearing().name());
        kinds.refresh();
        standing.show(c, id, remedies.before(id));
        remedies.show(c, id);
    }

    /** Layers of one part are judged together, so the part stands once, by its group's name. */
    private void fillSources() {
        lead.getItems().clear();
        Design design = model.design().get();
        for (Source s : design.sources()) {
            if (design.layersOf(s).getFirst().equals(s)) {
                MenuItem item = new MenuItem(Clearing.partName(design, s));
                item.setOnAction(e -> model.clearing().judge(s.id()));
                lead.getItems().add(item);
            }
        }
    }
}
