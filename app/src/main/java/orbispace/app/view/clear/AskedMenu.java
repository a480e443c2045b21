package orbispace.app.view.clear;

import java.util.Optional;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SeparatorMenuItem;
import orbispace.app.desk.ClearModel;
import orbispace.core.design.Goal;
import orbispace.core.design.Targets;
import orbispace.core.hearing.WetState;

/** What is asked of the judged source and the chosen return: ready-made, or one thing alone. */
final class AskedMenu extends MenuButton {
    private final ClearModel model;

    AskedMenu(ClearModel model) {
        this.model = model;
        getStyleClass().add("kind-menu");
        setAccessibleText("what is asked of this source and this return");
        getItems().add(item("by its role", Optional.empty()));
        for (Goal g : Goal.values()) {
            getItems().add(item(g.label(), Optional.of(g.targets())));
        }
        getItems().add(new SeparatorMenuItem());
        for (WetState state : WetState.values()) {
            MenuItem item = new MenuItem(state.label() + ", the rest as it is");
            item.setOnAction(e -> ask(now().withState(state)));
            getItems().add(item);
        }
    }

    /** Says what is asked. */
    void refresh() {
        Targets t = now();
        String ready =
                java.util.Arrays.stream(Goal.values())
                        .filter(g ->
                                g.targets().equals(t) && model.clearing().asking().asksOwn(id()))
                        .map(Goal::label)
                        .findFirst()
                        .orElse(t.state().label());
        setText("asked: " + ready);
    }

    private String id() {
        return model.selection().returnId().get();
    }

    private Targets now() {
        return model.clearing().asking().targets(id()).orElse(Targets.LEAD);
    }

    private void ask(Targets wanted) {
        model.clearing().asking().want(id(), wanted);
    }

    private MenuItem item(String text, Optional<Targets> wanted) {
        MenuItem item = new MenuItem(text);
        item.setOnAction(e -> model.clearing().asking().want(id(), wanted.orElse(null)));
        return item;
    }
}
