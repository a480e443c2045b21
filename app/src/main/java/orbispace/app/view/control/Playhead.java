package orbispace.app.view.control;

import javafx.beans.property.ReadOnlyDoubleProperty;
import javafx.scene.layout.Pane;
import javafx.scene.paint.Color;
import javafx.scene.shape.Line;
import javafx.scene.shape.Polygon;
import orbispace.app.draw.TimeAxis;

/** The playhead over a chart: moves without the chart being painted again. */
public final class Playhead extends Pane {
    private final ReadOnlyDoubleProperty seconds;
    private final Line line = new Line();
    private final Polygon flag = new Polygon(0, 0, 9, 3.5, 0, 7);
    private TimeAxis axis = new TimeAxis(0, 1, 0, 1);

    public Playhead(ReadOnlyDoubleProperty seconds) {
        this.seconds = seconds;
        setMouseTransparent(true);
        line.setStrokeWidth(1.4);
        getChildren().addAll(line, flag);
        seconds.addListener((o, was, is) -> move());
    }

    public void setColor(Color color) {
        line.setStroke(color);
        flag.setFill(color);
    }

    /** Follows the song along an axis, from a top to a bottom. */
    public void follow(TimeAxis given, double top, double bottom) {
        axis = given;
        line.setStartY(top);
        line.setEndY(bottom);
        flag.setLayoutY(top);
        move();
    }

    private void move() {
        double now = seconds.get();
        double x = axis.x(now);
        setVisible(now >= axis.fromSeconds() && now <= axis.toSeconds());
        line.setStartX(x);
        line.setEndX(x);
        flag.setLayoutX(x);
    }
}
