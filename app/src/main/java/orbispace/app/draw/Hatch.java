package orbispace.app.draw;

import javafx.scene.canvas.GraphicsContext;
import javafx.scene.paint.Color;

/**
 * Flat engravings, one for each return and one for warnings. The phase is that of the whole canvas, so
 * that neighbouring areas join.
 */
public final class Hatch {
    private Hatch() {}

    /** Fills a rectangle with a return's own hatch. */
    public static void ofReturn(GraphicsContext g, String returnId, Color color, double x, double y, double w, double h) {
        clip(g, x, y, w, h);
        g.setStroke(color);
        g.setFill(color);
        g.setLineWidth(1);
        switch (Palette.slot(returnId)) {
            case 0 -> uprights(g, x, y, w, h, 3);
            case 1, 4 -> levels(g, x, y, w, h, 3);
            case 2 -> stipple(g, x, y, w, h);
            case 3 -> diagonals(g, x, y, w, h, 4, 1);
            default -> diagonals(g, x, y, w, h, 6, -1);
        }
        g.restore();
    }

    /** Cross-hatches a rectangle: the warning. */
    public static void cross(GraphicsContext g, Color color, double x, double y, double w, double h) {
        clip(g, x, y, w, h);
        g.setStroke(color);
        g.setLineWidth(1);
        diagonals(g, x, y, w, h, 5, 1);
        diagonals(g, x, y, w, h, 5, -1);
        g.restore();
    }

    /** Level lines over whatever is clipped now. */
    public static void diagonal(GraphicsContext g, Color color, double x, double y, double w, double h, double step) {
        clip(g, x, y, w, h);
        g.setStroke(color);
        g.setLineWidth(1);
        diagonals(g, x, y, w, h, step, 1);
        g.restore();
    }

    private static void clip(GraphicsContext g, double x, double y, double w, double h) {
        g.save();
        g.beginPath();
        g.rect(x, y, w, h);
        g.clip();
    }

    private static void uprights(GraphicsContext g, double x, double y, double w, double h, double step) {
        for (double at = Math.floor(x / step) * step; at < x + w; at += step) {
            g.strokeLine(at + 0.5, y, at + 0.5, y + h);
        }
    }

    private static void levels(GraphicsContext g, double x, double y, double w, double h, double step) {
        for (double at = Math.floor(y / step) * step; at < y + h; at += step) {
            g.strokeLine(x, at + 0.5, x + w, at + 0.5);
        }
    }

    private static void stipple(GraphicsContext g, double x, double y, double w, double h) {
        int row = (int) Math.floor(y / 3);
        for (double py = row * 3; py < y + h; py += 3) {
            double shift = row++ % 2 == 0 ? 0 : 2;
            for (double px = Math.floor(x / 4) * 4 + shift; px < x + w; px += 4) {
                g.fillRect(px, py, 1.5, 1.5);
            }
        }
    }

    private static void diagonals(
            GraphicsContext g, double x, double y, double w, double h, double step, int direction) {
        double base = direction > 0 ? x + y : x - y;
        double reach = w + h;
        double first = Math.floor((direction > 0 ? base : base - h) / step) * step;
        for (double c = first; c < first + reach + 2 * step; c += step) {
            if (direction > 0) {
                g.strokeLine(c - y, y, c - y - h, y + h);
            } else {
                g.strokeLine(c + y, y, c + y + h, y + h);
            }
        }
    }
}
