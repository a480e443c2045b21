package orbispace.core.audio;

/** The constant-power pan law: left cos, right sin of (position + 1) pi / 4. */
public final class Pan {
    private Pan() {}

    /** Left factor for a position from -1 (left) to 1 (right). */
    public static double left(double position) {
        return Math.cos((position + 1) * Math.PI / 4);
    }

    /** Right factor for a position from -1 (left) to 1 (right). */
    public static double right(double position) {
        return Math.sin((position + 1) * Math.PI / 4);
    }

    /** Left factor for a stereo source: 1 until it is turned to the right. */
    public static double balanceLeft(double position) {
        return Math.min(1, left(position) * Math.sqrt(2));
    }

    /** Right factor for a stereo source: 1 until it is turned to the left. */
    public static double balanceRight(double position) {
        return Math.min(1, right(position) * Math.sqrt(2));
    }

    /**
     * The position at which a sound has some powers left and right.
     *
     * @param leftPower at least 0
     * @param rightPower at least 0; both 0 answer the middle
     */
    public static double position(double leftPower, double rightPower) {
        return leftPower == 0 && rightPower == 0
                ? 0
                : Math.atan2(Math.sqrt(rightPower), Math.sqrt(leftPower)) * 4 / Math.PI - 1;
    }
}
