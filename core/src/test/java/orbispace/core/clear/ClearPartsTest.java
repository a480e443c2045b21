package orbispace.core.clear;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import orbispace.core.Signals;
import orbispace.core.audio.Audio;
import orbispace.core.audio.Quantile;
import orbispace.core.design.Filter;
import orbispace.core.dynamics.DuckBand;
import orbispace.core.hearing.Excitation;
import orbispace.core.hearing.HearingModel;
import orbispace.core.hearing.MadeCells;
import orbispace.core.hearing.Passages;
import orbispace.core.time.Span;
import org.junit.jupiter.api.Test;

/**
 * The parts that measures and remedies are made of, against their definitions worked out plainly.
 */
class ClearPartsTest {
    private static final int BANDS = HearingModel.BANDS;
    private static final int FRAMES = MadeCells.FRAMES;
    private static final double FPS = MadeCells.FPS;
    private static final double ROOM = 10;
    private static final Excitation ONE = MadeCells.ONE;
    private static final Excitation OTHER = MadeCells.OTHER;

    private static double partial(Excitation s, Excitation m, int f, int b) {
        return HearingModel.partialLoudness(b, s.at(f, b), m.at(f, b) + ROOM);
    }

    @Test
    void densityIsWhatIsHeardOfTheWetOverTheLoudnessOfEverything() {
        Density density = Density.of(ONE, OTHER, ROOM);
        double heard = 0;
        double all = 0;
        for (int f = 4; f < 17; f++) {
            for (int b = 0; b < BANDS; b++) {
                heard += partial(ONE, OTHER, f, b);
                all += HearingModel.loudness(b, ONE.at(f, b) + OTHER.at(f, b));
            }
        }
        assertThat(density.between(4, 17)).isCloseTo(heard / all, within(1e-9));
        assertThat(density.between(-4, 99)).isCloseTo(density.between(0, FRAMES), within(1e-12));
        assertThat(density.between(5, 5)).isZero();
        // Under 0.05 sones a frame it is silence.
        assertThat(alone(asLoudAs(0.048))).isZero();
        assertThat(alone(asLoudAs(0.052))).isGreaterThan(0.02);
    }

    /** The power that is so loud, from below. */
    private static double asLoudAs(double sones) {
        double power = 1e-4;
        while (sones(1.01 * power) < sones) {
            power *= 1.01;
        }
        return power;
    }

    private static double sones(double power) {
        return Excitation.even(1, FPS, power).sones()[0];
    }

    private static double alone(double power) {
        Excitation wet = Excitation.even(20, FPS, power);
        return Density.of(wet, Excitation.none(20, FPS), 0).between(0, 20);
    }

    @Test
    void cellsStandOutFromHalfOfWhatTheLoudestHundredthHas() {
        HeardCells cells = HeardCells.of(ONE, OTHER, ROOM);
        assertThat(cells.frames()).isEqualTo(FRAMES);
        assertThat(cells.framesPerSecond()).isEqualTo(FPS);
        List<Double> inside = new java.util.ArrayList<>();
        for (int f = 0; f < FRAMES; f++) {
            for (int b = 0; b < BANDS; b++) {
                assertThat(cells.at(f, b)).isCloseTo(partial(ONE, OTHER, f, b), within(1e-5));
                double hz = HearingModel.centreHz(b);
                if (hz >= 500 && hz <= 2000 && cells.at(f, b) > 0) {
                    inside.add(cells.at(f, b));
                }
            }
        }
        assertThat(cells.standsOut(500, 2000))
                .isCloseTo(Quantile.of(inside, 0.99) / 2, within(1e-5));
        assertThat(cells.standsOut(20, 30)).isInfinite();
        assertThat(HeardCells.isIn(0, 0, 0)).isTrue();
        double centre = HearingModel.centreHz(12);
        assertThat(HeardCells.isIn(12, centre, centre)).isTrue();
        assertThat(HeardCells.isIn(12, centre + 1, 9000)).isFalse();
        assertThat(HeardCells.isIn(12, 20, centre - 1)).isFalse();
    }

    private static DuckBand keyBand(int from, int to, double tail) {
        double[] shares = new double[BANDS];
        Arrays.fill(shares, tail);
        Arrays.fill(shares, from, to, 1);
        float[] on = new float[FRAMES];
        Arrays.fill(on, 0, 20, 1);
        Passages passages = Passages.ofPhrases(List.of(new Span(0, 1.5)), FRAMES, FPS);
        return KeyBand.of(MadeCells.cells(10000, on, shares), passages);
    }

    @Test
    void aKeyIsHeardInTheMiddleFourFifthsOfItsLoudness() {
        // Ten bands of about the same loudness: the first and the last hold a tenth each.
        DuckBand band = keyBand(10, 20, 0);
        assertThat(band.lowHz())
                .isBetween(HearingModel.centreHz(9), HearingModel.centreHz(11) * 1.02);
        assertThat(band.highHz())
                .isBetween(HearingModel.centreHz(17), HearingModel.centreHz(19) * 1.02);
        // Edges have two digits.
        assertThat(band.lowHz() % 10).isZero();
        // A key in one band alone is made half an octave wide or so.
        DuckBand narrow = keyBand(15, 16, 0);
        assertThat(narrow.highHz() / narrow.lowHz()).isBetween(1.2, 1.6);
        DuckBand none =
                KeyBand.of(
                        Excitation.none(FRAMES, FPS),
                        Passages.ofPhrases(List.of(new Span(0, 1)), FRAMES, FPS));
        assertThat(none.lowHz()).isEqualTo(50);
        assertThat(none.highHz()).isEqualTo(15000);
    }

    @Test
    void theShareOfABandIsTheMeanOfWhatItReachesInEachEarBand() {
        DuckBand band = new DuckBand(400, 4000);
        double[] outside = KeyBand.outside(band);
        double reached = 0;
        for (int b = 0; b < BANDS; b++) {
            assertThat(outside[b]).isEqualTo(band.outsideAt(HearingModel.centreHz(b)));
            reached += (1 - outside[b]) / BANDS;
        }
        assertThat(KeyBand.share(band)).isCloseTo(reached, within(1e-12));
    }

    @Test
    void lowSharesAreThoseOfTheEnergyAlsoThroughAnotherHighPass() {
        double rate = 48000;
        float[] x = Signals.sine(100, 0.3, 2, rate);
        float[] y = Signals.sine(1000, 0.4, 2, rate);
        for (int i = 0; i < x.length; i++) {
            x[i] += y[i];
        }
        LowShare share = new LowShare(Audio.of(rate, x, x));
        assertThat(share.share()).isCloseTo(0.09 / 0.25, within(1e-3));
        assertThat(share.shareBetween(20, 250)).isCloseTo(0.36, within(1e-3));
        assertThat(share.shareBetween(250, 4000)).isCloseTo(0.64, within(1e-3));
        Filter.Corner corner = new Filter.Corner(200, 2);
        // A Butterworth high-pass at half its corner: 1 / (1 + 2^4) of the power.
        double low = 0.09 / 17;
        double high = 0.16 / (1 + Math.pow(0.2, 4));
        assertThat(share.shareThrough(corner, null)).isCloseTo(low / (low + high), within(2e-3));
        assertThat(share.shareThrough(corner, corner)).isCloseTo(0.36, within(1e-3));
        LowShare none = new LowShare(Audio.silence(rate, 1, 48000));
        assertThat(none.share()).isZero();
        assertThat(none.shareBetween(20, 200)).isZero();
    }

    @Test
    void theLeastAmountIsFoundToItsStep() {
        assertThat(Reach.leastFor(0, 12, 0.1, x -> x >= 4.3)).isBetween(4.3, 4.4);
        assertThat(Reach.leastFor(0, 12, 0.1, x -> true)).isBetween(0.0, 0.1);
        assertThat(Reach.leastFor(0, 12, 0.1, x -> false)).isEqualTo(12);
        assertThat(Reach.leastFor(3, 3.05, 0.1, x -> true)).isEqualTo(3.05);
    }

    @Test
    void aReturnCostsTheLoudnessAndPeakThatTheMixHasMoreWithIt() {
        double rate = 48000;
        float[] dry = Signals.sine(1000, 0.2, 3, rate);
        float[] wet = Signals.sine(1000, 0.2, 3, rate);
        float[] mix = Signals.sine(1000, 0.4, 3, rate);
        Audio mixed = Audio.of(rate, mix, mix);
        var rendering =
                new orbispace.core.render.Rendering(
                        Map.of("A", Audio.of(rate, wet, wet)), Audio.of(rate, dry, dry), mixed);
        ReturnCost cost = ReturnCost.of(rendering).getFirst();
        assertThat(cost.returnId()).isEqualTo("A");
        assertThat(cost.loudnessLu()).isCloseTo(6.02, within(0.01));
        assertThat(cost.truePeakDb()).isCloseTo(6.02, within(0.02));
        assertThat(cost.bandShares()).hasSize(5);
        assertThat(cost.bandShares().get(3)).isCloseTo(1, within(1e-3));
        assertThat(cost.bandShares().get(2)).isCloseTo(0, within(1e-3));
    }
}
