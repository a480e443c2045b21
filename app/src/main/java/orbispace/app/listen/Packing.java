package orbispace.app.listen;

import orbispace.core.signal.StreamResampler;
import org.jspecify.annotations.Nullable;

/** Makes of blocks what an output takes: at its rate, as whole numbers of its bytes. */
final class Packing {
    private final @Nullable StreamResampler converter;
    private final int each;
    private final float[] outLeft;
    private final float[] outRight;
    private final byte[] bytes;
    private float peak;

    Packing(double songHz, Output output, int mostFrames) {
        converter =
                output.sampleRateHz() == songHz
                        ? null
                        : new StreamResampler(songHz, output.sampleRateHz(), mostFrames);
        int most = converter == null ? mostFrames : converter.mostOut();
        each = output.sampleBytes();
        outLeft = new float[converter == null ? 0 : most];
        outRight = new float[converter == null ? 0 : most];
        bytes = new byte[2 * each * most];
    }

    /** Takes a block; says how many bytes it makes. */
    int pack(float[] left, float[] right, int n) {
        if (converter == null) {
            return put(left, right, n);
        }
        return put(outLeft, outRight, converter.process(left, right, n, outLeft, outRight));
    }

    /** What the last block became. */
    byte[] bytes() {
        return bytes;
    }

    /** Peak of the last block, 0 to 1. */
    float peak() {
        return peak;
    }

    private int put(float[] left, float[] right, int n) {
        float most = 0;
        for (int i = 0; i < n; i++) {
            most = Math.max(most, Math.max(Math.abs(left[i]), Math.abs(right[i])));
            put(2 * each * i, left[i]);
            put(2 * each * i + each, right[i]);
        }
        peak = most;
        return 2 * each * n;
    }

    private void put(int at, float x) {
        int full = (1 << (Byte.SIZE * each - 1)) - 1;
        int v = Math.clamp(Math.round((double) x * full), -full, full);
        for (int b = 0; b < each; b++) {
            bytes[at + b] = (byte) (v >> (Byte.SIZE * b));
        }
    }
}
