package orbispace.core.clear;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import orbispace.core.Signals;
import orbispace.core.hearing.Ear;
import orbispace.core.hearing.Excitation;
import org.junit.jupiter.api.Test;

class FrameGainsTest {
    private static final double RATE = 48000;

    /** Steady noise under a gain: the excitation under the window is that of the ducked sound. */
    @Test
    void aGainThatMovesDoesToExcitationsWhatItDoesToTheSound() {
        Ear ear = new Ear(RATE, 98);
        float[] noise = Signals.noise(0.01, 300, 5000, 2, RATE, 3);
        float[] ducked = noise.clone();
        for (int i = 0; i < ducked.length; i++) {
            ducked[i] *= (float) gain(i);
        }
        Excitation open = ear.hear(Signals.mono(RATE, noise));
        Excitation after = ear.hear(Signals.mono(RATE, ducked));
        float[] power =
                FrameGains.power(
                        open.frames(), RATE / ear.framesPerSecond() / 16, s -> gain(16 * s));
        // Ups only: downwards the ear's own forward masking holds the sound longer.
        int from = (int) (1.0 * ear.framesPerSecond()) - 3;
        double wrong = 0;
        for (int f = from; f < from + 7; f++) {
            double heard = sum(after, f) / sum(open, f);
            wrong = Math.max(wrong, Math.abs(10 * Math.log10(heard / power[f])));
        }
        assertThat(wrong).isLessThan(1.5);
    }

    private static double gain(int frame) {
        return frame < RATE ? 0.1 : 1;
    }

    private static double sum(Excitation e, int frame) {
        double sum = 0;
        for (int b = 14; b < 26; b++) {
            sum += e.at(frame, b);
        }
        return sum;
    }

    @Test
    void aStepInTheMiddleOfAFrameCountsHalf() {
        float[] power = FrameGains.power(21, 32, s -> s < 320 ? 0 : 1);
        assertThat(power[10]).isCloseTo(0.5f, within(0.03f));
        assertThat(power[7]).isZero();
        assertThat(power[13]).isEqualTo(1f);
        assertThat(power[9]).isBetween(0.001f, 0.15f);
    }
}
