package orbispace.app.draw;

import javafx.scene.paint.Color;
import javafx.scene.text.Font;
import orbispace.files.sheet.Ink;
import orbispace.files.sheet.SheetPages;
import org.jspecify.annotations.Nullable;

/**
 * Sheets of A4 on a canvas, one below the other, in points. Without a pen nothing is drawn, only
 * the pages are counted.
 */
public final class PenPages implements SheetPages {
    /** Width of a page in points. */
    public static final double PAGE_WIDTH = 595.3;

    /** Height of a page in points. */
    public static final double PAGE_HEIGHT = 841.9;

    /** Desk between two pages, in points. */
    public static final double GAP = 16;

    private final @Nullable Pen pen;
    private int pages;
    private float y;
    private int rgb;

    /** Pages drawn by a pen whose origin is the upper left corner of the first. */
    public PenPages(@Nullable Pen pen) {
        this.pen = pen;
        begin();
    }

    /** How many there are so far. */
    public int count() {
        return pages;
    }

    private void begin() {
        y = MARGIN;
        if (pen != null) {
            pen.g.setLineDashes();
            pen.g.setFill(pen.palette.card);
            pen.g.fillRect(0, top(), PAGE_WIDTH, PAGE_HEIGHT);
            pen.g.setStroke(pen.palette.rule);
            pen.g.setLineWidth(1);
            pen.g.strokeRect(0, top(), PAGE_WIDTH, PAGE_HEIGHT);
        }
        pages++;
    }

    /** Where the page that is begun, or the last one, lies. */
    private double top() {
        return pages * (PAGE_HEIGHT + GAP);
    }

    private double place(double at) {
        return (pages - 1) * (PAGE_HEIGHT + GAP) + at;
    }

    private static Font font(float points, boolean bold) {
        return bold ? Type.strong(points) : Type.regular(points);
    }

    private Color colour(float grey) {
        return Color.color(
                Ink.mixed(rgb, 16, grey), Ink.mixed(rgb, 8, grey), Ink.mixed(rgb, 0, grey));
    }

    @Override
    public float width() {
        return (float) PAGE_WIDTH - 2 * MARGIN;
    }

    @Override
    public float y() {
        return y;
    }

    @Override
    public void down(float points) {
        y += points;
    }

    @Override
    public void need(float points) {
        if (y + points > PAGE_HEIGHT - MARGIN) {
            begin();
        }
    }

    @Override
    public void text(String text, float x, float base, float points, boolean bold, float grey) {
        if (pen != null) {
            pen.text(text, x, place(base), font(points, bold), colour(grey));
        }
    }

    @Override
    public float width(String text, float points, boolean bold) {
        return (float) Pen.width(text, font(points, bold));
    }

    @Override
    public void line(float x1, float y1, float x2, float y2, float thick, float grey) {
        if (pen != null) {
            pen.line(x1, place(y1), x2, place(y2), colour(grey), thick);
        }
    }

    @Override
    public void path(float[] xs, float[] ys, boolean closed, float thick, float grey) {
        if (pen == null) {
            return;
        }
        double[] x = new double[xs.length];
        double[] at = new double[ys.length];
        for (int i = 0; i < xs.length; i++) {
            x[i] = xs[i];
            at[i] = place(ys[i]);
        }
        pen.g.setStroke(colour(grey));
        pen.g.setLineWidth(thick);
        if (closed) {
            pen.g.strokePolygon(x, at, x.length);
        } else {
            pen.g.strokePolyline(x, at, x.length);
        }
    }

    @Override
    public void dash(float[] pattern) {
        if (pen != null) {
            double[] dashes = new double[pattern.length];
            for (int i = 0; i < pattern.length; i++) {
                dashes[i] = pattern[i];
            }
            pen.g.setLineDashes(dashes);
        }
    }

    @Override
    public void circle(float x, float centre, float r, boolean filled, float grey) {
        if (pen != null) {
            Color colour = colour(grey);
            pen.circle(x, place(centre), r, filled ? colour : null, filled ? null : colour, 0.8);
        }
    }

    @Override
    public void tint(int given) {
        rgb = given;
    }
}
