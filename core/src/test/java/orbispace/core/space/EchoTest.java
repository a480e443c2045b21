package orbispace.core.space;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import orbispace.core.audio.Audio;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class EchoTest {
    static EchoSettings pingPong(
            double seconds, double feedback, double highPassHz, double lowPassHz, double width) {
        return new EchoSettings(
                EchoSettings.Kind.PING_PONG,
                seconds,
                seconds,
                feedback,
                EchoSettings.Loop.filters(highPassHz, lowPassHz),
                width);
    }

    private static final double RATE = 48000;

    private static int peakAround(float[] x, double seconds, double rate) {
        int centre = (int) Math.round(seconds * rate);
        int best = centre;
        for (int i = Math.max(0, centre - 100); i < Math.min(x.length, centre + 100); i++) {
            best = Math.abs(x[i]) > Math.abs(x[best]) ? i : best;
        }
        return best;
    }

    @Test
    void arrivalsStandLeftThenRightWithinASample() {
        double spacing = 60 * 1.5 / 84;
        Audio a = Impulses.response(pingPong(spacing, 0.5, 20, 20000, 1), 5, RATE, 1000);
        assertThat(peakAround(a.channel(0), spacing, RATE))
                .isCloseTo((int) Math.round(spacing * RATE), within(1));
        assertThat(peakAround(a.channel(1), 2 * spacing, RATE))
                .isCloseTo((int) Math.round(2 * spacing * RATE), within(2));
        assertThat(Math.abs(a.channel(1)[peakAround(a.channel(1), spacing, RATE)]))
                .isLessThan(1e-6f);
    }

    @Test
    void firstArrivalIsTheInputAtItsLevelAndTheSecondIsDownByTheFeedback() {
        Audio a = Impulses.response(pingPong(0.25, 0.5, 20, 20000, 1), 1, RATE, 1000);
        assertThat(energyDb(a.channel(0), 0.2, 0.3)).isCloseTo(0, within(0.01));
        assertThat(energyDb(a.channel(1), 0.45, 0.55)).isCloseTo(-6.02, within(1.1));
    }

    @Test
    void whatIsBentInTheLoopComesBackOnTimeAndWithoutOtherTones() {
        float[] x = new float[24000];
        System.arraycopy(orbispace.core.Signals.sine(13000, 1, 0.04, RATE), 0, x, 0, 1920);
        EchoSettings.Loop loop = new EchoSettings.Loop(20, 20000, 1, 0, 0.5);
        EchoSettings echo = new EchoSettings(EchoSettings.Kind.SINGLE, 0.1, 0.1, 0.9, loop, 0);
        Engine.of(echo, RATE).process(x, x.clone(), 0, x.length);
        double tone = levelAt(x, 13000);
        for (double hz = 200; hz < 15000; hz += 200) {
            if (Math.abs(hz - 13000) > 400) {
                assertThat(levelAt(x, hz)).as("%.0f Hz", hz).isLessThan(tone - 70);
            }
        }
        float[] click = new float[24000];
        click[0] = 0.01f;
        Engine.of(echo, RATE).process(click, click.clone(), 0, click.length);
        assertThat(peakAround(click, 0.2, RATE)).isCloseTo(9600, within(1));
    }

    /** In the second arrival. */
    private static double levelAt(float[] x, double hz) {
        double re = 0;
        double im = 0;
        for (int i = 0; i < 1440; i++) {
            double h = 0.5 - 0.5 * Math.cos(2 * Math.PI * i / 1440);
            double w = h * h;
            re += w * x[9840 + i] * Math.cos(2 * Math.PI * hz * i / RATE);
            im += w * x[9840 + i] * Math.sin(2 * Math.PI * hz * i / RATE);
        }
        return 10 * Math.log10(re * re + im * im);
    }

    private static double energyDb(float[] x, double from, double to) {
        double sum = 0;
        for (int i = (int) (from * RATE); i < to * RATE; i++) {
            sum += x[i] * x[i];
        }
        return 10 * Math.log10(sum);
    }

    @ParameterizedTest
    @CsvSource({"0.1, 0.5", "0.25, 0.7", "0.2, 0.05"})
    void itRingsUntilItsRepeatsHaveFallenByAHundredDecibels(double seconds, double feedback) {
        EchoSettings settings = pingPong(seconds, feedback, 20, 20000, 1);
        double ring = settings.ringSeconds();
        int burst = (int) (0.02 * RATE);
        float[] left = new float[(int) ((ring + 3 * seconds) * RATE)];
        System.arraycopy(orbispace.core.Signals.sine(1000, 1, 0.02, RATE), 0, left, 0, burst);
        float[] right = left.clone();
        Engine.of(settings, RATE).process(left, right, 0, left.length);
        double first = loudest(left, right, seconds, 2 * seconds);
        assertThat(loudest(left, right, ring, ring + 3 * seconds) - first).isLessThan(-100);
        // One repeat earlier there is one that is not yet so low; the loop's filters take a little.
        assertThat(loudest(left, right, ring - 0.1 - seconds, ring - 0.1) - first)
                .isBetween(-102.0, -99.0 - 20 * Math.log10(feedback));
    }

    private static double loudest(float[] left, float[] right, double from, double to) {
        double most = 0;
        for (int i = (int) (from * RATE); i < Math.min(left.length, to * RATE); i++) {
            most = Math.max(most, Math.max(Math.abs(left[i]), Math.abs(right[i])));
        }
        return 20 * Math.log10(most + 1e-12);
    }

    @Test
    void wholeFramesAreExactAndBlockSizesDoNotMatter() {
        var settings = pingPong(0.01, 0.7, 200, 5000, 1);
        Audio whole = Impulses.response(settings, 0.3, RATE, 14400);
        assertThat(whole.channel(0)[480]).isCloseTo(1f, within(1e-6f));
        for (int block : new int[] {1, 64, 1000}) {
            Audio parts = Impulses.response(settings, 0.3, RATE, block);
            assertThat(parts.channel(0)).isEqualTo(whole.channel(0));
            assertThat(parts.channel(1)).isEqualTo(whole.channel(1));
        }
    }

    /** Level of the tenth repeat of a tone burst of 10 kHz, of an echo of so many frames. */
    private static double tenthRepeatDb(double frames) {
        double seconds = frames / RATE;
        float[] x = new float[(int) (11 * seconds * RATE)];
        for (int i = 0; i < 2000; i++) {
            x[i] =
                    (float)
                            (Math.sin(Math.PI * i / 2000)
                                    * Math.sin(2 * Math.PI * 10000 * i / RATE));
        }
        float[] y = x.clone();
        var loop = new EchoSettings.Loop(20, 20000, 0, 0, 0.1);
        var settings = new EchoSettings(EchoSettings.Kind.SINGLE, seconds, seconds, 0.9, loop, 1);
        Impulses.run(Engine.of(settings, RATE), x, y, 512);
        double sum = 0;
        for (int i = (int) (10 * frames); i < 10 * frames + 2000; i++) {
            sum += x[i] * x[i];
        }
        return 10 * Math.log10(sum);
    }

    @Test
    void aTimeOfHalfAFrameMoreLosesNoHighs() {
        double whole = tenthRepeatDb(12000);
        assertThat(tenthRepeatDb(12000.5)).isCloseTo(whole, within(0.5));
        assertThat(tenthRepeatDb(12000.3)).isCloseTo(whole, within(0.5));
    }

    @Test
    void aNewTimeFadesInWithoutAClick() {
        Engine echo = Engine.of(pingPong(0.1, 0.4, 20, 20000, 1), RATE);
        float[] left = orbispace.core.Signals.sine(220, 0.5, 1, RATE);
        float[] right = left.clone();
        echo.process(left, right, 0, 24000);
        echo.apply(pingPong(0.137, 0.4, 20, 20000, 1).tuning(RATE));
        echo.process(left, right, 24000, 48000);
        for (int i = 23000; i < 48000; i++) {
            assertThat(Math.abs(left[i] - left[i - 1])).isLessThan(0.05f);
        }
    }

    @Test
    void silenceAfterSoundEndsInExactZero() {
        Audio a = Impulses.response(pingPong(0.05, 0.6, 100, 6000, 1), 6, RATE, 512);
        assertThat(a.channel(0)[a.frames() - 1]).isEqualTo(0f);
    }

    private static EchoSettings echo(EchoSettings.Kind kind, double left, double right) {
        return new EchoSettings(kind, left, right, 0.5, EchoSettings.Loop.filters(20, 20000), 1);
    }

    private static int first(float[] x) {
        int i = 0;
        while (Math.abs(x[i]) < 0.1) {
            i++;
        }
        return i;
    }

    @Test
    void aPairAnswersEachSideAtItsOwnTime() {
        Audio a = Impulses.response(echo(EchoSettings.Kind.PAIR, 0.25, 0.1875), 1, RATE, 777);
        assertThat(first(a.channel(0))).isEqualTo(12000);
        assertThat(first(a.channel(1))).isEqualTo(9000);
    }

    @Test
    void aSingleEchoStaysWhereTheSendWas() {
        Audio a =
                Impulses.response(
                        Engine.of(echo(EchoSettings.Kind.SINGLE, 0.25, 0.25), RATE),
                        1,
                        0,
                        1,
                        RATE,
                        500);
        assertThat(first(a.channel(0))).isEqualTo(12000);
        assertThat(new Audio[] {a}[0].channel(1)).containsOnly(0f);
    }

    /** A steady tone through an echo whose time changes from 0.4 to 0.3 s after two seconds. */
    private static float[] retimed(double glideMillis) {
        var loop = new EchoSettings.Loop(20, 20000, 0, 0, 0.5, glideMillis);
        var long400 = new EchoSettings(EchoSettings.Kind.SINGLE, 0.4, 0.4, 0, loop, 1);
        var short300 = new EchoSettings(EchoSettings.Kind.SINGLE, 0.3, 0.3, 0, loop, 1);
        Engine echo = Engine.of(long400, RATE);
        float[] x = new float[(int) (5 * RATE)];
        for (int i = 0; i < x.length; i++) {
            x[i] = (float) Math.sin(2 * Math.PI * 500 * i / RATE);
        }
        float[] y = x.clone();
        echo.process(x, y, 0, (int) (2 * RATE));
        echo.apply(short300.tuning(RATE));
        echo.process(x, y, (int) (2 * RATE), x.length);
        return x;
    }

    private static double cycles(float[] x, double from, double to) {
        int ups = 0;
        for (int i = (int) (from * RATE); i < to * RATE; i++) {
            ups += x[i - 1] < 0 && x[i] >= 0 ? 1 : 0;
        }
        return ups / (to - from);
    }

    @Test
    void aNewTimeIsFadedToWithoutAndGlidedToWithABendOfThePitch() {
        float[] faded = retimed(0);
        float[] glided = retimed(1000);
        // While 0.1 s is made up for within a second, the tone is a tenth higher.
        assertThat(cycles(glided, 2.1, 2.9)).isCloseTo(550, within(2.0));
        assertThat(cycles(glided, 3.1, 3.9)).isCloseTo(500, within(2.0));
        assertThat(cycles(faded, 2.1, 2.9)).isCloseTo(500, within(2.0));
        double steepest = 2 * Math.PI * 550 / RATE;
        for (int i = (int) (1 * RATE); i < glided.length; i++) {
            assertThat(Math.abs(glided[i] - glided[i - 1])).isLessThan((float) steepest * 1.02f);
        }
        float[] settled = retimed(1000);
        int at = (int) (4.5 * RATE);
        assertThat(settled[at])
                .isCloseTo((float) Math.sin(2 * Math.PI * 500 * (at / RATE - 0.3)), within(1e-3f));
    }

    @Test
    void saturationKeepsTheLoopBoundedAndWowMovesTheArrivalsByWhatIsSet() {
        var loop = new EchoSettings.Loop(20, 20000, 1, 2, 0.5);
        var settings = new EchoSettings(EchoSettings.Kind.SINGLE, 0.2, 0.2, 0.9, loop, 1);
        float[] x = new float[(int) (6 * RATE)];
        for (int i = 0; i < x.length; i++) {
            x[i] = (float) Math.sin(2 * Math.PI * 300 * i / RATE);
        }
        float[] y = x.clone();
        Impulses.run(Engine.of(settings, RATE), x, y, 512);
        for (float v : x) {
            assertThat(Math.abs(v)).isLessThan(3f);
        }
        float[] click = new float[(int) RATE];
        click[12000] = 1;
        float[] other = click.clone();
        Impulses.run(Engine.of(settings, RATE), click, other, 512);
        double late = (first(click) - 12000) / RATE;
        assertThat(late).isBetween(0.198, 0.202).isNotEqualTo(0.2);
    }

    @Test
    void feedbackAtUnityIsRefused() {
        assertThatThrownBy(() ->
                        new EchoSettings(
                                EchoSettings.Kind.SINGLE,
                                0.2,
                                0.2,
                                1,
                                EchoSettings.Loop.filters(20, 20000),
                                1))
                .hasMessageContaining("feedback 1.0 is outside 0.0 to 0.95");
    }

    /** Places of the arrivals by the constant-power law, -1 (left) to 1, and their levels in dB. */
    @Test
    void oneThatWalksGoesFurtherToItsSideEachTimeAndStaysAsLoud() {
        for (EchoSettings.Kind kind :
                new EchoSettings.Kind[] {
                    EchoSettings.Kind.WALK_LEFT, EchoSettings.Kind.WALK_RIGHT
                }) {
            EchoSettings walking =
                    new EchoSettings(
                            kind, 0.25, 0.25, 0.8, EchoSettings.Loop.filters(20, 20000), 1);
            Audio a = Impulses.response(walking, 3, RATE, 1000);
            Audio single =
                    Impulses.response(
                            new EchoSettings(
                                    EchoSettings.Kind.SINGLE,
                                    0.25,
                                    0.25,
                                    0.8,
                                    EchoSettings.Loop.filters(20, 20000),
                                    1),
                            3,
                            RATE,
                            1000);
            double side = kind == EchoSettings.Kind.WALK_RIGHT ? 1 : -1;
            double before = -1;
            for (int n = 0; n < 6; n++) {
                int from = (int) ((n + 1) * 0.25 * RATE) - 100;
                Audio arrival = a.slice(from, from + 4000);
                double left = power(arrival.channel(0));
                double right = power(arrival.channel(1));
                double place = side * orbispace.core.audio.Pan.position(left, right);
                assertThat(place).as("%s %d", kind, n).isGreaterThan(before + 0.01);
                before = place;
                Audio straight = single.slice(from, from + 4000);
                double still = power(straight.channel(0)) + power(straight.channel(1));
                double db = 10 * Math.log10((left + right) / power0(a) / (still / power0(single)));
                assertThat(db).as("%s %d", kind, n).isCloseTo(0, within(1.0));
                if (n == 0) {
                    assertThat(place).isCloseTo(0, within(1e-4));
                }
            }
            assertThat(before).isGreaterThan(0.95);
        }
    }

    private static double power0(Audio a) {
        int from = (int) (0.25 * RATE) - 100;
        Audio first = a.slice(from, from + 4000);
        return power(first.channel(0)) + power(first.channel(1));
    }

    private static double power(float[] x) {
        double sum = 0;
        for (float v : x) {
            sum += (double) v * v;
        }
        return sum;
    }
}
