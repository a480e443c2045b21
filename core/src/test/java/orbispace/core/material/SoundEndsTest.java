package orbispace.core.material;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Levels that are written down, a frame for each hundredth of a second. */
class SoundEndsTest {
    private static double[] even(int until, double then) {
        double[] levels = new double[160];
        Arrays.fill(levels, 0, until, -20);
        Arrays.fill(levels, until, levels.length, then);
        return levels;
    }

    @Test
    void whatWasEvenStopsInItsLastFrame() {
        assertThat(SoundEnds.stops(even(100, -60))).containsExactly(99);
        // Five decibels are the least that it must drop.
        assertThat(SoundEnds.stops(even(100, -25.1))).containsExactly(99);
        assertThat(SoundEnds.stops(even(100, -24.9))).isEmpty();
        // Behind it must be room to see a fall.
        assertThat(SoundEnds.stops(even(141, -60))).isEmpty();
        assertThat(SoundEnds.stops(even(140, -60))).containsExactly(139);
    }

    @Test
    void whatFallsOrFlickersWasNotEven() {
        double[] falling = even(100, -80);
        double[] flickering = even(100, -60);
        for (int i = 0; i < 100; i++) {
            falling[i] = -20 - i;
            flickering[i] = -20 + (i % 2 == 0 ? 3.5 : -3.5);
        }
        assertThat(SoundEnds.stops(falling)).isEmpty();
        // Its last frame counts as well.
        double[] accented = even(100, -60);
        accented[99] = -15;
        assertThat(SoundEnds.stops(accented)).isEmpty();
        assertThat(SoundEnds.stops(flickering)).isEmpty();
    }

    @Test
    void whatSwellsDoesNotStop() {
        double[] levels = even(60, -25.5);
        Arrays.fill(levels, 90, 160, -23.9);
        assertThat(SoundEnds.stops(levels)).isEmpty();
        // It is another sound if it does not come so near.
        Arrays.fill(levels, 90, 160, -24);
        assertThat(SoundEnds.stops(levels)).containsExactly(59);
        // Nor is it a swell if it had dropped by 6 dB.
        double[] dropped = even(60, -26);
        Arrays.fill(dropped, 90, 160, -20);
        assertThat(SoundEnds.stops(dropped)).containsExactly(59);
    }

    @Test
    void strokesRiseByTenDecibelsAndAreTheHighestNearby() {
        double[] levels = even(0, -60);
        for (int at : new int[] {30, 70, 110}) {
            levels[at] = -20;
            levels[at + 1] = -21;
            levels[at + 3] = -20.5;
        }
        assertThat(SoundEnds.strokes(levels)).containsExactly(30, 70, 110);
        levels[66] = -30;
        assertThat(SoundEnds.strokes(levels)).containsExactly(30, 66, 110);
        levels[66] = -30.1;
        assertThat(SoundEnds.strokes(levels)).containsExactly(30, 66, 70, 110);
        levels[66] = -60;
        // The last needs as many frames behind it as a tail.
        assertThat(SoundEnds.strokes(Arrays.copyOf(levels, 122))).containsExactly(30, 70);
        assertThat(SoundEnds.strokes(Arrays.copyOf(levels, 123))).isEqualTo(List.of(30, 70, 110));
    }

    @Test
    void somethingNewSoundsWhereFiveFramesRiseBySixDecibels() {
        double[] levels = even(50, -60);
        assertThat(SoundEnds.nextSound(levels, 49)).isEqualTo(160);
        assertThat(SoundEnds.nextSound(levels, 10)).isEqualTo(130);
        Arrays.fill(levels, 100, 160, -30);
        // One frame of the new one lifts the mean of five by 6 dB: it is found two before.
        assertThat(SoundEnds.nextSound(levels, 49)).isEqualTo(97);
        Arrays.fill(levels, 100, 160, -54.1);
        assertThat(SoundEnds.nextSound(levels, 49)).isEqualTo(160);
    }
}
