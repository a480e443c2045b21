package orbispace.core.material;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Optional;
import java.util.SplittableRandom;
import orbispace.core.Signals;
import orbispace.core.audio.Audio;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Printed rooms behind strokes and behind strings that are damped, of stems that are made. */
class PooledTailTest {
    private static final double RATE = 16000;

    /** Noise that falls by itself in 0.25 s and then along a room, each second. */
    private static float[] strokes(double underDb, double decay, double everySeconds) {
        SplittableRandom random = new SplittableRandom(5);
        float[] x = new float[(int) (14 * RATE)];
        double room = Math.pow(10, -underDb / 20);
        for (int i = 0; i < x.length; i++) {
            double t = i / RATE - 0.2;
            double since = t < 0 || t > 12 ? 99 : t % everySeconds;
            double own = t > 12 ? 0 : Math.pow(10, -3 * since / 0.25);
            // What is left of all strokes before adds up by power.
            double ratio = Math.pow(10, -6 * everySeconds / decay);
            double left = t < 0 ? 0 : room * Math.pow(10, -3 * since / decay);
            left = t > 12 ? room * Math.pow(10, -3 * (t - 12) / decay) : left;
            double tail = Math.sqrt(left * left / (1 - ratio));
            double level = Math.sqrt(own * own + tail * tail);
            x[i] = (float) ((0.2 * level + 1e-5) * random.nextGaussian());
        }
        return x;
    }

    private static Optional<Ambience> find(float[] x) {
        return PooledTail.look(Signals.mono(RATE, x)).found();
    }

    @ParameterizedTest
    @CsvSource({"8, 0.7", "14, 0.7", "8, 1.5", "14, 1.5", "20, 1.5", "10, 3"})
    void aRoomBehindStrokesIsFoundWithItsDecay(double underDb, double decay) {
        Ambience room = find(strokes(underDb, decay, 1)).orElseThrow();
        assertThat(room.decaySeconds()).isCloseTo(decay, within(0.15 * decay));
        assertThat(room.stops()).isGreaterThanOrEqualTo(11);
        assertThat(room.sure()).isTrue();
    }

    @Test
    void strokesWithoutARoomAreDry() {
        assertThat(find(strokes(200, 1, 1))).isEmpty();
        assertThat(find(strokes(200, 1, 0.5))).isEmpty();
        // Under 32 dB it would be the ring of the thing itself.
        assertThat(find(strokes(50, 1.5, 1))).isEmpty();
    }

    @Test
    void aRingInOneBandIsTheDrumsOwn() {
        float[] x = strokes(200, 1, 1);
        for (int i = 0; i < x.length; i++) {
            double t = i / RATE - 0.2;
            double since = t < 0 || t > 12 ? 99 : t % 1;
            x[i] +=
                    (float)
                            (0.05
                                    * Math.pow(10, -3 * since / 1.2)
                                    * Math.sin(2 * Math.PI * 900 * t));
        }
        assertThat(find(x)).isEmpty();
    }

    @Test
    void ringsThatFallDifferentlyInTwoBandsAreNoRoom() {
        for (double high : new double[] {1.2, 0.6}) {
            float[] x = strokes(200, 1, 1);
            for (int i = 0; i < x.length; i++) {
                double t = i / RATE - 0.2;
                double since = t < 0 || t > 12 ? 99 : t % 1;
                double low = Math.pow(10, -3 * since / 1.2) * Math.sin(2 * Math.PI * 600 * t);
                double top = Math.pow(10, -3 * since / high) * Math.sin(2 * Math.PI * 4000 * t);
                x[i] += (float) (0.02 * (low + top));
            }
            assertThat(find(x).isPresent()).as("%.1f s", high).isEqualTo(high == 1.2);
        }
    }

    /** Chords of a few tones that are damped in 40 ms, with a room that has the same tones. */
    private static float[] strings(double underDb, double decay, int chords) {
        SplittableRandom random = new SplittableRandom(3);
        float[] x = new float[(int) ((1 + 1.6 * chords) * RATE)];
        double room = Math.pow(10, -underDb / 20);
        for (int c = 0; c < chords; c++) {
            int from = (int) ((0.2 + 1.6 * c) * RATE);
            for (int v = 0; v < 3; v++) {
                double hz = 200 + 900 * random.nextDouble();
                double phase = 7 * random.nextDouble();
                double chance = 0.5 + random.nextDouble();
                for (int i = 0; i < 1.5 * RATE; i++) {
                    double t = i / RATE;
                    double held = t < 0.5 ? Math.pow(10, -3 * t / 3) : 0;
                    double damped = t < 0.5 ? 0 : 0.316 * Math.exp(-(t - 0.5) / 0.02);
                    double tail =
                            t < 0.5
                                    ? 0
                                    : 0.316 * chance * room * Math.pow(10, -3 * (t - 0.5) / decay);
                    x[from + i] +=
                            (float)
                                    (0.1
                                            * (held + damped + tail)
                                            * Math.sin(2 * Math.PI * hz * t + phase));
                }
            }
        }
        for (int i = 0; i < x.length; i++) {
            x[i] += (float) (1e-5 * random.nextGaussian());
        }
        return x;
    }

    @ParameterizedTest
    @ValueSource(doubles = {0.4, 0.8, 2})
    void aRoomBehindStringsIsFoundWhereTheyAreDamped(double decay) {
        for (double under : new double[] {8, 14}) {
            PrintedRoom look = look(strings(under, decay, 8));
            assertThat(look.told()).isTrue();
            Ambience room = look.found().orElseThrow();
            assertThat(room.decaySeconds()).isCloseTo(decay, within(0.15 * decay));
            assertThat(room.underDb()).isCloseTo(under, within(4.0));
        }
    }

    /** Of five chords either half has too few for a decay of its own. */
    @Test
    void aDecayBehindFewStopsIsNotSure() {
        assertThat(find(strings(8, 0.8, 5)).orElseThrow().sure()).isFalse();
        assertThat(find(strings(8, 0.8, 16)).orElseThrow().sure()).isTrue();
    }

    /** Every other stroke in a room of another length: the median has one, and no half agrees. */
    @Test
    void aDecayThatTheHalvesTellDifferentlyIsNotSure() {
        float[] x = strokes(8, 0.6, 2);
        float[] other = strokes(8, 1.4, 2);
        for (int i = (int) RATE; i < x.length; i++) {
            x[i] += other[i - (int) RATE];
        }
        assertThat(find(x).map(Ambience::sure).orElse(false)).isFalse();
    }

    @Test
    void aRoomAsLoudAsTheStringsIsTheirOwnFall() {
        assertThat(find(strings(0, 0.8, 8))).isEmpty();
        assertThat(find(strings(3, 0.8, 8))).isPresent();
    }

    @Test
    void dampedStringsWithoutARoomAndTooFewAreNothing() {
        assertThat(find(strings(200, 1, 8))).isEmpty();
        assertThat(find(strings(10, 1, 1))).isEmpty();
        assertThat(PooledTail.look(Audio.silence(RATE, 1, 16000))).isEqualTo(PrintedRoom.NOT_SURE);
        assertThat(PooledTail.look(Audio.silence(RATE, 2, 100))).isEqualTo(PrintedRoom.NOT_SURE);
    }

    @Test
    void itIsToldWhetherAStemIsDryOrNotSure() {
        // Strings that are damped within 0.14 s leave no place for a short room to hide.
        assertThat(look(strings(200, 1, 8))).isEqualTo(PrintedRoom.NONE);
        // A drum that rings for half a second itself may be one in a room of half a second.
        assertThat(look(ringing(0.5))).isEqualTo(PrintedRoom.NOT_SURE);
        assertThat(look(ringing(0.18))).isEqualTo(PrintedRoom.NONE);
        // One that never stops tells nothing.
        float[] held = new float[(int) (10 * RATE)];
        for (int i = 0; i < held.length; i++) {
            held[i] = (float) (0.1 * Math.sin(i * 0.1));
        }
        assertThat(look(held)).isEqualTo(PrintedRoom.NOT_SURE);
    }

    private static PrintedRoom look(float[] x) {
        return PooledTail.look(Signals.mono(RATE, x));
    }

    /** Strokes of noise, each second, with one straight fall. */
    private static float[] ringing(double seconds) {
        SplittableRandom random = new SplittableRandom(6);
        float[] x = new float[(int) (12 * RATE)];
        for (int i = 0; i < x.length; i++) {
            double since = (i / RATE + 0.8) % 1;
            x[i] =
                    (float)
                            ((0.2 * Math.pow(10, -3 * since / seconds) + 1e-5)
                                    * random.nextGaussian());
        }
        return x;
    }
}
