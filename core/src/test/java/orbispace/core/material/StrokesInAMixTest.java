package orbispace.core.material;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import java.util.function.Consumer;
import orbispace.core.audio.Audio;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** A snare's microphone and what else it hears, each instrument made of tone and noise. */
class StrokesInAMixTest {
    private static final double RATE = 48000;

    private static void snare(float[] x, double seconds, double level, SplittableRandom random) {
        double tone = 185 * (1 + 0.02 * random.nextGaussian());
        double low = 0;
        int from = (int) (seconds * RATE);
        for (int i = 0; i < 0.35 * RATE && from + i < x.length; i++) {
            double t = i / RATE;
            double noise = random.nextGaussian();
            low += 0.25 * (noise - low);
            double body = 0.6 * Math.exp(-t / 0.05) * Math.sin(2 * Math.PI * tone * t);
            double wires = 0.35 * Math.exp(-t / 0.06) * (noise - 0.6 * low);
            x[from + i] += (float) (level * Math.min(1, t / 0.0007) * (body + wires));
        }
    }

    private static void kick(float[] x, double seconds, double level, SplittableRandom random) {
        double phase = 0;
        int from = (int) (seconds * RATE);
        for (int i = 0; i < 0.4 * RATE && from + i < x.length; i++) {
            double t = i / RATE;
            phase += (52 + 110 * Math.exp(-t / 0.018)) / RATE;
            double beater = 0.25 * Math.exp(-t / 0.004) * random.nextGaussian();
            double body = Math.exp(-t / 0.12) * Math.sin(2 * Math.PI * phase);
            x[from + i] += (float) (level * Math.min(1, t / 0.0007) * (body + beater));
        }
    }

    /** A hat, or a ride if it rings for longer. */
    private static void metal(
            float[] x, double seconds, double level, double rings, SplittableRandom random) {
        double a = 0;
        double b = 0;
        int from = (int) (seconds * RATE);
        for (int i = 0; i < 5 * rings * RATE && from + i < x.length; i++) {
            double t = i / RATE;
            double noise = random.nextGaussian();
            a += 0.55 * (noise - a);
            double high = noise - a;
            b += 0.55 * (high - b);
            double fall = Math.min(1, t / 0.0005) * Math.exp(-t / rings);
            x[from + i] += (float) (level * fall * (high - b));
        }
    }

    private static double peak(Consumer<float[]> stroke) {
        float[] x = new float[(int) RATE];
        stroke.accept(x);
        return Audio.of(RATE, x).peak();
    }

    private static float[] hiss(double seconds, SplittableRandom random) {
        float[] x = new float[(int) (seconds * RATE)];
        for (int i = 0; i < x.length; i++) {
            x[i] = (float) (1e-4 * random.nextGaussian());
        }
        return x;
    }

    private static Hits found(float[] x) {
        Audio audio = Audio.of(RATE, x);
        Hits plain = HitFinder.find(audio);
        return GateKeyFinder.find(audio, plain).map(GateKey::events).orElse(plain);
    }

    private static int right(List<Double> times, Hits found) {
        int right = 0;
        for (double t : times) {
            right += found.hits().stream().anyMatch(h -> Math.abs(h.seconds() - t) < 0.012) ? 1 : 0;
        }
        return right;
    }

    @ParameterizedTest
    @CsvSource({"8, 0.4", "12, 0.4", "14, 0.4", "12, 2"})
    void rollsAreFoundStrokeByStroke(double hertz, double spreadDb) {
        SplittableRandom random = new SplittableRandom(3);
        float[] x = hiss(10.5, random);
        List<Double> times = new ArrayList<>();
        for (int i = 0; i < 10 * hertz; i++) {
            double at = 0.3 + i / hertz + 0.002 * random.nextGaussian();
            times.add(at);
            double down = spreadDb * Math.abs(random.nextGaussian());
            snare(x, at, 0.4 * Math.pow(10, -down / 20), random);
        }
        Hits found = found(x);
        assertThat((double) right(times, found)).isCloseTo(times.size(), within(2.0));
        assertThat(found.hits().size()).isLessThanOrEqualTo(times.size());
    }

    /** Kick between, hat on every half beat, each so far under the snare by peak. */
    @ParameterizedTest
    @ValueSource(doubles = {-6, -8, -14, -20})
    void kickAndHatInTheSnaresMicrophoneAreBleed(double bleedDb) {
        double own = peak(x -> snare(x, 0.1, 1, new SplittableRandom(1)));
        double low = peak(x -> kick(x, 0.1, 1, new SplittableRandom(1)));
        double high = peak(x -> metal(x, 0.1, 1, 0.03, new SplittableRandom(1)));
        double bleed = 0.5 * Math.pow(10, bleedDb / 20);
        SplittableRandom random = new SplittableRandom(7);
        float[] x = hiss(37, random);
        List<Double> times = new ArrayList<>();
        for (int beat = 0; beat < 72; beat++) {
            double at = 0.3 + 0.5 * beat + 0.004 * random.nextGaussian();
            double dynamics = Math.pow(10, 0.7 * random.nextGaussian() / 20);
            if (beat % 2 == 1) {
                times.add(at);
                snare(x, at, 0.5 / own * dynamics, random);
            } else {
                kick(x, at, bleed / low * dynamics, random);
            }
            metal(x, 0.3 + 0.5 * beat, bleed / high, 0.03, random);
            metal(x, 0.55 + 0.5 * beat, bleed / high, 0.03, random);
        }
        Hits found = found(x);
        assertThat(right(times, found)).isGreaterThanOrEqualTo(35);
        assertThat(found.hits()).hasSizeBetween(35, 37);
    }

    @ParameterizedTest
    @ValueSource(doubles = {-6, -10})
    void aSnareUnderARideIsNotLost(double rideDb) {
        double own = peak(x -> snare(x, 0.1, 1, new SplittableRandom(1)));
        double ride = peak(x -> metal(x, 0.1, 1, 0.5, new SplittableRandom(1)));
        double bleed = 0.5 * Math.pow(10, rideDb / 20) / ride;
        SplittableRandom random = new SplittableRandom(9);
        float[] x = hiss(33, random);
        List<Double> times = new ArrayList<>();
        for (int beat = 0; beat < 64; beat++) {
            if (beat % 2 == 1) {
                double at = 0.3 + 0.5 * beat + 0.004 * random.nextGaussian();
                times.add(at);
                snare(x, at, 0.5 / own, random);
            }
            metal(x, 0.3 + 0.5 * beat, bleed, 0.5, random);
            metal(x, 0.55 + 0.5 * beat, bleed, 0.5, random);
        }
        Hits found = found(x);
        assertThat(right(times, found)).isEqualTo(32);
        assertThat(found.hits()).hasSize(32);
    }

    @Test
    void drumsOfOneLevelAreAllStrokes() {
        double own = peak(x -> snare(x, 0.1, 1, new SplittableRandom(1)));
        double low = peak(x -> kick(x, 0.1, 1, new SplittableRandom(1)));
        SplittableRandom random = new SplittableRandom(5);
        float[] x = hiss(20, random);
        for (int beat = 0; beat < 38; beat++) {
            double at = 0.3 + 0.5 * beat;
            if (beat % 2 == 1) {
                snare(x, at, 0.6 / own, random);
            } else {
                kick(x, at, 0.5 / low, random);
            }
        }
        Hits plain = HitFinder.find(Audio.of(RATE, x));
        assertThat(plain.hits()).hasSizeBetween(37, 39);
    }
}
