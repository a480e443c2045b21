package orbispace.core.measure;

import java.util.function.IntToDoubleFunction;

/** Straight lines through points by least squares. */
final class Line {
    private Line() {}

    /**
     * Level at x = 0 and slope of the best line through points {@code from} to before {@code to}.
     */
    static double[] fit(int from, int to, IntToDoubleFunction x, IntToDoubleFunction y) {
        double n = to - from;
        double sx = 0;
        double sy = 0;
        for (int i = from; i < to; i++) {
            sx += x.applyAsDouble(i);
            sy += y.applyAsDouble(i);
        }
        double mx = sx / n;
        double my = sy / n;
        double sxx = 0;
        double sxy = 0;
        for (int i = from; i < to; i++) {
            double dx = x.applyAsDouble(i) - mx;
            sxx += dx * dx;
            sxy += dx * (y.applyAsDouble(i) - my);
        }
        double slope = sxx == 0 ? 0 : sxy / sxx;
        return new double[] {my - slope * mx, slope};
    }
}
