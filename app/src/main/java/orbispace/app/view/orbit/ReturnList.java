package orbispace.app.view.orbit;

import java.util.List;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import orbispace.app.desk.OrbitModel;
import orbispace.app.draw.Palette;
import orbispace.app.song.SpaceKinds;
import orbispace.app.view.control.Plate;
import orbispace.core.design.Return;

/** The returns as a list: name, times, and how much each is noticed in the chosen section. */
final class ReturnList extends VBox {
    private static final int ROOMY = 4;

    private final OrbitModel model;
    private final VBox rows = new VBox();
    private final ScrollPane scroll = new ScrollPane(rows);
    private final MenuButton adding = new MenuButton();
    private final Button drafting;
    private Palette palette = Palette.DAY;

    ReturnList(OrbitModel model) {
        this.model = model;
        drafting = Plate.small("Draft", () -> model.drafting().start());
        getStyleClass().add("return-list");
        HBox head =
                new HBox(
                        caps("RETURNS", 150),
                        caps("predelay", 60),
                        caps("decay or note", 92),
                        caps("in the mix", 64),
                        adding,
                        drafting);
        adding.setText("Add");
        adding.setMinWidth(USE_PREF_SIZE);
        adding.setAccessibleText("add a return");
        adding.getStyleClass().add("kind-menu");
        for (SpaceKinds kind : SpaceKinds.values()) {
            MenuItem item = new MenuItem(kind.label());
            item.setOnAction(e -> model.field().add(kind));
            adding.getItems().add(item);
        }
        drafting.setAccessibleText("draft four fields");
        HBox.setMargin(drafting, new javafx.geometry.Insets(0, 0, 0, 4));
        scroll.setFitToWidth(true);
        scroll.getStyleClass().add("cards");
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        getChildren().addAll(head, scroll);
        model.design().addListener((o, was, is) -> refresh());
        model.selection().returnId().addListener((o, was, is) -> refresh());
        model.measured().clearance().addListener((o, was, is) -> refresh());
        model.transport().set().addListener((o, was, is) -> refresh());
        refresh();
    }

    private static Label caps(String text, double width) {
        Label label = new Label(text);
        label.getStyleClass().add(text.equals("RETURNS") ? "caps" : "caption");
        label.setMinWidth(width);
        return label;
    }

    void setPalette(Palette given) {
        palette = given;
        rows.getChildren().forEach(n -> ((ReturnRow) n).setPalette(given));
    }

    private void refresh() {
        List<String> ids = model.design().get().returns().stream().map(Return::id).toList();
        if (!ids.equals(rows.getChildren().stream().map(n -> ((ReturnRow) n).id).toList())) {
            rows.getChildren().clear();
            for (String id : ids) {
                ReturnRow row = new ReturnRow(model, id, ids.size() > ROOMY);
                row.setPalette(palette);
                rows.getChildren().add(row);
            }
        }
        rows.getChildren().forEach(n -> ((ReturnRow) n).refresh());
        int chosen = ids.indexOf(model.selection().returnId().get());
        if (chosen >= 0 && ids.size() > ROOMY) {
            scroll.setVvalue(chosen / (ids.size() - 1.0));
        }
        drafting.setDisable(!model.drafting().possible());
        adding.setDisable(!model.field().hasRoom());
    }
}
