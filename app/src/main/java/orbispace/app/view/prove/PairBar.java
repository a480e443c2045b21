package orbispace.app.view.prove;

import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import orbispace.app.desk.ProveModel;
import orbispace.app.session.ComparedPair;
import orbispace.app.view.control.Plate;
import orbispace.core.prove.log.Snapshot;

/** What stands on either side of the pair, and snapshots to be taken and managed. */
final class PairBar extends HBox {
    private final ProveModel model;
    private final MenuButton first = menu("Before", "what is heard before");
    private final MenuButton second = menu("After", "what is heard after");
    private final MenuButton snapshots = menu("Snapshots", "snapshots");
    private final TextField name = new TextField();

    PairBar(ProveModel model) {
        super(6);
        this.model = model;
        Button keep = Plate.button("Take a snapshot", this::keep);
        name.setAccessibleText("name of the snapshot");
        name.setOnAction(e -> keep());
        HBox.setHgrow(name, Priority.SOMETIMES);
        name.setMaxWidth(130);
        snapshots.setOnShowing(e -> fill());
        first.setOnShowing(e -> fill(first, true));
        second.setOnShowing(e -> fill(second, false));
        getChildren().addAll(first, Plate.spring(), keep, name, snapshots, Plate.spring(), second);
        setAlignment(Pos.CENTER_LEFT);
    }

    private static MenuButton menu(String text, String accessible) {
        MenuButton menu = new MenuButton(text);
        menu.getStyleClass().add("kind-menu");
        menu.setAccessibleText(accessible);
        menu.getItems().add(new MenuItem(""));
        return menu;
    }

    void refresh() {
        name.setPromptText(model.log().freshName());
        int n = model.log().book().get().snapshots().size();
        snapshots.setText(
                switch (n) {
                    case 0 -> "No snapshots";
                    case 1 -> "1 snapshot";
                    default -> n + " snapshots";
                });
    }

    private void keep() {
        model.log().snapshot(name.getText().isBlank() ? model.log().freshName() : name.getText());
        name.clear();
    }

    private void fill() {
        snapshots.getItems().clear();
        for (Snapshot s : model.log().book().get().snapshots()) {
            snapshots
                    .getItems()
                    .add(item("Compare with " + s.name(), () -> model.log().compareWith(s)));
            snapshots.getItems().add(item("Restore " + s.name(), () -> model.log().restore(s)));
            snapshots.getItems().add(item("Forget " + s.name(), () -> model.log().forget(s)));
        }
        if (snapshots.getItems().isEmpty()) {
            snapshots.getItems().add(item("None yet", () -> {}));
        }
    }

    /** Everything that can stand on one side of the pair. */
    private void fill(MenuButton side, boolean isFirst) {
        side.getItems().clear();
        MenuItem now =
                item(
                        "The field as it stands",
                        () -> {
                            if (isFirst) {
                                model.pair().keepAsBefore();
                            } else {
                                model.pair().second(null);
                            }
                        });
        side.getItems().add(now);
        for (ComparedPair.Named n : model.proving().comparable()) {
            side.getItems()
                    .add(
                            item(
                                    n.name(),
                                    () -> {
                                        if (isFirst) {
                                            model.pair().first(n);
                                        } else {
                                            model.pair().second(n);
                                        }
                                    }));
        }
    }

    private static MenuItem item(String text, Runnable action) {
        MenuItem item = new MenuItem(text);
        item.setOnAction(e -> action.run());
        return item;
    }
}
