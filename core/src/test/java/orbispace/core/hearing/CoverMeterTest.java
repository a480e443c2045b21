package orbispace.core.hearing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import orbispace.core.time.Span;
import org.junit.jupiter.api.Test;

/** Excitations made by hand, so that every share is known before it is measured. */
class CoverMeterTest {
    private static final double FPS = 100;

    private static double sones(double power) {
        return Excitation.even(1, FPS, power).sones()[0];
    }

    /** The power that is as loud as this. */
    private static double power(double sones) {
        double low = -3;
        double high = 10;
        while (high - low > 1e-9) {
            double middle = (low + high) / 2;
            low = sones(Math.pow(10, middle)) < sones ? middle : low;
            high = sones(Math.pow(10, middle)) < sones ? high : middle;
        }
        return Math.pow(10, low);
    }

    /** One power for some seconds and another for those after them. */
    private static Excitation parts(double first, double seconds, double second, double all) {
        float[] powers = new float[(int) (all * FPS)];
        Arrays.fill(powers, (float) second);
        Arrays.fill(powers, 0, (int) (seconds * FPS), (float) first);
        return Excitation.even(powers.length, FPS, 1).times(powers);
    }

    private static Cover cover(Excitation dry, Excitation wet) {
        Excitation none = Excitation.none(dry.frames(), FPS);
        Passages passages = Passages.ofPhrases(List.of(new Span(0, 1)), dry.frames(), FPS);
        return new CoverMeter(dry, wet, none, 0, passages).cover();
    }

    /** Wet that is loud for one second of a hundred; the rest is a share of the loudest window. */
    private static double shareWithFaintRest(double share) {
        double loud = sones(1e4);
        double faint = power(share * loud / (3 - 2 * share));
        return cover(Excitation.even(10000, FPS, 1e3), parts(1e4, 1, faint, 100)).wetShare();
    }

    @Test
    void aWindowCountsAsWetFromATenthOfTheLoudestOn() {
        double without = shareWithFaintRest(0.09);
        assertThat(without).isGreaterThan(10 * shareWithFaintRest(0.11));
        assertThat(shareWithFaintRest(0.02)).isCloseTo(without, within(0.1 * without));
    }

    @Test
    void inAGapWetIsWeighedAgainstWhatSoundsAtATenthOfTheLoudestAndMore() {
        double loud = sones(1e5);
        Excitation wet = Excitation.even(10000, FPS, 10);
        double alone = cover(parts(1e5, 10, 0, 100), wet).wetShare();
        assertThat(alone).isCloseTo(sones(10) / loud, within(0.002));
        double under = cover(parts(1e5, 10, power(0.09 * loud), 100), wet).wetShare();
        assertThat(under).as("what is fainter is no reference").isLessThan(1.01 * alone);
        double over = cover(parts(1e5, 10, power(0.11 * loud), 100), wet).wetShare();
        assertThat(over).as("the mean of both is").isGreaterThan(1.3 * under);
    }

    @Test
    void aFrameSpeaksFromATwentiethOfTheLoudnessOn() {
        double loud = sones(1e5);
        Passages under = Passages.ofLoudness(parts(1e5, 10, power(0.045 * loud), 20));
        assertThat(under.speaking().cardinality()).isEqualTo(1000);
        Passages over = Passages.ofLoudness(parts(1e5, 10, power(0.055 * loud), 20));
        assertThat(over.speaking().cardinality()).isEqualTo(2000);
    }

    @Test
    void theShareAskedForAloneIsThatAmongTheMeasures() {
        Excitation dry = parts(1e5, 1, 3, 6);
        Excitation wet = parts(1e3, 2, 40, 6);
        Excitation rest = parts(20, 3, 1e4, 6);
        Passages passages = Passages.ofPhrases(List.of(new Span(0, 1)), dry.frames(), FPS);
        assertThat(WetShare.of(dry, wet, rest, 10))
                .isPositive()
                .isEqualTo(new CoverMeter(dry, wet, rest, 10, passages).cover().wetShare());
    }
}
