package orbispace.app.view.chain;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import javafx.geometry.Insets;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import orbispace.app.draw.Palette;
import orbispace.app.draw.Pen;
import orbispace.app.view.control.Plate;
import orbispace.app.view.control.ScalingCanvas;

/** One stage of a chain: a knot on the path, its name, its numbers, and a small measured plot. */
final class ChainCard extends HBox {
    private final Knot knot = new Knot();
    private final Plot plot;
    private final VBox card;

    /** A card with rows of up to three fields side by side. */
    ChainCard(String title, Consumer<Pen> drawing, List<List<Region>> fields) {
        Label head = new Label(title);
        head.getStyleClass().add("caps");
        VBox rows = new VBox(1);
        for (List<Region> row : fields) {
            double room =
                    switch (row.size()) {
                        case 1 -> 140;
                        case 2 -> 84;
                        default -> 58;
                    };
            for (Region field : row) {
                field.setPrefWidth(room);
            }
            rows.getChildren().add(new HBox(2, row.toArray(Region[]::new)));
        }
        plot = new Plot(drawing);
        plot.setPrefSize(54, 30);
        plot.setMinSize(54, 30);
        plot.setMaxHeight(30);
        HBox line = new HBox(rows, Plate.spring(), plot);
        card = Plate.clip(fields.isEmpty() ? new VBox(head) : new VBox(head, line));
        card.getStyleClass().add("chain-card");
        HBox.setHgrow(card, Priority.ALWAYS);
        HBox.setMargin(card, new Insets(0, 0, 5, 0));
        knot.setPrefWidth(20);
        knot.setMinWidth(20);
        getChildren().addAll(knot, card);
    }

    /** Fields in rows of so many. */
    static List<List<Region>> rows(List<Region> fields, int most) {
        List<List<Region>> rows = new ArrayList<>();
        for (int i = 0; i < fields.size(); i += most) {
            rows.add(fields.subList(i, Math.min(fields.size(), i + most)));
        }
        return rows;
    }

    /** Adds words or buttons under the numbers. */
    void addBelow(Region... more) {
        card.getChildren().addAll(more);
    }

    /** Whether this is where the path begins or ends. */
    void end(boolean first, boolean last) {
        knot.first = first;
        knot.last = last;
    }

    void setPalette(Palette palette) {
        plot.setPalette(palette);
        knot.setPalette(palette);
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
        protected void paint(Pen pen, double w, double h) {
            drawing.accept(pen);
        }
    }

    /** A stretch of the path with its knot. */
    private static final class Knot extends ScalingCanvas {
        private boolean first;
        private boolean last;

        @Override
        protected void paint(Pen pen, double w, double h) {
            double y = 17;
            pen.upright(5, first ? y : 0, last ? y : h, pen.palette.ink3);
            pen.across(5, w, y, pen.palette.ink3);
            pen.circle(5.5, y + 0.5, 3.5, pen.palette.card, pen.palette.ink2, 1.2);
        }
    }
}
