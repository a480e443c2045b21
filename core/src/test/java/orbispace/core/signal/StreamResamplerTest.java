package orbispace.core.signal;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.SplittableRandom;
import orbispace.core.Signals;
import orbispace.core.audio.Audio;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Blocks of any length make what the whole sound makes. */
class StreamResamplerTest {
    @ParameterizedTest
    @CsvSource({"44100, 48000", "48000, 44100", "96000, 44100", "22050, 192000", "48000, 47999"})
    void blocksMakeWhatTheWholeMakes(double from, double to) {
        float[] l = Signals.noise(0.1, 50, 0.4 * Math.min(from, to), 0.7, from, 1);
        float[] r = Signals.sine(440, 0.3, 0.7, from);
        Audio whole = Resampler.convert(Audio.of(from, l, r), to);
        SplittableRandom random = new SplittableRandom(3);
        int most = 600;
        StreamResampler stream = new StreamResampler(from, to, most);
        float[][] in = new float[2][most];
        float[][] out = new float[2][stream.mostOut()];
        int made = 0;
        for (int at = 0; at < l.length; ) {
            int n = Math.min(l.length - at, random.nextInt(most + 1));
            System.arraycopy(l, at, in[0], 0, n);
            System.arraycopy(r, at, in[1], 0, n);
            int given = stream.process(in[0], in[1], n, out[0], out[1]);
            for (int i = 0; i < given; i++) {
                assertThat(out[0][i]).isEqualTo(whole.channel(0)[made + i]);
                assertThat(out[1][i]).isEqualTo(whole.channel(1)[made + i]);
            }
            made += given;
            at += n;
        }
        double late = (whole.frames() - made) / to;
        assertThat(late).isBetween(0.0, 0.012);
    }
}
