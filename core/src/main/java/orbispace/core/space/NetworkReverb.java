package orbispace.core.space;

import java.util.List;

/**
 * A reverb: the first reflections of its kind, and input diffusion by all-passes (Schroeder 1962)
 * into a feedback delay network of 16 lines mixed by a Hadamard matrix, each line with the
 * absorption that gives every frequency its decay time (Jot and Chaigne 1991).
 *
 * <p>Three bands with crossovers at {@link #LOW_CROSSOVER_HZ} and {@link #HIGH_CROSSOVER_HZ}. Lines
 * are read at slowly moving fractional positions, so that no mode of the late tail stands still.
 * What is constant does not get in. The impulse response has unit energy within 2 dB at any decay.
 * There is no latency. The tail goes to exact zero below about -200 dBFS.
 */
public final class NetworkReverb implements Engine {
    /** Below this the low ratio applies. */
    public static final double LOW_CROSSOVER_HZ = 250;

    /** Above this the high ratio applies. */
    public static final double HIGH_CROSSOVER_HZ = 5500;

    static final int LINES = 16;

    private static final int BLOCK = NetworkLine.GRID;
    private static final float DIFFUSION = 0.62f;
    private static final double[] SIDE_OFFSET = {1, 1.0863};

    private final NetworkLine[] lines = new NetworkLine[LINES];
    private final Absorption[] absorptions = new Absorption[LINES / 2];
    private final float[][] block = new float[LINES][BLOCK];
    private final AllPass[][] diffusers;
    private final DcBlock leftBlock;
    private final DcBlock rightBlock;
    private final EarlyPattern early;
    private final float[] outLeft = new float[BLOCK];
    private final float[] outRight = new float[BLOCK];
    private final float[] inLeft = new float[BLOCK];
    private final float[] inRight = new float[BLOCK];
    private final int[] leftSigns = signs(0b0101_1010_0011_1100);
    private final int[] rightSigns = signs(0b0011_0110_1010_0101);
    private final Object shape;
    private float gain;
    private float gainStep;
    private float gainTarget;
    private int phase;
    private int nextFrame;
    private boolean begun;

    /** A reverb at rest. */
    NetworkReverb(NetworkTuning tuning, double sampleRateHz) {
        shape = tuning.shape();
        int[] frames = NetworkTuning.lineFrames(tuning.settings, sampleRateHz);
        java.util.Arrays.setAll(absorptions, p -> new Absorption());
        for (int i = 0; i < LINES; i++) {
            lines[i] = new NetworkLine(frames[i], i, sampleRateHz);
        }
        leftBlock = new DcBlock(sampleRateHz);
        rightBlock = new DcBlock(sampleRateHz);
        early = new EarlyPattern(tuning.taps, sampleRateHz, BLOCK);
        List<Double> seconds = tuning.settings.kind().diffusionSeconds;
        diffusers = new AllPass[2][seconds.size()];
        for (int c = 0; c < 2; c++) {
            for (int d = 0; d < seconds.size(); d++) {
                double scaled = seconds.get(d) * tuning.settings.wallScale() * SIDE_OFFSET[c];
                int length = (int) Math.round(scaled * sampleRateHz);
                diffusers[c][d] = new AllPass(Primes.from(length), DIFFUSION);
            }
        }
        tune(tuning, true);
        gain = gainTarget;
    }

    @Override
    public void apply(EngineTuning tuning) {
        if (tuning instanceof NetworkTuning t && t.shape().equals(shape)) {
            tune(t, false);
        }
    }

    private void tune(NetworkTuning tuning, boolean atOnce) {
        for (int p = 0; p < absorptions.length; p++) {
            absorptions[p].tune(tuning.absorption[2 * p], tuning.absorption[2 * p + 1], atOnce);
        }
        early.tune(tuning.left, tuning.right, atOnce);
        gainTarget = tuning.network;
    }

    @Override
    public void at(int frame) {
        if (!begun) {
            begun = true;
            phase = Math.floorMod(frame, BLOCK);
            for (NetworkLine line : lines) {
                line.begin(Math.floorDiv(frame, BLOCK), phase);
            }
        } else if (frame != nextFrame) {
            for (NetworkLine line : lines) {
                line.jump(((double) frame - nextFrame) / BLOCK);
            }
        }
        nextFrame = frame;
    }

    @Override
    public void process(float[] left, float[] right, int from, int to) {
        begun = true;
        nextFrame += to - from;
        int at = from;
        while (at < to) {
            // Blocks end on a fixed grid, so that the output does not depend on how the caller
            // cuts.
            int end = Math.min(to, at + BLOCK - phase);
            processBlock(left, right, at, end - at);
            phase = (phase + end - at) % BLOCK;
            at = end;
        }
    }

    private void processBlock(float[] left, float[] right, int at, int n) {
        java.util.Arrays.fill(outLeft, 0, n, 0);
        java.util.Arrays.fill(outRight, 0, n, 0);
        if (phase == 0) {
            early.glide();
        }
        readLines(n);
        for (int i = 0; i < LINES; i++) {
            accumulate(outLeft, block[i], leftSigns[i], n);
            accumulate(outRight, block[i], rightSigns[i], n);
        }
        scale(n);
        leftBlock.process(left, inLeft, at, n);
        rightBlock.process(right, inRight, at, n);
        early.process(inLeft, inRight, 0, n, outLeft, outRight);
        diffuse(n);
        Hadamard.mix(block, n);
        for (int i = 0; i < LINES; i++) {
            accumulate(block[i], i % 2 == 0 ? inLeft : inRight, (i & 2) == 0 ? 1 : -1, n);
            lines[i].write(block[i], n);
        }
        System.arraycopy(outLeft, 0, left, at, n);
        System.arraycopy(outRight, 0, right, at, n);
    }

    private void diffuse(int n) {
        for (int d = 0; d < diffusers[0].length; d++) {
            diffusers[0][d].process(inLeft, n);
            diffusers[1][d].process(inRight, n);
        }
    }

    /** Brings the network to its level, which glides. */
    private void scale(int n) {
        if (phase == 0) {
            boolean there = Math.abs(gainTarget - gain) < 1e-6f;
            gain = there ? gainTarget : gain;
            gainStep = (gainTarget - gain) / 256;
        }
        for (int k = 0; k < n; k++) {
            gain += gainStep;
            outLeft[k] *= gain;
            outRight[k] *= gain;
        }
    }

    private void readLines(int n) {
        for (int p = 0; p < absorptions.length; p++) {
            lines[2 * p].read(block[2 * p], phase, n);
            lines[2 * p + 1].read(block[2 * p + 1], phase, n);
            if (phase == 0) {
                absorptions[p].glide();
            }
            absorptions[p].process(block[2 * p], block[2 * p + 1], n);
        }
    }

    private static void accumulate(float[] into, float[] from, int sign, int n) {
        float s = sign;
        for (int k = 0; k < n; k++) {
            into[k] += s * from[k];
        }
    }

    private static int[] signs(int bits) {
        int[] signs = new int[LINES];
        for (int i = 0; i < LINES; i++) {
            signs[i] = (bits >> i & 1) == 0 ? 1 : -1;
        }
        return signs;
    }

    @Override
    public void reset() {
        for (NetworkLine line : lines) {
            line.reset();
        }
        for (Absorption absorption : absorptions) {
            absorption.reset();
        }
        for (AllPass[] chain : diffusers) {
            for (AllPass allPass : chain) {
                allPass.reset();
            }
        }
        leftBlock.reset();
        rightBlock.reset();
        early.reset();
        gain = gainTarget;
        gainStep = 0;
        phase = 0;
        nextFrame = 0;
        begun = false;
    }
}
