package orbispace.core.space;

import java.util.Arrays;

/**
 * Convolves a sound with a response as it comes, without latency. Whole blocks of the head's length
 * are worked out as spectra, parts of them tap by tap, which differ by rounding (-130 dB).
 */
final class Convolver {
    private static final int HEAD = Partitions.HEAD;
    private static final int TAPS = 4;

    private final Partitions response;
    private final PartitionLevel[] levels;
    private final float[][] recent = new float[2][2 * HEAD];
    private final float[][] flat = new float[TAPS][HEAD];
    private final float[][] wet = new float[2][HEAD];
    private int phase;

    Convolver(Partitions response) {
        this.response = response;
        levels = new PartitionLevel[response.levels.size()];
        for (int l = 0; l < levels.length; l++) {
            levels[l] = new PartitionLevel(response, response.levels.get(l), l == 0);
        }
    }

    /** Replaces frames by the wet sound. */
    void process(float[] left, float[] right, int from, int to) {
        int at = from;
        while (at < to) {
            int n = Math.min(to - at, HEAD - phase);
            run(left, right, at, n);
            at += n;
        }
    }

    private void run(float[] left, float[] right, int at, int n) {
        System.arraycopy(left, at, recent[0], HEAD + phase, n);
        System.arraycopy(right, at, recent[1], HEAD + phase, n);
        Arrays.fill(wet[0], 0, n, 0);
        Arrays.fill(wet[1], 0, n, 0);
        boolean whole = n == HEAD && levels.length > 0;
        if (!whole) {
            direct(n);
        }
        for (PartitionLevel level : levels) {
            if (whole && level == levels[0]) {
                level.processWhole(left, right, wet[0], wet[1], at);
            } else {
                level.process(left, right, wet[0], wet[1], at, n);
            }
        }
        System.arraycopy(wet[0], 0, left, at, n);
        System.arraycopy(wet[1], 0, right, at, n);
        phase += n;
        if (phase == HEAD) {
            System.arraycopy(recent[0], HEAD, recent[0], 0, HEAD);
            System.arraycopy(recent[1], HEAD, recent[1], 0, HEAD);
            phase = 0;
        }
    }

    private void direct(int n) {
        if (response.pathCount == 4) {
            directToBoth(response.head[0], response.head[1], recent[0], n);
            directToBoth(response.head[2], response.head[3], recent[1], n);
        } else {
            direct(response.head[0], recent[0], wet[0], n);
            direct(response.head[1], recent[1], wet[1], n);
        }
    }

    /** Lays what four taps meet side by side, so that one plain loop runs in parallel. */
    private void lay(float[] x, int tap, int n) {
        for (int t = 0; t < TAPS; t++) {
            System.arraycopy(x, HEAD + phase - tap - t, flat[t], 0, n);
        }
    }

    private void direct(float[] taps, float[] x, float[] into, int n) {
        float[] w = flat[0];
        float[] v = flat[1];
        float[] u = flat[2];
        float[] t = flat[3];
        for (int j = 0; j < HEAD; j += TAPS) {
            lay(x, j, n);
            float a = taps[j];
            float b = taps[j + 1];
            float c = taps[j + 2];
            float d = taps[j + 3];
            for (int k = 0; k < n; k++) {
                into[k] += a * w[k] + b * v[k] + (c * u[k] + d * t[k]);
            }
        }
    }

    private void directToBoth(float[] left, float[] right, float[] x, int n) {
        float[] intoLeft = wet[0];
        float[] intoRight = wet[1];
        float[] w = flat[0];
        float[] v = flat[1];
        float[] u = flat[2];
        float[] t = flat[3];
        for (int j = 0; j < HEAD; j += TAPS) {
            lay(x, j, n);
            float a = left[j];
            float b = left[j + 1];
            float c = left[j + 2];
            float d = left[j + 3];
            float e = right[j];
            float f = right[j + 1];
            float g = right[j + 2];
            float h = right[j + 3];
            for (int k = 0; k < n; k++) {
                intoLeft[k] += a * w[k] + b * v[k] + (c * u[k] + d * t[k]);
                intoRight[k] += e * w[k] + f * v[k] + (g * u[k] + h * t[k]);
            }
        }
    }

    void reset() {
        for (PartitionLevel level : levels) {
            level.reset();
        }
        Arrays.fill(recent[0], 0);
        Arrays.fill(recent[1], 0);
        phase = 0;
    }
}
