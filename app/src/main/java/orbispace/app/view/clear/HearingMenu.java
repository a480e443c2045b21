package orbispace.app.view.clear;

import java.util.OptionalDouble;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.RadioMenuItem;
import javafx.scene.control.SeparatorMenuItem;
import javafx.scene.control.ToggleGroup;
import orbispace.app.desk.ClearModel;
import orbispace.core.design.HearingLevel;
import orbispace.core.hearing.Borders;
import orbispace.core.words.Wording;

/** The level at which one listens and the noise of the room, which the hearing model takes. */
final class HearingMenu extends MenuButton {
    private static final double[] LEVELS = {65, 70, 74, 78, 82, 86};

    /** A room by its noise per band of the ear. */
    private record Room(String name, OptionalDouble db) {}

    private static final Room[] ROOMS = {
        new Room("no noise at all", OptionalDouble.empty()),
        new Room("quiet control room, 10 dB", OptionalDouble.of(10)),
        new Room("quiet home, 20 dB", OptionalDouble.of(20)),
        new Room("lively room, 30 dB", OptionalDouble.of(30))
    };

    private final ClearModel model;

    HearingMenu(ClearModel model) {
        this.model = model;
        getStyleClass().add("kind-menu");
        setAccessibleText("listening level and room");
        setOnShowing(e -> fill());
        model.design().addListener((o, was, is) -> say());
        fill();
        say();
    }

    private HearingLevel now() {
        return model.design().get().aims().hearing();
    }

    private void fill() {
        getItems().clear();
        ToggleGroup levels = new ToggleGroup();
        for (double db : LEVELS) {
            RadioMenuItem item =
                    new RadioMenuItem("the mix at " + Wording.number(db, 0) + " dB SPL");
            item.setToggleGroup(levels);
            item.setSelected(db == now().levelDbSpl());
            item.setOnAction(e -> model.clearing().asking().listen(now().at(db)));
            getItems().add(item);
        }
        getItems().add(new SeparatorMenuItem());
        ToggleGroup rooms = new ToggleGroup();
        for (Room room : ROOMS) {
            RadioMenuItem item = new RadioMenuItem(room.name);
            item.setToggleGroup(rooms);
            item.setSelected(room.db.equals(now().roomDb()));
            item.setOnAction(e -> model.clearing().asking().listen(now().in(room.db)));
            getItems().add(item);
        }
        if (now().borders().own()) {
            MenuItem back = new MenuItem("back to the model's borders");
            back.setOnAction(e -> model.clearing().asking().listen(now().by(Borders.MODEL)));
            getItems().addAll(new SeparatorMenuItem(), back);
        }
    }

    private void say() {
        setText(
                "heard at "
                        + Wording.number(now().levelDbSpl(), 0)
                        + " dB, room "
                        + (now().roomDb().isPresent()
                                ? Wording.number(now().roomDb().getAsDouble(), 0) + " dB"
                                : "silent"));
    }
}
