package orbispace.app.view.chain;

import java.util.LinkedHashMap;
import java.util.Map;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import orbispace.app.desk.ChainModel;
import orbispace.core.design.Design;
import orbispace.core.design.Duck;
import orbispace.core.design.Group;
import orbispace.core.design.Groups;
import orbispace.core.design.Leads;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;

/** What turns a return down: a source, or all layers of a group. */
final class DuckKeyMenu extends MenuButton {
    private final ChainModel model;

    DuckKeyMenu(ChainModel model) {
        this.model = model;
        getStyleClass().add("kind-menu");
        setAccessibleText("what turns this return down");
        getItems().add(new MenuItem(""));
        setOnShowing(e -> fill());
    }

    /** Says what keys the ducker of a return; hidden where there is none. */
    void show(Return r) {
        Duck duck = r.duck();
        setVisible(duck != null);
        setManaged(duck != null);
        if (duck != null) {
            setText("keyed by " + keys().getOrDefault(duck.keySource(), duck.keySource()));
        }
    }

    /** Each possible key with what people call it: groups first. */
    private Map<String, String> keys() {
        Design design = model.design().get();
        Map<String, String> keys = new LinkedHashMap<>();
        keys.put(Leads.KEY, "the lead of each section");
        Groups groups = Groups.of(design);
        for (Group group : groups.all()) {
            if (groups.members(group.name()).size() > 1) {
                keys.put(group.name(), group.name() + ", all layers");
            }
        }
        design.sources().forEach(s -> keys.put(s.id(), s.name()));
        return keys;
    }

    private void fill() {
        getItems().clear();
        keys().forEach((key, name) -> {
            MenuItem item = new MenuItem(name);
            item.setOnAction(e -> choose(key));
            getItems().add(item);
        });
    }

    private void choose(String key) {
        model.design()
                .get()
                .findReturn(model.selection().returnId().get())
                .filter(r -> r.duck() != null)
                .ifPresent(r -> {
                    Duck duck = java.util.Objects.requireNonNull(r.duck());
                    model.edit(
                            new ReturnEdit.Ducking(r.id(), duck.keyedBy(key, duck.thresholdDb())));
                });
    }
}
