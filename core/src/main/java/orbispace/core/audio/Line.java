package orbispace.core.audio;

/**
 * A straight line through values at whole places, by least squares.
 *
 * @param slope per place
 * @param offset the line at place 0
 * @param correlation of values and places, -1 to 1; 0 where all values are the same
 * @param deviation root of the mean square by which the values lie off the line
 * @param most the farthest that any of them lies off it
 */
public record Line(double slope, double offset, double correlation, double deviation, double most) {

    /**
     * The line through the values at places {@code from} to before {@code to}.
     *
     * @throws IllegalArgumentException for fewer than two values
     */
    public static Line through(double[] values, int from, int to) {
        if (to - from < 2) {
            throw new IllegalArgumentException(
                    "a line needs two values or more, not " + (to - from));
        }
        double n = to - from;
        double middle = (from + to - 1) / 2.0;
        double mean = 0;
        for (int i = from; i < to; i++) {
            mean += values[i] / n;
        }
        double xx = n * (n * n - 1) / 12;
        double xy = 0;
        double yy = 0;
        for (int i = from; i < to; i++) {
            xy += (i - middle) * (values[i] - mean);
            yy += (values[i] - mean) * (values[i] - mean);
        }
        double slope = xy / xx;
        double squares = 0;
        double most = 0;
        for (int i = from; i < to; i++) {
            double off = values[i] - mean - slope * (i - middle);
            squares += off * off;
            most = Math.max(most, Math.abs(off));
        }
        return new Line(
                slope,
                mean - slope * middle,
                yy == 0 ? 0 : xy / Math.sqrt(xx * yy),
                Math.sqrt(squares / n),
                most);
    }

    /** The line at a place, whole or not. */
    public double at(double place) {
        return offset + slope * place;
    }
}
