package orbispace.core.material;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import orbispace.core.Signals;
import orbispace.core.audio.Audio;
import org.junit.jupiter.api.Test;

/** Stems made of levels that are known for each hundredth of a second, so that decays are exact. */
class AmbienceLimitsTest {
    private static final double RATE = 8000;
    private static final int FRAME = 80;
    private static final double FLOOR_DB = -110;

    /** A chord: how long and how even it stands, how far it drops, and the tail after the drop. */
    private record Chord(
            int frames, double waveDb, double dropDb, double decaySeconds, double tailSeconds) {
        static final Chord USUAL = new Chord(40, 0, 20, 1.5, 1.2);

        Chord dropping(double db) {
            return new Chord(frames, waveDb, db, decaySeconds, tailSeconds);
        }

        Chord decaying(double seconds) {
            return new Chord(frames, waveDb, dropDb, seconds, tailSeconds);
        }

        Chord ending(double seconds) {
            return new Chord(frames, waveDb, dropDb, decaySeconds, seconds);
        }

        Chord standing(int wanted, double db) {
            return new Chord(wanted, db, dropDb, decaySeconds, tailSeconds);
        }
    }

    private static Optional<Ambience> find(Chord... chords) {
        List<Double> levels = new ArrayList<>();
        for (Chord c : chords) {
            for (int i = 0; i < c.frames; i++) {
                levels.add(-12 + (i == 15 ? c.waveDb : 0));
            }
            int tail = (int) Math.round(c.tailSeconds * 100);
            for (int i = 1; i <= tail; i++) {
                levels.add(-12 - c.dropDb - 60 * 0.01 * i / c.decaySeconds);
            }
            for (int i = 0; i < 50; i++) {
                levels.add(FLOOR_DB);
            }
        }
        return AmbienceFinder.find(Signals.mono(RATE, sound(levels)));
    }

    private static float[] sound(List<Double> levels) {
        float[] x = new float[levels.size() * FRAME];
        for (int i = 0; i < x.length; i++) {
            double amplitude = Math.pow(10, levels.get(i / FRAME) / 20);
            x[i] = (float) (i % 8 < 4 ? amplitude : -amplitude);
        }
        return x;
    }

    @Test
    void decayAndLevelOfAStraightTailAreExact() {
        for (double decay : new double[] {0.5, 1.5, 4}) {
            Ambience room = find(Chord.USUAL.decaying(decay)).orElseThrow();
            assertThat(room.decaySeconds()).isCloseTo(decay, within(1e-3 * decay));
            // A mean over five frames of a falling power lies over its middle by so much.
            double perFrame = 0.6 / decay;
            double over = 0;
            for (int k = -2; k <= 2; k++) {
                over += Math.pow(10, perFrame * k / 10) / 5;
            }
            assertThat(room.underDb()).isCloseTo(20 - 10 * Math.log10(over), within(0.01));
            assertThat(room.stops()).isEqualTo(1);
        }
    }

    @Test
    void aStereoStemIsHeardByItsPower() {
        List<Double> levels = new ArrayList<>();
        for (int i = 0; i < 40; i++) {
            levels.add(-12.0);
        }
        for (int i = 1; i <= 80; i++) {
            levels.add(-32 - 0.4 * i);
        }
        float[] left = sound(levels);
        Ambience room =
                AmbienceFinder.find(Audio.of(RATE, left, new float[left.length])).orElseThrow();
        assertThat(room.decaySeconds()).isCloseTo(1.5, within(0.002));
    }

    @Test
    void aSoundStandsForAQuarterOfASecondWithinFiveDecibelsBeforeItStops() {
        assertThat(find(Chord.USUAL.standing(27, 0))).isPresent();
        assertThat(find(Chord.USUAL.standing(24, 0))).isEmpty();
        assertThat(find(Chord.USUAL.standing(30, -4.9))).isPresent();
        assertThat(find(Chord.USUAL.standing(30, -5.5))).isEmpty();
        assertThat(find(Chord.USUAL.standing(30, 5.5))).isEmpty();
    }

    @Test
    void itDropsByEightDecibelsInATenthOfASecondAndByFourAtOnce() {
        // At a decay of 1.5 s a tail falls by 4 dB in a tenth of a second.
        assertThat(find(Chord.USUAL.dropping(4.3))).isPresent();
        assertThat(find(Chord.USUAL.dropping(3.8))).isEmpty();
        // At 6 s by 1 dB only, so that the drop itself has to make up for it.
        assertThat(find(Chord.USUAL.decaying(6).dropping(7.2).ending(2))).isPresent();
        assertThat(find(Chord.USUAL.decaying(6).dropping(6.8).ending(2))).isEmpty();
    }

    @Test
    void aTailIsSeenForAFifthOfASecondAndOverSixDecibels() {
        // The first 0.12 s belong to the stop, and the last two frames are smoothed with silence.
        assertThat(find(Chord.USUAL.ending(0.34))).isPresent();
        assertThat(find(Chord.USUAL.ending(0.28))).isEmpty();
        // 6 dB within 0.8 s, the longest stretch that is looked at, are 8 s.
        assertThat(find(Chord.USUAL.decaying(7.8).ending(2))).isPresent();
        assertThat(find(Chord.USUAL.decaying(8.2).ending(2))).isEmpty();
    }

    @Test
    void aTailAsSteepAsTheStopBeforeItIsTheSoundItself() {
        // The stop takes 0.12 s to fall by the drop and by the tail's own fall.
        assertThat(find(Chord.USUAL.decaying(1).dropping(5))).isPresent();
        List<Double> levels = new ArrayList<>();
        for (int i = 0; i < 40; i++) {
            levels.add(-12.0);
        }
        for (int i = 1; i <= 60; i++) {
            levels.add(-12 - 1.0 * i);
        }
        for (int i = 0; i < 50; i++) {
            levels.add(FLOOR_DB);
        }
        assertThat(AmbienceFinder.find(Signals.mono(RATE, sound(levels)))).isEmpty();
    }

    @Test
    void mostStopsMustShowARoomAndMostOfThoseTheSameOne() {
        Chord wet = Chord.USUAL;
        Chord dry = Chord.USUAL.ending(0);
        assertThat(find(wet, dry, dry)).isPresent();
        assertThat(find(wet, dry, dry, dry)).isEmpty();
        Ambience same = find(wet, wet.decaying(1.6), wet.decaying(4)).orElseThrow();
        assertThat(same.stops()).isEqualTo(2);
        assertThat(same.decaySeconds()).isCloseTo(1.55, within(0.01));
        // 0.4 and 4 s lie on both sides of their middle, and neither agrees with it.
        assertThat(find(wet.decaying(0.4), wet.decaying(4))).isEmpty();
        assertThat(find(wet.decaying(1.2), wet.decaying(1.8))).isPresent();
    }

    @Test
    void whatIsTooSoftIsNoStop() {
        // A chord 26 dB under the loud one does not count as a stop, one 24 dB under does.
        assertThat(soft(-24)).isPresent();
        assertThat(soft(-26)).isEmpty();
    }

    /** A loud hum that goes on to the end of the stem, after a soft chord with a room. */
    private static Optional<Ambience> soft(double db) {
        List<Double> levels = new ArrayList<>();
        for (int i = 0; i < 40; i++) {
            levels.add(-12 + db);
        }
        for (int i = 1; i <= 80; i++) {
            levels.add(-12 + db - 10 - 0.4 * i);
        }
        for (int i = 0; i < 100; i++) {
            levels.add(-12.0);
        }
        return AmbienceFinder.find(Signals.mono(RATE, sound(levels)));
    }

    private static void add(List<Double> levels, int frames, double from, double perFrame) {
        for (int i = 0; i < frames; i++) {
            levels.add(from + perFrame * i);
        }
    }

    @Test
    void aTailThatBendsIsNoRoom() {
        // Over 0.7 s: 20 dB in the first fifth of a second and hardly any after it.
        for (boolean bent : new boolean[] {false, true}) {
            List<Double> levels = new ArrayList<>();
            add(levels, 40, -12, 0);
            add(levels, 20, -22, bent ? -1 : -0.3);
            add(levels, 60, bent ? -42 : -28, bent ? 0 : -0.3);
            add(levels, 50, FLOOR_DB, 0);
            assertThat(AmbienceFinder.find(Signals.mono(RATE, sound(levels))).isPresent())
                    .isEqualTo(!bent);
        }
    }

    @Test
    void aTailIsStraightWithACorrelationOfNineTenths() {
        // It falls by 0.6 dB a frame and then stands: of the 68 frames that are looked at, 33 or 40
        // that fall correlate with a line by -0.89 and -0.93.
        for (int falling : new int[] {45, 52}) {
            List<Double> levels = new ArrayList<>();
            add(levels, 40, -12, 0);
            add(levels, falling, -22, -0.6);
            add(levels, 100 - falling, -22 - 0.6 * falling, 0);
            add(levels, 50, FLOOR_DB, 0);
            assertThat(AmbienceFinder.find(Signals.mono(RATE, sound(levels))).isPresent())
                    .as("%d frames", falling)
                    .isEqualTo(falling == 52);
        }
    }

    @Test
    void aStopAfterWhichSomethingNewSoundsTellsNothing() {
        List<Double> levels = new ArrayList<>();
        for (int i = 0; i < 5; i++) {
            add(levels, 40, -12, 0);
            add(levels, 13, -40, 0);
        }
        add(levels, 40, -12, 0);
        add(levels, 120, -32, -0.4);
        add(levels, 50, FLOOR_DB, 0);
        Ambience room = AmbienceFinder.find(Signals.mono(RATE, sound(levels))).orElseThrow();
        assertThat(room.stops()).isEqualTo(1);
        assertThat(room.decaySeconds()).isCloseTo(1.5, within(0.01));
    }
}
