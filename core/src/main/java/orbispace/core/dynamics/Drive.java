package orbispace.core.dynamics;

import orbispace.core.audio.Decibels;
import orbispace.core.signal.Oversampler;
import orbispace.core.signal.SoftCurve;

/**
 * A soft curve at 32 times the sample rate, level-compensated: a sine of -15 dBFS comes out as loud
 * as it went in. It is late by {@link #LATENCY_FRAMES}.
 */
public final class Drive {
    /** How late the sound comes out. */
    public static final int LATENCY_FRAMES = Oversampler.LATENCY_FRAMES;

    private static final int MORE = 8;
    private static final int BLOCK = Oversampler.BLOCK;
    private static final int GLIDE_FRAMES = 1024;
    private static final double REFERENCE = Decibels.toAmplitude(-15);
    private static final float SILENT = 1e-12f;

    private final float[] gains = new float[BLOCK];
    private final float[] levels = new float[BLOCK];
    private final Oversampler left = new Oversampler(MORE);
    private final Oversampler right = new Oversampler(MORE);
    private float gain;
    private float level;
    private float gainTarget;
    private float levelTarget;

    /** A drive at rest by so many dB, 0 to 40. */
    public Drive(double driveDb) {
        apply(driveDb);
        gain = gainTarget;
        level = levelTarget;
    }

    /** Takes another drive, smoothly. */
    public void apply(double driveDb) {
        GainComputer.require("drive", driveDb, 0, 40);
        gainTarget = (float) Decibels.toAmplitude(driveDb);
        levelTarget = (float) compensation(gainTarget);
    }

    private static double compensation(double gain) {
        double in = 0;
        double out = 0;
        for (int i = 0; i < 256; i++) {
            double x = REFERENCE * Math.sin(2 * Math.PI * i / 256);
            double y = SoftCurve.of((float) (gain * x));
            in += x * x;
            out += y * y;
        }
        return Math.sqrt(in / out);
    }

    /** Works on frames {@code from} to before {@code to} in place. */
    public void process(float[] l, float[] r, int from, int to) {
        for (int at = from; at < to; at += BLOCK) {
            int n = Math.min(BLOCK, to - at);
            glide(n);
            process(left, l, at, n);
            process(right, r, at, n);
        }
    }

    private void process(Oversampler lane, float[] x, int at, int n) {
        for (int k = 0; k < n; k++) {
            float y = gains[k] * x[at + k];
            x[at + k] = Math.abs(y) < SILENT ? 0 : y;
        }
        lane.process(x, at, n, SoftCurve::of);
        for (int k = 0; k < n; k++) {
            x[at + k] *= levels[k];
        }
    }

    /** Works out the gains of the next frames, each from the one before. */
    private void glide(int n) {
        for (int k = 0; k < n; k++) {
            gain += (gainTarget - gain) / GLIDE_FRAMES;
            level += (levelTarget - level) / GLIDE_FRAMES;
            gains[k] = gain;
            levels[k] = level;
        }
    }

    /** Forgets all sound. */
    public void reset() {
        left.reset();
        right.reset();
        gain = gainTarget;
        level = levelTarget;
    }
}
