package orbispace.app.view.song;

import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** One reading of a stem: what it is, its value, and words about it. */
final class ReadingCard {
    private ReadingCard() {}

    static VBox of(StemReadings.Reading reading) {
        Label h = new Label(reading.head());
        h.getStyleClass().add("caps");
        Label v = new Label(reading.value());
        v.getStyleClass().add("reading");
        v.setMinWidth(Region.USE_PREF_SIZE);
        Label w = new Label(reading.words());
        w.getStyleClass().add("caption");
        w.setWrapText(true);
        HBox line = new HBox(8, v, w);
        line.setAlignment(javafx.geometry.Pos.BASELINE_LEFT);
        VBox fact = new VBox(0, h, line);
        fact.getStyleClass().add("stem-fact");
        if (!reading.holds().isEmpty()) {
            Tooltip.install(fact, new Tooltip("Holds for " + reading.holds()));
        }
        return fact;
    }
}
