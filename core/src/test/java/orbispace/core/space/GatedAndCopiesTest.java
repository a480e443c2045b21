package orbispace.core.space;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import orbispace.core.Signals;
import orbispace.core.audio.Audio;
import orbispace.core.dynamics.DuckerSettings;
import orbispace.core.dynamics.GainComputer;
import orbispace.core.measure.StereoReport;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class GatedAndCopiesTest {
    private static final double RATE = 48000;

    /** Level of 4 ms around a time. */
    private static double levelDb(Audio a, double seconds) {
        int at = (int) (seconds * RATE);
        double power = a.slice(Math.max(0, at - 96), at + 96).meanSquare();
        return 10 * Math.log10(power + 1e-30);
    }

    @ParameterizedTest
    @EnumSource(GatedSettings.Envelope.class)
    void aGatedSpaceIsFortyDecibelsDownAtItsLength(GatedSettings.Envelope envelope) {
        for (double length : new double[] {0.08, 0.341, 0.714}) {
            var settings = new GatedSettings(envelope, length, 0.015, 9000);
            Audio a = Impulses.response(settings, length + 0.2, RATE, 512);
            double before = levelDb(a, length - 0.018);
            double at = length - 0.03;
            while (levelDb(a, at) > before - 40) {
                at += 0.0005;
            }
            assertThat(at).as("%s %s", envelope, length).isCloseTo(length, within(0.005));
        }
    }

    @Test
    void envelopesRiseAndFallByTwelveDecibels() {
        var flat = new GatedSettings(GatedSettings.Envelope.FLAT, 0.6, 0.02, 9000);
        assertThat(slope(flat)).isCloseTo(0, within(1.5));
        var rising = new GatedSettings(GatedSettings.Envelope.RISING, 0.6, 0.02, 9000);
        assertThat(slope(rising)).isCloseTo(8, within(1.5));
        var falling = new GatedSettings(GatedSettings.Envelope.FALLING, 0.6, 0.02, 9000);
        assertThat(slope(falling)).isCloseTo(-8, within(1.5));
    }

    /** From one sixth to five sixths of the length, two thirds of the whole slope. */
    private static double slope(GatedSettings settings) {
        Audio a = Impulses.response(settings, 1, RATE, 512);
        double early = a.slice((int) (0.05 * RATE), (int) (0.15 * RATE)).meanSquare();
        double late = a.slice((int) (0.44 * RATE), (int) (0.54 * RATE)).meanSquare();
        return 10 * Math.log10(late / early);
    }

    private static CopiesSettings copies(double cents, boolean centre) {
        return new CopiesSettings(
                List.of(
                        new CopiesSettings.Voice(0.013, -cents, -1),
                        new CopiesSettings.Voice(0.021, cents, 1)),
                20,
                centre);
    }

    private static int loudest(float[] x) {
        int at = 0;
        for (int i = 0; i < x.length; i++) {
            at = Math.abs(x[i]) > Math.abs(x[at]) ? i : at;
        }
        return at;
    }

    @Test
    void copiesArriveToTheSampleOnTheirSides() {
        for (double cents : new double[] {0, 8}) {
            Audio a = Impulses.response(copies(cents, true), 0.2, RATE, 480);
            // A drift of 8 cents moves a copy by 0.5 % of its age.
            assertThat(loudest(a.channel(0))).isBetween(624 - 4, 624 + 4);
            assertThat(loudest(a.channel(1))).isBetween(1008 - 6, 1008 + 6);
            if (cents == 0) {
                assertThat(loudest(a.channel(0))).isEqualTo(624);
                assertThat(loudest(a.channel(1))).isEqualTo(1008);
            }
        }
    }

    @Test
    void withoutCentreTheCopiesVanishInMono() {
        Audio a = Impulses.response(copies(7, false), 0.2, RATE, 480);
        for (int i = 0; i < a.frames(); i++) {
            assertThat(a.channel(0)[i] + a.channel(1)[i]).isCloseTo(0, within(1e-6f));
        }
        assertThat(a.meanSquare()).isPositive();
    }

    @Test
    void aDetunedCopyOfAToneIsThatToneDetunedAndHardlyBeats() {
        Engine engine =
                Engine.of(
                        new CopiesSettings(
                                List.of(
                                        new CopiesSettings.Voice(0.02, 12, -1),
                                        new CopiesSettings.Voice(0.02, 12, 1)),
                                20,
                                true),
                        RATE);
        float[] x = new float[(int) (8 * RATE)];
        for (int i = 0; i < x.length; i++) {
            x[i] = (float) (0.3 * Math.sin(2 * Math.PI * 440 * i / RATE));
        }
        float[] y = x.clone();
        Impulses.run(engine, x, y, 512);
        int crossings = 0;
        for (int i = (int) RATE; i < x.length; i++) {
            crossings += x[i - 1] < 0 && x[i] >= 0 ? 1 : 0;
        }
        double cents = 1200 * Math.log(crossings / 7.0 / 440) / Math.log(2);
        assertThat(cents).isCloseTo(12, within(2.0));
        double least = 1;
        double most = 0;
        for (int at = (int) RATE; at + 4800 < x.length; at += 960) {
            double level = Audio.of(RATE, java.util.Arrays.copyOfRange(x, at, at + 960)).peak();
            least = Math.min(least, level);
            most = Math.max(most, level);
        }
        assertThat(20 * Math.log10(most / least)).isLessThan(1.5);
    }

    @Test
    void strokesStandWhereTheCopyIsSetHoweverItIsDetuned() {
        for (double millis : new double[] {9, 15, 28}) {
            for (double cents : new double[] {-14, 6, 20}) {
                var left = new CopiesSettings.Voice(millis / 1000, cents, -1);
                var right = new CopiesSettings.Voice(0.035, -cents, 1);
                Engine engine =
                        Engine.of(
                                new CopiesSettings(java.util.List.of(left, right), 20, false),
                                RATE);
                float[] x = new float[(int) (12 * RATE)];
                java.util.Random random = new java.util.Random(5);
                java.util.List<Integer> at = new java.util.ArrayList<>();
                for (double t = 0.2; t < 11.5; t += 0.11 + 0.3 * random.nextDouble()) {
                    at.add((int) (t * RATE));
                    for (int i = 0; i < 0.09 * RATE; i++) {
                        x[at.getLast() + i] +=
                                (float) (Math.exp(-i / 600.0) * random.nextGaussian());
                    }
                    x[at.getLast()] = 4;
                }
                engine.process(x, x.clone(), 0, x.length);
                for (int stroke : at) {
                    int best = stroke;
                    for (int i = stroke; i < stroke + 1500; i++) {
                        best = Math.abs(x[i]) > Math.abs(x[best]) ? i : best;
                    }
                    assertThat(1000 * (best - stroke) / RATE)
                            .as("%s ms, %s cents", millis, cents)
                            .isCloseTo(millis, within(0.7));
                }
            }
        }
    }

    @Test
    void aSplitPairStandsApartAndItsSidesAreUnrelated() {
        var room = new ReverbSettings(ReverbKind.ROOM, 0.8, 1, 0.8, 1);
        var plate = new ReverbSettings(ReverbKind.PLATE, 1.6, 1, 0.8, 1);
        Audio a = Impulses.response(new SplitSettings(room, plate, 1), 3, RATE, 512);
        assertThat(StereoReport.of(a).correlation().orElseThrow()).isCloseTo(0, within(0.1));
        // The longer space is the right one.
        double left = a.slice((int) RATE, a.frames()).channel(0)[0];
        assertThat(Math.abs(left)).isLessThan(1);
        double lateLeft = energy(a.channel(0), (int) (0.9 * RATE));
        double lateRight = energy(a.channel(1), (int) (0.9 * RATE));
        assertThat(lateRight).isGreaterThan(10 * lateLeft);
    }

    @ParameterizedTest
    @EnumSource(ReverbKind.class)
    void twoSpacesOfOneKindAreNotMono(ReverbKind kind) {
        for (double size : new double[] {0.5, 1, 2}) {
            var space = new ReverbSettings(kind, 1.8, 1, 0.8, size);
            Audio a = Impulses.response(new SplitSettings(space, space, 1), 3, RATE, 512);
            assertThat(StereoReport.of(a).correlation().orElseThrow()).isCloseTo(0, within(0.1));
        }
    }

    private static double energy(float[] x, int from) {
        double sum = 0;
        for (int i = from; i < x.length; i++) {
            sum += (double) x[i] * x[i];
        }
        return sum;
    }

    @Test
    void parallelPressesWithoutDelay() {
        var settings =
                new ParallelSettings(
                        new DuckerSettings(new GainComputer(-30, 4, 0, 60), 0.002, 0, 0.05), 0);
        float[] x = new float[(int) RATE];
        for (int i = 0; i < x.length; i++) {
            x[i] = (float) (0.5 * Math.sin(2 * Math.PI * 1000 * i / RATE));
        }
        float[] wet = x.clone();
        float[] other = x.clone();
        Impulses.run(Engine.of(settings, RATE), wet, other, 333);
        double gain = 20 * Math.log10(Math.abs(wet[40012] / x[40012]));
        double wanted = -0.75 * (30 - 6.02);
        assertThat(gain).isCloseTo(wanted, within(0.7));
        for (int i = 40000; i < 40048; i++) {
            assertThat(wet[i] / Math.pow(10, gain / 20)).isCloseTo(x[i], within(0.02));
        }
    }

    private static float[] copied(CopiesSettings.Voice voice, float[] x, int start) {
        Engine engine = Engine.of(new CopiesSettings(List.of(voice), 20, true), RATE);
        float[] l = x.clone();
        float[] r = x.clone();
        engine.at(start);
        engine.process(l, r, 0, l.length);
        return l;
    }

    /** One copy alone in the middle: its time follows a sine, whatever the song's own time. */
    @Test
    void oneCopySwaysBySoMuchAsOftenAsItIsTold() {
        float[] x = Signals.sine(1000, 0.5, 4, RATE);
        double hz = 0.5;
        CopiesSettings.Voice still = new CopiesSettings.Voice(0.02, 0, 0);
        CopiesSettings.Voice swaying = new CopiesSettings.Voice(0.02, 0, 0, 0.0002, hz);
        float[] plain = copied(still, x, 0);
        float[] moved = copied(swaying, x, 0);
        for (double at : new double[] {0.5, 1.0, 1.5, 2.5, 3.5}) {
            double later = 0.0002 * Math.sin(2 * Math.PI * hz * at);
            double turned = phase(plain, at) - phase(moved, at);
            double wanted = 2 * Math.PI * 1000 * later;
            assertThat(Math.IEEEremainder(turned - wanted, 2 * Math.PI))
                    .as("%.1f s", at)
                    .isCloseTo(0, within(0.03));
        }
        // A second later in the song it stands a second further in its sway.
        float[] later = copied(swaying, x, (int) RATE);
        double turned = phase(plain, 1.5) - phase(later, 1.5);
        double wanted = 2 * Math.PI * 1000 * 0.0002 * Math.sin(2 * Math.PI * hz * 2.5);
        assertThat(Math.IEEEremainder(turned - wanted, 2 * Math.PI)).isCloseTo(0, within(0.03));
    }

    private static double phase(float[] x, double seconds) {
        int from = (int) (seconds * RATE) - 240;
        double re = 0;
        double im = 0;
        for (int i = 0; i < 480; i++) {
            double turn = 2 * Math.PI * 1000 * (from + i) / RATE;
            re += x[from + i] * Math.cos(turn);
            im += x[from + i] * Math.sin(turn);
        }
        return Math.atan2(re, im);
    }

    @Test
    void aPairStandsAndBeginsWhereEachSideIsTold() {
        ReverbSettings room = new ReverbSettings(ReverbKind.ROOM, 0.4, 1, 1, 1);
        SplitSettings split =
                new SplitSettings(
                        new SplitSettings.Side(room, 0, -1), new SplitSettings.Side(room, 0.05, 1));
        Audio a = Impulses.response(split, 1, RATE, 512);
        Audio plain = Impulses.response(new SplitSettings(room, room, 1), 1, RATE, 512);
        int late = (int) (0.05 * RATE);
        for (int i = 0; i < late; i++) {
            assertThat((double) a.channel(1)[i]).isCloseTo(0, within(1e-7));
        }
        for (int i = 0; i < 10000; i++) {
            assertThat((double) a.channel(0)[i]).isCloseTo(plain.channel(0)[i], within(1e-6));
            assertThat((double) a.channel(1)[late + i])
                    .isCloseTo(plain.channel(1)[i], within(1e-6));
        }
        SplitSettings inside =
                new SplitSettings(
                        new SplitSettings.Side(room, 0, 0), new SplitSettings.Side(room, 0, 0));
        Audio middle = Impulses.response(inside, 1, RATE, 512);
        assertThat(middle.channel(0)).isEqualTo(middle.channel(1));
    }
}
