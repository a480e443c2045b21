package orbispace.demo;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import orbispace.core.signal.Fft;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class InstrumentsTest {
    @ParameterizedTest
    @CsvSource({"A4, 440", "D4, 293.665", "C4, 261.626", "B1, 61.735", "E5, 659.255", "G2, 97.999"})
    void notesHaveTheirPitches(String name, double hz) {
        assertThat(Pitch.hz(name)).isCloseTo(hz, within(0.01));
    }

    @Test
    void chanceIsTheSameForTheSameSeedAndCutAtItsTails() {
        Chance a = new Chance(5);
        Chance b = new Chance(5);
        for (int i = 0; i < 1000; i++) {
            double x = a.gaussian(2);
            assertThat(x).isEqualTo(b.gaussian(2)).isBetween(-5.0, 5.0);
        }
        assertThat(new Chance(6).white(10)).isNotEqualTo(new Chance(5).white(10));
    }

    @Test
    void whiteNoiseHasUnitDeviation() {
        float[] x = new Chance(1).white(100_000);
        double sum = 0;
        double squares = 0;
        for (float v : x) {
            sum += v;
            squares += v * v;
        }
        assertThat(sum / x.length).isCloseTo(0, within(0.02));
        assertThat(Math.sqrt(squares / x.length)).isCloseTo(1, within(0.02));
    }

    @Test
    void wanderingLinesMoveSlowly() {
        Chance.Wander line = new Chance(3).wander(3, 10);
        for (double t = 0; t < 10; t += 0.001) {
            // Between knots a third of a second apart, a half-cosine moves at most pi/2 times their
            // distance.
            assertThat(Math.abs(line.at(t + 0.001) - line.at(t))).isLessThan(0.05);
        }
        assertThat(line.at(-5)).isEqualTo(line.at(0));
    }

    @Test
    void wavetablesHaveUnitLevelAndOnlyTheirPartials() {
        Wavetable table = new Wavetable(12, k -> 1.0 / k, k -> 0.4 * k * k);
        int n = 8192;
        double[] x = new double[n];
        double squares = 0;
        for (int i = 0; i < n; i++) {
            x[i] = table.at(i / (double) n + 3);
            squares += x[i] * x[i];
        }
        assertThat(Math.sqrt(squares / n)).isCloseTo(1, within(1e-4));
        new Fft(n).forward(x);
        double wanted = 0;
        double spurious = 0;
        for (int k = 1; k < n / 2; k++) {
            double power = x[2 * k] * x[2 * k] + x[2 * k + 1] * x[2 * k + 1];
            wanted += k <= 12 ? power : 0;
            spurious += k > 12 ? power : 0;
        }
        assertThat(10 * Math.log10(spurious / wanted)).isLessThan(-120);
    }

    @Test
    void curvesPassThroughTheirPoints() {
        assertThat(Shape.through(-1, 0, 2, 1, 4)).isEqualTo(2);
        assertThat(Shape.through(0.5, 0, 2, 1, 4)).isEqualTo(3);
        assertThat(Shape.through(9, 0, 2, 1, 4)).isEqualTo(4);
        assertThat(Shape.raisedCosine(0.5)).isCloseTo(0.5, within(1e-12));
        assertThat(Shape.raisedCosine(7)).isEqualTo(1);
        assertThat(20 * Math.log10(Shape.decay(0.9, 0.9))).isCloseTo(-60, within(1e-9));
    }

    @Test
    void theScoreHasItsStrokesInTheirSlots() {
        assertThat(HarbourScore.strokes(3, "0:D:.92 6:T:.80")).hasSize(2);
        assertThat(HarbourScore.slotSeconds(3, 0)).isCloseTo(5.714, within(0.001));
        double even = HarbourScore.slotSeconds(3, 2) - HarbourScore.slotSeconds(3, 0);
        double odd = HarbourScore.slotSeconds(3, 1) - HarbourScore.slotSeconds(3, 0);
        assertThat(odd - even / 2).isCloseTo(0.045 * 0.5 * 60 / 84, within(1e-9));
        assertThat(HarbourScore.sectionDb(12)).isEqualTo(1.5);
        assertThat(HarbourScore.bar(14, 1)).isEqualTo("F3 A3 C4 D4");
        assertThat(HarbourScore.bar(15, 1)).isEmpty();
    }

    @Test
    void diphthongsGlideAndUnknownSoundsAreRefused() {
        double[][] tide = Phone.vowel("aI");
        assertThat(tide[0][0]).isCloseTo(824, within(1.0));
        assertThat(tide[1][0]).isEqualTo(450);
        assertThat(Phone.vowel("i")[0]).isEqualTo(Phone.vowel("i")[1]);
        assertThat(Phone.of('m').nasal()).isTrue();
        assertThat(Phone.of('t').stop()).isTrue();
        assertThat(Phone.of('l').sonorant()).isTrue();
        assertThatThrownBy(() -> Phone.of('?')).hasMessageContaining("?");
    }

    @Test
    void theVoicesControlsStaySmoothAndInRange() {
        VoiceTrack track = new VoiceTrack(new Chance(101));
        for (int i = 1; i < VoiceTrack.STEPS; i++) {
            assertThat(track.formants[0][i]).isBetween(200.0, 900.0);
            assertThat(track.level[i]).isBetween(0.0, 2.5);
            assertThat(Math.abs(track.formants[1][i] - track.formants[1][i - 1])).isLessThan(220);
        }
        assertThat(track.noises).anyMatch(n -> n.kind() == 'B');
        assertThat(track.noises).allMatch(n -> n.end() > n.start());
    }
}
