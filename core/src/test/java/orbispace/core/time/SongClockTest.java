package orbispace.core.time;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import orbispace.core.time.TempoMap.Change;
import org.junit.jupiter.api.Test;

class SongClockTest {
    private final SongClock harbour =
            new SongClock(
                    TempoMap.of(
                            List.of(
                                    Change.step(0, 84),
                                    Change.step(40, 88),
                                    Change.step(56, 76),
                                    new Change(70, 76, 88),
                                    Change.step(72, 88),
                                    new Change(96, 88, 52),
                                    Change.step(104, 52))),
                    MetreMap.constant(4, 4));

    @Test
    void barsOfASongWithChangesAndARitardandoLieWhereTheScoreSays() {
        assertThat(harbour.secondsOfBar(3)).isCloseTo(5.714, within(5e-4));
        assertThat(harbour.secondsOfBar(11)).isCloseTo(28.571, within(5e-4));
        assertThat(harbour.secondsOfBar(15)).isCloseTo(39.481, within(5e-4));
        assertThat(harbour.secondsOfBar(18)).isCloseTo(48.954, within(5e-4));
        assertThat(harbour.secondsOfBar(19)).isCloseTo(51.999, within(5e-4));
        assertThat(harbour.secondsOfBar(26)).isCloseTo(71.414, within(5e-4));
        assertThat(harbour.secondsOfBar(27)).isCloseTo(75.377, within(5e-4));
        assertThat(harbour.barAtSeconds(39.49)).isEqualTo(15);
    }

    @Test
    void dottedQuarterTakesTheTempoOfItsBar() {
        NoteValue dotted = NoteValue.parse("1/4.").orElseThrow();
        assertThat(harbour.length(dotted, 3).nominalMillis()).isCloseTo(1071.4286, within(1e-3));
        assertThat(harbour.length(dotted, 12).nominalMillis()).isCloseTo(1022.7273, within(1e-3));
        assertThat(harbour.length(dotted, 16).nominalMillis()).isCloseTo(1184.2105, within(1e-3));
    }

    @Test
    void actualLengthFollowsATempoThatChangesInsideTheNote() {
        var bar = harbour.length(NoteValue.parse("1 bar").orElseThrow(), 25);
        assertThat(bar.nominalMillis()).isCloseTo(4 * 60_000 / 88.0, within(1e-6));
        assertThat(bar.actualMillis()).isCloseTo(1000 * (71.414 - 68.363), within(1.5));
    }

    @Test
    void nearestNoteValueKeepsTheOffset() {
        var nearest = SongClock.constant(96, 4, 4).nearest(320, 1);
        assertThat(nearest.value().label()).isEqualTo("1/8");
        assertThat(nearest.offsetMillis()).isCloseTo(7.5, within(1e-9));
        assertThat(nearest.offsetPercent()).isCloseTo(2.4, within(1e-9));
    }

    @Test
    void compoundMetreChangesTheBar() {
        SongClock six = SongClock.constant(120, 6, 8);
        assertThat(six.length(NoteValue.parse("2 bars").orElseThrow(), 1).nominalMillis())
                .isEqualTo(3000);
        MetreMap changing =
                MetreMap.of(List.of(new MetreMap.Change(1, 4, 4), new MetreMap.Change(5, 3, 4)));
        assertThat(changing.beatOfBar(7)).isEqualTo(22);
        assertThat(changing.barAt(21.9)).isEqualTo(6);
    }

    @Test
    void noteValuesReadWhatPeopleWrite() {
        assertThat(NoteValue.parse("1/8 dotted").orElseThrow().label()).isEqualTo("1/8.");
        assertThat(NoteValue.parse("1/4t").orElseThrow().quarters(4))
                .isCloseTo(2.0 / 3, within(1e-12));
        assertThat(NoteValue.parse("1/5")).isEmpty();
        assertThat(NoteValue.parse("fast")).isEmpty();
        for (NoteValue value : NoteValue.all()) {
            assertThat(NoteValue.parse(value.label())).contains(value);
        }
    }
}
