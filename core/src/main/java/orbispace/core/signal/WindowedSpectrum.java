package orbispace.core.signal;

/**
 * The spectrum of one stretch of sound after another, of one length and under one window; not safe
 * for use by several threads.
 */
public final class WindowedSpectrum {
    private final Fft fft;
    private final double[] window;
    private final double[] packed;

    private WindowedSpectrum(double[] window) {
        this.window = window;
        fft = new Fft(window.length);
        packed = new double[window.length];
    }

    /** Spectra of so many samples, even, under a periodic Hann window. */
    public static WindowedSpectrum hann(int length) {
        return new WindowedSpectrum(Fft.hann(length));
    }

    /** Spectra of so many samples, even, as they are. */
    public static WindowedSpectrum plain(int length) {
        double[] window = new double[length];
        java.util.Arrays.fill(window, 1);
        return new WindowedSpectrum(window);
    }

    /**
     * Takes the stretch that begins at a sample; beyond both ends there is silence.
     *
     * @return whether anything sounds in it; if not, its spectrum is zero
     */
    public boolean take(float[] samples, int start) {
        boolean sounds = false;
        for (int i = 0; i < packed.length; i++) {
            int at = start + i;
            packed[i] = at >= 0 && at < samples.length ? window[i] * samples[at] : 0;
            sounds |= packed[i] != 0;
        }
        if (sounds) {
            fft.forward(packed);
        }
        return sounds;
    }

    /** The real part of a bin between the first and the Nyquist bin. */
    public double re(int bin) {
        return packed[2 * bin];
    }

    /** The imaginary part of a bin between the first and the Nyquist bin. */
    public double im(int bin) {
        return packed[2 * bin + 1];
    }

    /** Power of a bin between the first and the Nyquist bin: the square of its amount. */
    public double power(int bin) {
        double re = packed[2 * bin];
        double im = packed[2 * bin + 1];
        return re * re + im * im;
    }

    /** The real part of a bin times the other's, conjugate: what two spectra have in common. */
    public double common(WindowedSpectrum other, int bin) {
        return packed[2 * bin] * other.packed[2 * bin]
                + packed[2 * bin + 1] * other.packed[2 * bin + 1];
    }

    /** Adds the power of each bin but the first to a sum as long as half the stretch. */
    public void addPower(double[] sum) {
        for (int k = 1; k < packed.length / 2; k++) {
            sum[k] += power(k);
        }
    }
}
