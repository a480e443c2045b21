package orbispace.app.draw;

import javafx.geometry.VPos;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.paint.Color;
import javafx.scene.paint.Paint;
import javafx.scene.text.Font;
import javafx.scene.text.Text;
import javafx.scene.text.TextAlignment;
import org.jspecify.annotations.Nullable;

/** A canvas with the habits of the chart: crisp one-pixel lines, haloed text, seals, flags. */
public final class Pen {
    private static final int MILLED = 8;

    /** The canvas itself, for what the pen does not know. */
    public final GraphicsContext g;

    /** The colours in force. */
    public final Palette palette;

    /** A pen on a canvas. */
    public Pen(GraphicsContext g, Palette palette) {
        this.g = g;
        this.palette = palette;
        g.setTextBaseline(VPos.BASELINE);
        g.setLineDashes();
        g.setGlobalAlpha(1);
    }

    /** A straight line of a width. */
    public void line(double x1, double y1, double x2, double y2, Paint paint, double width) {
        g.setStroke(paint);
        g.setLineWidth(width);
        g.strokeLine(x1, y1, x2, y2);
    }

    /** A crisp horizontal hairline. */
    public void across(double x1, double x2, double y, Paint paint) {
        line(x1, Math.floor(y) + 0.5, x2, Math.floor(y) + 0.5, paint, 1);
    }

    /** A crisp vertical hairline. */
    public void upright(double x, double y1, double y2, Paint paint) {
        line(Math.floor(x) + 0.5, y1, Math.floor(x) + 0.5, y2, paint, 1);
    }

    /** Text whose baseline starts at a point. */
    public void text(String text, double x, double y, Font font, Paint paint) {
        text(text, x, y, font, paint, TextAlignment.LEFT);
    }

    /** Text with an alignment about a point. */
    public void text(String text, double x, double y, Font font, Paint paint, TextAlignment align) {
        g.setFont(font);
        g.setFill(paint);
        g.setTextAlign(align);
        g.fillText(text, x, y);
    }

    /** Text that stands clear of what is under it. */
    public void haloed(
            String text,
            double x,
            double y,
            Font font,
            Paint paint,
            Paint ground,
            TextAlignment align) {
        g.setFont(font);
        g.setTextAlign(align);
        g.setStroke(ground);
        g.setLineWidth(4);
        g.strokeText(text, x, y);
        g.setFill(paint);
        g.fillText(text, x, y);
    }

    /** A name of a row in the room that it has: smaller where it is long, then cut. */
    public void named(String name, double x, double y, double room) {
        Font font = width(name, Type.strong(13)) <= room ? Type.strong(13) : Type.strong(11.5);
        text(cut(name, room, font), x, y, font, palette.ink);
    }

    /** Width of a text. */
    public static double width(String text, Font font) {
        Text measure = new Text(text);
        measure.setFont(font);
        return measure.getLayoutBounds().getWidth();
    }

    /** A text as far as it fits, with dots where it is cut. */
    public static String cut(String text, double room, Font font) {
        if (width(text, font) <= room) {
            return text;
        }
        int end = text.length();
        while (end > 1 && width(text.substring(0, end) + "\u2026", font) > room) {
            end--;
        }
        return text.substring(0, end).stripTrailing() + "\u2026";
    }

    /** A name as far as it fits: whole, then the beginnings of its words, then nothing. */
    public static String shortened(String name, double room, Font font) {
        if (width(name, font) <= room) {
            return name;
        }
        for (int letters = 4; letters > 0; letters--) {
            StringBuilder brief = new StringBuilder();
            for (String word : name.split(" ")) {
                brief.append(brief.isEmpty() ? "" : " ")
                        .append(word, 0, Math.min(letters, word.length()));
            }
            if (width(brief.toString(), font) <= room) {
                return brief.toString();
            }
        }
        return "";
    }

    /** A rectangle with clipped corners. */
    public void clipped(
            double x,
            double y,
            double w,
            double h,
            double cut,
            @Nullable Paint fill,
            @Nullable Paint stroke) {
        double[] xs = {x + cut, x + w - cut, x + w, x + w, x + w - cut, x + cut, x, x};
        double[] ys = {y, y, y + cut, y + h - cut, y + h, y + h, y + h - cut, y + cut};
        if (fill != null) {
            g.setFill(fill);
            g.fillPolygon(xs, ys, 8);
        }
        if (stroke != null) {
            g.setStroke(stroke);
            g.setLineWidth(1);
            g.strokePolygon(xs, ys, 8);
        }
    }

    /** The seal of a return: a coin with its letter, from A its edge milled, from I on beaded. */
    public void seal(String letter, double x, double y, double radius, boolean filled) {
        Color c = palette.ofReturn(letter);
        int slot = Palette.slot(letter);
        if (slot < MILLED) {
            mill(x, y, radius, 18 + 4 * slot, c);
            circle(x, y, radius, null, c, 1);
        } else {
            bead(x, y, radius, 8 + 2 * (slot - MILLED), c);
        }
        circle(x, y, radius - 3, filled ? c : palette.card, c, 1);
        double size = Math.max(8.5, radius * 0.9);
        g.setTextBaseline(VPos.CENTER);
        text(letter, x, y, Type.strong(size), filled ? palette.card : c, TextAlignment.CENTER);
        g.setTextBaseline(VPos.BASELINE);
    }

    private void mill(double x, double y, double radius, int teeth, Color c) {
        g.setStroke(c);
        g.setLineWidth(1);
        for (int i = 0; i < teeth; i++) {
            double a = 2 * Math.PI * i / teeth;
            g.strokeLine(
                    x + (radius - 2.2) * Math.cos(a),
                    y + (radius - 2.2) * Math.sin(a),
                    x + radius * Math.cos(a),
                    y + radius * Math.sin(a));
        }
    }

    private void bead(double x, double y, double radius, int beads, Color c) {
        for (int i = 0; i < beads; i++) {
            double a = 2 * Math.PI * i / beads;
            circle(x + (radius - 1) * Math.cos(a), y + (radius - 1) * Math.sin(a), 1.2, c, null, 1);
        }
    }

    /** A circle. */
    public void circle(
            double x,
            double y,
            double r,
            @Nullable Paint fill,
            @Nullable Paint stroke,
            double width) {
        if (fill != null) {
            g.setFill(fill);
            g.fillOval(x - r, y - r, 2 * r, 2 * r);
        }
        if (stroke != null) {
            g.setStroke(stroke);
            g.setLineWidth(width);
            g.strokeOval(x - r, y - r, 2 * r, 2 * r);
        }
    }

    /**
     * A flag on a pole whose foot is a ring; the cloth carries a text. Answers the cloth's width.
     */
    public double flag(
            double footX, double footY, double clothX, double clothY, String text, Color color) {
        Font font = Type.strong(11.5);
        double w = width(text, font) + 20;
        line(footX, footY - 3, footX, clothY - 2, color, 1);
        circle(footX, footY, 2.8, palette.disc, color, 1.2);
        double[] xs = {clothX, clothX + w, clothX + w - 6, clothX + w, clothX};
        double[] ys = {clothY - 14, clothY - 14, clothY - 5, clothY + 4, clothY + 4};
        g.setFill(palette.card);
        g.fillPolygon(xs, ys, 5);
        g.setStroke(color);
        g.setLineWidth(1);
        g.strokePolygon(xs, ys, 5);
        text(text, clothX + 6, clothY - 1, font, color);
        return w;
    }
}
