package orbispace.core.measure;

import orbispace.core.signal.Fft;

/**
 * Divides the spectrum of what came back of a sweep by that of the sweep, which puts the linear
 * response at its latency and each harmonic before it; a sweep that is played twice gives both a
 * second time. The sweep is taken as the clock of the recorder has it, so that clocks which ran
 * apart smear nothing.
 */
final class SweepDivision {
    private static final double SMALL = 1e-10;

    private final Sweep sweep;
    private final Fft fft;
    private final double[] reference;

    /**
     * Divides by one sweep.
     *
     * @param gain how much louder it was played than it is written, as an amplitude factor
     * @param drift by how much the recorder's clock ran faster, as a share
     * @param size frames of the transform, a power of two
     */
    SweepDivision(Sweep sweep, double gain, double drift, int size) {
        this.sweep = sweep;
        fft = new Fft(size);
        reference = new double[size];
        for (int i = 0; i < sweep.period(); i++) {
            reference[i] = gain * sweep.at(i * (1 - drift) / sweep.sampleRateHz());
        }
        fft.forward(reference);
    }

    /** The response of a recording, as long as the transform; what lies before it is wrapped. */
    double[] response(float[] recorded) {
        int size = fft.length();
        double[] y = new double[size];
        for (int i = 0; i < recorded.length; i++) {
            y[i] = recorded[i];
        }
        fft.forward(y);
        double most = 0;
        for (int k = 2; k < size; k += 2) {
            most = Math.max(most, power(k));
        }
        for (int k = 2; k < size; k += 2) {
            double p = power(k) + SMALL * most;
            double re = (y[k] * reference[k] + y[k + 1] * reference[k + 1]) / p;
            double im = (y[k + 1] * reference[k] - y[k] * reference[k + 1]) / p;
            double keep = keep(k / 2.0 * sweep.sampleRateHz() / size);
            y[k] = keep * re;
            y[k + 1] = keep * im;
        }
        y[0] = 0;
        y[1] = 0;
        fft.inverse(y);
        return y;
    }

    private double power(int k) {
        return reference[k] * reference[k] + reference[k + 1] * reference[k + 1];
    }

    /** Nothing below the sweep, where only noise would be raised. */
    private static double keep(double hz) {
        double share = Math.clamp((hz - Sweep.FROM_HZ / 2) / (Sweep.FROM_HZ / 2), 0, 1);
        return Math.sin(Math.PI / 2 * share) * Math.sin(Math.PI / 2 * share);
    }
}
