package orbispace.core.signal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.SplittableRandom;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class FftTest {
    private static double[] noise(int length) {
        return new SplittableRandom(length).doubles(length, -1, 1).toArray();
    }

    @ParameterizedTest
    @ValueSource(ints = {8, 12, 64, 250})
    void binsAreTheSumsOfTheDefinitionAndTurnBackIntoSamples(int length) {
        double[] x = noise(length);
        double[] packed = x.clone();
        Fft fft = new Fft(length);
        fft.forward(packed);
        for (int k = 1; k < length / 2; k++) {
            double re = 0;
            double im = 0;
            for (int i = 0; i < length; i++) {
                re += x[i] * Math.cos(2 * Math.PI * i * k / length);
                im -= x[i] * Math.sin(2 * Math.PI * i * k / length);
            }
            assertThat(packed[2 * k]).isCloseTo(re, within(1e-9));
            assertThat(packed[2 * k + 1]).isCloseTo(im, within(1e-9));
        }
        fft.inverse(packed);
        assertThat(packed).containsExactly(x, within(1e-12));
    }

    @Test
    void oneLengthIsTransformedByManyThreadsAtOnce() {
        double[] x = noise(1 << 15);
        double[] once = x.clone();
        new Fft(x.length).forward(once);
        IntStream.range(0, 64)
                .parallel()
                .forEach(i -> {
                    double[] own = x.clone();
                    new Fft(x.length).forward(own);
                    assertThat(own).isEqualTo(once);
                });
    }
}
