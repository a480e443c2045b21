package orbispace.app.view;

import java.util.function.Consumer;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import orbispace.app.draw.Palette;
import orbispace.app.draw.Pen;

/** One stage of a chain: its name, its numbers, and a small measured plot. */
final class ChainCard extends VBox {
    private final Plot plot;

    /** A card with fields side by side. */
    ChainCard(String title, Consumer<Pen> drawing, Region... fields) {
        Plate.clip(this);
        getStyleClass().add("chain-card");
        Label head = new Label(title);
        head.getStyleClass().add("caps");
        HBox line = new HBox(6);
        double room = fields.length == 1 ? 140 : fields.length == 2 ? 84 : 57;
        for (Region field : fields) {
            field.setPrefWidth(room);
            field.setMinWidth(room);
            line.getChildren().add(field);
        }
        Region filler = new Region();
        HBox.setHgrow(filler, Priority.ALWAYS);
        plot = new Plot(drawing);
        plot.setPrefSize(54, 30);
        plot.setMinSize(54, 30);
        line.getChildren().addAll(filler, plot);
        getChildren().addAll(head, line);
    }

    void setPalette(Palette palette) {
        plot.setPalette(palette);
    }

    void refresh() {
        plot.repaint();
    }

    private static final class Plot extends ScalingCanvas {
        private final Consumer<Pen> drawing;

        Plot(Consumer<Pen> drawing) {
            this.drawing = drawing;
        }

        @Override
        void paint(Pen pen, double w, double h) {
            drawing.accept(pen);
        }
    }
}
