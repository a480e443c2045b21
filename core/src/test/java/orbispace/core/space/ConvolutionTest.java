package orbispace.core.space;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.SplittableRandom;
import orbispace.core.audio.Audio;
import org.junit.jupiter.api.Test;

class ConvolutionTest {
    private static final double RATE = 48000;
    private static final double MINUS_110_DB = Math.pow(10, -110 / 20.0);

    private static float[] noise(int frames, long seed, double decayFrames) {
        SplittableRandom random = new SplittableRandom(seed);
        float[] x = new float[frames];
        for (int i = 0; i < frames; i++) {
            x[i] = (float) (random.nextGaussian() * Math.exp(-i / decayFrames) / 8);
        }
        return x;
    }

    /** The sum over all taps at one frame, in double. */
    private static double direct(float[] x, float[] h, int at) {
        double sum = 0;
        for (int j = 0; j <= Math.min(at, h.length - 1); j++) {
            sum += (double) h[j] * x[at - j];
        }
        return sum;
    }

    private static float[][] wet(ConvolutionSettings settings, float[] l, float[] r, int block) {
        float[][] out = {l.clone(), r.clone()};
        Impulses.run(Engine.of(settings, RATE), out[0], out[1], block);
        return out;
    }

    @Test
    void equalsDirectConvolutionWithin110Decibels() {
        for (int length : new int[] {1, 200, 3000, 50000, 90000}) {
            float[] h = noise(length, 5, 20000);
            SpaceResponse response = SpaceResponse.of(Audio.of(RATE, h));
            var settings = new ConvolutionSettings(response);
            float[] l = noise(100000, 1, 1e9);
            float[] r = noise(100000, 2, 1e9);
            float[][] live = wet(settings, l, r, 1000);
            float[][] whole = {l.clone(), r.clone()};
            WholeConvolution.process(settings, RATE, whole[0], whole[1], () -> true);
            float[] taps = response.taps(RATE).paths()[0];
            for (int at : new int[] {0, 1, 255, 256, 4095, 4096, 33000, 70001, 99999}) {
                double exact = direct(l, taps, at);
                assertThat((double) live[0][at]).isCloseTo(exact, within(4 * MINUS_110_DB));
                assertThat((double) whole[0][at]).isCloseTo(exact, within(4 * MINUS_110_DB));
                assertThat((double) live[1][at])
                        .isCloseTo(direct(r, taps, at), within(4 * MINUS_110_DB));
            }
        }
    }

    @Test
    void trueStereoCrossesTheSides() {
        float[][] h = {
            noise(700, 1, 300), noise(700, 2, 300), noise(700, 3, 300), noise(700, 4, 300)
        };
        SpaceResponse response =
                SpaceResponse.trueStereo(Audio.of(RATE, h[0], h[1]), Audio.of(RATE, h[2], h[3]));
        float[][] paths = response.taps(RATE).paths();
        float[] l = noise(5000, 5, 1e9);
        float[] r = noise(5000, 6, 1e9);
        float[][] out = wet(new ConvolutionSettings(response), l, r, 64);
        double left = direct(l, paths[0], 4000) + direct(r, paths[2], 4000);
        double right = direct(l, paths[1], 4000) + direct(r, paths[3], 4000);
        assertThat((double) out[0][4000]).isCloseTo(left, within(1e-5));
        assertThat((double) out[1][4000]).isCloseTo(right, within(1e-5));
    }

    @Test
    void blockSizesDoNotChangeTheSound() {
        var settings =
                new ConvolutionSettings(SpaceResponse.of(Audio.of(RATE, noise(40000, 9, 9000))));
        float[] x = noise(70000, 7, 1e9);
        float[][] whole = wet(settings, x, x, 70000);
        for (int block : new int[] {1, 64, 1000}) {
            Audio parts = Audio.of(RATE, wet(settings, x, x, block)[0]);
            assertThat(Impulses.difference(parts, Audio.of(RATE, whole[0]))).isLessThan(1e-5);
        }
    }

    @Test
    void anotherResponseTakesOverWithoutAClickWhileTheOldOneRings() {
        var first = new GatedSettings(GatedSettings.Envelope.FLAT, 0.4, 0.02, 8000);
        var second = new GatedSettings(GatedSettings.Envelope.FALLING, 0.3, 0.02, 8000);
        Engine engine = Engine.of(first, RATE);
        float[] x = new float[96000];
        for (int i = 0; i < x.length; i++) {
            x[i] = (float) (0.2 * Math.sin(2 * Math.PI * 220 * i / RATE));
        }
        float[] y = x.clone();
        engine.process(x, y, 0, 48000);
        engine.apply(second.tuning(RATE));
        engine.process(x, y, 48000, 96000);
        double steepest = 0;
        for (int i = 40000; i < 70000; i++) {
            steepest = Math.max(steepest, Math.abs(x[i] - 2.0 * x[i - 1] + x[i - 2]));
        }
        assertThat(steepest).isLessThan(0.02);
    }

    @Test
    void silenceAfterSoundEndsInExactZero() {
        var settings = new GatedSettings(GatedSettings.Envelope.RISING, 0.5, 0.02, 8000);
        Audio a = Impulses.response(settings, 3, RATE, 256);
        assertThat(a.channel(0)[a.frames() - 1]).isEqualTo(0f);
    }

    @Test
    void silentOrMisfittingResponsesAreRefused() {
        assertThatThrownBy(() -> SpaceResponse.of(Audio.silence(RATE, 2, 100)))
                .hasMessageContaining("silent");
        Audio a = Audio.of(RATE, new float[] {1});
        assertThatThrownBy(() -> SpaceResponse.trueStereo(a, Audio.of(RATE, new float[] {1, 2})))
                .hasMessageContaining("do not fit");
        assertThatThrownBy(() -> new ConvolutionSettings(SpaceResponse.of(a)).tuning(44100))
                .hasMessageContaining("44100");
    }
}
