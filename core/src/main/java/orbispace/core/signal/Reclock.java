package orbispace.core.signal;

/**
 * Reads a stretch of sound as a clock of slightly another speed has it, over its whole band: four
 * times as many samples by a transform that is lengthened, then a windowed sinc between those.
 */
public final class Reclock {
    private static final int FINE = 4;
    private static final int TAPS = 16;
    private static final int PHASES = 1024;

    private Reclock() {}

    /**
     * Values of a sound at {@code start + step k} samples.
     *
     * @param x the sound; taken to be silent before and after
     * @param start where the first value lies, in samples
     * @param step samples from one value to the next
     * @param count how many values
     */
    public static double[] read(double[] x, double start, double step, int count) {
        int n = Integer.highestOneBit(2 * (x.length + TAPS) - 1);
        double[] spectrum = new double[FINE * n];
        double[] short1 = new double[n];
        System.arraycopy(x, 0, short1, 0, x.length);
        new Fft(n).forward(short1);
        double middle = short1[1];
        System.arraycopy(short1, 0, spectrum, 0, n);
        spectrum[1] = 0;
        // The bin at half the rate stands for two, one above and one below.
        spectrum[n] = middle / 2;
        new Fft(FINE * n).inverse(spectrum);
        double[][] kernels = kernels();
        double[] out = new double[count];
        for (int k = 0; k < count; k++) {
            double at = FINE * (start + step * k);
            long whole = (long) Math.floor(at);
            double phase = (at - whole) * PHASES;
            int p = (int) phase;
            double share = phase - p;
            double sum = 0;
            for (int t = 0; t < 2 * TAPS; t++) {
                int i = (int) Math.floorMod(whole + t - TAPS + 1, (long) spectrum.length);
                sum += spectrum[i] * (kernels[p][t] + share * (kernels[p + 1][t] - kernels[p][t]));
            }
            out[k] = FINE * sum;
        }
        return out;
    }

    /** Kernels between two samples: the band ends at a quarter, so that they may fall slowly. */
    private static double[][] kernels() {
        double[][] kernels = new double[PHASES + 1][2 * TAPS];
        for (int p = 0; p <= PHASES; p++) {
            for (int t = 0; t < 2 * TAPS; t++) {
                double d = t - TAPS + 1 - p / (double) PHASES;
                double inside = Math.max(0, 1 - d * d / (TAPS * TAPS));
                double window = Bessel.i0(12 * Math.sqrt(inside)) / Bessel.i0(12);
                double x = Math.PI * d;
                kernels[p][t] = Math.abs(x) < 1e-12 ? 1 : window * Math.sin(x) / x;
            }
        }
        return kernels;
    }
}
