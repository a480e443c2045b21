package orbispace.core.material;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.SplittableRandom;
import orbispace.core.audio.Audio;
import orbispace.core.audio.Decibels;
import org.junit.jupiter.api.Test;

class EchoFinderTest {
    private static final double RATE = 44100;
    private static final int SECONDS = 24;

    /** Sung notes of many partials with breath, at times of their own. */
    private static float[] sung() {
        SplittableRandom random = new SplittableRandom(7);
        float[] x = new float[(int) (SECONDS * RATE)];
        double at = 0.2;
        while (at < SECONDS - 1) {
            double hz = 160 + 200 * random.nextDouble();
            double length = 0.2 + 0.4 * random.nextDouble();
            for (int i = 0; i < length * RATE; i++) {
                double t = i / RATE;
                double swell = Math.sin(Math.PI * t / length);
                double voice = 0;
                for (int p = 1; p < 18; p++) {
                    voice += Math.sin(2 * Math.PI * p * hz * (t + 0.0008 * Math.sin(33 * t))) / p;
                }
                double breath = 0.1 * (2 * random.nextDouble() - 1);
                x[(int) (at * RATE) + i] += (float) (0.1 * swell * (voice + breath));
            }
            at += length + 0.5 * random.nextDouble();
        }
        return x;
    }

    private static Audio withEcho(float[] x, double seconds, double db) {
        float[] wet = x.clone();
        int delay = (int) Math.round(seconds * RATE);
        for (int i = delay; i < x.length; i++) {
            wet[i] += (float) (Decibels.toAmplitude(db) * x[i - delay]);
        }
        return Audio.of(RATE, wet);
    }

    @Test
    void aSlapAndAnEchoAreFoundWithTimeAndLevel() {
        float[] voice = sung();
        assertThat(EchoFinder.find(Audio.of(RATE, voice))).isEmpty();
        for (double[] echo : new double[][] {{0.0873, -6}, {0.110, -9}, {0.375, -12}}) {
            PrintedEcho found = EchoFinder.find(withEcho(voice, echo[0], echo[1])).orElseThrow();
            assertThat(found.seconds()).isCloseTo(echo[0], within(0.0002));
            assertThat(found.underDb()).isCloseTo(-echo[1], within(2.5));
            assertThat(found.word()).isEqualTo(echo[0] < 0.15 ? "slap" : "echo");
        }
    }

    @Test
    void whatASongRepeatsByItselfIsNoEcho() {
        SplittableRandom random = new SplittableRandom(3);
        float[] stroke = new float[4000];
        for (int i = 0; i < stroke.length; i++) {
            stroke[i] = (float) (Math.exp(-i / 900.0) * (2 * random.nextDouble() - 1));
        }
        float[] strokes = new float[(int) (SECONDS * RATE)];
        for (int n = 0; n < 4 * SECONDS - 2; n++) {
            // The same sample on each eighth, every other one softer, as a machine plays it.
            float level = n % 2 == 0 ? 0.6f : 0.25f;
            int at = (int) (n * 0.25 * RATE);
            for (int i = 0; i < stroke.length; i++) {
                strokes[at + i] += level * stroke[i];
            }
        }
        assertThat(EchoFinder.find(Audio.of(RATE, strokes))).isEmpty();
        float[] tones = new float[strokes.length];
        for (int i = 0; i < tones.length; i++) {
            double t = i / RATE;
            double hz = 55 * (1 + (int) (t / 0.5) % 2);
            tones[i] = (float) (0.3 * Math.sin(2 * Math.PI * hz * t) * Math.exp(-4 * (t % 0.5)));
        }
        assertThat(EchoFinder.find(Audio.of(RATE, tones))).isEmpty();
        assertThat(EchoFinder.find(Audio.of(RATE, new float[tones.length]))).isEmpty();
        assertThat(EchoFinder.find(Audio.of(RATE, new float[100]))).isEmpty();
    }
}
