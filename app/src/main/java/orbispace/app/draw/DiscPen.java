package orbispace.app.draw;

import javafx.scene.paint.Color;
import javafx.scene.shape.ArcType;
import javafx.scene.text.TextAlignment;

/** A pen that draws along the circles of a disc. */
final class DiscPen {
    private final Pen pen;
    private final PolarAxis axis;

    DiscPen(Pen pen, PolarAxis axis) {
        this.pen = pen;
        this.axis = axis;
    }

    /** Strokes the upper half of a circle. */
    void arc(double r, Color color, double width) {
        pen.g.setStroke(color);
        pen.g.setLineWidth(width);
        pen.g.strokeArc(axis.centreX() - r, axis.centreY() - r, 2 * r, 2 * r, 0, 180, ArcType.OPEN);
    }

    /** Writes words along a circle, from a bearing on. */
    void along(
            String words, double r, double startDegrees, javafx.scene.text.Font font, Color color) {
        double degrees = startDegrees;
        for (int i = 0; i < words.length(); i++) {
            String c = words.substring(i, i + 1);
            double w = Pen.width(c.equals(" ") ? "n" : c, font) * (c.equals(" ") ? 0.5 : 1);
            double step = Math.toDegrees(w / r);
            double at = degrees + step / 2;
            pen.g.save();
            pen.g.translate(axis.x(r, at), axis.y(r, at));
            pen.g.rotate(at);
            pen.haloed(c, 0, 0, font, color, pen.palette.disc, TextAlignment.CENTER);
            pen.g.restore();
            degrees += step;
        }
    }
}
