package orbispace.app.view.frame;

import java.util.EnumMap;
import java.util.Map;
import java.util.function.Consumer;
import javafx.css.PseudoClass;
import javafx.scene.control.Button;
import javafx.scene.control.ContentDisplay;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.scene.paint.Color;
import javafx.scene.shape.ArcType;
import orbispace.app.draw.Palette;
import orbispace.app.draw.Pen;
import orbispace.app.view.control.ScalingCanvas;

/** The steps of the work, in the order of the job, and day or night. */
public final class Rail extends VBox {
    private static final PseudoClass CHOSEN = PseudoClass.getPseudoClass("chosen");

    private final Map<Step, Button> buttons = new EnumMap<>(Step.class);
    private final Map<Step, Icon> icons = new EnumMap<>(Step.class);
    private final LightIcon lightIcon = new LightIcon();
    private final Button light = new Button("day", lightIcon);

    public Rail(Consumer<Step> go, Runnable turnLight) {
        getStyleClass().add("rail");
        for (Step step : Step.values()) {
            Icon icon = new Icon(step);
            icon.setPrefSize(36, 36);
            icon.setMinSize(36, 36);
            Button button = new Button(step.label, icon);
            button.setContentDisplay(ContentDisplay.TOP);
            button.getStyleClass().add("step");
            button.setAccessibleText(step.label + ", key " + step.digit);
            button.setOnAction(e -> go.accept(step));
            button.setMaxWidth(Double.MAX_VALUE);
            buttons.put(step, button);
            icons.put(step, icon);
            getChildren().add(button);
        }
        Pane filler = new Pane();
        VBox.setVgrow(filler, javafx.scene.layout.Priority.ALWAYS);
        lightIcon.setPrefSize(34, 16);
        lightIcon.setMinSize(34, 16);
        light.setContentDisplay(ContentDisplay.TOP);
        light.getStyleClass().add("light");
        light.setAccessibleText("change between day and night");
        light.setOnAction(e -> turnLight.run());
        light.setMaxWidth(Double.MAX_VALUE);
        getChildren().addAll(filler, light);
    }

    public void choose(Step step) {
        buttons.forEach((s, b) -> b.pseudoClassStateChanged(CHOSEN, s == step));
        icons.forEach((s, i) -> i.setChosen(s == step));
    }

    /** Puts the focus on a step. */
    public void focus(Step step) {
        java.util.Objects.requireNonNull(buttons.get(step)).requestFocus();
    }

    public void setPalette(Palette palette) {
        light.setText(palette == Palette.DAY ? "day" : "night");
        lightIcon.setPalette(palette);
        icons.values().forEach(i -> i.setPalette(palette));
    }

    /** A small engraving in a ring. */
    private static final class Icon extends ScalingCanvas {
        private final Step step;
        private boolean chosen;

        Icon(Step step) {
            this.step = step;
        }

        void setChosen(boolean given) {
            chosen = given;
            repaint();
        }

        @Override
        protected void paint(Pen pen, double w, double h) {
            Color ink = chosen ? pen.palette.card : pen.palette.ink2;
            pen.circle(
                    18,
                    18,
                    16.5,
                    chosen ? pen.palette.ink : null,
                    chosen ? pen.palette.ink : pen.palette.ink3,
                    1);
            pen.g.setStroke(ink);
            switch (step) {
                case SONG -> song(pen, ink);
                case ORBIT -> orbit(pen, ink);
                case CLEAR -> clear(pen, ink);
                case PLAN -> plan(pen, ink);
                case PROVE -> prove(pen, ink);
                case SHEET -> sheet(pen, ink);
            }
        }

        private static void song(Pen pen, Color ink) {
            pen.line(11, 13, 25, 13, ink, 1.6);
            pen.line(11, 18, 21, 18, ink, 1.6);
            pen.line(11, 23, 17, 23, ink, 1.6);
        }

        private static void orbit(Pen pen, Color ink) {
            for (double r : new double[] {3.5, 7, 10.5}) {
                pen.g.setStroke(ink);
                pen.g.setLineWidth(1.4);
                pen.g.strokeArc(18 - r, 23 - r, 2 * r, 2 * r, 0, 180, ArcType.OPEN);
            }
            pen.line(7, 23, 29, 23, ink, 1.4);
        }

        private static void clear(Pen pen, Color ink) {
            pen.g.setStroke(ink);
            pen.g.setLineWidth(1.6);
            pen.g.beginPath();
            pen.g.moveTo(9, 16);
            pen.g.bezierCurveTo(13, 10, 17, 21, 27, 14);
            pen.g.stroke();
            pen.line(9, 23, 27, 23, ink, 1.6);
        }

        private static void plan(Pen pen, Color ink) {
            pen.g.setStroke(ink);
            pen.g.setLineWidth(1.6);
            pen.g.strokePolyline(
                    new double[] {8, 14, 15, 21, 22, 28}, new double[] {21, 21, 14, 14, 18, 18}, 6);
            for (double x : new double[] {8, 14.5, 21.5, 28}) {
                pen.line(x, 24, x, 26, ink, 1.2);
            }
        }

        private static void prove(Pen pen, Color ink) {
            pen.line(18, 9, 18, 26, ink, 1.5);
            pen.line(10, 12, 26, 12, ink, 1.5);
            pen.line(13, 26, 23, 26, ink, 1.5);
            pen.g.setStroke(ink);
            pen.g.setLineWidth(1.3);
            for (double x : new double[] {10, 26}) {
                pen.g.strokePolygon(new double[] {x - 4, x, x + 4}, new double[] {20, 12, 20}, 3);
            }
        }

        private static void sheet(Pen pen, Color ink) {
            pen.g.setStroke(ink);
            pen.g.setLineWidth(1.4);
            pen.g.strokeRect(12.5, 10.5, 11, 15);
            for (int y = 14; y <= 22; y += 4) {
                pen.line(15, y + 0.5, 21, y + 0.5, ink, 1);
            }
        }
    }

    /** Sun and moon; the one that shines is full. */
    private static final class LightIcon extends ScalingCanvas {
        @Override
        protected void paint(Pen pen, double w, double h) {
            boolean day = palette() == Palette.DAY;
            pen.circle(8, 8, 5.5, day ? pen.palette.ink : null, pen.palette.ink2, 1.2);
            pen.circle(26, 8, 5.5, day ? null : pen.palette.ink, pen.palette.ink2, 1.2);
            pen.g.setFill(day ? pen.palette.ink2 : pen.palette.panel);
            pen.g.fillArc(20.5, 2.5, 11, 11, 90, 180, javafx.scene.shape.ArcType.CHORD);
        }
    }

    /** Width of the rail. */
    public static Region sized(Rail rail) {
        rail.setPrefWidth(88);
        rail.setMinWidth(88);
        return rail;
    }
}
