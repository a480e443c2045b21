package orbispace.core.prove.compare;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Random;
import orbispace.core.Signals;
import orbispace.core.audio.Audio;
import orbispace.core.hearing.WetState;
import orbispace.core.prove.compare.WidthReport.Gain;
import org.junit.jupiter.api.Test;

class WidthReportTest {
    private static final double RATE = 48000;
    private static final int LENGTH = 4096;
    private static final double SECONDS = 0.8;

    private static float[] noise(int seed) {
        return Signals.noise(0.01, 40, 18000, SECONDS, RATE, seed);
    }

    /** A widener of seeded copies beside a dry sound in the middle. */
    private static Audio widened(int seed) {
        Random random = new Random(seed);
        float[] dry = noise(100 + seed);
        float[] l = dry.clone();
        float[] r = dry.clone();
        int copies = 2 + random.nextInt(3);
        for (int c = 0; c < copies; c++) {
            int delay = (int) ((0.008 + 0.037 * random.nextDouble()) * RATE);
            double gain = Math.pow(10, -(4 + 26 * random.nextDouble()) / 20);
            double side = c % 2 == 0 ? -1 : 1;
            for (int i = delay; i < l.length; i++) {
                l[i] += (float) (gain * (1 - side) / 2 * dry[i - delay]);
                r[i] += (float) (gain * (1 + side) / 2 * dry[i - delay]);
            }
        }
        return Audio.of(RATE, l, r);
    }

    private record Cell(double bearing, double power) {}

    /** The power and the two sides of one bin of one frame, by a plain sum. */
    private static double[] bin(float[] x, int start, int k, double[] window) {
        double re = 0;
        double im = 0;
        double turn = 2 * Math.PI * k / LENGTH;
        for (int i = 0; i < LENGTH && start + i < x.length; i++) {
            double v = window[i] * x[start + i];
            re += v * Math.cos(turn * i);
            im -= v * Math.sin(turn * i);
        }
        return new double[] {re, im};
    }

    /** The angle of the middle three quarters by sorting cells, of some bins of an octave. */
    private static double sorted(Audio audio, double centre) {
        double[] window = new double[LENGTH];
        for (int i = 0; i < LENGTH; i++) {
            window[i] = 0.5 - 0.5 * Math.cos(2 * Math.PI * i / LENGTH);
        }
        List<Cell> cells = new ArrayList<>();
        double sum = 0;
        for (int start = 0; start < audio.frames(); start += LENGTH / 2) {
            int from = (int) Math.ceil(centre / Math.sqrt(2) * LENGTH / RATE);
            for (int k = from; k < centre * Math.sqrt(2) * LENGTH / RATE; k++) {
                double[] a = bin(audio.channel(0), start, k, window);
                double[] b = bin(audio.channel(1), start, k, window);
                double l = a[0] * a[0] + a[1] * a[1];
                double r = b[0] * b[0] + b[1] * b[1];
                // Constant power: left is cos, right sin of an angle from 0 to 90 degrees.
                double bearing = 2 * Math.toDegrees(Math.atan2(Math.sqrt(r), Math.sqrt(l))) - 90;
                cells.add(new Cell(bearing, l + r));
                sum += l + r;
            }
        }
        cells.sort(Comparator.comparingDouble(Cell::bearing));
        double passed = 0;
        double low = Double.NaN;
        double high = Double.NaN;
        for (Cell c : cells) {
            passed += c.power;
            low = Double.isNaN(low) && passed >= 0.125 * sum ? c.bearing : low;
            high = Double.isNaN(high) && passed >= 0.875 * sum ? c.bearing : high;
        }
        return high - low;
    }

    private static double degrees(WidthReport report, double hz) {
        return report.bands().stream()
                .filter(b -> b.centreHz() == hz)
                .findFirst()
                .orElseThrow()
                .degrees()
                .orElseThrow();
    }

    @Test
    void degreesAgreeWithCellsThatWereSorted() {
        for (int seed = 0; seed < 30; seed++) {
            Audio wide = widened(seed);
            double measured = degrees(WidthReport.of(wide), 250);
            assertThat(measured).as("widener %d", seed).isCloseTo(sorted(wide, 250), within(1.0));
        }
    }

    @Test
    void oneSoundOnBothSidesIsNarrowAndTwoAreWideAndLoseThreeDecibels() {
        float[] x = noise(1);
        WidthReport one = WidthReport.of(Audio.of(RATE, x, x.clone()));
        WidthReport two = WidthReport.of(Audio.of(RATE, x, noise(2)));
        assertThat(degrees(one, 1000)).isLessThan(0.3);
        assertThat(degrees(two, 1000)).isBetween(40.0, 110.0);
        assertThat(two.bands().get(4).monoFoldLossDb().orElseThrow()).isCloseTo(3.01, within(0.3));
        assertThat(one.bands().get(4).notchDb().orElseThrow()).isCloseTo(0, within(0.01));
        List<Gain> gained = two.gainedOver(one);
        assertThat(gained).hasSize(9);
        assertThat(WidthReport.state(gained)).isEqualTo(WetState.OBVIOUS);
        assertThat(WidthReport.state(one.gainedOver(two))).isEqualTo(WetState.HIDDEN);
        float[] silence = new float[x.length];
        WidthReport none = WidthReport.of(Audio.of(RATE, silence, silence.clone()));
        assertThat(none.bands().getFirst().degrees()).isEmpty();
        assertThat(none.gainedOver(one).getFirst().degrees()).isEmpty();
    }

    @Test
    void aNotchIsTheDeepestLossInsideItsOctave() {
        float[] x = noise(3);
        float[] late = new float[x.length];
        int delay = 48;
        System.arraycopy(x, 0, late, delay, x.length - delay);
        WidthReport report = WidthReport.of(Audio.of(RATE, x, late));
        // Apart by 1 ms: a notch at 500 Hz, none in the octave around 125 Hz.
        assertThat(report.bands().get(3).notchDb().orElseThrow()).isGreaterThan(9);
        assertThat(report.bands().get(1).notchDb().orElseThrow()).isLessThan(2);
    }

    @Test
    void aStateNeedsTwoOctaves() {
        assertThat(WidthReport.state(gains(30, 2, 2))).isEqualTo(WetState.HIDDEN);
        assertThat(WidthReport.state(gains(3, 3, 0))).isEqualTo(WetState.FELT);
        assertThat(WidthReport.state(gains(30, 8, 3))).isEqualTo(WetState.HEARD);
        assertThat(WidthReport.state(gains(20, 19.9, 20))).isEqualTo(WetState.OBVIOUS);
        assertThat(WidthReport.state(gains(-30, -30, 2.9))).isEqualTo(WetState.HIDDEN);
    }

    private static List<Gain> gains(double... degrees) {
        List<Gain> gains = new ArrayList<>();
        for (double d : degrees) {
            gains.add(new Gain(1000, OptionalDouble.of(d)));
        }
        return gains;
    }
}
