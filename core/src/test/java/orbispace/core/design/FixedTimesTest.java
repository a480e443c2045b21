package orbispace.core.design;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import orbispace.core.time.MetreMap;
import orbispace.core.time.SongClock;
import orbispace.core.time.TempoMap;
import org.junit.jupiter.api.Test;

class FixedTimesTest {
    /** Two bars at 84, then 88. */
    private static final Song SONG =
            new Song(
                    "Two tempi",
                    48000,
                    new SongClock(
                            TempoMap.of(
                                    List.of(
                                            TempoMap.Change.step(0, 84),
                                            TempoMap.Change.step(8, 88))),
                            MetreMap.constant(4, 4)),
                    List.of(new Section("Verse", 1, 2), new Section("Chorus", 3, 2)));

    private static final Return ECHO = Fields.echo("A", "1/4.", 0.3, Map.of("voice", -8.0));

    @Test
    void aFixedEchoIsOffItsNoteWhereTheTempoIsAnother() {
        List<FixedTimes.Deviation> errors = FixedTimes.of(SONG, ECHO);
        assertThat(errors).hasSize(2);
        assertThat(errors.getFirst().millis()).isZero();
        FixedTimes.Deviation chorus = errors.getLast();
        assertThat(chorus.setMillis()).isCloseTo(90_000 / 84.0, within(1e-6));
        assertThat(chorus.noteMillis()).isCloseTo(90_000 / 88.0, within(1e-6));
        assertThat(chorus.sixteenths())
                .isCloseTo((90_000 / 84.0 - 90_000 / 88.0) / (15_000 / 88.0), within(1e-6));
    }

    @Test
    void oneThatFollowsTheSectionsIsNeverOff() {
        Return following = ECHO.withTiming(new Return.Timing(1, true));
        assertThat(FixedTimes.of(SONG, following)).allMatch(e -> e.millis() == 0);
        assertThat(FixedTimes.of(SONG, following))
                .extracting(FixedTimes.Deviation::setMillis)
                .containsExactly(90_000 / 84.0, 90_000 / 88.0);
    }

    @Test
    void plainMillisecondsHaveNoNoteToBeOff() {
        Return plain = Fields.hall("A", 1, Map.of("voice", -8.0));
        assertThat(FixedTimes.of(SONG, plain)).isEmpty();
    }

    @Test
    void everyNoteValueOfAReturnIsLookedAt() {
        Gate gate =
                new Gate(
                        "voice",
                        Filter.OPEN,
                        -20,
                        4,
                        120,
                        1,
                        40,
                        20,
                        new MusicalTime.Note(Fields.note("1/4"), 0));
        Return r =
                ECHO.withPredelay(new MusicalTime.Note(Fields.note("1/64"), 0))
                        .withChain(
                                ECHO.chain()
                                        .withGate(gate)
                                        .withPredelay(
                                                new MusicalTime.Note(Fields.note("1/64"), 0)));
        assertThat(FixedTimes.notes(r).keySet())
                .containsExactly("predelay", "echo time", "length of the gate");
    }
}
