package orbispace.core.space;

import java.lang.ref.SoftReference;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.concurrent.ConcurrentHashMap;
import orbispace.core.signal.Fft;

/**
 * The noise that the tails of a kind are made of, in the bands of {@link ReverbBands}: two sides of
 * over five seconds that go on where they began. Made once for a kind and a rate.
 */
final class ReverbNoise {
    /** A whole number of frames at all usual rates. */
    private static final double SECONDS = 5.12;

    private static final Map<Key, SoftReference<ReverbNoise>> MADE = new ConcurrentHashMap<>();

    private record Key(ReverbKind kind, double rate) {}

    private final float[][][] bands = new float[2][ReverbBands.COUNT][];
    private final int frames;

    private ReverbNoise(Key key) {
        frames = 2 * (int) Math.round(SECONDS * key.rate / 2);
        Fft fft = new Fft(frames);
        double[] white = new double[frames];
        double[] band = new double[frames];
        SplittableRandom random = new SplittableRandom(key.kind.start().seed());
        for (float[][] side : bands) {
            SplittableRandom own = random.split();
            // The same waves at any rate, of a power of 1 for each frame.
            double scale = Math.sqrt(frames / 2.0);
            for (int k = 1; k < frames / 2; k++) {
                white[2 * k] = scale * own.nextGaussian();
                white[2 * k + 1] = scale * own.nextGaussian();
            }
            for (int b = 0; b < side.length; b++) {
                ReverbBands.take(b, b, white, band, key.rate);
                fft.inverse(band);
                side[b] = new float[frames];
                for (int i = 0; i < frames; i++) {
                    side[b][i] = (float) band[i];
                }
            }
        }
    }

    /** The noise of a kind at a rate. */
    static ReverbNoise of(ReverbKind kind, double rate) {
        Key key = new Key(kind, rate);
        SoftReference<ReverbNoise> kept = MADE.get(key);
        ReverbNoise noise = kept == null ? null : kept.get();
        if (noise == null) {
            noise = new ReverbNoise(key);
            MADE.put(key, new SoftReference<>(noise));
        }
        return noise;
    }

    /** Frames after which it begins anew. */
    int frames() {
        return frames;
    }

    /**
     * Adds a band of one side times a factor for each frame.
     *
     * @param from frame of the noise, as large as you like
     */
    void add(int side, int band, int from, float[] factors, float[] into, int at, int n) {
        float[] x = bands[side][band];
        int start = from % frames;
        int first = Math.min(n, x.length - start);
        for (int k = 0; k < first; k++) {
            into[at + k] += factors[k] * x[start + k];
        }
        for (int k = first; k < n; k++) {
            into[at + k] += factors[k] * x[k - first];
        }
    }
}
