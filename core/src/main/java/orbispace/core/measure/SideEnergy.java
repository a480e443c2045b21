package orbispace.core.measure;

import orbispace.core.audio.Audio;
import orbispace.core.audio.Pan;

/**
 * On which side a space answers, over the time after the dry sound: the powers of its four paths,
 * from its answers to a click on the left and to one on the right.
 *
 * <p>Stretches of 10 ms, up to {@link #SECONDS} after where it begins; later no side is told.
 */
public final class SideEnergy {
    /** How long after its beginning a space is asked for its sides. */
    public static final double SECONDS = 0.3;

    private static final double STEP_SECONDS = 0.01;
    private static final double LEAST = 1e-12;

    private final double fromSeconds;
    private final double[][] powers;

    /**
     * Measures a space.
     *
     * @param left answer to a click on the left, of one energy with the other
     * @param right answer to one on the right
     * @param fromSeconds when it begins
     */
    public SideEnergy(Audio left, Audio right, double fromSeconds) {
        this.fromSeconds = fromSeconds;
        powers =
                new double[][] {
                    steps(left, 0), steps(left, 1), steps(right, 0), steps(right, 1),
                };
    }

    private double[] steps(Audio answer, int channel) {
        double rate = answer.sampleRateHz();
        float[] x = answer.channel(channel);
        double[] steps = new double[(int) Math.round(SECONDS / STEP_SECONDS)];
        for (int s = 0; s < steps.length; s++) {
            int from = (int) Math.round((fromSeconds + s * STEP_SECONDS) * rate);
            int to = (int) Math.round((fromSeconds + (s + 1) * STEP_SECONDS) * rate);
            for (int i = from; i < Math.min(to, x.length); i++) {
                steps[s] += (double) x[i] * x[i];
            }
        }
        return steps;
    }

    /**
     * The bearing at a moment, from -90 (left) to 90 degrees, that a sound of the powers left and
     * right would have under the constant-power pan law; taken over 30 ms, 0 where nothing sounds
     * and where no side is told.
     *
     * @param seconds after the dry sound
     * @param leftPower of what is sent, at least 0
     * @param rightPower the same on the right; what both have in common is not reckoned with
     */
    public double bearingDegrees(double seconds, double leftPower, double rightPower) {
        double at = (seconds - fromSeconds) / STEP_SECONDS - 0.5;
        if (seconds < fromSeconds || at > powers[0].length - 0.5) {
            return 0;
        }
        double l = leftPower * around(0, at) + rightPower * around(2, at);
        double r = leftPower * around(1, at) + rightPower * around(3, at);
        return l + r <= LEAST * (leftPower + rightPower) ? 0 : 90 * Pan.position(l, r);
    }

    /** The power of a path in the three steps about a place, gone over in straight lines. */
    private double around(int path, double at) {
        int low = (int) Math.floor(at);
        double share = at - low;
        return (1 - share) * three(path, low) + share * three(path, low + 1);
    }

    private double three(int path, int middle) {
        double[] steps = powers[path];
        int centre = Math.clamp(middle, 0, steps.length - 1);
        double sum = 0;
        for (int s = Math.max(0, centre - 1); s <= Math.min(steps.length - 1, centre + 1); s++) {
            sum += steps[s];
        }
        return sum;
    }
}
