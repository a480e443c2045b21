package orbispace.core.space;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import orbispace.core.audio.Decibels;

/**
 * The clear walls of a room: the loudest image sources of a shoe-box (Allen and Berkley 1979), seen
 * from a sender on the left and, mirrored, from one on the right.
 */
final class ReverbWalls {
    private static final double SOUND_METRES_PER_SECOND = 343;
    private static final double WALL = 0.82;
    private static final int MOST = 7;
    private static final double HEARD_RATE_HZ = 48000;
    private static final int KERNEL_FRAMES = 40;
    private static final double[] BOX = {5.1, 4.3, 2.75};

    /** The right half of a room is built a little otherwise, so that the middle is not mono. */
    private static final double OTHERWISE = 1.013;

    /** The first wall is the later the farther they all are; so much at twice as far. */
    private static final double LATER_SECONDS = 0.01;

    private ReverbWalls() {}

    /**
     * One wall.
     *
     * @param left whether it answers to a sender on the left
     * @param seconds how late
     * @param near amplitude on the side of the sender, per frame of a field of power 1 a second
     * @param far amplitude on the other
     */
    record Tap(boolean left, double seconds, double near, double far) {
        void add(float[][] paths, double rate) {
            int middle = (int) Math.round(seconds * rate);
            int reach = rate > HEARD_RATE_HZ ? KERNEL_FRAMES : 0;
            for (int k = -reach; k <= reach; k++) {
                int at = middle + k;
                if (at >= 0 && at < paths[0].length) {
                    double scale = Math.sqrt(rate) * kernel(k, rate);
                    paths[left ? 0 : 3][at] += (float) (scale * near);
                    paths[left ? 1 : 2][at] += (float) (scale * far);
                }
            }
        }

        /** One frame, without what no one hears at high rates. */
        private static double kernel(int k, double rate) {
            if (k == 0 || rate <= HEARD_RATE_HZ) {
                return Math.min(1, HEARD_RATE_HZ / rate);
            }
            double x = Math.PI * k * HEARD_RATE_HZ / rate;
            double window = 0.5 + 0.5 * Math.cos(Math.PI * k / (KERNEL_FRAMES + 1));
            return window * HEARD_RATE_HZ / rate * Math.sin(x) / x;
        }
    }

    /** The walls of a reverb, so many times as far as its size says; none for kinds without. */
    static List<Tap> of(ReverbSettings s, double farther) {
        double energy = s.kind().start().walls() * s.size();
        List<Tap> taps = new ArrayList<>();
        if (energy <= 0) {
            return taps;
        }
        double distance = s.character().distance();
        List<double[]> images = images(s.size() * farther, distance);
        // Images fall with their way re that of the direct sound, so those of a near sender do.
        double usual = distance == 1 ? sum(images) : sum(images(s.size() * farther, 1));
        for (double[] image : images) {
            double t = image[0] + (farther - 1) * LATER_SECONDS;
            double fallen = Decibels.toAmplitude(-60 * t / s.decaySeconds());
            double level = fallen * image[1] * Math.sqrt(energy / usual);
            double near = level * ReverbSides.lean(t, true);
            double far = image[2] * level * ReverbSides.lean(t, false);
            taps.add(new Tap(true, t, near, far));
            taps.add(new Tap(false, OTHERWISE * t, near, far));
        }
        return taps;
    }

    /** Seconds after the direct sound, level, and the other side re it, of the loudest images. */
    private static List<double[]> images(double size, double distance) {
        double[] box = {BOX[0] * size, BOX[1] * size, BOX[2] * size};
        double[] ear = {0.67 * box[0], 0.5 * box[1], 0.44 * box[2]};
        double[] source = {
            ear[0] + distance * (0.38 * box[0] - ear[0]),
            ear[1] + distance * (0.36 * box[1] - ear[1]),
            ear[2] + distance * (0.52 * box[2] - ear[2])
        };
        double direct = distance(source, ear);
        List<double[]> images = new ArrayList<>();
        for (int x = -2; x <= 2; x++) {
            for (int y = -2; y <= 2; y++) {
                for (int z = -2; z <= 2; z++) {
                    int bounces = Math.abs(x) + Math.abs(y) + Math.abs(z);
                    if (bounces > 0 && bounces <= 2) {
                        images.add(image(box, source, ear, direct, new int[] {x, y, z}));
                    }
                }
            }
        }
        images.sort(Comparator.comparingDouble(i -> -Math.abs(i[1])));
        List<double[]> loudest = new ArrayList<>(images.subList(0, MOST));
        loudest.sort(Comparator.comparingDouble(i -> i[0]));
        return loudest;
    }

    private static double sum(List<double[]> images) {
        return images.stream().mapToDouble(i -> i[1] * i[1]).sum();
    }

    private static double[] image(
            double[] box, double[] source, double[] ear, double direct, int[] cell) {
        double[] at = new double[3];
        int bounces = 0;
        for (int i = 0; i < 3; i++) {
            boolean even = cell[i] % 2 == 0;
            at[i] = cell[i] * box[i] + (even ? source[i] : box[i] - source[i]);
            bounces += Math.abs(cell[i]);
        }
        double far = distance(at, ear);
        double level = Math.pow(WALL, bounces) * direct / far;
        double sign = (cell[0] + cell[1] + cell[2]) % 2 == 0 ? 1 : -1;
        // Walls at the side turn the other ear's sign, so that the sides have less in common.
        double side = cell[1] == 0 ? 1 : -1;
        return new double[] {(far - direct) / SOUND_METRES_PER_SECOND, sign * level, side};
    }

    private static double distance(double[] a, double[] b) {
        double x = a[0] - b[0];
        double y = a[1] - b[1];
        double z = a[2] - b[2];
        return Math.sqrt(x * x + y * y + z * z);
    }
}
