package orbispace.app.draw;

import javafx.scene.canvas.GraphicsContext;
import javafx.scene.paint.Color;

/**
 * Flat engravings, one for each return and one for warnings, over areas that have one top and one
 * bottom in every column of pixels. The phase is that of the whole canvas, so that neighbouring
 * areas join. Lines are cut to the area by arithmetic, which costs far less than a clip.
 */
public final class Hatch {

    /** An area: columns from {@code left}, each with its top and bottom. */
    public static final class Area {
        private final int left;
        private final double[] top;
        private final double[] bottom;

        /** An area of columns; the arrays are taken over. */
        public Area(int left, double[] top, double[] bottom) {
            this.left = left;
            this.top = top;
            this.bottom = bottom;
        }

        /** A rectangle. */
        public static Area rectangle(double x, double y, double w, double h) {
            int columns = Math.max(0, (int) Math.ceil(w));
            double[] top = new double[columns];
            double[] bottom = new double[columns];
            java.util.Arrays.fill(top, y);
            java.util.Arrays.fill(bottom, y + h);
            return new Area((int) Math.round(x), top, bottom);
        }

        private Area between(int from, int to) {
            int first = Math.clamp(from, left, right());
            int end = Math.clamp(to, first, right());
            return new Area(
                    first,
                    java.util.Arrays.copyOfRange(top, first - left, end - left),
                    java.util.Arrays.copyOfRange(bottom, first - left, end - left));
        }

        private int right() {
            return left + top.length;
        }

        private boolean holds(int x, double y) {
            int i = x - left;
            return i >= 0 && i < top.length && y >= top[i] && y <= bottom[i];
        }

        private double highest() {
            return java.util.Arrays.stream(top).min().orElse(0);
        }

        private double lowest() {
            return java.util.Arrays.stream(bottom).max().orElse(0);
        }
    }

    /** A line of the hatch as height over columns. */
    private interface Rule {
        double y(int x);
    }

    private Hatch() {}

    /** Fills an area with a return's own hatch. */
    public static void ofReturn(GraphicsContext g, String returnId, Color color, Area area) {
        g.setStroke(color);
        g.setFill(color);
        g.setLineWidth(1);
        switch (Palette.slot(returnId)) {
            case 0 -> uprights(g, area, 3);
            case 1 -> levels(g, area, 3);
            case 2 -> stipple(g, area, 3);
            case 3 -> diagonals(g, area, 4, 1);
            case 4 -> dashes(g, area, 4);
            case 5 -> diagonals(g, area, 6, -1);
            case 6 -> uprights(g, area, 5);
            case 7 -> levels(g, area, 5);
            case 8 -> both(() -> uprights(g, area, 7), () -> dashes(g, area, 7));
            case 9 -> both(() -> levels(g, area, 7), () -> stipple(g, area, 7));
            case 10 -> stipple(g, area, 6);
            case 11 -> both(() -> diagonals(g, area, 9, 1), () -> stipple(g, area, 5));
            case 12 -> dashes(g, area, 7);
            case 13 -> both(() -> diagonals(g, area, 9, -1), () -> stipple(g, area, 5));
            case 14 -> both(() -> uprights(g, area, 8), () -> stipple(g, area, 4));
            default -> both(() -> levels(g, area, 8), () -> dashes(g, area, 4));
        }
    }

    private static void both(Runnable first, Runnable second) {
        first.run();
        second.run();
    }

    /** Cross-hatches an area: the warning. */
    public static void cross(GraphicsContext g, Color color, Area area) {
        g.setStroke(color);
        g.setLineWidth(1);
        diagonals(g, area, 5, 1);
        diagonals(g, area, 5, -1);
    }

    /** Hatches an area one way: the beginning of a warning. */
    public static void diagonal(GraphicsContext g, Color color, Area area) {
        g.setStroke(color);
        g.setLineWidth(1);
        diagonals(g, area, 4, 1);
    }

    private static void uprights(GraphicsContext g, Area area, int step) {
        for (int x = up(area.left, step); x < area.right(); x += step) {
            g.strokeLine(x + 0.5, area.top[x - area.left], x + 0.5, area.bottom[x - area.left]);
        }
    }

    private static void levels(GraphicsContext g, Area area, int step) {
        for (int y = up((int) area.highest(), step); y <= area.lowest(); y += step) {
            double at = y + 0.5;
            runs(g, area, x -> at);
        }
    }

    /** Short level strokes, every other row shifted like the joints of a wall. */
    private static void dashes(GraphicsContext g, Area area, int step) {
        int length = 2 * step;
        for (int y = up((int) area.highest(), step); y <= area.lowest(); y += step) {
            int shift = y / step % 2 == 0 ? 0 : length;
            for (int x = up(area.left, 2 * length) - 2 * length + shift;
                    x < area.right();
                    x += 2 * length) {
                double at = y + 0.5;
                runs(g, area.between(x, x + length), any -> at);
            }
        }
    }

    private static void stipple(GraphicsContext g, Area area, int step) {
        int wide = step + 1;
        for (int y = up((int) area.highest(), step); y <= area.lowest(); y += step) {
            int shift = y / step % 2 == 0 ? 0 : wide / 2;
            for (int x = up(area.left, wide) + shift; x < area.right(); x += wide) {
                if (area.holds(x, y)) {
                    g.fillRect(x, y, 1.5, 1.5);
                }
            }
        }
    }

    private static void diagonals(GraphicsContext g, Area area, int step, int direction) {
        double high = area.highest();
        double low = area.lowest();
        double from = direction > 0 ? area.left + high : area.left - low;
        double to = direction > 0 ? area.right() + low : area.right() - high;
        for (int c = up((int) Math.floor(from), step); c <= to; c += step) {
            int place = c;
            runs(g, area, x -> direction > 0 ? place - x : x - place);
        }
    }

    /** Strokes the parts of a line that lie in the area. */
    private static void runs(GraphicsContext g, Area area, Rule rule) {
        int start = -1;
        for (int x = area.left; x <= area.right(); x++) {
            boolean in = x < area.right() && area.holds(x, rule.y(x));
            if (in && start < 0) {
                start = x;
            } else if (!in && start >= 0) {
                g.strokeLine(start, rule.y(start), x, rule.y(x));
                start = -1;
            }
        }
    }

    private static int up(int from, int step) {
        return Math.floorDiv(from + step - 1, step) * step;
    }
}
