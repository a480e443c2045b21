package orbispace.core.audio;

import static org.assertj.core.api.Assertions.assertThat;

import orbispace.core.Elsewhere;
import orbispace.core.design.Placement;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class StoredSoundTest {
    private final Audio held = Audio.of(48000, ramp(0), ramp(1000));
    private final Audio stored = Elsewhere.stored(held);

    private static float[] ramp(int from) {
        float[] x = new float[100];
        for (int i = 0; i < x.length; i++) {
            x[i] = from + i;
        }
        return x;
    }

    @ParameterizedTest
    @CsvSource({"-5, 20", "0, 100", "90, 20", "40, 10", "150, 8", "-30, 8"})
    void stretchesAreReadAsOfASoundInMemory(int start, int count) {
        float[][] a = new float[2][count];
        float[][] b = new float[2][count];
        held.read(start, count, a[0], a[1]);
        stored.read(start, count, b[0], b[1]);
        assertThat(b).isDeepEqualTo(a);
        assertThat(b[0][0]).isEqualTo(start < 0 || start >= 100 ? 0f : start);
    }

    @Test
    void aMonoSoundGoesIntoBoth() {
        float[][] both = new float[2][5];
        Elsewhere.stored(Audio.of(48000, ramp(7))).read(0, 5, both[0], both[1]);
        assertThat(both[1]).containsExactly(7, 8, 9, 10, 11);
    }

    @Test
    void aSliceStaysWhereItLies() {
        Elsewhere lies = new Elsewhere(held);
        Audio slice = Audio.stored(48000, lies).slice(20, 30).slice(5, 99);
        assertThat(lies.readings).isZero();
        assertThat(slice.frames()).isEqualTo(5);
        assertThat(slice.bytes()).isZero();
        assertThat(slice.channel(1)).containsExactly(1025, 1026, 1027, 1028, 1029);
    }

    @ParameterizedTest
    @CsvSource({"7, false, 0, 0", "-7, true, 0.5, 0", "30, true, 0, 50", "-120, false, 0, 0"})
    void aPlacementLaysItAsOneInMemory(int shift, boolean turned, double offset, int keep) {
        Placement placement = new Placement(shift, turned, offset, keep);
        Audio a = placement.of(held);
        Audio b = placement.of(stored);
        assertThat(b.frames()).isEqualTo(a.frames());
        assertThat(b.channel(0)).containsExactly(a.channel(0));
        assertThat(b.channel(1)).containsExactly(a.channel(1));
        float[][] end = new float[2][6];
        b.read(b.frames() - 4, 6, end[0], end[1]);
        assertThat(end[0][4]).isZero();
        assertThat(end[0][3]).isEqualTo(a.frames() == 0 ? 0 : a.channel(0)[a.frames() - 1]);
    }

    @Test
    void whatWasUsedLastIsKeptUpToANumberOfBytes() {
        LoadedSound loaded = new LoadedSound(2 * 800);
        Elsewhere first = new Elsewhere(held);
        Elsewhere second = new Elsewhere(held);
        loaded.of(first);
        loaded.of(second);
        loaded.of(first);
        assertThat(first.readings).isOne();
        loaded.of(new Elsewhere(held));
        assertThat(loaded.bytes()).isEqualTo(1600);
        loaded.of(first);
        loaded.of(second);
        assertThat(first.readings).isOne();
        assertThat(second.readings).isEqualTo(2);
    }

    @Test
    void channelsThatAreTheSameAreOneArray() {
        float[][] same = new LoadedSound(4000).of(new Elsewhere(Audio.of(8000, ramp(0), ramp(0))));
        assertThat(same[0]).isSameAs(same[1]);
    }
}
