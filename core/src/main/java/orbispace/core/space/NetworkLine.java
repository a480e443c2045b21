package orbispace.core.space;

import orbispace.core.signal.Cascade;
import orbispace.core.signal.DelayLine;

/**
 * One line of a feedback delay network: a slowly moving delay and the absorption that belongs to
 * it.
 */
final class NetworkLine {
    private static final double MODULATION_SECONDS = 0.00013;
    private static final float SILENT = 1e-10f;
    private static final int GRID = 64;

    private final int frames;
    private final float[] ring;
    private final int mask;
    private final Cascade absorption = new Cascade(2);
    private final double turnPerGrid;
    private final double startTurn;
    private final double depthFrames;
    private double turn;
    private double gridStart;
    private double gridEnd;
    private int write;

    NetworkLine(int frames, int index, double sampleRateHz) {
        this.frames = frames;
        ring = new float[Integer.highestOneBit(frames + 64) * 2];
        mask = ring.length - 1;
        // Rates from 0.31 to 0.9 Hz in golden-ratio order, so that no two lines move together.
        double hz = 0.31 + 0.59 * ((index * 0.6180339887) % 1);
        turnPerGrid = 2 * Math.PI * hz * GRID / sampleRateHz;
        startTurn = 2 * Math.PI * ((index * 0.7548776662) % 1);
        depthFrames = MODULATION_SECONDS * sampleRateHz;
        reset();
    }

    void tune(double[] packedFilters, boolean atOnce) {
        absorption.set(packedFilters, atOnce);
    }

    /** Reads the next {@code n} frames, {@code phase} frames into the modulation grid. */
    void read(float[] into, int phase, int n) {
        if (phase == 0) {
            gridStart = gridEnd;
            turn += turnPerGrid;
            gridEnd = frames + depthFrames * Math.sin(turn);
        }
        double step = (gridEnd - gridStart) / GRID;
        for (int k = 0; k < n; k++) {
            double delay = gridStart + step * (phase + k);
            int whole = (int) delay;
            int i = write + k - whole;
            into[k] =
                    DelayLine.lagrange(
                            ring[(i + 1) & mask],
                            ring[i & mask],
                            ring[(i - 1) & mask],
                            ring[(i - 2) & mask],
                            (float) (delay - whole));
        }
        absorption.process(into, into, 0, n);
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
        absorption.reset();
        turn = startTurn;
        gridEnd = frames + depthFrames * Math.sin(turn);
        gridStart = gridEnd;
        write = 0;
    }
}
