package orbispace.core.material;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Optional;
import java.util.SplittableRandom;
import java.util.random.RandomGenerator;
import orbispace.core.audio.Audio;
import orbispace.core.signal.Fft;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Drums that ring 0.4 s by themselves, somewhere between two channels, in rooms that are known. */
class SideRoomTest {
    private static final double RATE = 16000;
    private static final double SECONDS = 9;

    private static float[] drum(RandomGenerator random) {
        float[] x = new float[(int) (SECONDS * RATE)];
        for (double t = 0.2; t < SECONDS - 1; t += 0.6 + 0.3 * random.nextDouble()) {
            for (int i = 0; i < 0.7 * RATE; i++) {
                double fall = Math.pow(10, -3 * i / RATE / 0.4);
                x[(int) (t * RATE) + i] += (float) (0.3 * fall * random.nextGaussian());
            }
        }
        return x;
    }

    /** A room whose energy lies so far under the sound in it. */
    private static float[] room(float[] x, double decay, double underDb, RandomGenerator random) {
        int length = 2 * Integer.highestOneBit(x.length + (int) (2 * RATE));
        double[] dry = new double[length];
        double[] room = new double[length];
        double energy = 0;
        for (int i = 0; i < Math.min(2, decay) * RATE; i++) {
            room[i + 200] = random.nextGaussian() * Math.pow(10, -3 * i / RATE / decay);
            energy += room[i + 200] * room[i + 200];
        }
        for (int i = 0; i < x.length; i++) {
            dry[i] = x[i] * Math.pow(10, -underDb / 20) / Math.sqrt(energy);
        }
        Fft fft = new Fft(length);
        fft.forward(dry);
        fft.forward(room);
        for (int k = 2; k < length; k += 2) {
            double re = dry[k] * room[k] - dry[k + 1] * room[k + 1];
            dry[k + 1] = dry[k] * room[k + 1] + dry[k + 1] * room[k];
            dry[k] = re;
        }
        fft.inverse(dry);
        float[] out = new float[x.length];
        for (int i = 0; i < x.length; i++) {
            out[i] = (float) (dry[i] + 1e-5 * random.nextGaussian());
        }
        return out;
    }

    private static Audio placed(double angle, double decay, double underDb, long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        float[] x = drum(random);
        float[][] sides = new float[2][];
        for (int c = 0; c < 2; c++) {
            sides[c] = room(x, decay, underDb + 3, random);
            double gain = c == 0 ? Math.cos(angle) : Math.sin(angle);
            for (int i = 0; i < x.length; i++) {
                sides[c][i] += (float) (gain * x[i]);
            }
        }
        return Audio.of(RATE, sides);
    }

    @ParameterizedTest
    @CsvSource({"0.785, 0.4, 16", "0.785, 0.4, 6", "0, 0.8, 10", "1.2, 1.2, 16", "0.4, 2.5, 13"})
    void theRoomOfAPlacedDrumIsTheSmearedPartOfItsSide(double angle, double decay, double under) {
        Ambience room = SideRoom.look(placed(angle, decay, under, 5)).orElseThrow();
        assertThat(room.decaySeconds()).isCloseTo(decay, within(0.2 * decay));
        assertThat(room.underDb()).isCloseTo(under, within(4.0));
        assertThat(room.stops()).isBetween(8, 16);
        assertThat(room.sure()).isTrue();
        assertThat(AmbienceFinder.look(placed(angle, decay, under, 5)).found()).hasValue(room);
    }

    @Test
    void aSideThatIsTheDrumItselfIsNoRoom() {
        float[] x = drum(new SplittableRandom(7));
        float[] coloured = new float[x.length];
        double low = 0;
        for (int i = 0; i < x.length; i++) {
            low += 0.2 * (x[i] - low);
            coloured[i] = (float) (x[i] - 0.8 * low);
        }
        assertThat(SideRoom.look(Audio.of(RATE, x, coloured))).isEmpty();
        assertThat(SideRoom.look(Audio.of(RATE, x, drum(new SplittableRandom(8))))).isEmpty();
    }

    /** Its tone is in the middle and over soon; its rattle rings on and is wider. */
    @Test
    void aDrumOfWhichALastingPartIsWiderIsNoRoom() {
        SplittableRandom random = new SplittableRandom(10);
        float[] rattle = drum(random);
        float[][] sides = {rattle.clone(), rattle.clone()};
        for (int i = 0; i < rattle.length; i++) {
            int at = i;
            while (at > 0 && rattle[at - 1] != 0) {
                at--;
            }
            double t = (i - at) / RATE;
            double tone = rattle[i] == 0 ? 0 : 2 * Math.pow(10, -3 * t / 0.12);
            tone *= Math.sin(2 * Math.PI * 190 * t);
            sides[0][i] += (float) tone;
            sides[1][i] = (float) (tone - 0.3 * rattle[i]);
        }
        assertThat(SideRoom.look(Audio.of(RATE, sides))).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({"0.5, 10", "1.5, 14", "2.5, 10"})
    void theRoomOfADrumThatIsWideItselfIsToldToo(double decay, double under) {
        SplittableRandom random = new SplittableRandom(13);
        float[] x = drum(random);
        float[][] sides = {room(x, decay, under, random), room(x, decay, under, random)};
        double low = 0;
        for (int i = 0; i < x.length; i++) {
            low += 0.2 * (x[i] - low);
            sides[0][i] += (float) (x[i] + 0.7 * low);
            sides[1][i] += (float) (x[i] - 0.5 * low);
        }
        assertThat(SideRoom.look(Audio.of(RATE, sides)).orElseThrow().decaySeconds())
                .isCloseTo(decay, within(0.2 * decay));
    }

    @Test
    void withoutASideNothingIsTold() {
        SplittableRandom random = new SplittableRandom(9);
        float[] x = drum(random);
        float[] wet = room(x, 1, 6, random);
        for (int i = 0; i < x.length; i++) {
            wet[i] += x[i];
        }
        assertThat(SideRoom.look(Audio.of(RATE, wet))).isEmpty();
        assertThat(SideRoom.look(Audio.of(RATE, wet, wet.clone()))).isEmpty();
        assertThat(SideRoom.look(Audio.silence(RATE, 2, (int) (3 * RATE)))).isEmpty();
        assertThat(SideRoom.look(Audio.silence(RATE, 2, 10))).isEmpty();
    }

    @Test
    void wetStemsOfWhichPartsTellAnotherDecayAreNotSure() {
        Audio one = placed(0.785, 1.2, 10, 11);
        Audio two = placed(0.785, 2.2, 10, 12);
        float[][] both = new float[2][2 * one.frames()];
        for (int c = 0; c < 2; c++) {
            System.arraycopy(one.channel(c), 0, both[c], 0, one.frames());
            System.arraycopy(two.channel(c), 0, both[c], one.frames(), one.frames());
        }
        Optional<Ambience> room = SideRoom.look(Audio.of(RATE, both));
        assertThat(room.map(Ambience::sure)).hasValue(false);
    }
}
