package orbispace.core.signal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.SplittableRandom;
import orbispace.core.audio.Audio;
import org.junit.jupiter.api.Test;

class FilteredPowerTest {
    private static final double RATE = 8000;
    private static final int STEP = 80;

    @Test
    void halvesOfMonoMeetWithoutASeam() {
        float[] noise = noise(1, 5 * 8000);
        double[] powers =
                FilteredPower.of(Audio.of(RATE, noise), FilterDesign.highPass(60, 2, RATE), STEP);
        new Cascade(FilterDesign.highPass(60, 2, RATE)).process(noise, noise, 0, noise.length);
        assertThat(powers).hasSize(500);
        for (int s = 0; s < powers.length; s++) {
            assertThat(powers[s]).isCloseTo(meanSquare(noise, s), within(1e-9));
        }
    }

    @Test
    void addsTheChannelsOfStereo() {
        float[] left = noise(2, 8000);
        float[] right = noise(3, 8000);
        double[] powers = FilteredPower.of(Audio.of(RATE, left, right), java.util.List.of(), STEP);
        assertThat(powers[40])
                .isCloseTo(meanSquare(left, 40) + meanSquare(right, 40), within(1e-12));
    }

    @Test
    void soundsShorterThanAStepHaveNoPower() {
        assertThat(FilteredPower.of(Audio.of(RATE, noise(4, 79)), java.util.List.of(), STEP))
                .isEmpty();
    }

    private static float[] noise(long seed, int frames) {
        SplittableRandom random = new SplittableRandom(seed);
        float[] out = new float[frames];
        for (int i = 0; i < frames; i++) {
            out[i] = (float) (random.nextGaussian() / 4);
        }
        return out;
    }

    private static double meanSquare(float[] x, int step) {
        double sum = 0;
        for (int i = step * STEP; i < (step + 1) * STEP; i++) {
            sum += (double) x[i] * x[i];
        }
        return sum / STEP;
    }
}
