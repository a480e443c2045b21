package orbispace.core.hearing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import orbispace.core.time.Span;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestInstance;

/** What a wet sound does to a dry one, cell by cell, against its definitions worked out plainly. */
@TestInstance(TestInstance.Lifecycle.PER_CLASS)
class CoverByDefinitionTest {
    private static final int BANDS = HearingModel.BANDS;
    private static final int FRAMES = 125;
    private static final double FPS = 10;
    private static final double ROOM = 10;
    private static final List<Span> SUNG =
            List.of(new Span(0.5, 2.5), new Span(3, 5), new Span(5.2, 6), new Span(11.5, 12));

    private final double[][] dry = random(1, 0, 95);
    private final double[][] wet = random(2, 10, 118);
    private final double[][] rest = random(3, 30, 125);
    private final double[][] without = new double[FRAMES][BANDS];
    private final double[][] with = new double[FRAMES][BANDS];
    private final boolean[][] clash = new boolean[FRAMES][BANDS];
    private final boolean[][] important = new boolean[FRAMES][BANDS];
    private final CoverMeter meter =
            new CoverMeter(
                    excitation(dry),
                    excitation(wet),
                    excitation(rest),
                    ROOM,
                    Passages.ofPhrases(SUNG, FRAMES, FPS));

    /** Cells of powers between 1 and 10,000 within some frames, a quarter of them silent. */
    private static double[][] random(long seed, int from, int to) {
        SplittableRandom random = new SplittableRandom(seed);
        double[][] cells = new double[FRAMES][BANDS];
        for (int f = from; f < to; f++) {
            for (int b = 0; b < BANDS; b++) {
                cells[f][b] =
                        random.nextInt(4) == 0 ? 0 : (float) Math.pow(10, 4 * random.nextDouble());
            }
        }
        return cells;
    }

    private static Excitation excitation(double[][] cells) {
        float[] flat = new float[FRAMES * BANDS];
        for (int i = 0; i < flat.length; i++) {
            flat[i] = (float) cells[i / BANDS][i % BANDS];
        }
        return new Excitation(flat, FPS);
    }

    private static boolean sings(int frame) {
        return SUNG.stream()
                .anyMatch(s -> frame / FPS >= s.startSeconds() && frame / FPS < s.endSeconds());
    }

    /** Between phrases at least a quarter of a second apart, 60 ms after and 30 ms before one. */
    private static boolean rests(int frame) {
        double t = frame / FPS;
        return (t >= 2.56 && t < 2.97) || (t >= 6.06 && t < 11.47);
    }

    @BeforeAll
    void workOut() {
        for (int f = 0; f < FRAMES; f++) {
            for (int b = 0; b < BANDS; b++) {
                double masker = rest[f][b] + ROOM;
                without[f][b] = HearingModel.partialLoudness(b, dry[f][b], masker);
                with[f][b] = HearingModel.partialLoudness(b, dry[f][b], masker + wet[f][b]);
            }
            double left = 0.8 * Arrays.stream(without[f]).sum();
            double[] falling = Arrays.stream(without[f]).map(x -> -x).sorted().toArray();
            for (int k = 0; k < BANDS && left > 0; k++) {
                left += falling[k];
                for (int b = 0; b < BANDS; b++) {
                    important[f][b] |= without[f][b] == -falling[k] && without[f][b] > 0;
                }
            }
            for (int b = 0; b < BANDS; b++) {
                clash[f][b] = important[f][b] && with[f][b] < 0.8 * without[f][b];
            }
        }
    }

    private static double sum(double[][] cells, int from, int to) {
        double sum = 0;
        for (int f = Math.max(0, from); f < Math.min(FRAMES, to); f++) {
            sum += sings(f) ? Arrays.stream(cells[f]).sum() : 0;
        }
        return sum;
    }

    @Test
    void presenceIsTheLoudnessThatIsLeftInAllPhrasesAndInTheWorst() {
        Cover cover = meter.cover();
        assertThat(cover.presenceKept().orElseThrow())
                .isCloseTo(sum(with, 0, FRAMES) / sum(without, 0, FRAMES), within(1e-6));
        double worst = 1;
        for (Span s : SUNG) {
            int from = (int) Math.round(s.startSeconds() * FPS);
            int to = (int) Math.round(s.endSeconds() * FPS);
            if (sum(without, from, to) > 0) {
                worst = Math.min(worst, sum(with, from, to) / sum(without, from, to));
            }
        }
        assertThat(cover.worstPhrase().orElseThrow()).isCloseTo(worst, within(1e-6));
    }

    @Test
    void presenceOfAStretchNeedsTenFramesInWhichTheDrySpeaks() {
        assertThat(meter.keptBetween(7, 30).orElseThrow())
                .isCloseTo(sum(with, 7, 30) / sum(without, 7, 30), within(1e-6));
        assertThat(meter.keptBetween(5, 15)).isPresent();
        assertThat(meter.keptBetween(0, 14)).isEmpty();
        assertThat(meter.keptBetween(16, 26)).isEmpty();
        assertThat(meter.keptBetween(-5, 15)).isPresent();
        assertThat(meter.keptBetween(30, 1000).orElseThrow())
                .isCloseTo(sum(with, 30, FRAMES) / sum(without, 30, FRAMES), within(1e-6));
        assertThat(meter.keptBetween(9, -3)).isEmpty();
    }

    @Test
    void clashesAreImportantCellsThatLoseMoreThanAFifth() {
        int all = 0;
        int lost = 0;
        double[] perBand = new double[BANDS];
        for (int f = 0; f < FRAMES; f++) {
            for (int b = 0; b < BANDS; b++) {
                assertThat(meter.clashAt(f, b)).as("%d, %d", f, b).isEqualTo(clash[f][b]);
                all += sings(f) && important[f][b] ? 1 : 0;
                lost += sings(f) && clash[f][b] ? 1 : 0;
                perBand[b] += sings(f) && clash[f][b] ? 1 : 0;
            }
        }
        assertThat(lost).isPositive();
        assertThat(meter.clashesPerBand()).isEqualTo(perBand);
        assertThat(meter.cover().clashArea()).isCloseTo(lost / (double) all, within(1e-12));
    }

    /** Loudness of the wet beside everything else in a frame. */
    private double heard(int f) {
        double sum = 0;
        for (int b = 0; b < BANDS; b++) {
            double masker = dry[f][b] + rest[f][b] + ROOM;
            sum += HearingModel.partialLoudness(b, wet[f][b], masker);
        }
        return sum;
    }

    private double loudness(int f, double wetShare, double others) {
        double sum = 0;
        for (int b = 0; b < BANDS; b++) {
            double power = wetShare * wet[f][b] + others * (dry[f][b] + rest[f][b]);
            sum += HearingModel.loudness(b, power);
        }
        return sum;
    }

    @Test
    void framesTellWhatIsKeptAndHowLoudTheWetIs() {
        for (int f = 0; f < FRAMES; f++) {
            double all = Arrays.stream(without[f]).sum();
            double kept = all == 0 ? 1 : Arrays.stream(with[f]).sum() / all;
            assertThat(meter.keptAt(f)).isCloseTo(kept, within(1e-6));
            assertThat(meter.wetSonesAt(f)).isCloseTo(heard(f), within(1e-6));
        }
        assertThat(meter.framesPerSecond()).isEqualTo(FPS);
    }

    @Test
    void sharesInPhrasesAndGapsAreRatiosOfMeanLoudness() {
        double inPhrases = 0;
        double allInPhrases = 0;
        double dryInPhrases = 0;
        double dryPower = 0;
        double inGaps = 0;
        double bloom = 0;
        int gaps = 0;
        int phrases = 0;
        for (int f = 0; f < FRAMES; f++) {
            if (sings(f)) {
                phrases++;
                inPhrases += heard(f);
                allInPhrases += loudness(f, 1, 1);
                dryInPhrases += Arrays.stream(without[f]).sum();
                dryPower += Arrays.stream(dry[f]).sum();
            }
            if (rests(f)) {
                gaps++;
                inGaps += heard(f);
                for (int b = 0; b < BANDS; b++) {
                    double masker = dry[f][b] + rest[f][b] + ROOM;
                    bloom += HearingModel.audibility(b, wet[f][b], masker) * wet[f][b];
                }
            }
        }
        Cover cover = meter.cover();
        assertThat(cover.wetShareInPhrases()).isCloseTo(inPhrases / allInPhrases, within(1e-6));
        assertThat(cover.wetShareInGaps())
                .isCloseTo(inGaps / gaps / (dryInPhrases / phrases), within(1e-6));
        assertThat(cover.bloomDb().orElseThrow())
                .isCloseTo(10 * Math.log10(bloom / gaps / (dryPower / phrases)), within(1e-5));
    }

    @Test
    void theWetShareIsTheNinetyFifthPercentileOverWindowsOfThreeSeconds() {
        double[] others = new double[FRAMES];
        for (int f = 0; f < FRAMES; f++) {
            others[f] = loudness(f, 0, 1);
        }
        double limit = 0.1 * orbispace.core.audio.Quantile.of(others, 0.95);
        double reference = Arrays.stream(others).filter(x -> x > limit).average().orElseThrow();
        // Windows begin each second; the last ends with the stretch.
        int[] begins = {0, 10, 20, 30, 40, 50, 60, 70, 80, 90, 95};
        double[] shares = new double[begins.length];
        for (int i = 0; i < begins.length; i++) {
            double all = 0;
            for (int f = begins[i]; f < begins[i] + 30; f++) {
                shares[i] += heard(f) / 30;
                all += loudness(f, 1, 1) / 30;
            }
            shares[i] /= Math.max(all, reference);
        }
        assertThat(meter.cover().wetShare())
                .isCloseTo(orbispace.core.audio.Quantile.of(shares, 0.95), within(1e-6));
    }

    @Test
    void aStretchShorterThanAWindowIsOneWindowAndNothingIsNothing() {
        Passages none = Passages.ofPhrases(List.of(), 5, FPS);
        Excitation e = Excitation.even(5, FPS, 1000);
        Cover alone =
                new CoverMeter(Excitation.none(5, FPS), e, Excitation.none(5, FPS), 0, none)
                        .cover();
        assertThat(alone.wetShare()).isCloseTo(1, within(1e-4));
        assertThat(alone.presenceKept()).isEmpty();
        assertThat(alone.worstPhrase()).isEmpty();
        assertThat(alone.bloomDb()).isEmpty();
        assertThat(alone.clashArea()).isZero();
        Excitation zero = Excitation.none(0, FPS);
        assertThat(
                        new CoverMeter(zero, zero, zero, 0, Passages.ofPhrases(List.of(), 0, FPS))
                                .cover()
                                .wetShare())
                .isZero();
        assertThatThrownBy(() -> new CoverMeter(e, e, zero, 0, none))
                .hasMessageContaining("differ in length");
    }

    @Test
    void excitationsAddTakeAwayAndScaleCellByCell() {
        Excitation d = excitation(dry);
        Excitation w = excitation(wet);
        float[] gains = new float[FRAMES];
        double[] outside = new double[BANDS];
        Arrays.setAll(outside, b -> b / 80.0);
        for (int f = 0; f < FRAMES; f++) {
            gains[f] = f / (float) FRAMES;
        }
        Excitation slice = d.slice(20, 40);
        assertThat(slice.frames()).isEqualTo(20);
        assertThat(d.slice(-3, 4).frames()).isEqualTo(4);
        assertThat(d.slice(100, 900).frames()).isEqualTo(25);
        assertThat(d.slice(50, 40).frames()).isZero();
        for (int f = 0; f < FRAMES; f++) {
            for (int b = 0; b < BANDS; b++) {
                double x = dry[f][b];
                double y = wet[f][b];
                assertThat(d.plus(w).at(f, b)).isCloseTo(x + y, within(0.002));
                assertThat(d.minus(w).at(f, b)).isCloseTo(Math.max(0, x - y), within(0.002));
                assertThat(d.times(3).at(f, b)).isCloseTo(3 * x, within(0.002));
                assertThat(d.times(gains).at(f, b)).isCloseTo(gains[f] * x, within(0.002));
                double reached = outside[b] + (1 - outside[b]) * gains[f];
                assertThat(d.times(gains, outside).at(f, b)).isCloseTo(reached * x, within(0.002));
                if (f >= 20 && f < 40) {
                    assertThat(slice.at(f - 20, b)).isEqualTo(x);
                }
            }
            assertThat(w.sones()[f]).isCloseTo(loudness(f, 1, 0), within(1e-6));
        }
    }

    @Test
    void aWetStateBeginsAtItsShareAndChangesBeyondFifteenPercent() {
        assertThat(WetState.of(0.00699)).isEqualTo(WetState.HIDDEN);
        assertThat(WetState.of(0.007)).isEqualTo(WetState.FELT);
        assertThat(WetState.of(0.03)).isEqualTo(WetState.HEARD);
        assertThat(WetState.of(0.1)).isEqualTo(WetState.OBVIOUS);
        assertThat(WetState.FELT.next(0.0344)).isEqualTo(WetState.FELT);
        assertThat(WetState.FELT.next(0.0346)).isEqualTo(WetState.HEARD);
        assertThat(WetState.HEARD.next(0.0262)).isEqualTo(WetState.HEARD);
        assertThat(WetState.HEARD.next(0.026)).isEqualTo(WetState.FELT);
    }

    @Test
    void anEarHearsFramesOfElevenMillisecondsAtTheListeningLevel() {
        Ear ear = new Ear(48000, 98);
        assertThat(ear.framesPerSecond()).isEqualTo(93.75);
        assertThat(ear.framesOf(0)).isEqualTo(1);
        assertThat(ear.framesOf(511)).isEqualTo(1);
        assertThat(ear.framesOf(512)).isEqualTo(2);
        assertThat(ear.framesOf(48000)).isEqualTo(94);
        assertThat(Ear.fullScaleDb(-20)).isEqualTo(98);
        assertThat(HearingModel.erbNumber(0)).isZero();
        assertThat(HearingModel.erbNumber(1000)).isCloseTo(15.62, within(0.01));
        assertThat(HearingModel.centreHz(0)).isCloseTo(50, within(1e-9));
        assertThat(HearingModel.centreHz(39)).isCloseTo(15000, within(1e-6));
    }
}
