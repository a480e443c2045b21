package orbispace.core.signal;

import java.util.List;
import orbispace.core.audio.Audio;

/**
 * The power of a filtered sound over time. Two recursions side by side cost hardly more than one:
 * the two channels of a stereo sound, or the two halves of a mono one, the second begun a second
 * early so that its filters have settled.
 */
public final class FilteredPower {
    private static final double SETTLING_SECONDS = 1;

    private FilteredPower() {}

    /**
     * Mean square of each whole step, summed over channels.
     *
     * @param audio of one or two channels
     * @param sections that settle to -200 dB within a second
     * @param stepFrames frames per step, at least 1
     */
    public static double[] of(Audio audio, List<Biquad> sections, int stepFrames) {
        int steps = audio.frames() / stepFrames;
        float[] left = audio.channel(0);
        if (audio.channelCount() > 1) {
            double[][] both = lanes(left, audio.channel(1), 0, steps, sections, stepFrames);
            for (int s = 0; s < steps; s++) {
                both[0][s] += both[1][s];
            }
            return both[0];
        }
        int half = steps / 2;
        int settling = (int) Math.ceil(SETTLING_SECONDS * audio.sampleRateHz() / stepFrames);
        int early = Math.min(half, settling);
        int each = steps - half + early;
        double[][] halves = lanes(left, left, half - early, each, sections, stepFrames);
        double[] powers = new double[steps];
        System.arraycopy(halves[0], 0, powers, 0, half);
        System.arraycopy(halves[1], early, powers, half, steps - half);
        return powers;
    }

    /** Powers of two sounds, the second read from {@code offset} steps on. */
    private static double[][] lanes(
            float[] first,
            float[] second,
            int offset,
            int steps,
            List<Biquad> sections,
            int stepFrames) {
        Cascade filter = new Cascade(sections);
        float[] a = new float[stepFrames];
        float[] b = new float[stepFrames];
        double[][] powers = new double[2][steps];
        for (int s = 0; s < steps; s++) {
            System.arraycopy(first, s * stepFrames, a, 0, stepFrames);
            System.arraycopy(second, (offset + s) * stepFrames, b, 0, stepFrames);
            filter.process(a, b, 0, stepFrames);
            powers[0][s] = meanSquare(a);
            powers[1][s] = meanSquare(b);
        }
        return powers;
    }

    private static double meanSquare(float[] block) {
        double sum = 0;
        for (float x : block) {
            sum += (double) x * x;
        }
        return sum / block.length;
    }
}
