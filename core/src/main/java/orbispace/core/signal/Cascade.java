package orbispace.core.signal;

import java.util.List;

/**
 * A stereo chain of biquads that keeps state between blocks.
 *
 * <p>Transposed direct form II in double. State is cleaned to true zero when it falls under -300
 * dB, so silence costs nothing. To exchange sections while it sounds see {@link FadingFilter}.
 */
public final class Cascade {
    private static final int CLEAN_FRAMES = 512;
    private static final double SILENT = 1e-15;

    private final int sections;
    private final double[] now;
    private final double[] state;
    private final int[] active;

    /** A chain of this many sections, all passing everything. */
    public Cascade(int sections) {
        this.sections = sections;
        now = new double[5 * sections];
        state = new double[4 * sections];
        active = new int[sections];
        for (int s = 0; s < sections; s++) {
            now[5 * s] = 1;
        }
    }

    /** A chain with the given sections. */
    public Cascade(List<Biquad> design) {
        this(design.size());
        set(pack(design, design.size()));
    }

    /** Coefficients of sections for {@link #set}, filled up with sections that pass everything. */
    public static double[] pack(List<Biquad> design, int sections) {
        if (design.size() > sections) {
            throw new IllegalArgumentException(
                    design.size() + " sections do not fit into " + sections);
        }
        double[] packed = new double[5 * sections];
        for (int s = 0; s < sections; s++) {
            Biquad b = s < design.size() ? design.get(s) : Biquad.IDENTITY;
            packed[5 * s] = b.b0();
            packed[5 * s + 1] = b.b1();
            packed[5 * s + 2] = b.b2();
            packed[5 * s + 3] = b.a1();
            packed[5 * s + 4] = b.a2();
        }
        return packed;
    }

    /** Sets packed sections of this chain's size, at once. Does not allocate. */
    public void set(double[] packed) {
        System.arraycopy(packed, 0, now, 0, now.length);
    }

    /** Forgets all sound. */
    public void reset() {
        java.util.Arrays.fill(state, 0);
    }

    /**
     * Filters frames {@code from} to before {@code to} in place; both arrays may be the same one.
     */
    public void process(float[] left, float[] right, int from, int to) {
        int at = from;
        while (at < to) {
            int end = Math.min(to, at + CLEAN_FRAMES);
            run(left, right, at, end);
            clean();
            at = end;
        }
    }

    private void clean() {
        for (int i = 0; i < state.length; i++) {
            if (Math.abs(state[i]) < SILENT) {
                state[i] = 0;
            }
        }
    }

    @SuppressWarnings("ReferenceEquality") // One and the same array means mono.
    private void run(float[] left, float[] right, int from, int to) {
        int count = findActive();
        if (left == right) {
            for (int k = 0; k < count; k++) {
                mono(active[k], left, from, to);
            }
            return;
        }
        for (int k = 0; k + 1 < count; k += 2) {
            pair(active[k], active[k + 1], left, right, from, to);
        }
        if (count % 2 == 1) {
            stereo(active[count - 1], left, right, from, to);
        }
    }

    /** Finds the sections that do not pass everything. */
    private int findActive() {
        int count = 0;
        for (int s = 0; s < sections; s++) {
            int c = 5 * s;
            boolean plain = now[c] == 1 && now[c + 1] == 0 && now[c + 2] == 0;
            if (!plain || now[c + 3] != 0 || now[c + 4] != 0) {
                active[count++] = s;
            }
        }
        return count;
    }

    private void mono(int s, float[] x, int from, int to) {
        double b0 = now[5 * s];
        double b1 = now[5 * s + 1];
        double b2 = now[5 * s + 2];
        double a1 = now[5 * s + 3];
        double a2 = now[5 * s + 4];
        double l1 = state[4 * s];
        double l2 = state[4 * s + 1];
        for (int i = from; i < to; i++) {
            double in = x[i];
            double out = Math.fma(b0, in, l1);
            l1 = Math.fma(b1, in, Math.fma(-a1, out, l2));
            l2 = Math.fma(b2, in, -a2 * out);
            x[i] = (float) out;
        }
        state[4 * s] = l1;
        state[4 * s + 1] = l2;
    }

    private void stereo(int s, float[] left, float[] right, int from, int to) {
        double b0 = now[5 * s];
        double b1 = now[5 * s + 1];
        double b2 = now[5 * s + 2];
        double a1 = now[5 * s + 3];
        double a2 = now[5 * s + 4];
        double l1 = state[4 * s];
        double l2 = state[4 * s + 1];
        double r1 = state[4 * s + 2];
        double r2 = state[4 * s + 3];
        for (int i = from; i < to; i++) {
            double x = left[i];
            double y = Math.fma(b0, x, l1);
            l1 = Math.fma(b1, x, Math.fma(-a1, y, l2));
            l2 = Math.fma(b2, x, -a2 * y);
            double u = right[i];
            double v = Math.fma(b0, u, r1);
            r1 = Math.fma(b1, u, Math.fma(-a1, v, r2));
            r2 = Math.fma(b2, u, -a2 * v);
            left[i] = (float) y;
            right[i] = (float) v;
        }
        keep(s, l1, l2, r1, r2);
    }

    private void keep(int s, double l1, double l2, double r1, double r2) {
        state[4 * s] = l1;
        state[4 * s + 1] = l2;
        state[4 * s + 2] = r1;
        state[4 * s + 3] = r2;
    }

    /** Two sections in one loop: each waits for itself only, so four of them work side by side. */
    private void pair(int s, int t, float[] left, float[] right, int from, int to) {
        double b0 = now[5 * s];
        double b1 = now[5 * s + 1];
        double b2 = now[5 * s + 2];
        double a1 = now[5 * s + 3];
        double a2 = now[5 * s + 4];
        double d0 = now[5 * t];
        double d1 = now[5 * t + 1];
        double d2 = now[5 * t + 2];
        double c1 = now[5 * t + 3];
        double c2 = now[5 * t + 4];
        double l1 = state[4 * s];
        double l2 = state[4 * s + 1];
        double r1 = state[4 * s + 2];
        double r2 = state[4 * s + 3];
        double m1 = state[4 * t];
        double m2 = state[4 * t + 1];
        double q1 = state[4 * t + 2];
        double q2 = state[4 * t + 3];
        for (int i = from; i < to; i++) {
            double x = left[i];
            double u = right[i];
            double y = Math.fma(b0, x, l1);
            double v = Math.fma(b0, u, r1);
            l1 = Math.fma(b1, x, Math.fma(-a1, y, l2));
            r1 = Math.fma(b1, u, Math.fma(-a1, v, r2));
            l2 = Math.fma(b2, x, -a2 * y);
            r2 = Math.fma(b2, u, -a2 * v);
            double z = Math.fma(d0, y, m1);
            double w = Math.fma(d0, v, q1);
            m1 = Math.fma(d1, y, Math.fma(-c1, z, m2));
            q1 = Math.fma(d1, v, Math.fma(-c1, w, q2));
            m2 = Math.fma(d2, y, -c2 * z);
            q2 = Math.fma(d2, v, -c2 * w);
            left[i] = (float) z;
            right[i] = (float) w;
        }
        keep(s, l1, l2, r1, r2);
        keep(t, m1, m2, q1, q2);
    }
}
