package orbispace.core.render;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import orbispace.core.time.MetreMap;
import orbispace.core.time.SongClock;
import orbispace.core.time.TempoMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class ClickTrackTest {
    private static final double RATE = 48000;
    private static final SongClock CLOCK =
            new SongClock(
                    TempoMap.of(List.of(TempoMap.Change.step(0, 120), TempoMap.Change.step(8, 90))),
                    MetreMap.of(
                            List.of(new MetreMap.Change(1, 4, 4), new MetreMap.Change(3, 6, 8))),
                    0.1);

    private static float[] played(ClickTrack clicks, int frames, int block) {
        float[] left = new float[frames];
        float[] right = new float[frames];
        for (int at = 0; at < frames; at += block) {
            int n = Math.min(block, frames - at);
            float[] l = new float[n];
            float[] r = new float[n];
            clicks.add(at, l, r, n);
            System.arraycopy(l, 0, left, at, n);
            System.arraycopy(r, 0, right, at, n);
        }
        assertThat(left).isEqualTo(right);
        return left;
    }

    @Test
    void aClickSoundsOnEveryBeatOfTheMetre() {
        float[] x = played(ClickTrack.of(CLOCK, 6.5, RATE), (int) (6.5 * RATE), 512);
        List<Double> onsets = new ArrayList<>();
        int quiet = 0;
        for (int i = 0; i < x.length; i++) {
            if (Math.abs(x[i]) > 0.001) {
                if (quiet > 480) {
                    onsets.add(i / RATE);
                }
                quiet = 0;
            } else {
                quiet++;
            }
        }
        // Eight quarters at 120, then eighths at 90 quarters: a third of a second each.
        List<Double> expected = new ArrayList<>();
        for (int k = 0; k < 8; k++) {
            expected.add(0.1 + k * 0.5);
        }
        for (int k = 0; 4.1 + k / 3.0 < 6.5; k++) {
            expected.add(4.1 + k / 3.0);
        }
        assertThat(onsets).hasSameSizeAs(expected);
        for (int k = 0; k < expected.size(); k++) {
            // A sine starts at zero, so the first samples are faint.
            assertThat(onsets.get(k) - expected.get(k)).isBetween(-0.0001, 0.0005);
        }
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 64, 1000})
    void theSizeOfBlocksChangesNothing(int block) {
        ClickTrack clicks = ClickTrack.of(CLOCK, 3, RATE);
        assertThat(played(clicks, 96000, block)).isEqualTo(played(clicks, 96000, 4096));
    }

    @Test
    void beatsBeforeTheStemsAreLeftOut() {
        ClickTrack early = ClickTrack.of(CLOCK.startingAt(-0.9), 1.05, RATE);
        assertThat(early.count()).isEqualTo(2);
        assertThat(ClickTrack.of(CLOCK, 0, RATE).count()).isZero();
    }
}
