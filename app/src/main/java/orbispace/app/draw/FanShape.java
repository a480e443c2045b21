package orbispace.app.draw;

import javafx.scene.paint.Color;
import javafx.scene.shape.ArcType;

/** The sector of the Orbit that a return fills: its edges, its wall, and the line of its energy. */
final class FanShape {
    private static final double LEANS_DEGREES = 4;

    private final Pen pen;
    private final PolarAxis axis;
    private final Color color;
    private final ReturnGeometry geometry;

    /** Its middle and half of its width, in degrees. */
    final double middle;

    final double half;

    /** Its radii. */
    final double inner;

    final double outer;

    FanShape(
            Pen pen,
            PolarAxis axis,
            Color color,
            ReturnGeometry geometry,
            double middle,
            double half) {
        this.pen = pen;
        this.axis = axis;
        this.color = color;
        this.geometry = geometry;
        this.middle = middle;
        this.half = Math.max(2, half);
        inner = axis.r(geometry.predelaySeconds());
        outer = Math.min(axis.radius(), axis.r(geometry.endSeconds()));
    }

    Color color() {
        return color;
    }

    /** Pales what lies behind it. */
    void knockOut() {
        pen.g.setGlobalAlpha(0.72);
        pen.g.setFill(pen.palette.disc);
        sector();
        pen.g.fill();
        pen.g.setGlobalAlpha(1);
    }

    /** A breath of its colour. */
    void tint() {
        pen.g.setGlobalAlpha(0.05);
        pen.g.setFill(color);
        sector();
        pen.g.fill();
    }

    private void sector() {
        pen.g.beginPath();
        double start = 90 - (middle + half);
        double length = 2 * half;
        pen.g.moveTo(axis.x(inner, middle + half), axis.y(inner, middle + half));
        pen.g.arc(axis.centreX(), axis.centreY(), outer, outer, start, length);
        pen.g.arc(axis.centreX(), axis.centreY(), inner, inner, start + length, -length);
        pen.g.closePath();
    }

    /** Its edge; with long dashes if it is chosen. */
    void outline(boolean chosen) {
        pen.g.setStroke(color);
        pen.g.setLineWidth(1.2);
        pen.g.setLineDashes(chosen ? new double[] {9, 5} : new double[] {4, 3});
        sector();
        pen.g.stroke();
        pen.g.setLineDashes();
    }

    /** Where the energy of each ring is, as measured, as long as it leans. */
    void spine() {
        double lastX = 0;
        double lastY = 0;
        boolean drawn = false;
        for (double r = inner; r <= outer; r += 2) {
            double bearing = geometry.bearingDegrees(axis.seconds(r));
            boolean leans = Math.abs(bearing) > LEANS_DEGREES;
            double x = axis.x(r, bearing);
            double y = axis.y(r, bearing);
            if (drawn && leans) {
                pen.line(lastX, lastY, x, y, pen.palette.disc, 4);
                pen.line(lastX, lastY, x, y, pen.palette.ink, 1.4);
            }
            drawn = leans;
            lastX = x;
            lastY = y;
        }
    }

    /** Where a gated space ends: a thick line with its echo outside. */
    void wall() {
        pen.g.setStroke(color);
        arc(outer, 3.4);
        arc(outer + 5, 0.9);
    }

    private void arc(double r, double width) {
        pen.g.setLineWidth(width);
        pen.g.strokeArc(
                axis.centreX() - r,
                axis.centreY() - r,
                2 * r,
                2 * r,
                90 - (middle + half),
                2 * half,
                ArcType.OPEN);
    }
}
