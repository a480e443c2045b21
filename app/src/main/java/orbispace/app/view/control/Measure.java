package orbispace.app.view.control;

import java.util.OptionalDouble;
import java.util.function.DoubleFunction;
import java.util.function.DoubleUnaryOperator;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import orbispace.app.draw.Palette;
import orbispace.app.draw.Pen;

/** One big number with what it was, drawn to scale. */
public final class Measure extends VBox {
    private final Label value = new Label();
    private final Label unit = new Label();
    private final Label was = new Label();
    private final Scale scale = new Scale();

    /**
     * A measure.
     *
     * @param asked what is asked of it, beside its scale
     */
    public Measure(String name, String unitText, javafx.scene.Node asked) {
        super(0);
        Label head = new Label(name);
        head.getStyleClass().add("caps");
        value.getStyleClass().add("big");
        unit.getStyleClass().add("big-unit");
        unit.setText(unitText);
        was.getStyleClass().add("caption");
        value.setMinWidth(javafx.scene.layout.Region.USE_PREF_SIZE);
        unit.setMinWidth(javafx.scene.layout.Region.USE_PREF_SIZE);
        scale.setPrefSize(92, 26);
        HBox line = new HBox(4, value, unit, was, Plate.spring(), asked, scale);
        line.setAlignment(Pos.BASELINE_LEFT);
        getChildren().addAll(head, line);
    }

    /** Takes other colours. */
    public void setPalette(Palette given) {
        scale.setPalette(given);
    }

    /**
     * Shows a value.
     *
     * @param before what it was; empty if nothing is known of that
     * @param words the value in words
     * @param share where on the scale it lies, 0 to 1
     * @param target where on the scale what is asked lies; negative for nothing asked
     * @param id letter of the return whose colour it takes
     */
    public void show(
            OptionalDouble now,
            OptionalDouble before,
            DoubleFunction<String> words,
            DoubleUnaryOperator share,
            double target,
            String id) {
        value.setText(now.isPresent() ? words.apply(now.getAsDouble()) : "\u2013");
        was.setText(before.isPresent() ? "was " + words.apply(before.getAsDouble()) : "");
        scale.show(
                now.isPresent() ? share.applyAsDouble(now.getAsDouble()) : 0,
                before.isPresent() ? share.applyAsDouble(before.getAsDouble()) : -1,
                target,
                id);
    }

    /** A bar from 0 to 1 with a mark for what was, and one for what is asked. */
    private static final class Scale extends ScalingCanvas {
        private double now;
        private double before = -1;
        private double target = -1;
        private String id = "A";

        void show(double given, double was, double asked, String returnId) {
            now = given;
            before = was;
            target = asked;
            id = returnId.isEmpty() ? "A" : returnId;
            repaint();
        }

        @Override
        protected void paint(Pen pen, double w, double h) {
            pen.across(0, w, 10, pen.palette.ink);
            for (int i = 0; i <= 10; i++) {
                pen.upright((w - 1) * i / 10, i % 5 == 0 ? 5 : 7, 10, pen.palette.ink);
            }
            pen.g.setFill(pen.palette.ofReturn(id));
            pen.g.fillRect(0, 12, now * w, 6);
            if (before >= 0) {
                double x = before * w;
                pen.g.setStroke(pen.palette.ink);
                pen.g.setLineWidth(1);
                pen.g.strokePolygon(new double[] {x - 4, x + 4, x}, new double[] {1, 1, 8}, 3);
            }
            if (target >= 0) {
                pen.line(target * w, 10, target * w, 22, pen.palette.ink, 1.2);
            }
        }
    }
}
