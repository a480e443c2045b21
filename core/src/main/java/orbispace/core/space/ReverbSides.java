package orbispace.core.space;

import java.util.List;
import orbispace.core.audio.Decibels;

/** What the four paths of a reverb have to do with each other: near and far, left and right. */
final class ReverbSides {
    private static final double LEAN_DB = 7.5;
    private static final double LEAN_SECONDS = 0.06;
    private static final List<Double> MIRRORED_SECONDS = List.of(0.0, 0.03, 0.1, 0.2, 0.3);
    private static final double MIRROR_FADE_SECONDS = 0.005;
    private static final int MIRROR_ROUNDS = 4;

    private final float[][] paths;
    private final double rate;

    /** Works on paths in place: left to left, left to right, right to left, right to right. */
    ReverbSides(float[][] paths, double rate) {
        this.paths = paths;
        this.rate = rate;
    }

    /** Gives the two sides of each source what they have in common. */
    void share(double alike) {
        if (alike == 0) {
            return;
        }
        // Of x and y the sums a x + b y and b x + a y are as loud, and alike by 2 a b.
        double a = Math.sqrt(0.5 * (1 + Math.sqrt(1 - alike * alike)));
        double b = alike / (2 * a);
        for (int source = 0; source < 2; source++) {
            float[] x = paths[2 * source];
            float[] y = paths[2 * source + 1];
            for (int i = 0; i < x.length; i++) {
                double l = x[i];
                x[i] = (float) (a * l + b * y[i]);
                y[i] = (float) (b * l + a * y[i]);
            }
        }
    }

    /** Makes each source louder on its own side. */
    void lean() {
        for (int p = 0; p < paths.length; p++) {
            lean(p);
        }
    }

    /** A path is louder, or softer, the more the nearer to the start. */
    private void lean(int path) {
        boolean near = path / 2 == path % 2;
        int end = Math.min(paths[path].length, (int) (10 * LEAN_SECONDS * rate));
        for (int i = 0; i < end; i++) {
            paths[path][i] *= (float) lean(i / rate, near);
        }
    }

    /** The amplitude of the side of a source, or of the other, at a moment. */
    static double lean(double t, boolean near) {
        double ratio = Decibels.toPower(LEAN_DB * Math.exp(-t / LEAN_SECONDS));
        return Math.sqrt(2 * (near ? ratio : 1) / (1 + ratio));
    }

    /** Makes each side the mirror image of the other in level. */
    void mirror() {
        mirror(0, 3);
        mirror(1, 2);
    }

    /** Makes a path and that of the other side as loud, in the stretches in which they lean. */
    private void mirror(int path, int other) {
        for (int round = 0; round < MIRROR_ROUNDS; round++) {
            double before = 1;
            for (int s = 0; s + 1 < MIRRORED_SECONDS.size(); s++) {
                int from = frame(MIRRORED_SECONDS.get(s));
                int to = frame(MIRRORED_SECONDS.get(s + 1));
                double ratio = energy(paths[other], from, to) / energy(paths[path], from, to);
                // Each goes half of the way, and over from the stretch before in straight lines.
                boolean last = s + 2 == MIRRORED_SECONDS.size();
                double gain = last ? 1 : Math.pow(ratio, 0.25);
                double over = Math.min(to - from, MIRROR_FADE_SECONDS * rate);
                for (int i = from; i < to; i++) {
                    double g = before + (gain - before) * Math.min(1, (i - from) / over);
                    paths[path][i] *= (float) g;
                    paths[other][i] /= (float) g;
                }
                before = gain;
            }
        }
    }

    private int frame(double seconds) {
        return Math.min(paths[0].length, (int) Math.round(seconds * rate));
    }

    private static double energy(float[] x, int from, int to) {
        double energy = 1e-30;
        for (int i = from; i < to; i++) {
            energy += (double) x[i] * x[i];
        }
        return energy;
    }
}
