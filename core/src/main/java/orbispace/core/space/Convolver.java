package orbispace.core.space;

import java.util.Arrays;

/** Convolves a sound with a response as it comes, without latency. */
final class Convolver {
    private static final int HEAD = Partitions.HEAD;

    private final Partitions response;
    private final PartitionLevel[] levels;
    private final float[][] recent = new float[2][2 * HEAD];
    private final float[][] wet = new float[2][HEAD];
    private final float[] flat = new float[HEAD];
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
        for (int p = 0; p < response.pathCount; p++) {
            direct(response.head[p], recent[response.from(p)], wet[response.to(p)], n);
        }
        for (PartitionLevel level : levels) {
            level.process(left, right, wet[0], wet[1], at, n);
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

    private void direct(float[] taps, float[] x, float[] into, int n) {
        for (int j = 0; j < HEAD; j++) {
            float h = taps[j];
            System.arraycopy(x, HEAD + phase - j, flat, 0, n);
            for (int k = 0; k < n; k++) {
                into[k] += h * flat[k];
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
