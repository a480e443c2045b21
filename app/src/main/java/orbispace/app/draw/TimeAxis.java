package orbispace.app.draw;

/**
 * Time along a screen, shared by drawing and pointer.
 *
 * @param fromSeconds at the left edge
 * @param toSeconds at the right edge
 * @param left pixels
 * @param width pixels
 */
public record TimeAxis(double fromSeconds, double toSeconds, double left, double width) {
    /** Where a time lies. */
    public double x(double seconds) {
        return left + width * (seconds - fromSeconds) / (toSeconds - fromSeconds);
    }

    /** The time at a place. */
    public double seconds(double x) {
        return fromSeconds + (x - left) / width * (toSeconds - fromSeconds);
    }

    /** The right edge. */
    public double right() {
        return left + width;
    }
}
