package orbispace.core.design;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import orbispace.core.time.SongClock;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class DesignTest {
    private final Design two = Fields.two();

    @Test
    void refusesSendsAndKeysOfSourcesThatDoNotExist() {
        assertThatThrownBy(() ->
                        new Design(
                                Fields.song(100),
                                List.of(Fields.source("voice", Role.LEAD)),
                                List.of(Fields.hall("A", 1, Map.of("drum", -6.0)))))
                .hasMessageContaining("drum")
                .hasMessageContaining("does not exist");
        Duck duck = new Duck("ghost", 6, -40, 8, 6, 5, 100, 200);
        assertThatThrownBy(() -> two.withReturn(two.requireReturn("A").withDuck(duck)))
                .hasMessageContaining("ghost");
    }

    @Test
    void refusesTwoOfOneName() {
        Source voice = Fields.source("voice", Role.LEAD);
        assertThatThrownBy(() -> new Design(Fields.song(100), List.of(voice, voice), List.of()))
                .hasMessageContaining("two sources");
        Return a = Fields.hall("A", 1, Map.of());
        assertThatThrownBy(() -> new Design(Fields.song(100), List.of(), List.of(a, a)))
                .hasMessageContaining("two returns");
    }

    @Test
    void refusesValuesOutOfRangeWithTheRange() {
        assertThatThrownBy(() -> Space.hall(0, 1, 1)).hasMessageContaining("0.1 to 20");
        assertThatThrownBy(() -> Space.hall(Double.NaN, 1, 1)).hasMessageContaining("decay NaN");
        assertThatThrownBy(() -> Space.Echo.pingPong(new MusicalTime.Millis(1), 1, 20, 20000, 1))
                .hasMessageContaining("grow without end");
        assertThatThrownBy(() -> new Filter.Corner(1, 2)).hasMessageContaining("corner");
        assertThatThrownBy(() -> new Source("a b", "x", "x", Role.BASS, 0, 0))
                .hasMessageContaining("a b");
        assertThatThrownBy(() -> new Source("a", "x", "x", Role.BASS, 0, 2))
                .hasMessageContaining("pan");
        assertThatThrownBy(() -> new Duck("v", 61, -40, 8, 6, 5, 100, 200))
                .hasMessageContaining("range");
    }

    @Test
    void sectionsMayNotOverlap() {
        assertThatThrownBy(() ->
                        new Song(
                                "x",
                                48000,
                                SongClock.constant(90, 4, 4),
                                List.of(new Section("a", 1, 4), new Section("b", 3, 2))))
                .hasMessageContaining("\"b\"");
        assertThat(Fields.song(120).span(new Section("One", 1, 2)).endSeconds())
                .isCloseTo(4, within(1e-9));
    }

    static Stream<ReturnEdit> edits() {
        return Stream.of(
                new ReturnEdit.Decay("A", 2.5),
                new ReturnEdit.DecayRatios("A", 1.3, 0.5),
                new ReturnEdit.Predelay("A", new MusicalTime.Note(Fields.note("1/32"), 2), 3),
                new ReturnEdit.EchoTime("B", new MusicalTime.Note(Fields.note("1/8."), 0), 3),
                new ReturnEdit.Feedback("B", 0.6),
                new ReturnEdit.EchoWidth("B", 0.5),
                new ReturnEdit.FilterIn("A", new Filter(new Filter.Corner(300, 4), null)),
                new ReturnEdit.FilterOut("B", new Filter(null, new Filter.Corner(4000, 1))),
                new ReturnEdit.Ducking("A", new Duck("voice", 6, -40, 8, 6, 5, 100, 240)),
                new ReturnEdit.Level("B", -6),
                new ReturnEdit.SendLevel("B", "bed", -20.0),
                new ReturnEdit.SendLevel("A", "voice", null));
    }

    @ParameterizedTest
    @MethodSource("edits")
    void everyEditChangesOneReturnAndItsInverseTakesItBack(ReturnEdit edit) {
        Design changed = edit.applyTo(two);
        assertThat(changed).isNotEqualTo(two);
        assertThat(edit.subject()).contains(edit.returnId());
        String other = edit.returnId().equals("A") ? "B" : "A";
        assertThat(changed.requireReturn(other)).isEqualTo(two.requireReturn(other));
        assertThat(edit.inverse(two).applyTo(changed)).isEqualTo(two);
    }

    @Test
    void editsOfWhatAReturnDoesNotHaveAreRefused() {
        assertThatThrownBy(() -> new ReturnEdit.Decay("B", 1).applyTo(two))
                .hasMessageContaining("no reverb");
        assertThatThrownBy(() -> new ReturnEdit.Feedback("A", 0.1).applyTo(two))
                .hasMessageContaining("no echo");
        assertThatThrownBy(() -> new ReturnEdit.Level("Z", 0).applyTo(two))
                .hasMessageContaining("no return \"Z\"");
        assertThatThrownBy(() -> new ReturnEdit.Feedback("B", 0.96).applyTo(two))
                .hasMessageContaining("feedback");
    }

    @Test
    void musicalTimesReadWhatPeopleWrite() {
        Map<String, Double> atOneTwenty =
                Map.ofEntries(
                        Map.entry("48 ms", 48.0),
                        Map.entry("48", 48.0),
                        Map.entry("0.7s", 700.0),
                        Map.entry("0,7 s", 700.0),
                        Map.entry("1/4", 500.0),
                        Map.entry("1/8.", 375.0),
                        Map.entry("1/4t", 1000.0 / 3),
                        Map.entry("1/64 + 3 ms", 34.25),
                        Map.entry("1/64 plus 3 ms", 34.25),
                        Map.entry("1/4 - 20ms", 480.0),
                        Map.entry("1/4 minus 20 ms", 480.0),
                        Map.entry("1 bar", 2000.0));
        SongClock clock = SongClock.constant(120, 4, 4);
        atOneTwenty.forEach((text, millis) ->
                assertThat(1000 * MusicalTime.parse(text).orElseThrow().seconds(clock, 1))
                        .as(text)
                        .isCloseTo(millis, within(1e-6)));
        for (String nonsense :
                List.of("", "soon", "1/7", "-5 ms", "1/4 + soon", "99999999 s", "NaN")) {
            assertThat(MusicalTime.parse(nonsense)).as(nonsense).isEmpty();
        }
    }

    @Test
    void labelsCanBeReadAgain() {
        for (MusicalTime time :
                List.of(
                        new MusicalTime.Millis(48),
                        new MusicalTime.Millis(12.5),
                        new MusicalTime.Note(Fields.note("1/8."), 0),
                        new MusicalTime.Note(Fields.note("1/16t"), 3),
                        new MusicalTime.Note(Fields.note("1/2"), -7.5))) {
            assertThat(MusicalTime.parse(time.label())).contains(time);
        }
    }

    @Test
    void historyStepsBackAndForthAndJoinsAGesture() {
        History history = new History(two);
        Object drag = new Object();
        for (double d = 1.3; d < 2; d += 0.1) {
            history.push(
                    new ReturnEdit.Decay("A", d).applyTo(history.current()), "decay of A", drag);
        }
        Design dragged = history.current();
        history.push(new ReturnEdit.Level("B", -9).applyTo(dragged), "level of B", null);
        assertThat(history.undoLabel()).contains("level of B");
        history.undo();
        assertThat(history.current()).isEqualTo(dragged);
        history.undo();
        assertThat(history.current()).isEqualTo(two);
        assertThat(history.undoLabel()).isEmpty();
        history.undo();
        assertThat(history.current()).isEqualTo(two);
        history.redo();
        history.redo();
        history.redo();
        assertThat(history.current().requireReturn("B").levelDb()).isEqualTo(-9);
        assertThat(history.redoLabel()).isEmpty();
    }

    @Test
    void aNewStepForgetsWhatWasUndoneAndNoChangeIsNoStep() {
        History history = new History(two);
        history.push(new ReturnEdit.Level("B", -9).applyTo(two), "first", null);
        history.undo();
        history.push(new ReturnEdit.Level("B", -4).applyTo(two), "second", null);
        assertThat(history.redoLabel()).isEmpty();
        history.push(history.current(), "nothing", null);
        assertThat(history.undoLabel()).contains("second");
    }

    @Test
    void aShortenedTailKeepsTheLoudnessOfItsBeginningAndGoesBack() {
        Design before = Fields.two();
        ReturnEdit.Shorten edit = ReturnEdit.Shorten.of(before.requireReturn("A"), 0.6);
        Design after = edit.applyTo(before);
        double was = before.requireReturn("A").levelDb();
        // Half the decay at the same energy would begin 3 dB louder.
        assertThat(after.requireReturn("A").levelDb())
                .isCloseTo(was - 10 * Math.log10(2), org.assertj.core.api.Assertions.within(1e-9));
        assertThat(edit.inverse(before).applyTo(after)).isEqualTo(before);
        assertThat(edit.subject()).isEqualTo("decay of A");
    }

    @Test
    void aDipHasTheQualityOfItsWidth() {
        Filter.Band dip = Filter.Band.dip(1000, 6, 1);
        assertThat(dip.q()).isCloseTo(1.414, org.assertj.core.api.Assertions.within(0.001));
        Filter filter = Filter.OPEN.withBell(dip);
        assertThat(filter.withHighPass(new Filter.Corner(100, 2)).bands()).containsExactly(dip);
        assertThat(filter.withBand(0, null)).isEqualTo(Filter.OPEN);
        Filter.Band deeper = Filter.Band.dip(1100, 9, 1);
        assertThat(filter.withBell(deeper).bands()).containsExactly(deeper);
        Filter both = filter.withBell(Filter.Band.dip(3000, 2, 1));
        assertThat(both.bands()).hasSize(2);
        assertThat(both.hasRoomFor(300)).isFalse();
        assertThat(both.hasRoomFor(3100)).isTrue();
        org.assertj.core.api.Assertions.assertThatThrownBy(
                        () -> both.withBell(Filter.Band.dip(300, 2, 1)))
                .hasMessageContaining("number of bands");
        org.assertj.core.api.Assertions.assertThatThrownBy(() -> Filter.Band.dip(1000, 60, 1))
                .hasMessageContaining("band gain");
    }

    @Test
    void aGateIsChangedInOneThingOnly() {
        Gate gate = new Gate("drum", Filter.OPEN, -20, 4, 120, 1, 40, 20, null);
        Filter key = new Filter(new Filter.Corner(200, 2), null);
        assertThat(gate.withKeyFilter(key).keyFilter()).isEqualTo(key);
        assertThat(gate.withKeyFilter(key).withKeyFilter(Filter.OPEN)).isEqualTo(gate);
        assertThat(gate.withRange(30).rangeDb()).isEqualTo(30);
        assertThat(gate.withRange(30).withRange(120)).isEqualTo(gate);
    }
}
