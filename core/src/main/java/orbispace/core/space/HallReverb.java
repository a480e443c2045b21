package orbispace.core.space;

/**
 * A hall: input diffusion by all-passes (Schroeder 1962) into a feedback delay network of 16 lines
 * mixed by a Hadamard matrix, each line with the absorption that gives every frequency its decay
 * time (Jot and Chaigne 1991).
 *
 * <p>Three bands with crossovers at {@link #LOW_CROSSOVER_HZ} and {@link #HIGH_CROSSOVER_HZ}. Lines
 * are read at slowly moving fractional positions, so that no mode of the late tail stands still.
 * The impulse response has unit energy within 2 dB at any decay. There is no latency: the diffused
 * input itself is part of the output. The tail goes to exact zero below about -200 dBFS.
 */
public final class HallReverb implements Engine {
    /** Below this the low ratio applies. */
    public static final double LOW_CROSSOVER_HZ = 250;

    /** Above this the high ratio applies. */
    public static final double HIGH_CROSSOVER_HZ = 5200;

    static final int LINES = 16;

    private static final int BLOCK = NetworkLine.GRID;
    private static final double SHORTEST_SECONDS = 0.0281;
    private static final double LONGEST_SECONDS = 0.0893;
    private static final double DIRECT_SHARE = 0.12;
    private static final float DIRECT = (float) Math.sqrt(DIRECT_SHARE);
    private static final float NETWORK_SCALE = (float) Math.sqrt((1 - DIRECT_SHARE) * 2 / LINES);
    private static final float[] DIFFUSION_SECONDS = {0.00231f, 0.00389f, 0.00593f, 0.00877f};
    private static final float[] DIFFUSION_OFFSET = {1, 1.0863f};

    private final NetworkLine[] lines = new NetworkLine[LINES];
    private final Absorption[] absorptions = new Absorption[LINES / 2];
    private final float[][] block = new float[LINES][BLOCK];
    private final AllPass[][] diffusers = new AllPass[2][DIFFUSION_SECONDS.length];
    private final float[] outLeft = new float[BLOCK];
    private final float[] outRight = new float[BLOCK];
    private final int[] leftSigns = signs(0b0101_1010_0011_1100);
    private final int[] rightSigns = signs(0b0011_0110_1010_0101);
    private float gain;
    private float gainTarget;
    private int phase;

    /** A hall at rest. */
    HallReverb(EngineTuning.Hall tuning, double sampleRateHz) {
        int[] frames = lineFrames(sampleRateHz);
        java.util.Arrays.setAll(absorptions, p -> new Absorption());
        for (int i = 0; i < LINES; i++) {
            lines[i] = new NetworkLine(frames[i], i, sampleRateHz);
        }
        tune(tuning, true);
        for (int c = 0; c < 2; c++) {
            for (int d = 0; d < DIFFUSION_SECONDS.length; d++) {
                double seconds = DIFFUSION_SECONDS[d] * DIFFUSION_OFFSET[c];
                diffusers[c][d] =
                        new AllPass(Primes.from((int) Math.round(seconds * sampleRateHz)), 0.62f);
            }
        }
        gainTarget = tuning.networkGain;
        gain = gainTarget;
    }

    /** Lengths of the lines at a sample rate: primes in a geometric series. */
    static int[] lineFrames(double sampleRateHz) {
        int[] frames = new int[LINES];
        for (int i = 0; i < LINES; i++) {
            double share = i / (LINES - 1.0);
            double seconds = SHORTEST_SECONDS * Math.pow(LONGEST_SECONDS / SHORTEST_SECONDS, share);
            frames[i] = Primes.from((int) Math.round(seconds * sampleRateHz));
        }
        return frames;
    }

    @Override
    public void apply(EngineTuning tuning) {
        if (tuning instanceof EngineTuning.Hall hall) {
            tune(hall, false);
            gainTarget = hall.networkGain;
        }
    }

    private void tune(EngineTuning.Hall tuning, boolean atOnce) {
        for (int p = 0; p < absorptions.length; p++) {
            absorptions[p].tune(tuning.absorption[2 * p], tuning.absorption[2 * p + 1], atOnce);
        }
    }

    @Override
    public void process(float[] left, float[] right, int from, int to) {
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
        diffuse(diffusers[0], left, at, n);
        diffuse(diffusers[1], right, at, n);
        java.util.Arrays.fill(outLeft, 0, n, 0);
        java.util.Arrays.fill(outRight, 0, n, 0);
        readLines(n);
        for (int i = 0; i < LINES; i++) {
            accumulate(outLeft, block[i], leftSigns[i], n);
            accumulate(outRight, block[i], rightSigns[i], n);
        }
        Hadamard.mix(block, n);
        for (int i = 0; i < LINES; i++) {
            accumulate(block[i], at, i % 2 == 0 ? left : right, (i & 2) == 0 ? 1 : -1, n);
            lines[i].write(block[i], n);
        }
        float direct = DIRECT;
        float step = (gainTarget - gain) / 256;
        for (int k = 0; k < n; k++) {
            gain += step;
            left[at + k] = direct * left[at + k] + gain * NETWORK_SCALE * outLeft[k];
            right[at + k] = direct * right[at + k] + gain * NETWORK_SCALE * outRight[k];
        }
        if (Math.abs(gainTarget - gain) < 1e-6f) {
            gain = gainTarget;
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

    private static void diffuse(AllPass[] chain, float[] samples, int at, int n) {
        for (AllPass allPass : chain) {
            allPass.process(samples, at, at + n);
        }
    }

    private static void accumulate(float[] into, float[] from, int sign, int n) {
        for (int k = 0; k < n; k++) {
            into[k] += sign * from[k];
        }
    }

    private static void accumulate(float[] into, int at, float[] from, int sign, int n) {
        for (int k = 0; k < n; k++) {
            into[k] += sign * from[at + k];
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
        gain = gainTarget;
        phase = 0;
    }
}
