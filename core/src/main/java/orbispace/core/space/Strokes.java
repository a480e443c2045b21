package orbispace.core.space;

/** Hears strokes in a sound as it comes: a peak far over what there was. */
final class Strokes {
    private static final double PEAK_SECONDS = 0.012;
    private static final double COURSE_SECONDS = 0.03;
    private static final double APART_SECONDS = 0.03;
    private static final double OVER = 2.5;
    private static final double LEAST = 1e-4;

    private final double fall;
    private final double follow;
    private final int apart;
    private double peak;
    private double course;
    private int since;
    private boolean waits;

    Strokes(double sampleRateHz) {
        fall = Math.exp(-1 / (PEAK_SECONDS * sampleRateHz));
        follow = -Math.expm1(-1 / (COURSE_SECONDS * sampleRateHz));
        apart = (int) (APART_SECONDS * sampleRateHz);
        reset();
    }

    void next(float x) {
        peak = Math.max(Math.abs(x), peak * fall);
        since = Math.min(since + 1, 4 * apart);
        if (peak > OVER * course + LEAST && since > apart) {
            since = 0;
            waits = true;
        }
        course += follow * (peak - course);
    }

    /** Whether one has come that was not taken. */
    boolean waits() {
        return waits;
    }

    /** Takes it; how many frames ago it came. */
    int taken() {
        waits = false;
        return since;
    }

    void reset() {
        peak = 0;
        course = 0;
        since = 4 * apart;
        waits = false;
    }
}
