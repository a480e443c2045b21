package orbispace.core.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import orbispace.core.Signals;
import orbispace.core.audio.Audio;
import orbispace.core.audio.Polarity;
import orbispace.core.space.ReverbKind;
import org.junit.jupiter.api.Test;

/** Where measures begin and end to say something. */
class MeasureBordersTest {
    private static BandDecay band(double hz, DecayTime t30) {
        return new BandDecay(hz, t30, t30, t30, 0, 0, 0, 0);
    }

    private static UnitReport unit(double driftPpm, double... seconds) {
        List<BandDecay> bands = new ArrayList<>();
        for (int b = 0; b < seconds.length; b++) {
            DecayTime time =
                    seconds[b] > 0
                            ? new DecayTime.Measured(seconds[b])
                            : new DecayTime.TooNoisy(20);
            bands.add(band(250 * Math.pow(2, b), time));
        }
        return new UnitReport(
                Audio.silence(48000, 1, 10),
                0,
                Polarity.SAME,
                -90,
                List.of(),
                OptionalDouble.of(driftPpm),
                OptionalDouble.of(-80),
                new DecayReport(0, band(0, new DecayTime.TooShort()), bands));
    }

    @Test
    void clocksMatterFromTwoMillionthsOnAndAPanelSaysTheMiddle() {
        assertThat(unit(2).drifts()).isFalse();
        assertThat(unit(2.01).drifts()).isTrue();
        assertThat(unit(-2.01).drifts()).isTrue();
        // 250, 500, 1000 and 2000 Hz: the mean of the two in the middle.
        assertThat(unit(0, 9, 1, 2, 9).trueSeconds().orElseThrow()).isCloseTo(1.5, within(1e-12));
        assertThat(unit(0, 9, 0, 2, 9).trueSeconds()).hasValue(2);
        assertThat(unit(0, 9, 0, 0, 9).trueSeconds()).isEmpty();
    }

    @Test
    void whatWasFittedIsToldSureOrNot() {
        assertThat(new DecayTime.Measured(1.5).fitted()).hasValue(1.5);
        assertThat(new DecayTime.NotSure(1.5, DecayTime.Doubt.BENT).fitted()).hasValue(1.5);
        assertThat(new DecayTime.TooNoisy(1.5).fitted()).isEmpty();
        assertThat(new DecayTime.TooShort().fitted()).isEqualTo(OptionalDouble.empty());
        assertThat(band(62.5, new DecayTime.TooShort()).nominalHz()).isEqualTo(63);
        assertThat(band(125, new DecayTime.TooShort()).nominalHz()).isEqualTo(125);
        assertThat(band(125, new DecayTime.NotSure(1, DecayTime.Doubt.CHANCE)).reliable())
                .isFalse();
        assertThat(band(125, new DecayTime.Measured(1)).reliable()).isTrue();
    }

    @Test
    void aDecayNeedsTwentyMillisecondsAfterItsOnset() {
        for (int after : new int[] {959, 960}) {
            float[] x = new float[100 + after];
            x[100] = 1;
            assertThat(DecayMeter.canMeasure(Audio.of(48000, x))).isEqualTo(after == 960);
        }
        assertThat(DecayMeter.canMeasure(Audio.silence(48000, 1, 4800))).isFalse();
    }

    @Test
    void twoSidesThatDifferTellAsMuchAsTwoResponses() {
        double rate = 48000;
        // 0.94 / sqrt(2828 x 0.5) is 2.5 %, and of two 1.8.
        float[] one = Signals.decay(0.5, -120, 1, rate, 1);
        float[] two = Signals.decay(0.5, -120, 1, rate, 2);
        DecayTime alone = at4k(Audio.of(rate, one));
        DecayTime same = at4k(Audio.of(rate, one, one.clone()));
        assertThat(alone).isInstanceOf(DecayTime.NotSure.class);
        assertThat(same).isInstanceOf(DecayTime.NotSure.class);
        assertThat(at4k(Audio.of(rate, one, two))).isInstanceOf(DecayTime.Measured.class);
    }

    private static DecayTime at4k(Audio audio) {
        return DecayMeter.measure(audio).bands().get(6).t20();
    }

    @Test
    void sweepsAndSurveysKeepTheirRanges() {
        assertThat(new Sweep(8000, 1).toHz()).isEqualTo(4000);
        assertThat(new Sweep(384000, 60).seconds()).isEqualTo(60);
        assertThatThrownBy(() -> new Sweep(7999, 1)).hasMessageContaining("8,000");
        assertThatThrownBy(() -> new Sweep(384001, 1)).hasMessageContaining("8,000");
        assertThatThrownBy(() -> new Sweep(48000, 60.1)).hasMessageContaining("1 to 60");
        SpaceSurvey survey =
                new SpaceSurvey(
                        ReverbKind.HALL,
                        2,
                        new DecayReport(0, band(0, new DecayTime.TooShort()), List.of()),
                        new TailQuality(OptionalDouble.empty(), 0, 0, 0, 0, 0),
                        new TailLines(0, 1, 0),
                        new TailLines(0, 1, 0),
                        0,
                        new SpaceStart(0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0),
                        new SpaceMovement(0, 0, 0));
        assertThat(survey.setSeconds(199)).isEqualTo(2.2);
        assertThat(survey.setSeconds(200)).isEqualTo(2);
        assertThat(survey.setSeconds(6000)).isEqualTo(2);
        assertThat(survey.setSeconds(6001)).isEqualTo(1.4);
    }
}
