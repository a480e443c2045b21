package orbispace.core.hearing;

import java.util.Arrays;
import java.util.SplittableRandom;

/** Excitations with other power in every cell, for measures that are worked out plainly. */
public final class MadeCells {
    private MadeCells() {}

    private static final int BANDS = HearingModel.BANDS;
    public static final int FRAMES = 30;
    public static final double FPS = 10;

    /** Power that is a product of one share per frame and one per band. */
    public static Excitation cells(double power, float[] frames, double[] bands) {
        return Excitation.even(frames.length, FPS, power)
                .times(new float[frames.length], bands)
                .times(frames);
    }

    private static float[] frames(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        float[] all = new float[FRAMES];
        for (int f = 0; f < FRAMES; f++) {
            all[f] = f % 7 == 3 ? 0 : random.nextFloat();
        }
        return all;
    }

    private static double[] bands(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        double[] all = new double[BANDS];
        Arrays.setAll(all, b -> random.nextDouble());
        return all;
    }

    public static final Excitation ONE = cells(2000, frames(1), bands(2));
    public static final Excitation OTHER = cells(900, frames(3), bands(4));
    public static final Excitation THIRD = cells(400, frames(5), bands(6));
}
