package orbispace.app.view.frame;

import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import orbispace.app.view.control.Plate;

/** What to do while no song is open, and the buttons that do it. */
public final class Welcome extends VBox {
    public Welcome(FileMenu files) {
        Plate.clip(this);
        getStyleClass().add("welcome");
        Label title = new Label("No song is open");
        title.getStyleClass().add("inspector-title");
        Label words =
                new Label(
                        "Bring the dry stems of a song, open a project, or look around in the demo"
                                + " song.");
        words.setWrapText(true);
        Button stems = Plate.button("Bring stems\u2026", files::newFromStems);
        stems.getStyleClass().add("strong");
        HBox buttons =
                new HBox(
                        8,
                        stems,
                        Plate.button("Open\u2026", files::open),
                        Plate.button("Demo song", files::openDemo));
        buttons.setAlignment(Pos.CENTER_LEFT);
        getChildren().addAll(title, words, buttons);
        setMaxSize(420, Region.USE_PREF_SIZE);
    }
}
