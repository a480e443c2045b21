package orbispace.core.space;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import orbispace.core.audio.Audio;
import orbispace.core.measure.BandDecay;
import orbispace.core.measure.DecayMeter;
import orbispace.core.measure.DecayReport;
import orbispace.core.measure.EchoDensity;
import orbispace.core.measure.TailQuality;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

class ReverbTest {
    private static final double RATE = 48000;

    private static double t30(BandDecay band) {
        return band.t30().fitted().orElse(Double.NaN);
    }

    @ParameterizedTest
    @CsvSource({
        "0.3, 48000",
        "0.6, 48000",
        "1.5, 48000",
        "3, 48000",
        "6, 48000",
        "8, 48000",
        "1.5, 44100",
        "3, 96000"
    })
    void measuredDecayIsTheSetOneInEveryBand(double seconds, double rate) {
        var settings = new ReverbSettings(ReverbKind.HALL, seconds, 1.2, 0.7, 1);
        DecayReport report =
                DecayMeter.measure(Impulses.response(settings, seconds * 2.2 + 0.5, rate, 4096));
        for (BandDecay band : report.bands()) {
            double hz = band.centreHz();
            if (hz >= 500 && hz <= 2000) {
                assertThat(t30(band)).as("%s Hz", hz).isCloseTo(seconds, within(0.05 * seconds));
            } else if (hz == 125 && seconds > 0.4) {
                assertThat(t30(band))
                        .as("%s Hz", hz)
                        .isCloseTo(1.2 * seconds, within(0.12 * seconds));
            } else if (hz == 8000) {
                assertThat(t30(band))
                        .as("%s Hz", hz)
                        .isCloseTo(0.7 * seconds, within(0.07 * seconds));
            }
        }
    }

    @Test
    void blockSizesDoNotChangeTheSound() {
        var settings = new ReverbSettings(ReverbKind.HALL, 1.2, 1.1, 0.6, 1);
        Audio whole = Impulses.response(settings, 0.5, RATE, 24000);
        for (int block : new int[] {1, 64, 1000}) {
            Audio parts = Impulses.response(settings, 0.5, RATE, block);
            assertThat(Impulses.difference(parts, whole)).isLessThan(1e-7);
        }
    }

    @ParameterizedTest
    @EnumSource(ReverbKind.class)
    void whatIsConstantIsNotMadeLouder(ReverbKind kind) {
        float[][] x = new float[2][(int) (12 * RATE)];
        for (float[] side : x) {
            java.util.Arrays.fill(side, 0.1f);
        }
        Engine engine = Engine.of(new ReverbSettings(kind, 4, 2, 0.7, 1), RATE);
        engine.process(x[0], x[1], 0, x[0].length);
        for (float[] side : x) {
            assertThat(Math.abs(side[side.length - 1])).isLessThan(0.001f);
        }
    }

    @ParameterizedTest
    @EnumSource(ReverbKind.class)
    void energyIsOneWhateverTheDecay(ReverbKind kind) {
        for (double seconds : new double[] {0.5, 2, 6}) {
            var settings = new ReverbSettings(kind, seconds, 1.2, 0.7, 1);
            Audio a = Impulses.response(settings, seconds * 1.6 + 0.3, RATE, 4096);
            assertThat(10 * Math.log10(a.meanSquare() * a.frames()))
                    .as("%s s", seconds)
                    .isCloseTo(0, within(0.5));
        }
    }

    @ParameterizedTest
    @CsvSource({"PLATE, 40", "ROOM, 80", "CHAMBER, 80", "HALL, 150", "VAST, 200"})
    void echoDensityReachesThatOfNoiseInTime(ReverbKind kind, double millis) {
        for (double seconds : new double[] {0.6, 1.2, 2.5, 8}) {
            Audio a =
                    Impulses.response(
                            new ReverbSettings(kind, seconds, 1, 0.7, 1), 0.6, RATE, 4096);
            for (int c = 0; c < 2; c++) {
                assertThat(EchoDensity.denseSeconds(a.channel(c), RATE).orElse(1))
                        .as("%s at %s s", kind, seconds)
                        .isLessThanOrEqualTo(millis / 1000);
            }
        }
    }

    @ParameterizedTest
    @CsvSource({
        "ROOM, 0.3",
        "ROOM, 5",
        "CHAMBER, 0.6",
        "CHAMBER, 8",
        "PLATE, 0.3",
        "PLATE, 2.5",
        "HALL, 1.2",
        "VAST, 0.3",
        "VAST, 8"
    })
    void everyKindDecaysAsSetAndNeverRings(ReverbKind kind, double seconds) {
        var settings = new ReverbSettings(kind, seconds, 1.1, 0.7, 1);
        Audio a = Impulses.response(settings, 2 * seconds + 0.5, RATE, 4096);
        for (BandDecay band : DecayMeter.measure(a).bands()) {
            double hz = band.centreHz();
            double set = hz < 200 ? 1.1 * seconds : hz > 6000 ? 0.7 * seconds : seconds;
            if (hz >= 125 && hz != 250 && hz != 4000) {
                double share = hz >= 500 && hz <= 2000 ? 0.05 : 0.1;
                assertThat(t30(band)).as("%s Hz", hz).isCloseTo(set, within(share * set));
            }
        }
        if (seconds >= 1.2) {
            // Shorter tails are too short to tell a mode from the ripple of noise.
            assertThat(TailQuality.of(a, seconds).highestModeDb()).isLessThan(10);
        }
    }

    @Test
    void anotherSizeNeedsAnotherEngineAndIsLeftAlone() {
        Engine engine = Engine.of(new ReverbSettings(ReverbKind.ROOM, 1, 1, 1, 1), RATE);
        var larger = new ReverbSettings(ReverbKind.ROOM, 1, 1, 1, 2).tuning(RATE);
        engine.apply(larger);
        Audio a = Impulses.response(engine, 1, 1, 0.3, RATE, 512);
        Audio same =
                Impulses.response(
                        Engine.of(new ReverbSettings(ReverbKind.ROOM, 1, 1, 1, 1), RATE),
                        1,
                        1,
                        0.3,
                        RATE,
                        512);
        assertThat(Impulses.difference(a, same)).isZero();
    }

    @Test
    void sidesAreUnrelatedSoThatFoldingToMonoLosesAboutThreeDecibels() {
        Audio a =
                Impulses.response(new ReverbSettings(ReverbKind.HALL, 2, 1, 1, 1), 2.5, RATE, 4096);
        double folded = 0;
        for (int i = 0; i < a.frames(); i++) {
            double m = (a.channel(0)[i] + a.channel(1)[i]) / Math.sqrt(2);
            folded += m * m;
        }
        double loss = 10 * Math.log10(a.meanSquare() * a.frames() / folded);
        assertThat(loss).isBetween(2.0, 4.0);
    }

    @Test
    void tailFallsBelowMinus120AndThenToExactZero() {
        Audio a =
                Impulses.response(
                        new ReverbSettings(ReverbKind.HALL, 0.5, 1, 0.8, 1), 4, RATE, 512);
        for (int i = (int) (1.6 * RATE); i < a.frames(); i++) {
            assertThat(Math.abs(a.channel(0)[i])).isLessThan(1e-6f);
        }
        assertThat(a.channel(0)[a.frames() - 1]).isEqualTo(0f);
        assertThat(a.channel(1)[a.frames() - 1]).isEqualTo(0f);
    }

    private static ReverbSettings standing(ReverbKind kind, double distance) {
        ReverbCharacter there = ReverbCharacter.of(kind).withDistance(distance);
        return new ReverbSettings(kind, 0.8, 1, 0.8, 1, there);
    }

    /** The loudest sample of a room from 1 to 20 ms, its walls, over the energy of all of it. */
    private static double wallsDb(double distance) {
        Audio a = Impulses.response(standing(ReverbKind.ROOM, distance), 0.4, RATE, 4096);
        double loud = 0;
        double all = 0;
        for (int i = 0; i < a.frames(); i++) {
            double x = Math.abs(a.channel(0)[i]);
            loud = i > 48 && i < 960 ? Math.max(loud, x) : loud;
            all += x * x;
        }
        return 10 * Math.log10(loud * loud / all);
    }

    @Test
    void aNearSenderHearsTheWallsSofterAndAFarOneLouder() {
        assertThat(wallsDb(0.25)).isLessThan(wallsDb(1) - 3);
        assertThat(wallsDb(2)).isGreaterThan(wallsDb(1) + 1);
    }

    @Test
    void whereSendersStandMovesNothingWhereThereAreNoWalls() {
        for (ReverbKind kind : ReverbKind.values()) {
            Audio near = Impulses.response(standing(kind, 0.25), 0.4, RATE, 4096);
            Audio usual = Impulses.response(standing(kind, 1), 0.4, RATE, 4096);
            assertThat(Impulses.difference(near, usual) > 0)
                    .as("%s", kind)
                    .isEqualTo(kind.hasWalls());
        }
    }
}
