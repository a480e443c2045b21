package orbispace.app.view.orbit;

import javafx.scene.control.CheckMenuItem;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SeparatorMenuItem;
import orbispace.app.desk.OrbitModel;
import orbispace.app.song.EventChoice;
import orbispace.app.song.FieldEvents;
import orbispace.core.design.Source;

/** Which of the song's own events are ringed: any sources, the song or the chosen section. */
final class EventsMenu extends MenuButton {
    private final OrbitModel model;

    EventsMenu(OrbitModel model) {
        super("events");
        this.model = model;
        getStyleClass().add("kind-menu");
        setAccessibleText("which events of the song are ringed");
        getItems().add(new MenuItem(""));
        setOnShowing(e -> fill());
        model.selection().events().addListener((o, was, is) -> say());
        model.design().addListener((o, was, is) -> say());
        say();
    }

    private void say() {
        EventChoice choice = model.selection().events().get();
        String what =
                switch (choice.sources().size()) {
                    case 0 -> "lead and hits";
                    case 1 ->
                            model.design()
                                    .get()
                                    .findSource(choice.sources().iterator().next())
                                    .map(Source::name)
                                    .orElse("one source");
                    default -> choice.sources().size() + " sources";
                };
        setText("events: " + what + (choice.inSection() ? ", here" : ""));
    }

    private void fill() {
        EventChoice choice = model.selection().events().get();
        getItems().clear();
        CheckMenuItem usual = new CheckMenuItem("The lead and the busiest hits");
        usual.setSelected(choice.sources().isEmpty());
        usual.setOnAction(e -> choose(new EventChoice(java.util.Set.of(), choice.inSection())));
        getItems().addAll(usual, new SeparatorMenuItem());
        for (Source s : FieldEvents.sources(model.design().get(), model.measured().materials())) {
            CheckMenuItem item = new CheckMenuItem(s.name());
            item.setSelected(choice.sources().contains(s.id()));
            item.setOnAction(e -> choose(choice.toggled(s.id())));
            getItems().add(item);
        }
        CheckMenuItem here = new CheckMenuItem("In the chosen section only");
        here.setSelected(choice.inSection());
        here.setOnAction(e -> choose(new EventChoice(choice.sources(), here.isSelected())));
        getItems().addAll(new SeparatorMenuItem(), here);
    }

    private void choose(EventChoice choice) {
        model.selection().events().set(choice);
    }
}
