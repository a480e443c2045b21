package orbispace.core.intake;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import orbispace.core.design.Role;
import orbispace.core.design.Source;
import orbispace.core.design.StemKind;
import orbispace.core.material.Hits;
import org.junit.jupiter.api.Test;

class HitClockTest {
    private static Source drum(String name) {
        return new Source(name.replace(' ', '-'), name, name + ".wav", Role.HITS, 0, 0);
    }

    /** Strokes of a source, each so long after the other. */
    private static Hits each(double seconds, int count, double db) {
        return new Hits(
                IntStream.range(0, count)
                        .mapToObj(i -> new Hits.Hit(i * seconds, db, db - 6))
                        .toList(),
                List.of());
    }

    private static Optional<String> clock(Map<Source, Hits> hits) {
        List<Source> sources =
                hits.keySet().stream().sorted(java.util.Comparator.comparing(Source::id)).toList();
        return HitClock.of(sources, s -> Optional.ofNullable(hits.get(s))).map(Source::name);
    }

    @Test
    void theBusiestDrumOfAKitIsTheClockAndNotTheLoudestNorAShaker() {
        Hits toms = each(9.4, 4, -1);
        Hits snare = each(0.6, 60, -8);
        Hits shaker = each(0.15, 400, -4);
        assertThat(clock(Map.of(drum("tom"), toms, drum("snare"), snare, drum("shaker"), shaker)))
                .contains("snare");
        assertThat(clock(Map.of(drum("shaker"), shaker, drum("clap"), each(1.2, 30, -3))))
                .as("without a kit whatever strikes")
                .contains("shaker");
        assertThat(clock(Map.of(drum("tom"), toms, drum("hat"), each(0.3, 200, -25))))
                .as("what is 20 dB softer sets no clock")
                .contains("tom");
        assertThat(clock(Map.of(drum("tom"), toms, drum("hat").withGain(10), each(0.3, 200, -25))))
                .as("in the mix")
                .contains("hat");
        assertThat(clock(Map.of(drum("room kit").withKind(StemKind.ROOM), snare))).isEmpty();
        assertThat(clock(Map.of(drum("snare"), each(1, 1, 0)))).isEmpty();
    }
}
