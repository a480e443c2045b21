package orbispace.core.material;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import orbispace.core.audio.Audio;
import org.junit.jupiter.api.Test;

class LineUpSearchTest {
    private static final int FRAMES = 20 * 48000;

    /** Bursts of noise that sound for a part of the song. */
    private static float[] part(long seed, double from, double to) {
        SplittableRandom random = new SplittableRandom(seed);
        float[] x = new float[FRAMES];
        for (int i = (int) (from * FRAMES); i < to * FRAMES; i++) {
            x[i] = (float) (0.1 * random.nextGaussian() * (0.2 + i / 9000 % 3));
        }
        return x;
    }

    private static float[] copy(float[] x, int later, double gain, float[] other, double bleed) {
        float[] y = new float[x.length];
        for (int i = 0; i < y.length; i++) {
            int from = i - later;
            y[i] = (float) (bleed * other[i]);
            y[i] += from >= 0 && from < x.length ? (float) (gain * x[from]) : 0;
        }
        return y;
    }

    private static Audio audio(float[] x) {
        return Audio.of(48000, x);
    }

    @Test
    void onlyStemsThatShareSoundAreNamedAndHowTheyLie() {
        float[] voice = part(1, 0.1, 0.5);
        float[] drum = part(2, 0, 1);
        float[] shaker = part(3, 0.6, 0.9);
        List<Audio> stems = new ArrayList<>();
        stems.add(audio(voice));
        stems.add(audio(part(4, 0, 1)));
        stems.add(audio(copy(voice, 1234, 0.7, part(5, 0, 1), 0.02)));
        // The shaker bleeds into the drum, faintly, late and upside down.
        stems.add(audio(copy(shaker, 154, -0.15, drum, 1)));
        stems.add(audio(shaker));
        stems.add(Audio.silence(48000, 1, FRAMES));
        List<LineUpSearch.Pair> found = LineUpSearch.pairs(stems, () -> false);
        assertThat(found).hasSize(2);
        LineUpSearch.Pair copies = found.getFirst();
        assertThat(List.of(copies.first(), copies.second())).containsExactly(0, 2);
        assertThat(copies.lineUp().delaySamples()).isEqualTo(1234);
        assertThat(copies.lineUp().inverted()).isFalse();
        assertThat(copies.lineUp().sharedShare()).isCloseTo(0.97, within(0.03));
        LineUpSearch.Pair bleed = found.getLast();
        assertThat(List.of(bleed.first(), bleed.second())).containsExactly(3, 4);
        assertThat(bleed.lineUp().delaySamples()).isEqualTo(-154);
        assertThat(bleed.lineUp().inverted()).isTrue();
        assertThat(bleed.lineUp().sharedShare()).isLessThan(0.1);
    }

    @Test
    void aSearchThatIsStoppedFindsNothingMore() {
        float[] voice = part(1, 0, 1);
        assertThat(LineUpSearch.pairs(List.of(audio(voice), audio(voice)), () -> true)).isEmpty();
        assertThat(LineUpSearch.pairs(List.of(), () -> false)).isEmpty();
    }
}
