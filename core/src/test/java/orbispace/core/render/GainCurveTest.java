package orbispace.core.render;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;

class GainCurveTest {
    private static GainCurve through(Map<Integer, Double> points) {
        return GainCurve.through(new TreeMap<>(points));
    }

    @Test
    void itRunsStraightBetweenPointsAndHoldsOutside() {
        GainCurve c = through(Map.of(100, 0.0, 200, 1.0, 300, 0.5));
        assertThat(c.at(-50)).isZero();
        assertThat(c.at(100)).isZero();
        assertThat(c.at(150)).isCloseTo(0.5, within(1e-7));
        assertThat(c.at(200)).isEqualTo(1);
        assertThat(c.at(250)).isCloseTo(0.75, within(1e-7));
        assertThat(c.at(9999)).isEqualTo(0.5);
    }

    @Test
    void fillingBlocksOfAnySizeGivesWhatAtSays() {
        SplittableRandom random = new SplittableRandom(3);
        TreeMap<Integer, Double> points = new TreeMap<>();
        for (int i = 0; i < 12; i++) {
            points.put(random.nextInt(2000), random.nextDouble());
        }
        GainCurve c = GainCurve.through(points);
        for (int block : new int[] {1, 7, 64, 1000, 3000}) {
            float[] part = new float[block];
            for (int at = -200; at < 2400; at += block) {
                c.fill(part, at, block);
                for (int i = 0; i < block; i++) {
                    // A block steps in floats: -108 dB at worst.
                    assertThat(part[i])
                            .as("frame " + (at + i))
                            .isCloseTo((float) c.at(at + i), within(4e-6f));
                }
            }
        }
    }

    @Test
    void itKnowsWhereItIsShutEvenAndSteady() {
        GainCurve c = through(Map.of(0, 1.0, 100, 0.0, 200, 0.0, 300, 1.0));
        assertThat(c.isShut(100, 100)).isTrue();
        assertThat(c.isShut(120, 30)).isTrue();
        assertThat(c.isShut(90, 30)).isFalse();
        assertThat(c.isShut(150, 100)).isFalse();
        GainCurve bump = through(Map.of(0, 0.0, 50, 0.5, 100, 0.0));
        assertThat(bump.isShut(-20, 10)).isTrue();
        assertThat(bump.isShut(0, 100)).isFalse();
        assertThat(c.isSteady()).isFalse();
        assertThat(GainCurve.of(0.3).isSteady()).isTrue();
        assertThat(GainCurve.of(0.3).isEven()).isFalse();
        assertThat(GainCurve.EVEN.isEven()).isTrue();
    }

    @Test
    void equalPointsMakeEqualCurves() {
        assertThat(through(Map.of(1, 0.5, 9, 0.7)))
                .isEqualTo(through(Map.of(1, 0.5, 9, 0.7)))
                .hasSameHashCodeAs(through(Map.of(1, 0.5, 9, 0.7)))
                .isNotEqualTo(through(Map.of(1, 0.5, 9, 0.8)))
                .isNotEqualTo(through(Map.of(1, 0.5, 8, 0.7)));
    }

    @Test
    void itIsLaidOverASound() {
        float[] ones = new float[10000];
        Arrays.fill(ones, 1);
        GainCurve c = through(Map.of(0, 0.0, 10000, 1.0));
        c.applyTo(ones);
        assertThat(ones[0]).isZero();
        assertThat(ones[5000]).isCloseTo(0.5f, within(1e-5f));
        assertThat(ones[9999]).isCloseTo(1, within(1e-5f));
    }

    @Test
    void neitherLongRampsNorShortEdgesSplash() {
        double rate = 48000;
        for (double hz : new double[] {60, 300}) {
            for (int frames : new int[] {240, 24000}) {
                java.util.TreeMap<Integer, Double> points = new java.util.TreeMap<>();
                points.put(48000, 1.0);
                for (int p = 1; frames > 1000 && p < 32; p++) {
                    points.put(48000 + frames * p / 32, Math.pow(0.1, p / 32.0));
                }
                points.put(48000 + frames, frames > 1000 ? 0.1 : 0.0);
                float[] x = orbispace.core.Signals.sine(hz, 0.5, 3, rate);
                GainCurve.through(points).applyTo(x);
                float[] high = x.clone();
                new orbispace.core.signal.Cascade(
                                orbispace.core.signal.FilterDesign.highPass(2000, 8, rate))
                        .process(high, high, 0, high.length);
                double most = 0;
                for (int i = 40000; i < 80000; i++) {
                    most = Math.max(most, Math.abs(high[i]));
                }
                assertThat(20 * Math.log10(most / 0.5))
                        .as("%.0f Hz, %d frames", hz, frames)
                        .isLessThan(-70);
            }
        }
    }
}
