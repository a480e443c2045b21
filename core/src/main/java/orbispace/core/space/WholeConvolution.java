package orbispace.core.space;

import java.util.Arrays;
import java.util.function.BooleanSupplier;
import orbispace.core.signal.Fft;

/**
 * Convolution of a sound that is there whole: the same result as the {@link ConvolutionEngine}'s
 * within -110 dB at a fraction of the work, since all parts can be long.
 */
public final class WholeConvolution {
    private static final int SIZE = 32768;

    private WholeConvolution() {}

    /** Whether an engine's whole answer is one fixed response. */
    public static boolean serves(EngineSettings settings) {
        return settings.isFixed();
    }

    /**
     * Replaces a sound by its wet sound.
     *
     * @param settings that {@link #serves} is true of
     * @param rate of the sound
     * @param left one channel
     * @param right the other, as long
     * @param goOn asked before each part; false stops the work half done
     */
    public static void process(
            EngineSettings settings,
            double rate,
            float[] left,
            float[] right,
            BooleanSupplier goOn) {
        Taps taps =
                settings.fixedResponse(rate)
                        .orElseThrow(() -> new IllegalArgumentException("no fixed response"));
        new Work(taps).run(new float[][] {left, right}, goOn);
    }

    /**
     * The answer to a click, straight from the response.
     *
     * @param settings that {@link #serves} is true of
     * @param rate of the sound
     * @param left of the click
     * @param right of the click
     * @param frames of the answer
     * @return the left and the right side
     */
    public static float[][] click(
            EngineSettings settings, double rate, double left, double right, int frames) {
        float[][] paths = settings.fixedResponse(rate).orElseThrow().paths();
        Partitions sides = Partitions.of(new float[paths.length][Partitions.HEAD]);
        float[][] answer = new float[2][frames];
        for (int p = 0; p < paths.length; p++) {
            float level = (float) (sides.from(p) == 0 ? left : right);
            float[] into = answer[sides.to(p)];
            for (int i = 0; i < Math.min(frames, paths[p].length); i++) {
                into[i] += level * paths[p][i];
            }
        }
        return answer;
    }

    private static final class Work {
        private final Partitions paths;
        private final float[][][][] spectra;
        private final int parts;
        private final Fft fft = new Fft(2 * SIZE);
        private final double[] work = new double[2 * SIZE];
        private final float[][][][] past;
        private final float[][] before = new float[2][SIZE];
        private final float[][] sum = new float[2][SIZE];
        private int newest;

        Work(Taps taps) {
            spectra = taps.equal(SIZE).spectra();
            paths = Partitions.of(new float[taps.paths().length][Partitions.HEAD]);
            parts = spectra[0].length;
            past = new float[2][parts][2][SIZE];
        }

        void run(float[][] sound, BooleanSupplier goOn) {
            int frames = sound[0].length;
            for (int at = 0; at < frames && goOn.getAsBoolean(); at += SIZE) {
                newest = (newest + parts - 1) % parts;
                int n = Math.min(SIZE, frames - at);
                take(sound[0], at, n, 0);
                take(sound[1], at, n, 1);
                give(sound[0], at, n, 0);
                give(sound[1], at, n, 1);
            }
        }

        private void take(float[] x, int at, int n, int c) {
            Arrays.fill(work, 0);
            for (int i = 0; i < SIZE; i++) {
                work[i] = before[c][i];
            }
            for (int i = 0; i < n; i++) {
                work[SIZE + i] = x[at + i];
            }
            Arrays.fill(before[c], 0);
            System.arraycopy(x, at, before[c], 0, n);
            fft.forward(work);
            Partitions.split(work, past[c][newest]);
        }

        private void give(float[] into, int at, int n, int c) {
            Arrays.fill(sum[0], 0);
            Arrays.fill(sum[1], 0);
            for (int p = 0; p < paths.pathCount; p++) {
                for (int k = 0; paths.to(p) == c && k < parts; k++) {
                    float[][] x = past[paths.from(p)][(newest + k) % parts];
                    Partitions.multiplyAdd(x, spectra[p][k], sum);
                }
            }
            Partitions.pack(sum, work);
            fft.inverse(work);
            for (int i = 0; i < n; i++) {
                into[at + i] = (float) work[SIZE + i];
            }
        }
    }
}
