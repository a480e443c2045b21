package orbispace.core.space;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Random;

/**
 * The first reflections of a space: taps on the left and the right input that go to both sides,
 * block by block.
 *
 * <p>Room and chamber take the image sources of a shoe-box (Allen and Berkley 1979); a plate begins
 * with dense pulses; hall and vast with sparse ones that grow.
 */
final class EarlyPattern {
    private static final double SOUND_METRES_PER_SECOND = 343;
    private static final double WALL = 0.82;
    private static final int MOST_TAPS = 40;

    /** One reflection: how late, and how loud on each side. */
    record Tap(double seconds, double left, double right) {}

    private final int[] frames;
    private final float[] left;
    private final float[] right;
    private final float[] leftTarget;
    private final float[] rightTarget;
    private final float[][] ring;
    private final int size;
    private final float[] flat;
    private int write;

    EarlyPattern(List<Tap> taps, double sampleRateHz, int blockFrames) {
        frames =
                taps.stream().mapToInt(t -> (int) Math.round(t.seconds() * sampleRateHz)).toArray();
        left = new float[frames.length];
        right = new float[frames.length];
        leftTarget = new float[frames.length];
        rightTarget = new float[frames.length];
        int most = Arrays.stream(frames).max().orElse(0) + blockFrames + 1;
        size = Integer.highestOneBit(most) * 2;
        ring = new float[2][2 * size];
        flat = new float[blockFrames];
    }

    /** Sets what the taps should reach, at once or with the next blocks. */
    void tune(float[] lefts, float[] rights, boolean atOnce) {
        System.arraycopy(lefts, 0, leftTarget, 0, left.length);
        System.arraycopy(rights, 0, rightTarget, 0, right.length);
        if (atOnce) {
            System.arraycopy(lefts, 0, left, 0, left.length);
            System.arraycopy(rights, 0, right, 0, right.length);
        }
    }

    /** Moves the taps towards their targets; called once per grid. */
    void glide() {
        for (int t = 0; t < left.length; t++) {
            left[t] += (leftTarget[t] - left[t]) / 16;
            right[t] += (rightTarget[t] - right[t]) / 16;
        }
    }

    /** Takes {@code n} frames from {@code at} on and adds the reflections that are due. */
    void process(float[] l, float[] r, int at, int n, float[] intoLeft, float[] intoRight) {
        store(l, at, ring[0], n);
        store(r, at, ring[1], n);
        for (int t = 0; t < frames.length; t++) {
            // Taps take turns between the inputs.
            float[] x = ring[t & 1];
            System.arraycopy(x, (write - frames[t]) & (size - 1), flat, 0, n);
            add(intoLeft, left[t], flat, n);
            add(intoRight, right[t], flat, n);
        }
        write = (write + n) & (size - 1);
    }

    /** Writes twice, one ring length apart, so that every stretch can be read in one piece. */
    private void store(float[] x, int at, float[] into, int n) {
        int first = Math.min(n, size - write);
        System.arraycopy(x, at, into, write, first);
        System.arraycopy(x, at, into, write + size, first);
        System.arraycopy(x, at + first, into, 0, n - first);
        System.arraycopy(x, at + first, into, size, n - first);
    }

    private static void add(float[] into, float gain, float[] x, int n) {
        for (int k = 0; k < n; k++) {
            into[k] += gain * x[k];
        }
    }

    void reset() {
        Arrays.fill(ring[0], 0);
        Arrays.fill(ring[1], 0);
        System.arraycopy(leftTarget, 0, left, 0, left.length);
        System.arraycopy(rightTarget, 0, right, 0, right.length);
    }

    /** The taps of a kind at a size, loudest ones only, in order. */
    static List<Tap> taps(ReverbKind kind, double size) {
        return switch (kind) {
            case ROOM -> images(new double[] {5.1 * size, 4.3 * size, 2.75 * size});
            case CHAMBER -> images(new double[] {3.7 * size, 3.1 * size, 2.3 * size});
            case PLATE -> noise(0, 0.03 * size, 48, -1, 21);
            case HALL -> noise(0, 0.085 * size, 22, 0.6, 22);
            case VAST -> noise(0, 0.14 * size, 24, 1.2, 23);
        };
    }

    /** Pulses in stretches of time, whose level goes with a power of their place. */
    private static List<Tap> noise(double from, double to, int count, double growth, long seed) {
        Random random = new Random(seed);
        List<Tap> taps = new ArrayList<>();
        for (int m = 0; m < count; m++) {
            double share = m == 0 ? 0 : (m + random.nextDouble()) / count;
            double level = growth < 0 ? Math.exp(growth * share) : Math.pow(share + 0.25, growth);
            double sign = random.nextBoolean() ? level : -level;
            double inward = 0.04 + 0.24 * random.nextDouble();
            double angle = Math.PI / 2 * (m % 4 < 2 ? inward : 1 - inward);
            taps.add(
                    new Tap(
                            from + share * (to - from),
                            sign * Math.cos(angle),
                            sign * Math.sin(angle)));
        }
        return taps;
    }

    private static List<Tap> images(double[] box) {
        double[] source = {0.38 * box[0], 0.46 * box[1], 0.52 * box[2]};
        double[] ear = {0.67 * box[0], 0.55 * box[1], 0.44 * box[2]};
        double direct = distance(source, ear);
        List<Tap> taps = new ArrayList<>();
        int reach = 3;
        for (int x = -reach; x <= reach; x++) {
            for (int y = -reach; y <= reach; y++) {
                for (int z = -reach; z <= reach; z++) {
                    int bounces = Math.abs(x) + Math.abs(y) + Math.abs(z);
                    if (bounces > 0 && bounces <= reach) {
                        taps.add(image(box, source, ear, direct, new int[] {x, y, z}));
                    }
                }
            }
        }
        taps.sort(Comparator.comparingDouble(t -> -Math.hypot(t.left(), t.right())));
        List<Tap> loudest = new ArrayList<>(taps.subList(0, Math.min(MOST_TAPS, taps.size())));
        loudest.sort(Comparator.comparingDouble(Tap::seconds));
        // The gap before the first reflection is what a predelay sets.
        double first = loudest.getFirst().seconds();
        loudest.replaceAll(t -> new Tap(t.seconds() - first, t.left(), t.right()));
        return loudest;
    }

    private static Tap image(
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
        double side = (at[1] - ear[1]) / far;
        double angle = Math.PI / 4 * (1 + side);
        double sign = (cell[0] + cell[1] + cell[2]) % 2 == 0 ? 1 : -1;
        double seconds = (far - direct) / SOUND_METRES_PER_SECOND;
        return new Tap(seconds, sign * level * Math.cos(angle), sign * level * Math.sin(angle));
    }

    private static double distance(double[] a, double[] b) {
        return Math.sqrt(
                (a[0] - b[0]) * (a[0] - b[0])
                        + (a[1] - b[1]) * (a[1] - b[1])
                        + (a[2] - b[2]) * (a[2] - b[2]));
    }
}
