package orbispace.core.signal;

import java.lang.ref.SoftReference;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.jtransforms.fft.DoubleFFT_1D;
import org.visnow.jlargearrays.ConcurrencyUtils;

/**
 * A real Fourier transform of one length, over JTransforms. Transforms of a power of two only read
 * their tables, which are made once for all of one length and may be used by several threads; those
 * of other lengths may not.
 */
public final class Fft {
    static {
        // Otherwise long transforms start a pool of threads of their own.
        ConcurrencyUtils.setNumberOfThreads(1);
    }

    private static final Map<Integer, SoftReference<DoubleFFT_1D>> TABLES =
            new ConcurrentHashMap<>();

    private final int length;
    private final DoubleFFT_1D transform;

    /** A transform of {@code length} real samples, even and at least 2. */
    public Fft(int length) {
        if (length < 2 || length % 2 != 0) {
            throw new IllegalArgumentException("transform length " + length + " is not even");
        }
        this.length = length;
        this.transform = Integer.bitCount(length) == 1 ? shared(length) : new DoubleFFT_1D(length);
    }

    private static DoubleFFT_1D shared(int length) {
        SoftReference<DoubleFFT_1D> kept = TABLES.get(length);
        DoubleFFT_1D transform = kept == null ? null : kept.get();
        if (transform == null) {
            transform = new DoubleFFT_1D(length);
            TABLES.put(length, new SoftReference<>(transform));
        }
        return transform;
    }

    /** Samples per transform. */
    public int length() {
        return length;
    }

    /**
     * Transforms in place to packed form: [0] is bin 0, [1] the Nyquist bin, [2k] and [2k+1] the
     * real and imaginary part of bin k.
     */
    public void forward(double[] samples) {
        transform.realForward(samples);
    }

    /** Undoes {@link #forward}, scale included. */
    public void inverse(double[] packed) {
        transform.realInverse(packed, true);
    }

    /**
     * Transforms {@code length} complex numbers in place, real and imaginary parts taking turns;
     * two real signals fit into one such transform.
     */
    public void forwardComplex(double[] pairs) {
        transform.complexForward(pairs);
    }

    /** Periodic Hann window. */
    public static double[] hann(int length) {
        double[] window = new double[length];
        for (int i = 0; i < length; i++) {
            window[i] = 0.5 - 0.5 * Math.cos(2 * Math.PI * i / length);
        }
        return window;
    }
}
