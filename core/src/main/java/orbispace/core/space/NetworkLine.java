package orbispace.core.space;

/**
 * One line of a feedback delay network: a delay that moves slowly around its length.
 *
 * <p>The movement is a straight line over each grid of {@link #GRID} frames, so that the samples of
 * a block can be copied flat and interpolated in one plain loop. It follows the song's time.
 */
final class NetworkLine {
    /** Frames over which the movement is a straight line. */
    static final int GRID = 64;

    private static final int TAPS = 4;
    private static final float SIXTH = 1 / 6f;
    private static final float[] COUNT = count();

    private static final double MODULATION_SECONDS = 0.00002;
    private static final float SILENCING = 1e-4f;

    private final int frames;
    private final float[] ring;
    private final int mask;
    private final float[][] taps = new float[TAPS][GRID];
    private final float[] count = new float[GRID];
    private final double turnPerGrid;
    private final double startTurn;
    private final double depthFrames;
    private final Sway sway;
    private double grid;
    private double gridStart;
    private double gridEnd;
    private int write;

    NetworkLine(int frames, int index, double sampleRateHz) {
        this.frames = frames;
        ring = new float[Integer.highestOneBit(frames + 2 * GRID) * 2];
        mask = ring.length - 1;
        // Rates from 0.31 to 0.9 Hz in golden-ratio order, so that no two lines move together.
        double hz = 0.31 + 0.59 * ((index * 0.6180339887) % 1);
        turnPerGrid = 2 * Math.PI * hz * GRID / sampleRateHz;
        startTurn = 2 * Math.PI * ((index * 0.7548776662) % 1);
        depthFrames = MODULATION_SECONDS * sampleRateHz;
        sway = new Sway(sampleRateHz);
        reset();
    }

    /** Begins somewhere in the song: in which grid, and how many frames into it. */
    void begin(int songGrid, int phase) {
        sway.reset();
        grid = songGrid;
        gridStart = moved();
        gridEnd = gridStart;
        if (phase > 0) {
            grid++;
            gridEnd = moved();
        }
    }

    /** The song goes on so many grids later, or earlier. */
    void jump(double grids) {
        sway.jump(0, turnPerGrid * grids);
        grid += grids;
    }

    private double moved() {
        return frames + depthFrames * Math.sin(startTurn + turnPerGrid * grid + sway.off());
    }

    private static float[] count() {
        float[] count = new float[GRID];
        for (int k = 0; k < GRID; k++) {
            count[k] = k;
        }
        return count;
    }

    /** Reads the next {@code n} frames, {@code phase} frames into the grid. */
    void read(float[] into, int phase, int n) {
        if (phase == 0) {
            gridStart = gridEnd;
            grid++;
            sway.goOn(GRID);
            gridEnd = moved();
        }
        // The whole part holds for the grid; the fraction may leave 0..1 by a little, which is
        // harmless.
        int whole = (int) gridStart;
        // Four taps, each flat from the front, so that the loop below runs in parallel.
        for (int tap = 0; tap < TAPS; tap++) {
            copyFlat(write - whole + 1 - tap, taps[tap], n);
        }
        float step = (float) ((gridEnd - gridStart) / GRID);
        if (phase != 0) {
            System.arraycopy(COUNT, phase, count, 0, n);
        }
        interpolate(into, (float) (gridStart - whole), step, phase == 0 ? COUNT : count, n);
    }

    /** Third-order Lagrange interpolation (Farrow form) at a fraction that grows evenly. */
    private void interpolate(float[] into, float start, float step, float[] frames, int n) {
        float[] a = taps[0];
        float[] b = taps[1];
        float[] c = taps[2];
        float[] d = taps[3];
        for (int k = 0; k < n; k++) {
            float f = start + step * frames[k];
            float middle = 0.5f * (a[k] + c[k]) - b[k];
            float cube = SIXTH * (d[k] - a[k]) + 0.5f * (b[k] - c[k]);
            float slope = c[k] - b[k] - middle - cube;
            into[k] = b[k] + f * (slope + f * (middle + f * cube));
        }
    }

    private void copyFlat(int from, float[] into, int count) {
        int at = from & mask;
        int first = Math.min(count, ring.length - at);
        System.arraycopy(ring, at, into, 0, first);
        if (first < count) {
            System.arraycopy(ring, 0, into, first, count - first);
        }
    }

    /** Stores samples, of which it makes silence what is far too small to be heard. */
    void write(float[] samples, int n) {
        for (int k = 0; k < n; k++) {
            samples[k] = (samples[k] + SILENCING) - SILENCING;
        }
        int first = Math.min(n, ring.length - write);
        System.arraycopy(samples, 0, ring, write, first);
        if (first < n) {
            System.arraycopy(samples, first, ring, 0, n - first);
        }
        write = (write + n) & mask;
    }

    void reset() {
        java.util.Arrays.fill(ring, 0);
        begin(0, 0);
        write = 0;
    }
}
