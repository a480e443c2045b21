package orbispace.core.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.OptionalDouble;
import java.util.SplittableRandom;
import orbispace.core.Signals;
import orbispace.core.audio.Audio;
import orbispace.core.audio.Pan;
import orbispace.core.signal.Fft;
import org.junit.jupiter.api.Test;

/** Measures of sounds that are so plain that each answer follows on paper from its definition. */
class MeasuresByDefinitionTest {
    private static float[] noise(int frames, long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        float[] x = new float[frames];
        for (int i = 0; i < frames; i++) {
            x[i] = (float) random.nextGaussian();
        }
        return x;
    }

    /** 1 ms a sample, so that the 20 ms window reaches 10 samples to each side. */
    @Test
    void echoDensityIsTheWeightedShareBeyondOneDeviationOverThatOfNoise() {
        float[] x = noise(60, 1);
        for (int centre : new int[] {0, 4, 10, 31, 52, 59}) {
            double weights = 0;
            double power = 0;
            double[] hann = new double[21];
            for (int i = 0; i < 21; i++) {
                hann[i] = Math.pow(Math.sin(Math.PI * (i + 1) / 22), 2);
                int at = centre + i - 10;
                double y = at < 0 || at >= 60 ? 0 : x[at];
                weights += hann[i];
                power += hann[i] * y * y;
            }
            double beyond = 0;
            for (int i = 0; i < 21; i++) {
                int at = centre + i - 10;
                if (at >= 0 && at < 60 && x[at] * x[at] > power / weights) {
                    beyond += hann[i] / weights;
                }
            }
            assertThat(EchoDensity.at(x, centre, 1000)).isCloseTo(beyond / 0.3173, within(1e-9));
        }
    }

    @Test
    void aTailIsDenseFromTheFirstMillisecondAtWhichItIs() {
        float[] x = noise(4000, 2);
        Arrays.fill(x, 0, 1000, 0);
        int first = 0;
        while (EchoDensity.at(x, first, 8000) < 0.9) {
            first += 8;
        }
        assertThat(first).isBetween(920, 1200);
        assertThat(EchoDensity.denseSeconds(x, 8000)).hasValue(first / 8000.0);
    }

    /** A period of noise without its highest tenth, whose values between samples are exact. */
    @Test
    void truePeakIsTheHighestOfEightValuesPerSample() {
        int n = 512;
        for (int seed = 0; seed < 8; seed++) {
            double[] bins = new double[8 * n];
            SplittableRandom random = new SplittableRandom(seed);
            for (int k = 1; k < 0.4 * n; k++) {
                bins[2 * k] = random.nextGaussian();
                bins[2 * k + 1] = random.nextGaussian();
            }
            double[] fine = bins.clone();
            new Fft(8 * n).inverse(fine);
            float[] coarse = new float[4 * n];
            double most = 0;
            for (int i = 0; i < coarse.length; i++) {
                coarse[i] = (float) fine[8 * (i % n)];
            }
            for (double v : fine) {
                most = Math.max(most, Math.abs(v));
            }
            // The filter is down by 0.05 dB at 0.4 of the rate.
            assertThat(TruePeak.of(Audio.of(48000, coarse))).isCloseTo(most, within(0.006 * most));
        }
    }

    @Test
    void truePeakIsFoundAtEitherEndAndInEitherChannel() {
        float[] burst = new float[400];
        for (int i = 0; i < 12; i++) {
            burst[i] = (float) Math.sin(Math.PI / 2 * i + Math.PI / 4);
        }
        float[] late = new float[400];
        for (int i = 0; i < 400; i++) {
            late[i] = burst[399 - i];
        }
        double peak = TruePeak.of(Audio.of(48000, burst));
        assertThat(peak).isGreaterThan(1);
        assertThat(TruePeak.of(Audio.of(48000, late))).isCloseTo(peak, within(1e-6));
        assertThat(TruePeak.of(Audio.of(48000, new float[400], late)))
                .isCloseTo(peak, within(1e-6));
    }

    @Test
    void cellsOfTwoBearingsHaveTheirMeanAndTwiceTheirDeviation() {
        StereoSums sums = new StereoSums();
        // A power of 3 at the left, of 1 at 45 degrees right.
        sums.add(3, 0, 0);
        double left = Math.pow(Pan.left(0.5), 2);
        double right = Math.pow(Pan.right(0.5), 2);
        sums.add(left, right, Math.sqrt(left * right));
        StereoReport.Band band = sums.band(1000);
        double mean = (3 * -90 + 45) / 4.0;
        double square = (3 * 90 * 90 + 45 * 45) / 4.0;
        assertThat(band.centreHz()).isEqualTo(1000);
        assertThat(band.angleDegrees().orElseThrow()).isCloseTo(mean, within(1e-9));
        assertThat(band.widthDegrees().orElseThrow())
                .isCloseTo(2 * Math.sqrt(square - mean * mean), within(1e-9));
        double both = Math.sqrt(left * right);
        assertThat(band.correlation().orElseThrow())
                .isCloseTo(both / Math.sqrt((3 + left) * right), within(1e-9));
        assertThat(band.monoFoldLossDb().orElseThrow())
                .isCloseTo(10 * Math.log10(4 / (2 + both)), within(1e-9));
    }

    @Test
    void samplesOfTwoChannelsAreSummedAsTheyAre() {
        StereoSums sums = new StereoSums();
        sums.addSample(0.5, 0.25);
        sums.addSample(-0.1, 0.2);
        double both = 0.5 * 0.25 - 0.1 * 0.2;
        double left = 0.25 + 0.01;
        double right = 0.0625 + 0.04;
        assertThat(sums.correlation().orElseThrow())
                .isCloseTo(both / Math.sqrt(left * right), within(1e-12));
        assertThat(sums.loss().orElseThrow())
                .isCloseTo(
                        10 * Math.log10((left + right) / ((left + right) / 2 + both)),
                        within(1e-12));
    }

    /** Octaves end half an octave from their middle: 62.5 Hz times the root of 2, doubled on. */
    @Test
    void aToneIsInTheOctaveInWhichItLies() {
        double rate = 32768;
        for (int b = 0; b < 8; b++) {
            double edge = 62.5 * Math.pow(2, b + 0.5);
            // Two bins of 8 Hz to either side of the edge, so that the window's lobe stays there.
            double low = 8 * Math.floor(edge / 8 - 2);
            double high = 8 * Math.ceil(edge / 8 + 2);
            Audio tones =
                    Audio.of(
                            rate,
                            Signals.sine(low, 0.3, 1, rate),
                            Signals.sine(high, 0.3, 1, rate));
            StereoReport report = StereoReport.of(tones);
            assertThat(report.bands().get(b).angleDegrees().orElseThrow()).isLessThan(-85);
            assertThat(report.bands().get(b + 1).angleDegrees().orElseThrow()).isGreaterThan(85);
        }
        assertThat(StereoReport.of(Audio.silence(rate, 1, 10)).bands())
                .extracting(StereoReport.Band::centreHz)
                .containsExactly(
                        62.5, 125.0, 250.0, 500.0, 1000.0, 2000.0, 4000.0, 8000.0, 16000.0);
        assertThat(StereoReport.of(Audio.silence(16000, 1, 10)).bands()).hasSize(7);
    }

    private static double ringMillis(int ring) {
        double from = 0.02 * Math.expm1(ring / 120.0 * Math.log(301));
        double to = 0.02 * Math.expm1((ring + 1) / 120.0 * Math.log(301));
        return 1000 * (to - from);
    }

    private static double middle(int ring) {
        return 0.02 * Math.expm1((ring + 0.5) / 120 * Math.log(301));
    }

    private static void click(float[][] x, double seconds, double pan, double energy) {
        int at = (int) Math.round(seconds * 48000);
        x[0][at] += (float) (Math.sqrt(energy) * Pan.left(pan));
        x[1][at] += (float) (Math.sqrt(energy) * Pan.right(pan));
    }

    /**
     * From the 90th ring on, a ring is longer than a window, and a click in its middle is in it.
     */
    @Test
    void ringsTellEnergyPerMillisecondAndSharesPerBearing() {
        float[][] x = new float[2][(int) (48000 * 3.5)];
        click(x, middle(90), -0.5, 0.2);
        click(x, middle(90), 0.5, 0.6);
        click(x, middle(100), 0, 0.1);
        PolarEnergy polar = PolarEnergy.of(Audio.of(48000, x[0], x[1]));
        assertThat(polar.levelDb(90)).isZero();
        double under = 10 * Math.log10(0.1 / ringMillis(100) / (whole(x, 90) / ringMillis(90)));
        assertThat(polar.levelDb(100)).isCloseTo(under, within(0.3));
        assertThat(polar.levelDbAt(middle(100))).isCloseTo(polar.levelDb(100), within(1e-6));
        assertThat(polar.levelDbAt(middle(90) / 2 + middle(91) / 2)).isBetween(-62.0, -56.0);
        assertThat(polar.levelDb(95)).isEqualTo(Double.NEGATIVE_INFINITY);
        assertThat(polar.levelDbAt(middle(95))).isEqualTo(-120);
        assertThat(polar.share(100, 30)).isCloseTo(1, within(1e-6));
        assertThat(polar.bearingDegrees(middle(100), middle(100))).isCloseTo(0, within(1e-6));
    }

    private static double whole(float[][] x, int ring) {
        int at = (int) Math.round(middle(ring) * 48000);
        return x[0][at] * x[0][at] + x[1][at] * x[1][at];
    }

    @Test
    void edgesHoldAllButATwentiethOnEitherSide() {
        for (double side : new double[] {0.049, 0.051}) {
            float[][] x = new float[2][(int) (48000 * 3.5)];
            click(x, middle(90), -0.5, side);
            click(x, middle(96), 0, 1 - 2 * side);
            click(x, middle(102), 0.8, side);
            PolarEnergy polar = PolarEnergy.of(Audio.of(48000, x[0], x[1]));
            double[] edges = polar.edgesDegrees();
            assertThat(edges[0]).isCloseTo(side < 0.05 ? 0 : -45, within(1e-9));
            assertThat(edges[1]).isCloseTo(side < 0.05 ? 0 : 72, within(1e-9));
            double mean = side * (-45 + 72);
            assertThat(polar.bearingDegrees(0, 6)).isCloseTo(mean, within(0.05));
            assertThat(polar.bearingDegrees(0, middle(92))).isCloseTo(-45, within(1e-6));
        }
        assertThat(PolarEnergy.degrees(0)).isEqualTo(-90);
        assertThat(PolarEnergy.degrees(45)).isEqualTo(45);
        assertThat(PolarEnergy.radius(0.02)).isCloseTo(Math.log(2) / Math.log(301), within(1e-12));
    }

    /** Level pulses every 30 ms under a decay of 2 s, which is taken back before they are seen. */
    @Test
    void flutterIsTheCorrelationOfALevelWithItselfAPeriodLater() {
        double rate = 24000;
        float[] x = new float[48000];
        for (int i = 0; i < x.length; i++) {
            double level = i % 720 < 144 ? 2 : 1;
            x[i] = (float) ((i % 2 == 0 ? 1 : -1) * level * Math.pow(10, -3 * i / (2 * rate)));
        }
        TailQuality quality = TailQuality.of(Audio.of(rate, x, x.clone()), 2);
        // From a quarter to four fifths of 2 s: 1,100 levels of 1 ms, 30 of them to a period.
        double[] levels = new double[1100];
        double mean = 0;
        for (int f = 0; f < 1100; f++) {
            levels[f] = (f + 500) % 30 < 6 ? 4 : 1;
            mean += levels[f] / 1100;
        }
        double own = 0;
        double later = 0;
        for (int f = 0; f < 1100; f++) {
            own += Math.pow(levels[f] - mean, 2);
            later += f + 30 < 1100 ? (levels[f] - mean) * (levels[f + 30] - mean) : 0;
        }
        assertThat(quality.flutter()).isCloseTo(later / own, within(1e-5));
        assertThat(quality.correlation()).isCloseTo(1, within(1e-9));
    }

    /** An even tail is flat to 1; a tone in it stands out by as much as its bin does. */
    @Test
    void anEvenTailIsFlatAndALineStandsOutOfItsNeighbours() {
        double rate = 24000;
        // The spectrum of a single click is even.
        float[] flat = new float[48000];
        flat[(int) (0.35 * rate)] = 1;
        TailQuality even = TailQuality.of(Audio.of(rate, flat, flat.clone()), 1);
        assertThat(even.flatness()).isCloseTo(1, within(1e-6));
        assertThat(even.highestModeDb()).isCloseTo(0, within(1e-6));
        float[] toned = flat.clone();
        for (int i = 0; i < 48000; i++) {
            toned[i] +=
                    (float)
                            (0.01
                                    * Math.sin(2 * Math.PI * 1000 * i / rate)
                                    * Math.pow(10, -3 * i / rate));
        }
        TailQuality ringing = TailQuality.of(Audio.of(rate, toned, toned.clone()), 1);
        assertThat(ringing.highestModeDb()).isGreaterThan(10);
        assertThat(ringing.flatness()).isLessThan(0.99);
    }

    private static double[] squares(double t60, double noise, double seconds, double rate) {
        double[] x = new double[(int) (seconds * rate)];
        for (int i = 0; i < x.length; i++) {
            x[i] = Math.pow(10, -6 * i / rate / t60) + noise;
        }
        return x;
    }

    private static double seconds(DecayTime time) {
        return time instanceof DecayTime.Measured(double s) ? s : Double.NaN;
    }

    @Test
    void aDecayWithoutChanceIsMeasuredToAThousandthAndOverNoiseToAFiftieth() {
        for (double t60 : new double[] {0.3, 1, 3}) {
            EnergyDecay clean = EnergyDecay.of(squares(t60, 0, 1.5 * t60, 8000), 8000, 8000);
            assertThat(seconds(clean.time(0, -10))).isCloseTo(t60, within(0.001 * t60));
            assertThat(seconds(clean.time(-5, -25))).isCloseTo(t60, within(0.001 * t60));
            assertThat(seconds(clean.time(-5, -35))).isCloseTo(t60, within(0.001 * t60));
            EnergyDecay noisy = EnergyDecay.of(squares(t60, 1e-5, 2 * t60, 8000), 8000, 8000);
            assertThat(seconds(noisy.time(-5, -25))).isCloseTo(t60, within(0.004 * t60));
            assertThat(seconds(noisy.time(-5, -35))).isCloseTo(t60, within(0.02 * t60));
            int tenth = (int) Math.rint(t60 / 6 * 8000);
            assertThat(clean.levelDb(tenth)).isCloseTo(-10, within(0.02));
            assertThat(clean.levelDb(0)).isZero();
            assertThat(clean.levelDb(clean.frames())).isEqualTo(Double.NEGATIVE_INFINITY);
        }
    }

    @Test
    void aCurveSaysWhenItBeginsAndHowMuchEnergyItHas() {
        SplittableRandom random = new SplittableRandom(4);
        float[] x = new float[4800];
        for (int i = 0; i < 2400; i++) {
            double sign = random.nextBoolean() ? 1 : -1;
            x[1200 + i] = (float) (sign * 0.5 * Math.pow(10, -3 * i / 4800.0));
        }
        DecayCurve curve = DecayMeter.curve(Audio.of(4800, x));
        double energy = 0;
        for (float v : x) {
            energy += v * v;
        }
        assertThat(curve.onsetSeconds()).isCloseTo(0.25, within(1e-9));
        assertThat(curve.energyDb()).isCloseTo(10 * Math.log10(energy), within(1e-6));
        assertThat(curve.levelDbAt(0.2)).isZero();
        assertThat(curve.levelDbAt(0.35)).isCloseTo(-6, within(0.1));
        assertThat(curve.secondsAt(-12)).isCloseTo(0.45, within(0.0025));
        assertThat(curve.secondsAt(-1e9)).isCloseTo(0.75, within(0.0011));
    }

    /** A tone of 1 kHz reads its own level, so that each second's level is known. */
    private static Audio seconds(double... levelsDb) {
        double rate = 24000;
        float[] x = new float[(int) (levelsDb.length * rate)];
        for (int i = 0; i < x.length; i++) {
            double amplitude = Math.sqrt(2) * Math.pow(10, levelsDb[(int) (i / rate)] / 20);
            x[i] = (float) (amplitude * Math.sin(2 * Math.PI * 1000 * i / rate));
        }
        return Audio.of(rate, x);
    }

    private static double power(double... levelsDb) {
        return Arrays.stream(levelsDb).map(db -> Math.pow(10, db / 10)).average().orElseThrow();
    }

    @Test
    void loudnessIsTheMeanOfAllThatTheTwoGatesLetThrough() {
        // Windows of 400 ms every 100: at a border, one to three quarters of each side.
        double[] shares = {0.75, 0.5, 0.25};
        double sum = 7 * power(-20) + 7 * power(-27);
        for (double s : shares) {
            sum += s * power(-20) + (1 - s) * power(-27);
        }
        OptionalDouble within = LoudnessMeter.integratedLufs(seconds(-20, -27));
        assertThat(within.orElseThrow()).isCloseTo(10 * Math.log10(sum / 17), within(0.05));
        // The second second lies more than 10 under the mean of both; of the border three remain.
        double kept = 7 * power(-20);
        for (double s : shares) {
            kept += s * power(-20) + (1 - s) * power(-40);
        }
        assertThat(LoudnessMeter.integratedLufs(seconds(-20, -40)).orElseThrow())
                .isCloseTo(10 * Math.log10(kept / 10), within(0.05));
        Loudness l = LoudnessMeter.measure(seconds(-30, -20, -26, -26, -30));
        assertThat(l.momentaryMaxLufs().orElseThrow()).isCloseTo(-20, within(0.05));
        assertThat(l.shortTermMaxLufs().orElseThrow())
                .isCloseTo(10 * Math.log10(power(-20, -26, -26)), within(0.05));
        assertThat(l.samplePeakDbfs().orElseThrow()).isCloseTo(-17, within(0.05));
    }
}
