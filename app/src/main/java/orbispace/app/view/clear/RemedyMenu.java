package orbispace.app.view.clear;

import java.util.EnumMap;
import java.util.Map;
import java.util.Set;
import javafx.scene.control.CheckMenuItem;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import orbispace.app.desk.ClearModel;
import orbispace.core.design.Setting;

/** Which kinds of remedy are looked for at all, and what is locked on the chosen return. */
final class RemedyMenu extends MenuButton {
    private final ClearModel model;
    private final Map<Setting, CheckMenuItem> kinds = new EnumMap<>(Setting.class);
    private final Map<Setting, CheckMenuItem> locks = new EnumMap<>(Setting.class);
    private final Menu locked = new Menu("Lock");

    RemedyMenu(ClearModel model) {
        this.model = model;
        getStyleClass().add("kind-menu");
        setAccessibleText("kinds of remedy to propose, and locks");
        Menu propose = new Menu("Propose, of any return");
        for (Setting setting : Setting.values()) {
            CheckMenuItem kind = new CheckMenuItem(setting.label());
            kind.setOnAction(e -> model.clearing().bar(setting, !kind.isSelected()));
            kinds.put(setting, kind);
            propose.getItems().add(kind);
            CheckMenuItem lock = new CheckMenuItem(setting.label());
            lock.setOnAction(e ->
                    model.clearing()
                            .asking()
                            .lock(model.selection().returnId().get(), setting, lock.isSelected()));
            locks.put(setting, lock);
            locked.getItems().add(lock);
        }
        getItems().addAll(propose, locked);
        model.clearing().barred().addListener((o, was, is) -> refresh());
    }

    /** Shows what is barred and locked. */
    void refresh() {
        String id = model.selection().returnId().get();
        Set<Setting> barred = model.clearing().barred().get();
        Set<Setting> kept = model.design().get().aims().lockedOf(id);
        kinds.forEach((setting, item) -> item.setSelected(!barred.contains(setting)));
        locks.forEach((setting, item) -> item.setSelected(kept.contains(setting)));
        locked.setText("Lock on " + (id.isEmpty() ? "the return" : id) + ": no remedy changes it");
        locked.setDisable(id.isEmpty());
        String out = barred.isEmpty() ? "" : barred.size() + " barred";
        String shut = kept.isEmpty() ? "" : kept.size() + " locked";
        setText(
                out.isEmpty() && shut.isEmpty()
                        ? "all kinds"
                        : out + (out.isEmpty() || shut.isEmpty() ? "" : ", ") + shut);
    }
}
