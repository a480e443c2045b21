package orbispace.core.dynamics;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import orbispace.core.Signals;
import org.junit.jupiter.api.Test;

class BandDuckTest {
    private static final double RATE = 48000;
    private static final DuckBand VOICE = new DuckBand(400, 4000);

    private static Ducker ducker(double rangeDb) {
        return new Ducker(
                new DuckerSettings(
                        new GainComputer(-40, 100, 0, rangeDb), 0.001, 0.05, 0.05, VOICE),
                RATE);
    }

    /** A tone under a key that sounds all the time, worked on in blocks. */
    private static float[] ducked(Ducker ducker, double hz, double keyDb, int block) {
        float[] x = Signals.sine(hz, 0.5, 1, RATE);
        float[] right = x.clone();
        float[] peaks = new float[x.length / KeyPeaks.STEP + 2];
        Arrays.fill(peaks, (float) keyDb);
        for (int at = 0; at < x.length; at += block) {
            ducker.process(peaks, at / KeyPeaks.STEP, x, right, at, Math.min(x.length, at + block));
        }
        assertThat(right).isEqualTo(x);
        return x;
    }

    private static double levelDb(float[] x) {
        double sum = 0;
        for (int i = x.length / 2; i < x.length; i++) {
            sum += (double) x[i] * x[i];
        }
        return 10 * Math.log10(2 * sum / (x.length / 2.0) / 0.25);
    }

    @Test
    void itTurnsDownInTheBandAndLeavesTheRestAlone() {
        double middle = Math.sqrt(400 * 4000);
        assertThat(levelDb(ducked(ducker(9), middle, -10, 512))).isCloseTo(-9, within(0.05));
        assertThat(levelDb(ducked(ducker(9), 50, -10, 512))).isGreaterThan(-0.4);
        assertThat(levelDb(ducked(ducker(9), 16000, -10, 512))).isGreaterThan(-1);
        for (double hz : new double[] {100, 400, 2000, 4000, 8000}) {
            double expected = 10 * Math.log10(VOICE.powerAt(hz, Math.pow(10, -0.9)));
            assertThat(levelDb(ducked(ducker(9), hz, -10, 512)))
                    .as("at " + hz)
                    .isCloseTo(expected, within(0.3));
        }
    }

    @Test
    void atRestEverySampleIsLeftAsItIs() {
        assertThat(ducked(ducker(9), 1000, -90, 512)).isEqualTo(Signals.sine(1000, 0.5, 1, RATE));
    }

    @Test
    void blockSizesDoNotMatter() {
        float[] whole = ducked(ducker(9), 1000, -10, 48000);
        assertThat(ducked(ducker(9), 1000, -10, 16)).isEqualTo(whole);
        assertThat(ducked(ducker(9), 1000, -10, 1024)).isEqualTo(whole);
    }

    @Test
    void aBandThatIsTakenAwayWhileItWorksMakesNoStep() {
        Ducker ducker = ducker(20);
        float[] x = new float[48000];
        Arrays.fill(x, 0.5f);
        float[] peaks = new float[x.length / KeyPeaks.STEP + 2];
        Arrays.fill(peaks, -10);
        float[] right = x.clone();
        ducker.process(peaks, 0, x, right, 0, 24000);
        DuckerSettings everywhere =
                new DuckerSettings(new GainComputer(-40, 100, 0, 20), 0.001, 0.05, 0.05);
        ducker.apply(everywhere, Ducker.section(everywhere, RATE));
        ducker.process(peaks, 24000 / KeyPeaks.STEP, x, right, 24000, x.length);
        double most = 0;
        for (int i = 23000; i < 26000; i++) {
            most = Math.max(most, Math.abs(x[i] - x[i - 1]));
        }
        assertThat(most).isLessThan(0.002);
        assertThat(x[23900]).isCloseTo(0.5f, within(0.01f));
        assertThat(x[47000]).isCloseTo(0.05f, within(0.001f));
    }

    @Test
    void edgesThatMakeNoBandAreRefused() {
        assertThatThrownBy(() -> new DuckBand(1000, 1100))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("upper edge");
        assertThatThrownBy(() -> new DuckBand(5, 1100)).hasMessageContaining("lower edge");
    }

    @Test
    void aBandReachesAsFarUpAsTheSampleRateAllows() {
        double rate = 16000;
        Ducker ducker =
                new Ducker(
                        new DuckerSettings(
                                new GainComputer(-40, 100, 0, 20),
                                0.001,
                                0.05,
                                0.05,
                                new DuckBand(9000, 18000)),
                        rate);
        // 18 kHz becomes 0.45 of the rate, and the lower edge stays a third of an octave below:
        // 7,200 and 5,760 Hz, between which the digital band has its middle.
        double middle =
                rate
                        / Math.PI
                        * Math.atan(Math.sqrt(Math.tan(Math.PI * 0.45) * Math.tan(Math.PI * 0.36)));
        float[] x = Signals.sine(middle, 0.5, 1, rate);
        float[] peaks = new float[x.length / KeyPeaks.STEP + 2];
        ducker.process(peaks, 0, x, x.clone(), 0, x.length);
        assertThat(levelDb(x)).isCloseTo(-20, within(0.2));
    }

    @Test
    void aResetBandHasForgottenTheSound() {
        Ducker used = ducker(9);
        ducked(used, 900, -10, 512);
        used.reset();
        assertThat(used.reductionDb()).isZero();
        assertThat(ducked(used, 1000, -10, 512)).isEqualTo(ducked(ducker(9), 1000, -10, 512));
    }

    @Test
    void outOfBandSoundIsReachedByItsShareOnly() {
        assertThat(VOICE.outsideAt(Math.sqrt(400 * 4000))).isCloseTo(0, within(1e-12));
        assertThat(VOICE.outsideAt(400)).isCloseTo(0.5, within(1e-12));
        assertThat(VOICE.outsideAt(4000)).isCloseTo(0.5, within(1e-12));
        assertThat(VOICE.powerAt(400, 0.1)).isCloseTo(0.55, within(1e-12));
    }
}
