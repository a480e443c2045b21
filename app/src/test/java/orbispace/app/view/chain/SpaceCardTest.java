package orbispace.app.view.chain;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import orbispace.app.Knobs;
import orbispace.app.Songs;
import orbispace.app.desk.Desk;
import orbispace.app.desk.UiLoop;
import orbispace.app.session.RecentProjects;
import orbispace.app.song.NewSong;
import orbispace.app.song.SpaceKinds;
import orbispace.core.design.EchoKnob;
import orbispace.core.design.Edit;
import orbispace.core.design.Knob;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Space;
import orbispace.core.design.SplitPair;
import orbispace.core.design.TailKnob;
import orbispace.core.design.Width;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

class SpaceCardTest {
    @TempDir Path folder;

    private final Desk desk = new Desk(new UiLoop(), RecentProjects.inMemory(), Songs.facts());

    @BeforeEach
    void open() throws IOException {
        Songs.write(folder);
        desk.frame()
                .opening()
                .begin(NewSong.fromStems(List.of(folder.resolve("lead-voice.wav")), 120));
    }

    @AfterEach
    void close() {
        desk.close();
    }

    private Return ret() {
        return desk.frame().design().get().requireReturn("A");
    }

    private void become(SpaceKinds kind) {
        desk.orbit().field().become(ret(), kind);
    }

    private String reading(String name) {
        return Knobs.reading(desk.frame().design().get(), ret(), name);
    }

    private boolean type(String name, String text) {
        var edit = Knobs.typed(desk.chain().at(), ret(), name, text);
        edit.ifPresent(desk.frame()::edit);
        return edit.isPresent();
    }

    @ParameterizedTest
    @EnumSource(SpaceKinds.class)
    void everyNumberOnACardIsReadTypedAndStepped(SpaceKinds kind) {
        become(kind);
        for (SpaceCard card : SpaceCard.of(ret().space())) {
            for (Knob knob : card.numbers()) {
                String name = knob.title();
                String before = reading(name);
                assertThat(before).as(name).isNotEqualTo("nothing");
                Return was = ret();
                Edit up =
                        Knobs.stepped(desk.chain().at(), was, name, 1)
                                .or(() -> Knobs.stepped(desk.chain().at(), was, name, -1))
                                .orElseThrow();
                assertThat(desk.frame().edit(up)).as(name).isTrue();
                Edit down = Knobs.stepped(desk.chain().at(), ret(), name, -1).orElseThrow();
                desk.frame().edit(down);
                assertThat(knob.accepted()).isNotBlank();
                assertThat(type(name, "nonsense")).as(name).isFalse();
            }
        }
    }

    @ParameterizedTest
    @CsvSource({
        "ROOM, size, 1.4, \u00d71.40",
        "GATED, gated: length, 1/8, 1/8 250 ms",
        "GATED, gated: fall, 30, 30 ms",
        "GATED, gated: bright, 7k, 7.0 kHz",
        "STEREO_ECHO, right time, 230 ms, 230 ms",
        "ECHO, loop: high-pass, 200, 200 Hz",
        "ECHO, loop: low-pass, 4k, 4.0 kHz",
        "ECHO, loop: bend, 30, 30 %",
        "ECHO, loop: wow, 1.5, 1.5 ms",
        "ECHO, new time: glide, 200, 200 ms",
        "COPIES, copy 1: later, 11, 11.0 ms",
        "COPIES, copy 2: cents, 12, 12",
        "COPIES, copy 2: side, 60, 60 %",
        "COPIES, copies: no lows under, 250, 250 Hz",
        "SPLIT, pair: left, 0.8, 0.80 s",
        "SPLIT, pair: right, 2 s, 2.00 s",
        "SPLIT, pair: sides, 50, 50 %",
        "PARALLEL, press: over, -24, \u221224 dB",
        "PARALLEL, press: ratio, 6, 6.0 :1",
        "PARALLEL, press: attack, 20, 20.0 ms",
        "PARALLEL, press: release, 200, 200 ms",
        "PARALLEL, press: make-up, 3, 3.0 dB",
        "HALL, drive, 9, 9 dB",
        "HALL, width, 130, 130 %",
        "HALL, mono below, 120, 120 Hz"
    })
    void whatIsTypedIsReadBack(SpaceKinds kind, String name, String text, String read) {
        become(kind);
        assertThat(type(name, text)).isTrue();
        assertThat(reading(name)).isEqualTo(read);
        desk.frame().editor().undo();
        assertThat(reading(name)).isNotEqualTo(read);
    }

    @ParameterizedTest
    @CsvSource({
        "GATED, gated: fall, 9000",
        "ECHO, loop: bend, 300",
        "COPIES, copy 1: later, 2",
        "PARALLEL, press: ratio, 0",
        "HALL, drive, 90",
        "HALL, width, 900",
        "ROOM, size, 9"
    })
    void valuesOutOfRangeAreRefusedInWordsAndNothingChanges(
            SpaceKinds kind, String name, String text) {
        become(kind);
        Return before = ret();
        try {
            type(name, text);
        } catch (IllegalArgumentException refused) {
            assertThat(refused).hasMessageContaining("outside");
        }
        assertThat(ret()).isEqualTo(before);
    }

    @Test
    void driveAndWidthGoOutAtTheEndsOfTheirRange() {
        type("drive", "6");
        assertThat(Objects.requireNonNull(ret().chain().drive()).driveDb()).isEqualTo(6);
        type("drive", "0");
        assertThat(ret().chain().drive()).isNull();
        type("mono below", "10");
        assertThat(ret().chain().width()).isEqualTo(Width.PLAIN);
    }

    @Test
    void aGateHasNumbersOnlyWhileItIsThere() {
        assertThat(type("gate: opens at", "-30")).isFalse();
        desk.orbit().field().gateReturn(ret());
        assertThat(reading("gate: length")).isEqualTo("while it sounds");
        assertThat(type("gate: opens at", "-30")).isTrue();
        assertThat(type("gate: hysteresis", "6")).isTrue();
        assertThat(type("gate: attack", "3")).isTrue();
        assertThat(type("gate: release", "40")).isTrue();
        assertThat(type("gate: length", "1/4")).isTrue();
        var gate = Objects.requireNonNull(ret().gate());
        assertThat(gate.thresholdDb()).isEqualTo(-30);
        assertThat(gate.hysteresisDb()).isEqualTo(6);
        assertThat(gate.attackMillis()).isEqualTo(3);
        assertThat(gate.releaseMillis()).isEqualTo(40);
        assertThat(reading("gate: length")).isEqualTo("1/4 500 ms");
    }

    @Test
    void aHandSetsValuesAndTimes() {
        become(SpaceKinds.GATED);
        MusicalTime eighth = MusicalTime.parse("1/8").orElseThrow();
        desk.frame()
                .edit(TailKnob.GATED_LENGTH.timed(desk.chain().at(), ret(), eighth).orElseThrow());
        assertThat(reading("gated: length")).isEqualTo("1/8 250 ms");
        assertThat(TailKnob.GATED_LENGTH.valued(desk.chain().at(), ret(), 3)).isEmpty();
        become(SpaceKinds.PLATE);
        desk.frame().edit(TailKnob.DECAY.valued(desk.chain().at(), ret(), 99).orElseThrow());
        assertThat(reading("decay")).isEqualTo("20.00 s");
        assertThat(EchoKnob.ECHO_TIME.timed(desk.chain().at(), ret(), eighth)).isEmpty();
    }

    @Test
    void anotherKindKeepsWhatItCan() {
        desk.frame().edit(new ReturnEdit.Decay("A", 2.7));
        become(SpaceKinds.PLATE);
        assertThat(((Space.Reverb) ret().space()).decaySeconds()).isEqualTo(2.7);
        become(SpaceKinds.SPLIT);
        assertThat(((SplitPair) ret().space()).left().decaySeconds()).isEqualTo(2.7);
        become(SpaceKinds.PING_PONG);
        type("echo time", "333 ms");
        type("feedback", "20");
        become(SpaceKinds.ECHO);
        Space.Echo echo = (Space.Echo) ret().space();
        assertThat(echo.feedback()).isCloseTo(0.2, within(1e-9));
        assertThat(echo.time()).isEqualTo(new MusicalTime.Millis(333));
        become(SpaceKinds.GATED_RISING);
        type("gated: length", "1/8.");
        become(SpaceKinds.GATED_FALLING);
        assertThat(reading("gated: length")).isEqualTo("1/8. 375 ms");
    }

    @Test
    void aReturnThatIsCalledByItsKindIsCalledByTheNext() {
        desk.frame().edit(new ReturnEdit.Named("A", "Lantern hall"));
        become(SpaceKinds.COPIES);
        assertThat(ret().name()).isEqualTo("Lantern hall");
        desk.frame().edit(new ReturnEdit.Named("A", SpaceKinds.COPIES.label()));
        become(SpaceKinds.SPLIT);
        assertThat(ret().name()).isEqualTo(SpaceKinds.SPLIT.label());
        desk.frame().editor().undo();
        assertThat(ret().name()).isEqualTo(SpaceKinds.COPIES.label());
        assertThat(ret().space()).isInstanceOf(Space.Copies.class);
    }

    @Test
    void feedsAreOfferedOnlyWhereTheyMakeNoCircle() {
        desk.orbit().field().add(SpaceKinds.PLATE);
        desk.frame().edit(new ReturnEdit.Feed("A", "C", -9.0));
        Return plate = desk.frame().design().get().requireReturn("C");
        assertThat(desk.orbit().field().possibleFeeds(plate).stream().map(Return::id).toList())
                .containsExactly("B");
        assertThat(ret().feeds()).isEqualTo(Map.of("C", -9.0));
        desk.orbit().field().remove(plate);
        assertThat(ret().feeds()).isEqualTo(Map.of());
    }
}
