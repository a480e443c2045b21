package orbispace.core.material.kit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.api.Assertions.withinPercentage;

import java.util.List;
import java.util.SplittableRandom;
import orbispace.core.audio.Audio;
import orbispace.core.material.Ambience;
import orbispace.core.signal.Fft;
import org.junit.jupiter.api.Test;

class RoomMicrophoneTest {
    private static final MadeKit KIT = new MadeKit(2, -14, 0, 0);
    private static final List<Audio> DRUMS = KIT.audio.subList(0, 5);

    /** All drums in a room that starts after 12 ms and falls by 60 dB in so many seconds. */
    private static Audio inRoom(double seconds) {
        int frames = DRUMS.getFirst().frames();
        int length = 2 * Integer.highestOneBit(frames + (int) (seconds * MadeKit.RATE));
        double[] x = new double[length];
        for (Audio drum : DRUMS) {
            float[] l = new float[frames];
            drum.read(0, frames, l, new float[frames]);
            for (int i = 0; i < frames; i++) {
                x[i] += l[i];
            }
        }
        SplittableRandom random = new SplittableRandom(8);
        double[] h = new double[length];
        for (int i = 0; i < 1.3 * seconds * MadeKit.RATE; i++) {
            double fall = Math.exp(-6.908 * i / (seconds * MadeKit.RATE));
            h[(int) (0.012 * MadeKit.RATE) + i] = fall * (2 * random.nextDouble() - 1);
        }
        Fft fft = new Fft(length);
        fft.forward(x);
        fft.forward(h);
        double[] y = new double[length];
        for (int k = 1; k < length / 2; k++) {
            y[2 * k] = x[2 * k] * h[2 * k] - x[2 * k + 1] * h[2 * k + 1];
            y[2 * k + 1] = x[2 * k] * h[2 * k + 1] + x[2 * k + 1] * h[2 * k];
        }
        fft.inverse(y);
        float[] out = new float[frames];
        for (int i = 0; i < frames; i++) {
            out[i] = (float) (0.1 * y[i]);
        }
        return Audio.of(MadeKit.RATE, out);
    }

    @Test
    void theRoomOfAKitIsToldThoughItsStrokesNeverLetItFallSilent() {
        for (double seconds : new double[] {0.4, 0.8, 1.4}) {
            Ambience room = RoomMicrophone.look(inRoom(seconds), DRUMS).orElseThrow();
            assertThat(room.decaySeconds()).isCloseTo(seconds, withinPercentage(20));
            // What has fallen by 60 dB in so many seconds holds this much after 50 ms.
            double after = 10 * Math.log10(Math.exp(13.816 * 0.05 / seconds) - 1);
            assertThat(room.underDb()).isCloseTo(Math.max(0, after), within(1.5));
        }
    }

    @Test
    void aMicrophoneThatHearsNoRoomHasNone() {
        assertThat(RoomMicrophone.look(KIT.audio.get(5), DRUMS)).as("over the kit").isEmpty();
        assertThat(RoomMicrophone.look(KIT.audio.get(6), DRUMS)).as("far, in the dry").isEmpty();
        assertThat(RoomMicrophone.look(inRoom(0.8), List.of())).isEmpty();
        Audio silence = Audio.of(MadeKit.RATE, new float[(int) MadeKit.RATE]);
        assertThat(RoomMicrophone.look(silence, DRUMS)).isEmpty();
        assertThat(RoomMicrophone.look(KIT.audio.get(6), List.of(silence))).isEmpty();
    }
}
