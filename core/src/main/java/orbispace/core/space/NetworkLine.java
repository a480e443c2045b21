package orbispace.core.space;

import orbispace.core.signal.DelayLine;

/**
 * One line of a feedback delay network: a delay that moves slowly around its length.
 *
 * <p>The movement is a straight line over each grid of {@link #GRID} frames, so that the samples of
 * a block can be copied flat and interpolated in one plain loop.
 */
final class NetworkLine {
    /** Frames over which the movement is a straight line. */
    static final int GRID = 64;

    private static final double MODULATION_SECONDS = 0.00013;
    private static final float SILENT = 1e-10f;

    private final int frames;
    private final float[] ring;
    private final int mask;
    private final float[] flat = new float[GRID + 3];
    private final double turnPerGrid;
    private final double startTurn;
    private final double depthFrames;
    private double turn;
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
        reset();
    }

    /** Reads the next {@code n} frames, {@code phase} frames into the grid. */
    void read(float[] into, int phase, int n) {
        if (phase == 0) {
            gridStart = gridEnd;
            turn += turnPerGrid;
            gridEnd = frames + depthFrames * Math.sin(turn);
        }
        // The whole part holds for the grid; the fraction may leave 0..1 by a little, which is
        // harmless.
        int whole = (int) gridStart;
        copyFlat(write - whole - 2, n + 3);
        float step = (float) ((gridEnd - gridStart) / GRID);
        float start = (float) (gridStart - whole);
        float[] x = flat;
        for (int k = 0; k < n; k++) {
            float f = start + step * (phase + k);
            into[k] = DelayLine.lagrange(x[k + 3], x[k + 2], x[k + 1], x[k], f);
        }
    }

    private void copyFlat(int from, int count) {
        int at = from & mask;
        int first = Math.min(count, ring.length - at);
        System.arraycopy(ring, at, flat, 0, first);
        System.arraycopy(ring, 0, flat, first, count - first);
    }

    void write(float[] samples, int n) {
        for (int k = 0; k < n; k++) {
            float x = samples[k];
            ring[(write + k) & mask] = Math.abs(x) < SILENT ? 0 : x;
        }
        write = (write + n) & mask;
    }

    void reset() {
        java.util.Arrays.fill(ring, 0);
        turn = startTurn;
        gridEnd = frames + depthFrames * Math.sin(turn);
        gridStart = gridEnd;
        write = 0;
    }
}
