package orbispace.core.space;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.SplittableRandom;
import orbispace.core.audio.Audio;
import org.junit.jupiter.api.Test;

/** Engines whose settings change while they sound. */
class EngineChangesTest {
    private static final double RATE = 48000;

    private static CopiesSettings copies(double seconds, double cents) {
        return new CopiesSettings(
                List.of(
                        new CopiesSettings.Voice(seconds, -cents, -1),
                        new CopiesSettings.Voice(seconds, cents, 1)),
                20,
                true);
    }

    /** When an impulse arrives that is given half a second after a change. */
    private static int arrival(EngineSettings before, EngineSettings after) {
        Engine engine = Engine.of(before, RATE);
        float[] l = new float[9600];
        engine.process(l, l.clone(), 0, l.length);
        engine.apply(after.tuning(RATE).own());
        float[] rest = new float[24000];
        engine.process(rest, rest.clone(), 0, rest.length);
        float[] x = new float[9600];
        x[0] = 1;
        engine.process(x, x.clone(), 0, x.length);
        int at = 0;
        for (int i = 0; i < x.length; i++) {
            at = Math.abs(x[i]) > Math.abs(x[at]) ? i : at;
        }
        return at;
    }

    @Test
    void aCopyTakesEveryNewTimeHoweverNear() {
        for (double millis : new double[] {10.5, 12, 13.9, 14.1, 30}) {
            int frames = (int) Math.round(millis * RATE / 1000);
            assertThat(arrival(copies(0.010, 0), copies(millis / 1000, 0))).isEqualTo(frames);
        }
    }

    @Test
    void aCopyThatIsNoLongerDetunedStandsWhereItWasSet() {
        assertThat(arrival(copies(0.020, 9), copies(0.020, 0))).isEqualTo(960);
    }

    private static ConvolutionSettings response(int millis) {
        float[] x = new float[48000];
        x[48 * millis] = 1;
        x[47999] = 1e-4f;
        return new ConvolutionSettings(SpaceResponse.of(Audio.of(RATE, x)));
    }

    @Test
    void aThirdResponseIsHeardWhileTheFirstStillRings() {
        Engine engine = Engine.of(response(10), RATE);
        float[] l = new float[4096];
        engine.process(l, l.clone(), 0, l.length);
        for (int millis : new int[] {20, 30, 40}) {
            engine.apply(response(millis).tuning(RATE).own());
            float[] part = new float[ConvolutionEngine.FADE_FRAMES + 64];
            engine.process(part, part.clone(), 0, part.length);
        }
        float[] x = new float[9600];
        x[0] = 1;
        engine.process(x, x.clone(), 0, x.length);
        int at = 0;
        for (int i = 0; i < x.length; i++) {
            at = Math.abs(x[i]) > Math.abs(x[at]) ? i : at;
        }
        assertThat(at).isEqualTo(48 * 40);
    }

    @Test
    void aDecayThatIsDrawnAlongIsFollowedWithoutAClick() {
        Engine engine = Engine.of(new ReverbSettings(ReverbKind.HALL, 1, 1, 0.7, 1), RATE);
        float[] tone = orbispace.core.Signals.sine(200, 0.1, 6, RATE);
        float[] x = tone.clone();
        float[] other = tone.clone();
        int at = 0;
        for (int step = 0; step < 60; step++, at += 2400) {
            var next = new ReverbSettings(ReverbKind.HALL, 1 + 0.05 * step, 1, 0.7, 1);
            engine.apply(next.tuning(RATE).own());
            engine.process(x, other, at, at + 2400);
        }
        engine.process(x, other, at, x.length);
        double bend = 0;
        for (int i = 2; i < x.length; i++) {
            bend = Math.max(bend, Math.abs(x[i] - 2.0 * x[i - 1] + x[i - 2]));
        }
        double turn = Math.pow(2 * Math.PI * 200 / RATE, 2);
        assertThat(bend).isLessThan(3 * turn * Audio.of(RATE, x).peak());
        // At the end it is the last one that answers.
        float[] rest = new float[48000];
        Engine last = Engine.of(new ReverbSettings(ReverbKind.HALL, 3.95, 1, 0.7, 1), RATE);
        float[] click = new float[48000];
        click[0] = 1;
        last.process(click, rest, 0, click.length);
        float[] heard = new float[(int) (8 * RATE)];
        engine.process(heard, heard.clone(), 0, heard.length);
        float[] again = new float[48000];
        again[0] = 1;
        engine.process(again, new float[48000], 0, again.length);
        assertThat(Impulses.difference(Audio.of(RATE, again), Audio.of(RATE, click)))
                .isLessThan(1e-4);
    }

    @Test
    void twoEnginesOfOneTuningKnowNothingOfEachOther() {
        EngineTuning tuning = response(10).tuning(RATE);
        Engine one = tuning.own().engine(RATE);
        Engine other = tuning.own().engine(RATE);
        float[] click = new float[2048];
        click[0] = 1;
        one.process(click, click.clone(), 0, click.length);
        float[] silence = new float[2048];
        other.process(silence, silence.clone(), 0, silence.length);
        assertThat(silence).containsOnly(0);
    }

    private static double energyDb(float[] x, int from, int to) {
        double sum = 1e-30;
        for (int i = from; i < to; i++) {
            sum += (double) x[i] * x[i];
        }
        return 10 * Math.log10(sum);
    }

    @Test
    void noLoopGrowsAtAnyRateWithItsFiltersAtTheirCorners() {
        for (double rate : new double[] {8000, 11025, 48000, 192000}) {
            for (double low : new double[] {500, 3900, 20000}) {
                for (double high : new double[] {20, 2000}) {
                    for (EchoSettings.Kind kind : EchoSettings.Kind.values()) {
                        EchoSettings echo =
                                new EchoSettings(
                                        kind,
                                        0.0123,
                                        0.0171,
                                        0.95,
                                        new EchoSettings.Loop(high, low, 0, 0.3, 2),
                                        1);
                        double grown = growthDb(echo, rate);
                        assertThat(grown).as("%s at %.0f Hz", echo, rate).isLessThan(0);
                    }
                }
            }
        }
    }

    @Test
    void noLoopGrowsWhileItsCornersAreMoved() {
        for (double rate : new double[] {8000, 48000}) {
            Engine engine = Engine.of(loop(500), rate);
            SplittableRandom random = new SplittableRandom(2);
            float[] l = new float[(int) (0.02 * rate)];
            for (int i = 0; i < l.length; i++) {
                l[i] = (float) (0.1 * random.nextGaussian());
            }
            engine.process(l, l.clone(), 0, l.length);
            double before = 0;
            double last = 0;
            for (int move = 0; move < 60; move++) {
                double[] corners = {3920, 500, 20000, 1500};
                engine.apply(loop(corners[move % 4]).tuning(rate));
                float[] part = new float[(int) (0.05 * rate)];
                engine.process(part, part.clone(), 0, part.length);
                last = energyDb(part, 0, part.length);
                before = move == 0 ? last : before;
                assertThat(last).as("move %d at %.0f Hz", move, rate).isLessThan(before + 1);
            }
            assertThat(last).isLessThan(before - 20);
        }
    }

    private static EchoSettings loop(double lowPassHz) {
        return new EchoSettings(
                EchoSettings.Kind.SINGLE,
                0.004,
                0.004,
                0.95,
                EchoSettings.Loop.filters(20, lowPassHz),
                1);
    }

    /** By how much the energy of one stretch is over that of the one before, at most. */
    private static double growthDb(EchoSettings echo, double rate) {
        Engine engine = Engine.of(echo, rate);
        int part = (int) (0.2 * rate);
        float[] l = new float[8 * part];
        float[] r = new float[8 * part];
        SplittableRandom random = new SplittableRandom(2);
        for (int i = 0; i < part; i++) {
            l[i] = (float) (0.1 * random.nextGaussian());
            r[i] = (float) (0.1 * random.nextGaussian());
        }
        engine.process(l, r, 0, l.length);
        double most = -200;
        for (int p = 2; p < 8; p++) {
            double before = energyDb(l, (p - 1) * part, p * part);
            double here = energyDb(l, p * part, (p + 1) * part);
            // What has died away is zero, and zero does not grow.
            most = Math.max(most, before < -250 && here < -250 ? -1 : here - before);
        }
        return most;
    }

    @Test
    void whatSwaysByItselfIsTheSameHoweverAPlaceInTheSongIsReached() {
        EngineSettings[] all = {
            new ReverbSettings(
                    ReverbKind.HALL,
                    0.4,
                    1,
                    0.7,
                    1,
                    ReverbCharacter.of(ReverbKind.HALL).withMovement(0.0002)),
            new EchoSettings(
                    EchoSettings.Kind.SINGLE,
                    0.05,
                    0.05,
                    0.2,
                    new EchoSettings.Loop(20, 15000, 0, 0.5, 0.7),
                    0)
        };
        for (EngineSettings settings : all) {
            float[] sound = new float[4 * 48000];
            SplittableRandom random = new SplittableRandom(3);
            for (int i = 0; i < sound.length; i++) {
                sound[i] = (float) (0.1 * random.nextGaussian());
            }
            float[] through = sound.clone();
            Engine straight = Engine.of(settings, RATE);
            straight.at(0);
            straight.process(through, sound.clone(), 0, through.length);
            Engine jumping = Engine.of(settings, RATE);
            float[] first = java.util.Arrays.copyOf(sound, 48000);
            jumping.at(0);
            jumping.process(first, first.clone(), 0, first.length);
            int from = 96000;
            float[] second = java.util.Arrays.copyOfRange(sound, from, sound.length);
            jumping.at(from);
            jumping.process(second, second.clone(), 0, second.length);
            double difference = 1e-30;
            double power = 1e-30;
            for (int i = 62000; i < second.length; i++) {
                difference += Math.pow(second[i] - through[from + i], 2);
                power += Math.pow(through[from + i], 2);
            }
            assertThat(10 * Math.log10(difference / power)).as("%s", settings).isLessThan(-100);
        }
    }
}
