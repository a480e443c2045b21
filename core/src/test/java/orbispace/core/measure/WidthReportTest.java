package orbispace.core.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Random;
import orbispace.core.Signals;
import orbispace.core.audio.Audio;
import orbispace.core.hearing.WetState;
import orbispace.core.measure.Widening.Gain;
import org.junit.jupiter.api.Test;

class WidthReportTest {
    private static final double RATE = 48000;
    private static final double SECONDS = 0.8;

    private static float[] noise(int seed) {
        return Signals.noise(0.01, 40, 18000, SECONDS, RATE, seed);
    }

    /** One to three voices in bands of their own, and seeded copies of them to the sides. */
    private static Audio widened(int seed) {
        Random random = new Random(seed);
        float[] dry = new float[(int) (SECONDS * RATE)];
        for (int v = 0; v <= random.nextInt(3); v++) {
            double low = 60 * Math.pow(2, 5 * random.nextDouble());
            float[] voice = Signals.noise(0.01, low, low * 8, SECONDS, RATE, 100 * seed + v);
            dry = Signals.sum(dry, voice);
        }
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

    private static double degrees(WidthReport report, double hz) {
        return report.bands().stream()
                .filter(b -> b.centreHz() == hz)
                .findFirst()
                .orElseThrow()
                .degrees()
                .orElseThrow();
    }

    /** Degrees, loss and notch of each octave, by sorted cells and plain sums. */
    @Test
    void wideThingsAgreeWithASecondWayInEveryOctave() {
        for (int seed = 0; seed < 30; seed++) {
            Audio wide = widened(seed);
            WidthReport report = WidthReport.of(wide);
            SortedCells cells = SortedCells.of(wide);
            double most =
                    report.bands().stream()
                            .mapToDouble(b -> cells.power(b.centreHz()))
                            .max()
                            .orElseThrow();
            int compared = 0;
            for (WidthReport.Band b : report.bands()) {
                if (cells.power(b.centreHz()) < 1e-5 * most) {
                    continue;
                }
                String where = "widener %d at %.0f Hz".formatted(seed, b.centreHz());
                assertThat(b.degrees().orElseThrow())
                        .as(where)
                        .isCloseTo(cells.degrees(b.centreHz()), within(0.75));
                assertThat(b.monoFoldLossDb().orElseThrow())
                        .as(where)
                        .isCloseTo(cells.lossDb(b.centreHz()), within(0.02));
                assertThat(b.notchDb().orElseThrow())
                        .as(where)
                        .isCloseTo(cells.notchDb(b.centreHz()), within(0.1));
                compared++;
            }
            assertThat(compared).isGreaterThan(3);
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
        Widening gained = two.over(one);
        assertThat(gained.gains()).hasSize(9);
        assertThat(gained.state()).isEqualTo(WetState.OBVIOUS);
        assertThat(one.over(two).state()).isEqualTo(WetState.HIDDEN);
        float[] silence = new float[x.length];
        WidthReport none = WidthReport.of(Audio.of(RATE, silence, silence.clone()));
        assertThat(none.bands().getFirst().degrees()).isEmpty();
        assertThat(none.over(one).gains().getFirst().degrees()).isEmpty();
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
        assertThat(gains(30, 2, 2).state()).isEqualTo(WetState.HIDDEN);
        assertThat(gains(3, 3, 0).state()).isEqualTo(WetState.FELT);
        assertThat(gains(30, 8, 3).state()).isEqualTo(WetState.HEARD);
        assertThat(gains(20, 19.9, 20).state()).isEqualTo(WetState.OBVIOUS);
        assertThat(gains(-30, -30, 2.9).state()).isEqualTo(WetState.HIDDEN);
    }

    private static Widening gains(double... degrees) {
        List<Gain> gains = new ArrayList<>();
        for (double d : degrees) {
            gains.add(new Gain(1000, OptionalDouble.of(d)));
        }
        return new Widening(gains);
    }
}
