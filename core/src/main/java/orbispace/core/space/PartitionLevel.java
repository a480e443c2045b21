package orbispace.core.space;

import java.util.Arrays;
import orbispace.core.signal.Fft;

/**
 * The parts of one size of a partitioned convolution, at work: overlap-save with a line of past
 * spectra. The smallest size answers at once at the end of each block; longer ones have a whole
 * block of time, over which their work is spread so that no call takes long.
 */
final class PartitionLevel {
    private static final float SILENT = 1e-12f;

    private final Partitions response;
    private final Partitions.Level level;
    private final int size;
    private final boolean atOnce;
    private final int parts;
    private final Fft fft;
    private final float[][] input;
    private final float[][] complete;
    private final float[][][][] past;
    private final float[][][] sums;
    private final double[] work;
    private float[][] out;
    private float[][] next;
    private final int steps;
    private int newest;
    private int phase;
    private int done;
    private int sounding;

    PartitionLevel(Partitions response, Partitions.Level level, boolean atOnce) {
        this.response = response;
        this.level = level;
        this.atOnce = atOnce;
        size = level.size();
        parts = level.spectra()[0].length;
        fft = new Fft(2 * size);
        input = new float[2][2 * size];
        complete = new float[2][2 * size];
        past = new float[2][parts][2][size];
        sums = new float[2][2][size];
        work = new double[2 * size];
        out = new float[2][size];
        next = new float[2][size];
        steps = 4 + parts;
        done = steps;
    }

    /** Frames that may be given before the block is full. */
    int left() {
        return size - phase;
    }

    /** Takes frames of the input and adds those of the answer that are due. */
    void process(float[] left, float[] right, float[] wetLeft, float[] wetRight, int at, int n) {
        System.arraycopy(left, at, input[0], size + phase, n);
        System.arraycopy(right, at, input[1], size + phase, n);
        add(out[0], wetLeft, n);
        add(out[1], wetRight, n);
        phase += n;
        if (!atOnce) {
            workUntil((int) ((long) steps * phase / size));
        }
        if (phase == size) {
            turn();
        }
    }

    /**
     * Takes a whole block at once, as the first does, and adds besides what its answer is due to
     * the head of the response.
     */
    void processWhole(float[] left, float[] right, float[] wetLeft, float[] wetRight, int at) {
        process(left, right, wetLeft, wetRight, at, size);
        if (sounding == 0) {
            return;
        }
        for (int c = 0; c < 2; c++) {
            Arrays.fill(sums[c][0], 0);
            Arrays.fill(sums[c][1], 0);
        }
        for (int p = 0; p < response.pathCount; p++) {
            float[][] x = past[response.from(p)][newest];
            Partitions.multiplyAdd(x, response.headSpectra[p], sums[response.to(p)]);
        }
        addBack(0, wetLeft);
        addBack(1, wetRight);
    }

    private void addBack(int c, float[] into) {
        Partitions.pack(sums[c], work);
        fft.inverse(work);
        for (int i = 0; i < size; i++) {
            into[i] += (float) work[size + i];
        }
    }

    private void add(float[] from, float[] into, int n) {
        for (int k = 0; k < n; k++) {
            into[k] += from[phase + k];
        }
    }

    private void turn() {
        float[][] spent = out;
        if (!atOnce) {
            workUntil(steps);
            out = next;
            next = spent;
        }
        for (int c = 0; c < 2; c++) {
            System.arraycopy(input[c], 0, complete[c], 0, 2 * size);
            System.arraycopy(input[c], size, input[c], 0, size);
        }
        phase = 0;
        done = 0;
        sounding = isSilent() ? Math.max(0, sounding - 1) : parts + 1;
        if (atOnce) {
            next = spent;
            workUntil(steps);
        }
    }

    private boolean isSilent() {
        for (int c = 0; c < 2; c++) {
            for (float x : complete[c]) {
                if (Math.abs(x) > SILENT) {
                    return false;
                }
            }
        }
        return true;
    }

    private void workUntil(int target) {
        while (done < target) {
            if (sounding > 0) {
                step(done);
            } else if (done == 0) {
                Arrays.fill(next[0], 0);
                Arrays.fill(next[1], 0);
            }
            done++;
        }
    }

    /** One step of the work: a transform, the products of one part, or a transform back. */
    private void step(int step) {
        if (step < 2) {
            transform(step);
        } else if (step < 2 + parts) {
            multiply(step - 2);
        } else {
            back(step - 2 - parts);
        }
    }

    private void transform(int c) {
        if (c == 0) {
            newest = (newest + parts - 1) % parts;
        }
        for (int i = 0; i < work.length; i++) {
            work[i] = complete[c][i];
        }
        fft.forward(work);
        Partitions.split(work, past[c][newest]);
        Arrays.fill(sums[c][0], 0);
        Arrays.fill(sums[c][1], 0);
    }

    private void multiply(int part) {
        int index = (newest + part) % parts;
        for (int p = 0; p < response.pathCount; p++) {
            Partitions.multiplyAdd(
                    past[response.from(p)][index], level.spectra()[p][part], sums[response.to(p)]);
        }
    }

    private void back(int c) {
        Partitions.pack(sums[c], work);
        fft.inverse(work);
        for (int i = 0; i < size; i++) {
            next[c][i] = (float) work[size + i];
        }
    }

    void reset() {
        for (int c = 0; c < 2; c++) {
            Arrays.fill(input[c], 0);
            Arrays.fill(out[c], 0);
            Arrays.fill(next[c], 0);
            for (float[][] spectrum : past[c]) {
                Arrays.fill(spectrum[0], 0);
                Arrays.fill(spectrum[1], 0);
            }
        }
        phase = 0;
        done = steps;
        sounding = 0;
    }
}
