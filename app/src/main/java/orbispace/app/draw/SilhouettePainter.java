package orbispace.app.draw;

import orbispace.core.material.Silhouette;

/** Draws a stem as an engraving: solid to the mean level, uprights on to the peak. */
public final class SilhouettePainter {
    private SilhouettePainter() {}

    /** Draws standing on {@code base}, {@code height} pixels for the loudest {@code fullScale}. */
    public static void paint(
            Pen pen, Silhouette s, TimeAxis axis, double base, double height, double fullScale) {
        double step = axis.width() / Math.max(1, axis.width());
        int n = (int) axis.width();
        double[] xs = new double[n + 2];
        double[] ys = new double[n + 2];
        pen.g.setStroke(pen.palette.ink);
        pen.g.setLineWidth(1);
        pen.g.setGlobalAlpha(0.55);
        for (int i = 0; i < n; i++) {
            double from = axis.seconds(axis.left() + i * step);
            double to = axis.seconds(axis.left() + (i + 1) * step);
            xs[i] = axis.left() + i;
            ys[i] = base - scaled(s.mean(from, to) * Math.sqrt(2), fullScale, height);
            if (i % 2 == 0) {
                double peak = scaled(s.peak(from, to), fullScale, height);
                if (peak > 0.8) {
                    pen.g.strokeLine(xs[i] + 0.5, base, xs[i] + 0.5, base - peak);
                }
            }
        }
        pen.g.setGlobalAlpha(1);
        xs[n] = axis.left() + n - 1;
        ys[n] = base;
        xs[n + 1] = axis.left();
        ys[n + 1] = base;
        pen.g.setFill(pen.palette.ink);
        pen.g.fillPolygon(xs, ys, n + 2);
        pen.across(axis.left(), axis.right(), base, pen.palette.ink);
    }

    private static double scaled(double level, double fullScale, double height) {
        return fullScale <= 0 ? 0 : height * Math.min(1, Math.pow(level / fullScale, 0.8));
    }
}
