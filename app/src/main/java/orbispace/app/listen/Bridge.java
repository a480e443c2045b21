package orbispace.app.listen;

/**
 * Bridges the step where playing jumps to another place, starts or stops: what was last heard dies
 * away over 5 ms on top of what begins.
 */
final class Bridge {
    private static final double SECONDS = 0.005;

    private final int frames;
    private float lastLeft;
    private float lastRight;
    private float stepLeft;
    private float stepRight;
    private boolean jumped;
    private int left;

    Bridge(double sampleRateHz) {
        frames = (int) Math.round(SECONDS * sampleRateHz);
    }

    /** What comes next does not follow what came last. */
    void jump() {
        jumped = true;
    }

    /** Smooths frames in place; call with everything that is played. */
    void process(float[] l, float[] r, int n) {
        if (n > 0 && jumped) {
            jumped = false;
            stepLeft = lastLeft - l[0];
            stepRight = lastRight - r[0];
            left = frames;
        }
        for (int i = 0; i < n && left > 0; i++, left--) {
            float share = left / (float) frames;
            l[i] += share * stepLeft;
            r[i] += share * stepRight;
        }
        if (n > 0) {
            lastLeft = l[n - 1];
            lastRight = r[n - 1];
        }
    }
}
