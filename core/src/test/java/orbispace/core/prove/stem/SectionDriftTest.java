package orbispace.core.prove.stem;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import orbispace.core.design.Section;
import orbispace.core.design.Song;
import orbispace.core.material.Hits;
import orbispace.core.time.SongClock;
import org.junit.jupiter.api.Test;

class SectionDriftTest {
    private final Song song =
            new Song(
                    "Tide",
                    48000,
                    SongClock.constant(100, 4, 4),
                    List.of(
                            new Section("One", 1, 8),
                            new Section("Two", 9, 8),
                            new Section("Three", 17, 8)));

    /** A stroke on each step of the grid, as late as its section is, with some play. */
    private Hits played(double stepQuarters, double playMillis, double... lateMillis) {
        SplittableRandom random = new SplittableRandom(3);
        List<Hits.Hit> hits = new ArrayList<>();
        for (int i = 0; i * stepQuarters < 96; i++) {
            double beat = i * stepQuarters;
            double late = lateMillis[(int) (beat / 32)] + playMillis * random.nextGaussian();
            hits.add(new Hits.Hit(song.clock().secondsAt(beat) + late / 1000, -10, -20));
        }
        return new Hits(hits, List.of());
    }

    @Test
    void theSectionThatIsLateIsTold() {
        List<SectionDrift> all = SectionDrift.of(song, played(0.5, 4, 3, 24, 3));
        assertThat(all).hasSize(3);
        assertThat(all.get(1).medianMillis()).isCloseTo(24, within(2.0));
        assertThat(all.get(1).spreadMillis()).isCloseTo(4 * 1.35, within(2.0));
        SectionDrift far = SectionDrift.farthest(all).orElseThrow();
        assertThat(far.section().name()).isEqualTo("Two");
        assertThat(far.against(all)).isCloseTo(21, within(2.0));
        assertThat(all.stream().mapToInt(SectionDrift::strokes).sum()).isBetween(190, 192);
    }

    @Test
    void tripletsAreHeldAgainstTriplets() {
        List<SectionDrift> all = SectionDrift.of(song, played(1 / 3.0, 3, -8, -8, -8));
        assertThat(all).hasSize(3);
        assertThat(all.getFirst().medianMillis()).isCloseTo(-8, within(1.5));
    }

    @Test
    void whatFollowsNoGridOrHasFewStrokesIsNotTold() {
        assertThat(SectionDrift.of(song, played(0.37, 0, 0, 0, 0))).isEmpty();
        assertThat(SectionDrift.of(song, played(16, 0, 0, 0, 0))).isEmpty();
    }
}
