package orbispace.core.dynamics;

import orbispace.core.audio.Decibels;
import orbispace.core.signal.DcBlock;
import orbispace.core.signal.Oversampler;

/**
 * A curve at 32 times the sample rate, level-compensated: a sine of -15 dBFS comes out as loud as
 * it went in; one that leans to a side has what does not move taken away. It is late by {@link
 * #LATENCY_FRAMES}.
 */
public final class Drive {
    /** How late the sound comes out. */
    public static final int LATENCY_FRAMES = Oversampler.LATENCY_FRAMES;

    private static final int MORE = 8;

    /** Samples of a frame in what is bent at once. */
    private static final int TIMES = 4;

    private static final int BLOCK = Oversampler.BLOCK;
    private static final int GLIDE_FRAMES = 1024;
    private static final float SILENT = 1e-12f;

    private final float[] gains = new float[BLOCK];
    private final float[] levels = new float[BLOCK];
    private final float[] still = new float[BLOCK];
    private final Oversampler left = new Oversampler(MORE);
    private final Oversampler right = new Oversampler(MORE);
    private final Oversampler.Curve bend = this::bend;
    private final DcBlock leftRest;
    private final DcBlock rightRest;
    private DriveCurve curve = DriveCurve.SOFT;
    private DriveCurve before = curve;
    private DriveCurve wanted = curve;
    private boolean leans;
    private int turnLeft;
    private boolean turns;
    private final float[] shares = new float[BLOCK];
    private float gain;
    private float level;
    private float gainTarget;
    private float levelTarget;

    /** A soft drive at rest by so many dB, 0 to 40. */
    public Drive(double driveDb, double sampleRateHz) {
        this(driveDb, DriveCurve.SOFT, sampleRateHz);
    }

    /** A drive at rest by so many dB, 0 to 40, along a curve. */
    public Drive(double driveDb, DriveCurve given, double sampleRateHz) {
        leftRest = new DcBlock(sampleRateHz);
        rightRest = new DcBlock(sampleRateHz);
        apply(driveDb, given);
        curve = given;
        settle();
    }

    private void settle() {
        gain = gainTarget;
        level = levelTarget;
        before = curve;
        turnLeft = 0;
        leans = curve.leans();
    }

    /** Takes another drive, smoothly; a curve that comes while another does waits for it. */
    public void apply(double driveDb, DriveCurve given) {
        GainComputer.require("drive", driveDb, 0, 40);
        gainTarget = (float) Decibels.toAmplitude(driveDb);
        levelTarget = (float) given.compensation(gainTarget);
        wanted = given;
    }

    /** Works on frames {@code from} to before {@code to} in place. */
    public void process(float[] l, float[] r, int from, int to) {
        int n;
        for (int at = from; at < to; at += n) {
            startTurn();
            n = Math.min(BLOCK, to - at);
            if (turnLeft > 0) {
                // The next curve may begin where this one has arrived.
                n = Math.min(n, turnLeft);
            }
            glide(n);
            turn(n);
            process(left, l, at, n);
            process(right, r, at, n);
            if (leans) {
                rest(leftRest, l, at, n);
                rest(rightRest, r, at, n);
            }
        }
    }

    private void rest(DcBlock block, float[] x, int at, int n) {
        block.process(x, still, at, n);
        System.arraycopy(still, 0, x, at, n);
    }

    private void process(Oversampler lane, float[] x, int at, int n) {
        for (int k = 0; k < n; k++) {
            float y = gains[k] * x[at + k];
            x[at + k] = Math.abs(y) < SILENT ? 0 : y;
        }
        lane.process(x, at, n, bend);
        for (int k = 0; k < n; k++) {
            x[at + k] *= levels[k];
        }
    }

    /** Bends along the curve, or from the one before to it. */
    private void bend(float[] samples, int n) {
        if (!turns) {
            for (int k = 0; k < n; k++) {
                samples[k] = curve.of(samples[k]);
            }
            return;
        }
        for (int k = 0; k < n; k++) {
            float was = before.of(samples[k]);
            float share = shares[k / TIMES];
            samples[k] = was + share * (curve.of(samples[k]) - was);
        }
    }

    private void startTurn() {
        if (turnLeft == 0 && wanted != curve) {
            before = curve;
            curve = wanted;
            leans |= curve.leans();
            turnLeft = GLIDE_FRAMES;
        }
    }

    /** Goes on from one curve to the next, frame by frame. */
    private void turn(int n) {
        turns = turnLeft > 0;
        for (int k = 0; turns && k < n; k++) {
            turnLeft--;
            shares[k] = 1 - (float) turnLeft / GLIDE_FRAMES;
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
        leftRest.reset();
        rightRest.reset();
        curve = wanted;
        settle();
    }
}
