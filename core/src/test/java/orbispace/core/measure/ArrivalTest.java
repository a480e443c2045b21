package orbispace.core.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.OptionalDouble;
import java.util.SplittableRandom;
import orbispace.core.audio.Audio;
import orbispace.core.audio.Polarity;
import org.junit.jupiter.api.Test;

/** Where made responses begin and which way up they stand, sample by sample. */
class ArrivalTest {
    private static final double RATE = 48000;
    private static final int AT = 1000;
    private static final DecayTime NONE = new DecayTime.TooShort();

    private static double[] response(double... first) {
        double[] x = new double[8192];
        System.arraycopy(first, 0, x, AT, first.length);
        return x;
    }

    private static Arrival of(double[] x) {
        return Arrival.of(x, 0, RATE);
    }

    @Test
    void aSharpArrivalBeginsOnItsSampleAndHasItsSign() {
        assertThat(of(response(0.5))).isEqualTo(new Arrival(AT, Polarity.SAME));
        assertThat(of(response(-0.5))).isEqualTo(new Arrival(AT, Polarity.INVERTED));
        // What comes later may be louder.
        double[] later = response(0.05);
        later[AT + 2000] = -0.9;
        assertThat(of(later)).isEqualTo(new Arrival(AT, Polarity.SAME));
        // What lies 40 dB under the peak and more is no beginning.
        double[] faint = response(0.5);
        faint[400] = 0.0045;
        assertThat(of(faint).frame()).isEqualTo(AT);
        faint[400] = 0.02;
        assertThat(of(faint).frame()).isEqualTo(400);
    }

    @Test
    void anArrivalThatRisesBeginsWithItsRiseForEightFramesAtMost() {
        assertThat(of(response(0.02, 0.1, 0.3, 0.5, 0.3)).frame()).isEqualTo(AT);
        double[] x = response();
        for (int i = 0; i < 40; i++) {
            x[AT + i] = 0.5 * Math.exp(-(19.0 - i) * (19 - i) / 60);
        }
        int begins = of(x).frame();
        assertThat(begins).isBetween(AT, AT + 6);
        // What is a tenth of the next and less is no rise but what measuring leaves.
        assertThat(of(response(0.01, 0.5)).frame()).isEqualTo(AT + 1);
        assertThat(of(response(0.06, 0.5)).frame()).isEqualTo(AT);
        // A turn ends the rise.
        assertThat(of(response(0.03, -0.02, 0.5)).frame()).isGreaterThanOrEqualTo(AT);
    }

    @Test
    void anArrivalBetweenTwoSamplesIsNotTakenForItsRinging() {
        double[] x = new double[8192];
        for (int i = 0; i < x.length; i++) {
            double d = Math.PI * (i - AT - 0.5);
            x[i] = 0.5 * Math.sin(d) / d;
        }
        assertThat(of(x).frame()).isBetween(AT, AT + 1);
    }

    @Test
    void twoLobesOrACrowdHaveNoPolarity() {
        assertThat(of(response(0.5, 0, 0, -0.34)).polarity()).isEqualTo(Polarity.NOT_SURE);
        assertThat(of(response(0.5, 0, 0, -0.33)).polarity()).isEqualTo(Polarity.SAME);
        // Three milliseconds are near, what comes after is not.
        double[] x = response(0.5);
        x[AT + 143] = -0.4;
        assertThat(of(x).polarity()).isEqualTo(Polarity.NOT_SURE);
        x[AT + 143] = 0;
        x[AT + 144] = -0.4;
        assertThat(of(x).polarity()).isEqualTo(Polarity.SAME);
    }

    @Test
    void anArrivalStandsFiveTimesOverWhatFollows() {
        SplittableRandom random = new SplittableRandom(3);
        double[] noise = new double[1440 - 144];
        double power = 0;
        for (int i = 0; i < noise.length; i++) {
            noise[i] = random.nextGaussian();
            power += noise[i] * noise[i] / noise.length;
        }
        for (double over : new double[] {4.9, 5.1}) {
            double[] x = response(0.5);
            for (int i = 0; i < noise.length; i++) {
                x[AT + 144 + i] = 0.5 * noise[i] / Math.sqrt(power) / over;
            }
            assertThat(of(x).polarity()).isEqualTo(over > 5 ? Polarity.SAME : Polarity.NOT_SURE);
        }
    }

    @Test
    void whatIsNoiseIsNoBeginning() {
        double[] x = response(0.5);
        x[300] = 0.05;
        assertThat(Arrival.of(x, 0.001, RATE).frame()).isEqualTo(300);
        assertThat(Arrival.of(x, 0.02, RATE).frame()).isEqualTo(AT);
    }

    private static UnitReport report(OptionalDouble drift, OptionalDouble repeat) {
        return new UnitReport(
                Audio.silence(RATE, 1, 10),
                0,
                Polarity.SAME,
                -90,
                List.of(),
                drift,
                repeat,
                new DecayReport(0, new BandDecay(0, NONE, NONE, NONE, 0, 0, 0, 0), List.of()));
    }

    @Test
    void clocksAreToldOrTheReasonWhyNot() {
        assertThat(report(OptionalDouble.of(-12.34), OptionalDouble.of(-60)).clocks())
                .isEqualTo("\u221212.3 ppm apart, undone; let one clock serve both");
        assertThat(report(OptionalDouble.of(1.5), OptionalDouble.of(-60)).clocks())
                .isEqualTo("1.5 ppm apart");
        UnitReport moves = report(OptionalDouble.empty(), OptionalDouble.of(-6.4));
        assertThat(moves.clocks())
                .isEqualTo(
                        "not sure: its two answers differ by \u22126 dB, as those of a unit that"
                                + " moves");
        assertThat(moves.drifts()).isFalse();
    }

    @Test
    void aTimeThatWasFittedIsThere() {
        assertThat(new DecayTime.Measured(1.5).fitted()).hasValue(1.5);
        assertThat(new DecayTime.NotSure(0.8, DecayTime.Doubt.BENT).fitted()).hasValue(0.8);
        assertThat(new DecayTime.TooShort().fitted()).isEmpty();
        assertThat(new DecayTime.TooNoisy(20).fitted()).isEmpty();
    }

    @Test
    void aSweepHasItsTimesAndItsHalves() {
        Sweep sweep = new Sweep(8000, 1);
        assertThat(sweep.period()).isEqualTo(7 * 8000);
        assertThat(sweep.audio().frames()).isEqualTo(14 * 8000);
        assertThat(new Sweep(8000, 1, 1).audio().frames()).isEqualTo(7 * 8000);
        assertThat(sweep.at(-0.001)).isZero();
        assertThat(sweep.at(1)).isZero();
        // Of 10 Hz to 4 kHz: after L ln 2 seconds it passes 20 Hz.
        double growth = 1 / Math.log(400);
        assertThat(sweep.harmonicSeconds(2)).isCloseTo(growth * Math.log(2), within(1e-12));
        double t = 0.5;
        double phase = 2 * Math.PI * 10 * growth * (Math.exp(t / growth) - 1);
        assertThat(sweep.at(t)).isCloseTo(0.5 * Math.sin(phase), within(1e-9));
        float[] odd = java.util.Arrays.copyOf(sweep.audio().channel(0), 14 * 8000 - 1);
        assertThatThrownBy(() -> Sweep.of(Audio.of(8000, odd))).hasMessageContaining("another");
    }
}
