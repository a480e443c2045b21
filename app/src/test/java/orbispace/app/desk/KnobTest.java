package orbispace.app.desk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import orbispace.app.Knobs;
import orbispace.app.Songs;
import orbispace.app.session.RecentProjects;
import orbispace.app.song.NewSong;
import orbispace.app.song.SpaceKinds;
import orbispace.core.design.Design;
import orbispace.core.design.Duck;
import orbispace.core.design.Edit;
import orbispace.core.design.Filter;
import orbispace.core.design.Knob;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Space;
import orbispace.core.dynamics.DuckBand;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

class KnobTest {
    @TempDir Path folder;

    private final Desk desk = new Desk(new UiLoop(), RecentProjects.inMemory(), Songs.facts());

    @BeforeEach
    void open() throws IOException {
        Songs.write(folder);
        NewSong song =
                NewSong.fromStems(
                        List.of(folder.resolve("lead-voice.wav"), folder.resolve("pad.wav")), 120);
        desk.frame().opening().begin(song);
    }

    @AfterEach
    void close() {
        desk.close();
    }

    private Return ret(String id) {
        return desk.frame().design().get().requireReturn(id);
    }

    private Return typed(String id, String name, String text) {
        Edit edit = Knobs.typed(desk.chain().at(), ret(id), name, text).orElseThrow();
        Design changed = edit.applyTo(desk.frame().design().get());
        return changed.requireReturn(id);
    }

    private static double number(Return r, String name) {
        Space.Reverb hall = r.space() instanceof Space.Reverb h ? h : Space.hall(1, 1, 1);
        Space.Echo echo =
                r.space() instanceof Space.Echo p
                        ? p
                        : Space.Echo.pingPong(new MusicalTime.Millis(1), 0, 20, 20000, 1);
        return switch (name) {
            case "decay" -> hall.decaySeconds();
            case "lows" -> hall.lowRatio();
            case "highs" -> hall.highRatio();
            case "feedback" -> echo.feedback();
            case "sides" -> echo.width();
            case "return" -> r.levelDb();
            case "high-pass" -> Objects.requireNonNull(r.filterOut().highPass()).hz();
            case "low-pass" -> Objects.requireNonNull(r.filterOut().lowPass()).hz();
            case "high-pass before" -> Objects.requireNonNull(r.filterIn().highPass()).hz();
            case "low-pass before" -> Objects.requireNonNull(r.filterIn().lowPass()).hz();
            case "depth" -> Objects.requireNonNull(r.duck()).rangeDb();
            case "hold" -> Objects.requireNonNull(r.duck()).holdMillis();
            case "release" -> Objects.requireNonNull(r.duck()).releaseMillis();
            default -> throw new IllegalArgumentException(name);
        };
    }

    @ParameterizedTest
    @CsvSource({
        "A, decay, 2.5 s, 2.5",
        "A, lows, x1.3, 1.3",
        "A, highs, 0.5, 0.5",
        "B, feedback, 40 %, 0.4",
        "B, sides, 100, 1",
        "A, return, -9.5, -9.5",
        "A, high-pass, 3.1k, 3100",
        "A, low-pass, 9k, 9000",
        "B, high-pass before, 300, 300",
        "B, low-pass before, 4k, 4000",
        "A, depth, 6, 6",
        "A, depth, -6 dB, 6",
    })
    void typedNumbersArriveWhereTheyBelong(String id, String name, String text, double expected) {
        assertThat(number(typed(id, name, text), name)).isCloseTo(expected, within(1e-9));
    }

    @ParameterizedTest
    @CsvSource({
        "A, decay, 1.85",
        "A, lows, 1.15",
        "A, highs, 0.65",
        "B, feedback, 0.31",
        "B, sides, 0.75",
        "A, return, -3.5",
        "A, high-pass, 191",
        "A, low-pass, 6887"
    })
    void oneStepUpIsSmallAndInTheRightDirection(String id, String name, double expected) {
        Edit edit = Knobs.stepped(desk.chain().at(), ret(id), name, 1).orElseThrow();
        Return up = edit.applyTo(desk.frame().design().get()).requireReturn(id);
        assertThat(number(up, name)).isCloseTo(expected, within(1e-6));
        Edit fine = Knobs.stepped(desk.chain().at(), ret(id), name, 0.1).orElseThrow();
        double fineValue =
                number(fine.applyTo(desk.frame().design().get()).requireReturn(id), name);
        assertThat(Math.abs(fineValue - number(ret(id), name)))
                .isLessThanOrEqualTo(Math.abs(expected - number(ret(id), name)));
    }

    @Test
    void predelaysTakeNoteValuesWithOffsetsAndTheBarOfTheSection() {
        desk.frame()
                .selection()
                .section()
                .set(desk.frame().design().get().song().sections().getFirst());
        Return r = typed("A", "predelay", "1/32 + 3 ms");
        assertThat(
                        1000
                                * r.predelay()
                                        .seconds(
                                                desk.frame().design().get().song().clock(),
                                                r.timedAtBar()))
                .isCloseTo(65.5, within(1e-6));
        Edit step = Knobs.stepped(desk.chain().at(), ret("A"), "predelay", -1).orElseThrow();
        Return less = step.applyTo(desk.frame().design().get()).requireReturn("A");
        assertThat(1000 * less.predelay().seconds(desk.frame().design().get().song().clock(), 1))
                .isCloseTo(30.25, within(1e-6));
        Return millis = typed("B", "echo time", "333 ms");
        assertThat(((Space.Echo) millis.space()).time()).isEqualTo(new MusicalTime.Millis(333));
    }

    @Test
    void filtersAreSwitchedOffAtTheEndsOfTheirRange() {
        assertThat(typed("A", "high-pass", "20").filterOut().highPass()).isNull();
        assertThat(typed("A", "low-pass", "20k").filterOut().lowPass()).isNull();
        assertThat(typed("A", "depth", "0").duck()).isNull();
    }

    @Test
    void aFirstDuckIsKeyedByTheLead() {
        Edit step = Knobs.stepped(desk.chain().at(), ret("A"), "depth", 1).orElseThrow();
        var duck =
                Objects.requireNonNull(
                        step.applyTo(desk.frame().design().get()).requireReturn("A").duck());
        assertThat(duck.keySource()).isEqualTo("lead-voice");
        assertThat(duck.rangeDb()).isEqualTo(0.5);
    }

    @Test
    void aDuckersBandAndThresholdAreTypedAndZeroMeansEverywhere() {
        assertThat(Knobs.typed(desk.chain().at(), ret("A"), "duck from", "310")).isEmpty();
        desk.frame().edit(new ReturnEdit.Ducking("A", new Duck("pad", 6, -40, 8, 6, 5, 100, 240)));
        Duck from = Objects.requireNonNull(typed("A", "duck from", "310").duck());
        assertThat(from.band()).isEqualTo(new DuckBand(310, 4000));
        assertThat(from.keySource()).isEqualTo("pad");
        desk.frame().edit(new ReturnEdit.Ducking("A", from));
        Duck narrow = Objects.requireNonNull(typed("A", "duck to", "250").duck());
        assertThat(narrow.band()).isEqualTo(new DuckBand(200, 250));
        Duck wide = Objects.requireNonNull(typed("A", "duck from", "9k").duck());
        assertThat(wide.band()).isEqualTo(new DuckBand(9000, 11250));
        assertThat(Objects.requireNonNull(typed("A", "duck to", "0").duck()).band()).isNull();
        assertThat(Objects.requireNonNull(typed("A", "duck over", "-33").duck()).thresholdDb())
                .isEqualTo(-33);
    }

    @Test
    void nonsenseAndForeignNamesAreNoEdits() {
        for (Map.Entry<String, String> e :
                Map.of(
                                "decay",
                                "long",
                                "predelay",
                                "1/7",
                                "high-pass",
                                "low",
                                "feedback",
                                "5 dB",
                                "shine",
                                "3")
                        .entrySet()) {
            assertThat(Knobs.typed(desk.chain().at(), ret("A"), e.getKey(), e.getValue()))
                    .as(e.getKey())
                    .isEmpty();
        }
        assertThat(Knobs.typed(desk.chain().at(), ret("B"), "lows", "1.2")).isEmpty();
        assertThat(Knobs.stepped(desk.chain().at(), ret("A"), "shine", 1)).isEmpty();
    }

    @ParameterizedTest
    @EnumSource(SpaceKinds.class)
    void whateverIsTypedIsTakenOrRefusedInWords(SpaceKinds kind) {
        Design before = desk.frame().design().get();
        Return plain = ret("A");
        Filter.Band bell = Filter.Band.dip(400, 3, 1);
        Filter filter =
                new Filter(new Filter.Corner(200, 2), new Filter.Corner(6000, 2), List.of(bell));
        Design full =
                new ReturnEdit.FilterOut("A", filter)
                        .applyTo(
                                new ReturnEdit.Spatial("A", kind.from(plain.space()), "kind")
                                        .applyTo(before));
        Return r = full.requireReturn("A");
        Knob.At at = new Knob.At(full, 1);
        for (Knob knob : Knobs.all(r)) {
            for (String text : List.of("-1000000", "-1", "0", "0.4", "3", "50", "1000000")) {
                assertThatCode(() -> knob.typed(at, r, text).ifPresent(e -> refusable(e, full)))
                        .as(knob.title() + " " + text)
                        .doesNotThrowAnyException();
            }
        }
    }

    /** An edit may refuse in words when it is applied; the editor shows them. */
    private static void refusable(Edit edit, Design design) {
        try {
            edit.applyTo(design);
        } catch (IllegalArgumentException refused) {
            assertThat(refused).hasMessageNotContaining("E-");
        }
    }

    @Test
    void aBandIsTypedSteppedAndTakenOutAndCornersAreSteeper() {
        assertThat(Knobs.typed(desk.chain().at(), ret("A"), "band 1: at", "420")).isEmpty();
        Filter.Band bell = Filter.Band.dip(400, 3, 1);
        Filter.Band shelf = new Filter.Band(Filter.Kind.HIGH_SHELF, 6000, 2, 1);
        desk.frame()
                .edit(
                        new ReturnEdit.FilterOut(
                                "A", ret("A").filterOut().withBands(List.of(bell, shelf))));
        assertThat(typed("A", "band 1: at", "420").filterOut().bands().getFirst().hz())
                .isEqualTo(420);
        assertThat(typed("A", "band 1: by", "-6 dB").filterOut().bands().getFirst().gainDb())
                .isEqualTo(-6);
        assertThat(typed("A", "band 1: wide", "2 oct").filterOut().bands().getFirst().octaves())
                .isEqualTo(2);
        assertThat(typed("A", "band 2: by", "0").filterOut().bands()).containsExactly(bell);
        // A shelf has no width.
        assertThat(Knobs.typed(desk.chain().at(), ret("A"), "band 2: wide", "2")).isEmpty();
        assertThat(Knobs.typed(desk.chain().at(), ret("A"), "band 1: at", "deep")).isEmpty();
        Filter.Corner corner = Objects.requireNonNull(ret("A").filterOut().highPass());
        Filter.Corner steep =
                Objects.requireNonNull(
                        typed("A", "high-pass slope", "24 dB/oct").filterOut().highPass());
        assertThat(steep.hz()).isEqualTo(corner.hz());
        assertThat(steep.slopeDb()).isEqualTo(24);
        assertThat(Knobs.typed(desk.chain().at(), ret("A"), "high-pass slope", "13")).isEmpty();
    }

    @Test
    void theDuckerIsSetInEveryNumber() {
        Duck duck = new Duck("lead-voice", 6, -40, 8, 6, 5, 100, 240);
        desk.frame().edit(new ReturnEdit.Ducking("A", duck));
        Duck ratio = Objects.requireNonNull(typed("A", "duck ratio", "3").duck());
        assertThat(ratio).isEqualTo(duck.withCurve(3, 6));
        Duck knee = Objects.requireNonNull(typed("A", "duck knee", "12").duck());
        assertThat(knee).isEqualTo(duck.withCurve(8, 12));
        Duck attack = Objects.requireNonNull(typed("A", "duck attack", "20 ms").duck());
        assertThat(attack).isEqualTo(duck.withAttack(20));
        assertThat(attack.attackMillis()).isEqualTo(20);
    }

    @Test
    void theGateOfASendIsReachedByItsName() {
        String source = ret("A").sends().keySet().iterator().next();
        String name = "gate of " + source + ": opens at";
        assertThat(Knobs.typed(desk.chain().at(), ret("A"), name, "-18")).isEmpty();
        desk.orbit().field().gateSend(ret("A"), source);
        var gate = Objects.requireNonNull(typed("A", name, "-18").sends().get(source)).gate();
        assertThat(Objects.requireNonNull(gate).thresholdDb()).isEqualTo(-18);
        assertThat(Knobs.titled(ret("A"), name).orElseThrow().accepted()).contains("decibels");
        var key =
                Objects.requireNonNull(
                                typed("A", "gate of " + source + ": key to", "900")
                                        .sends()
                                        .get(source))
                        .gate();
        assertThat(Objects.requireNonNull(Objects.requireNonNull(key).keyFilter().lowPass()).hz())
                .isEqualTo(900);
        assertThat(Knobs.typed(desk.chain().at(), ret("A"), "gate of nobody: hold", "20"))
                .isEmpty();
    }
}
