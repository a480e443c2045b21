package orbispace.core.clear;

import java.util.function.IntToDoubleFunction;

/**
 * What a gain that changes does to excitations: the mean of its square under each frame's window, a
 * Hann window of four hops whose square weighs power.
 */
final class FrameGains {
    private static final int HOPS = 4;

    private FrameGains() {}

    /**
     * Mean power gain of each frame.
     *
     * @param frames how many
     * @param stepsPerHop how many steps of the gain lie between two frames
     * @param gain amplitude factor at a step, which may lie before the first or behind the last
     */
    static float[] power(int frames, double stepsPerHop, IntToDoubleFunction gain) {
        double length = HOPS * stepsPerHop;
        float[] power = new float[frames];
        for (int f = 0; f < frames; f++) {
            double centre = f * stepsPerHop;
            double sum = 0;
            double weights = 0;
            for (int s = (int) Math.ceil(centre - length / 2); s < centre + length / 2; s++) {
                double window = 0.5 * (1 + Math.cos(2 * Math.PI * (s - centre) / length));
                double g = gain.applyAsDouble(s);
                sum += window * window * g * g;
                weights += window * window;
            }
            power[f] = (float) (sum / weights);
        }
        return power;
    }
}
