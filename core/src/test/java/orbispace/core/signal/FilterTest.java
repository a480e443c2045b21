package orbispace.core.signal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.SplittableRandom;
import orbispace.core.Signals;
import org.junit.jupiter.api.Test;

class FilterTest {
    private static final double RATE = 48000;

    @Test
    void butterworthFollowsItsAnalogueCurveAtEverySteepness() {
        for (int poles = 1; poles <= 8; poles++) {
            for (double corner : new double[] {100, 1000, 4000, 10000, 15000, 20000}) {
                List<Biquad> low = FilterDesign.lowPass(corner, poles, 44100);
                List<Biquad> high = FilterDesign.highPass(corner, poles, 44100);
                for (double hz = 60; hz <= 18000; hz *= 1.1) {
                    double x = hz / corner;
                    double lowDb = -10 * Math.log10(1 + Math.pow(x, 2 * poles));
                    double highDb = -10 * Math.log10(1 + Math.pow(1 / x, 2 * poles));
                    double near = hz < 5000 && corner < 5000 ? 0.1 : 0.7;
                    if (lowDb > -60) {
                        assertThat(FilterDesign.magnitudeDb(low, hz, 44100))
                                .as("%d poles at %.0f, %.0f Hz", poles, corner, hz)
                                .isCloseTo(lowDb, within(near));
                    }
                    if (highDb > -60) {
                        assertThat(FilterDesign.magnitudeDb(high, hz, 44100))
                                .as("%d poles at %.0f, %.0f Hz", poles, corner, hz)
                                .isCloseTo(highDb, within(near));
                    }
                }
            }
        }
    }

    @Test
    void bellsAndShelvesFollowTheirAnalogueCurvesToEighteenKilohertz() {
        for (double db : new double[] {-24, -12, -3, 3, 12}) {
            double a = Math.pow(10, db / 40);
            for (double at : new double[] {200, 3000, 10000, 14000}) {
                for (double hz = 60; hz <= 18000; hz *= 1.1) {
                    double x = hz / at;
                    double bell =
                            10 * Math.log10(resonance(x, a / 1.4) / resonance(x, 1 / (1.4 * a)));
                    double wide = Math.sqrt(2 * a);
                    double up = power(a - x * x, wide * x) / power(1 - a * x * x, wide * x);
                    double down = power(1 - a * x * x, wide * x) / power(a - x * x, wide * x);
                    double low = 10 * Math.log10(a * a * up);
                    double high = 10 * Math.log10(a * a * down);
                    assertThat(FilterDesign.bell(at, db, 1.4, 44100).magnitudeDb(hz, 44100))
                            .as("bell %.0f dB at %.0f, %.0f Hz", db, at, hz)
                            .isCloseTo(bell, within(0.7));
                    assertThat(FilterDesign.lowShelf(at, db, 44100).magnitudeDb(hz, 44100))
                            .as("low shelf %.0f dB at %.0f, %.0f Hz", db, at, hz)
                            .isCloseTo(low, within(0.7));
                    assertThat(FilterDesign.highShelf(at, db, 44100).magnitudeDb(hz, 44100))
                            .as("high shelf %.0f dB at %.0f, %.0f Hz", db, at, hz)
                            .isCloseTo(high, within(0.7));
                }
            }
        }
    }

    private static double resonance(double x, double overQ) {
        return power(1 - x * x, x * overQ);
    }

    private static double power(double re, double im) {
        return re * re + im * im;
    }

    @Test
    void measuredGainOfARunningCascadeIsTheDesignedOne() {
        Cascade cascade = new Cascade(FilterDesign.highPass(300, 4, RATE));
        float[] x = Signals.sine(250, 0.5, 1, RATE);
        cascade.process(x, x, 0, x.length);
        double peak = 0;
        for (int i = x.length / 2; i < x.length; i++) {
            peak = Math.max(peak, Math.abs(x[i]));
        }
        double designed = FilterDesign.magnitudeDb(FilterDesign.highPass(300, 4, RATE), 250, RATE);
        assertThat(20 * Math.log10(peak / 0.5)).isCloseTo(designed, within(0.05));
    }

    @Test
    void shelvesAndBellsReachTheirGains() {
        assertThat(FilterDesign.lowShelf(250, -6, RATE).magnitudeDb(20, RATE))
                .isCloseTo(-6, within(0.05));
        assertThat(FilterDesign.lowShelf(250, -6, RATE).magnitudeDb(5000, RATE))
                .isCloseTo(0, within(0.05));
        assertThat(FilterDesign.highShelf(5000, 4, RATE).magnitudeDb(20000, RATE))
                .isCloseTo(4, within(0.1));
        assertThat(FilterDesign.highShelf(5000, 4, RATE).magnitudeDb(5000, RATE))
                .isCloseTo(2, within(0.05));
        assertThat(FilterDesign.bell(1000, 5, 2, RATE).magnitudeDb(1000, RATE))
                .isCloseTo(5, within(1e-9));
    }

    @Test
    void bandPassIsThreeDecibelsDownAtItsEdges() {
        List<Biquad> band = FilterDesign.bandPass(500, 2000, 3, RATE);
        assertThat(FilterDesign.magnitudeDb(band, 500, RATE)).isCloseTo(-3.01, within(0.05));
        assertThat(FilterDesign.magnitudeDb(band, 2000, RATE)).isCloseTo(-3.01, within(0.05));
        assertThat(FilterDesign.magnitudeDb(band, 1000, RATE)).isCloseTo(0, within(0.05));
        assertThat(FilterDesign.magnitudeDb(band, 125, RATE)).isLessThan(-38);
    }

    @Test
    void anotherFilterIsFadedInWithoutAJumpAndWithoutBeingLouderThanEither() {
        FadingFilter filter =
                new FadingFilter(1, Cascade.pack(FilterDesign.lowPass(600, 2, RATE), 1));
        float[] x = Signals.sine(200, 0.5, 0.2, RATE);
        filter.process(x, x, 0, 4800);
        filter.set(Cascade.pack(FilterDesign.lowPass(150, 2, RATE), 1));
        filter.process(x, x, 4800, x.length);
        float[] high = Signals.sine(6000, 0.5, 0.2, RATE);
        FadingFilter down =
                new FadingFilter(1, Cascade.pack(FilterDesign.lowPass(20000, 2, RATE), 1));
        down.process(high, high, 0, 4800);
        down.set(Cascade.pack(FilterDesign.lowPass(500, 2, RATE), 1));
        down.process(high, high, 4800, high.length);
        assertThat(Signals.mono(RATE, high).peak()).isLessThan(0.53);
        for (int i = 1; i < x.length; i++) {
            assertThat(Math.abs(x[i] - x[i - 1]))
                    .isLessThan(0.5f * 2 * (float) Math.PI * 200 / 48000 * 1.5f);
        }
    }

    @Test
    void silenceAfterSoundEndsInExactZero() {
        Cascade cascade = new Cascade(FilterDesign.highPass(30, 8, RATE));
        float[] x = new float[(int) (8 * RATE)];
        x[0] = 1;
        for (int at = 0; at < x.length; at += 512) {
            cascade.process(x, x, at, Math.min(x.length, at + 512));
        }
        assertThat(x[x.length - 1]).isEqualTo(0f);
    }

    @Test
    void tenPassesThroughAHalfFrameKeepTheHighs() {
        for (double fraction : new double[] {0.5, 0.25}) {
            float[] x = Signals.sine(10000, 0.5, 0.2, 44100);
            double power = 0;
            for (int pass = 0; pass < 10; pass++) {
                DelayLine line = new DelayLine(1000);
                line.setDelay(50 + fraction, true);
                line.process(x, 0, x.length);
            }
            for (int i = 4000; i < 8000; i++) {
                power += x[i] * x[i] / 4000.0;
            }
            assertThat(10 * Math.log10(power / 0.125)).isCloseTo(0, within(0.05));
        }
    }

    @Test
    void fractionalDelayOfALowToneIsExactToAHundredthOfAFrame() {
        DelayLine line = new DelayLine(1000);
        line.setDelay(123.4, true);
        float[] x = Signals.sine(500, 1, 0.1, RATE);
        line.process(x, 0, x.length);
        for (int i = 1000; i < x.length; i++) {
            double expected = Math.sin(2 * Math.PI * 500 * (i - 123.4) / RATE);
            assertThat((double) x[i]).isCloseTo(expected, within(2 * Math.PI * 500 / RATE * 0.01));
        }
    }

    /** Sections run in pairs; that must be the same as one after another, whatever their number. */
    @Test
    void anyNumberOfSectionsIsTheSameAsOneAfterAnother() {
        for (int poles = 1; poles <= 8; poles++) {
            List<Biquad> design = FilterDesign.highPass(300, poles, 48000);
            float[] left = noise(1);
            float[] right = noise(2);
            float[] alone = left.clone();
            float[] other = right.clone();
            Cascade together = new Cascade(design);
            together.process(left, right, 0, 1000);
            together.process(left, right, 1000, left.length);
            for (Biquad section : design) {
                new Cascade(List.of(section)).process(alone, other, 0, alone.length);
            }
            float[] mono = noise(1);
            new Cascade(design).process(mono, mono, 0, mono.length);
            for (int i = 0; i < left.length; i++) {
                assertThat(left[i]).isCloseTo(alone[i], within(2e-6f));
                assertThat(right[i]).isCloseTo(other[i], within(2e-6f));
                assertThat(mono[i]).isCloseTo(left[i], within(2e-6f));
            }
        }
    }

    private static float[] noise(int seed) {
        SplittableRandom random = new SplittableRandom(seed);
        float[] x = new float[2000];
        for (int i = 0; i < x.length; i++) {
            x[i] = (float) (0.1 * random.nextGaussian());
        }
        return x;
    }
}
