package orbispace.core.material;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import orbispace.core.audio.Audio;
import orbispace.core.audio.Polarity;
import orbispace.core.signal.Biquad;
import orbispace.core.signal.Cascade;
import orbispace.core.signal.FilterDesign;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** Copies of several kinds of sound through filters, either way up. */
class LineUpPolarityTest {
    private static final double RATE = 48000;
    private static final int FRAMES = (int) (12 * RATE);

    /** What is copied. */
    enum Sound {
        /** Bursts of noise. */
        NOISE,
        /** A voice: pulses of a moving pitch through two resonances, with rests. */
        VOICE,
        /** Struck drums: falling tones with noise. */
        DRUM,
        /** A bass: long low tones of a few partials. */
        BASS;

        float[] play(long seed) {
            SplittableRandom random = new SplittableRandom(seed);
            float[] x = new float[FRAMES];
            double phase = 0;
            for (int i = 0; i < FRAMES; i++) {
                double t = i / RATE;
                x[i] =
                        (float)
                                switch (this) {
                                    case NOISE ->
                                            0.1 * random.nextGaussian() * (0.1 + i / 9000 % 3);
                                    case VOICE -> {
                                        phase += (170 + 40 * Math.sin(1.7 * t)) / RATE;
                                        double pulse = phase >= 1 ? 1 : 0;
                                        phase %= 1;
                                        yield t % 2 < 1.4
                                                ? pulse + 0.002 * random.nextGaussian()
                                                : 0;
                                    }
                                    case DRUM -> {
                                        double u = t % 0.5;
                                        double hz = 70 + 120 * Math.exp(-u / 0.02);
                                        yield Math.exp(-u / 0.12) * Math.sin(2 * Math.PI * hz * u)
                                                + 0.3 * Math.exp(-u / 0.03) * random.nextGaussian();
                                    }
                                    case BASS -> {
                                        double hz = 41.2 * Math.pow(2, (i / 36000 * 5 % 12) / 12.0);
                                        phase += hz / RATE;
                                        double sum = 0;
                                        for (int h = 1; h < 7; h++) {
                                            sum += Math.sin(2 * Math.PI * h * phase + h * h) / h;
                                        }
                                        yield 0.2 * sum * Math.min(1, t % 0.75 / 0.02);
                                    }
                                };
            }
            if (this == VOICE) {
                filter(
                        x,
                        FilterDesign.bell(600, 12, 3, RATE),
                        FilterDesign.bell(1500, 10, 4, RATE));
            }
            return x;
        }
    }

    private static void filter(float[] x, Biquad... sections) {
        new Cascade(List.of(sections)).process(x, x.clone(), 0, x.length);
    }

    private static List<List<Biquad>> filters() {
        List<List<Biquad>> all = new ArrayList<>();
        all.add(List.of());
        for (double hz : new double[] {800, 2000, 5000}) {
            all.add(FilterDesign.lowPass(hz, 4, RATE));
        }
        all.add(FilterDesign.lowPass(3000, 8, RATE));
        all.add(FilterDesign.highPass(150, 4, RATE));
        List<Biquad> telephone = new ArrayList<>(FilterDesign.highPass(300, 4, RATE));
        telephone.addAll(FilterDesign.lowPass(3400, 4, RATE));
        all.add(telephone);
        all.add(List.of(FilterDesign.bell(900, 9, 2, RATE), FilterDesign.bell(250, -12, 2, RATE)));
        return all;
    }

    /** What the sum of both gains over their separate powers, in the way up that is said. */
    private static double gain(float[] a, float[] b, LineUp l) {
        double both = 0;
        double apart = 1e-30;
        for (int i = 300; i < FRAMES - 300; i++) {
            double y = b[i + l.delaySamples()] * (l.inverted() ? -1 : 1);
            both += (a[i] + y) * (a[i] + y);
            apart += a[i] * a[i] + y * y;
        }
        return both / apart;
    }

    @ParameterizedTest
    @EnumSource(Sound.class)
    void polarityIsNeverWrongWhenItIsSaid(Sound sound) {
        int said = 0;
        int asked = 0;
        float[] x = sound.play(7);
        int kind = 0;
        for (List<Biquad> through : filters()) {
            for (int sign : new int[] {1, -1}) {
                float[] y = new float[FRAMES];
                System.arraycopy(x, 0, y, 137, FRAMES - 137);
                filter(y, through.toArray(Biquad[]::new));
                SplittableRandom random = new SplittableRandom(100 + kind);
                for (int i = 0; i < FRAMES; i++) {
                    y[i] = (float) (sign * 0.7 * y[i] + 1e-3 * random.nextGaussian());
                }
                LineUp found = LineUp.of(Audio.of(RATE, x), Audio.of(RATE, y)).orElseThrow();
                asked++;
                if (found.confidence() >= LineUp.SURE && found.polarity() != Polarity.NOT_SURE) {
                    said++;
                    assertThat(found.inverted()).as("filter %d", kind).isEqualTo(sign < 0);
                    if (found.sharedShare() > 0.25) {
                        assertThat(gain(x, y, found)).as("filter %d", kind).isGreaterThan(1.3);
                    }
                }
            }
            kind++;
        }
        assertThat(said).isGreaterThanOrEqualTo(asked / 3);
    }

    /** Chords whose lows are gone: the sum at the delay tells the other sign than nearby ones. */
    @Test
    void whatASumAtTheDelayContradictsIsNotSaid() {
        SplittableRandom random = new SplittableRandom(2007);
        float[] x = new float[FRAMES];
        for (int chord = 0; chord < 12; chord++) {
            double hz = 110 * Math.pow(2, random.nextInt(12) / 12.0);
            for (int h = 1; h < 9; h++) {
                double phase = 6 * random.nextDouble();
                for (int i = 0; i < 0.45 * RATE; i++) {
                    int at = (int) (0.5 * chord * RATE) + i;
                    x[at] +=
                            (float) (0.05 / h * Math.sin(2 * Math.PI * hz * h * at / RATE + phase));
                }
            }
        }
        float[] y = new float[FRAMES];
        System.arraycopy(x, 0, y, 249, FRAMES - 249);
        filter(y, FilterDesign.highPass(800, 4, RATE).toArray(Biquad[]::new));
        for (int i = 0; i < FRAMES; i++) {
            x[i] += (float) (1e-4 * random.nextGaussian());
            y[i] = (float) (-0.7 * y[i] + 1e-4 * random.nextGaussian());
        }
        LineUp found = LineUp.of(Audio.of(RATE, x), Audio.of(RATE, y)).orElseThrow();
        assertThat(found.delaySamples()).isEqualTo(249);
        assertThat(found.polarity()).isEqualTo(Polarity.NOT_SURE);
    }
}
