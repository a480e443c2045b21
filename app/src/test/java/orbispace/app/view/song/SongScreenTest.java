package orbispace.app.view.song;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Objects;
import java.util.Set;
import javafx.scene.Node;
import javafx.scene.input.KeyCode;
import orbispace.app.draw.TimeWindow;
import orbispace.app.song.FormItem;
import orbispace.app.view.WindowCase;
import orbispace.core.design.Groups;
import orbispace.core.design.Role;
import orbispace.core.design.Section;
import orbispace.core.design.SectionKind;
import orbispace.core.design.Source;
import orbispace.core.design.SourceCell;
import orbispace.core.design.Tone;
import orbispace.core.time.Span;
import org.junit.jupiter.api.Test;

class SongScreenTest extends WindowCase {
    private Section section(int index) {
        return design().song().sections().get(index);
    }

    private void ruler() {
        key(KeyCode.DIGIT1);
        focusCalled("tempo and sections");
    }

    @Test
    void theKeyboardMovesEdgesAndTempiSplitsAndJoins() {
        ruler();
        int before = design().song().sections().size();
        robot.interact(() -> desk.frame().selection().section().set(section(0)));
        robot.interact(() -> desk.frame().transport().seek(4.1));
        key(KeyCode.X);
        assertThat(design().song().sections()).hasSize(before + 1);
        assertThat(section(1).firstBar()).isEqualTo(3);
        robot.interact(() -> desk.frame().selection().form().set(new FormItem.Edge(1)));
        key(KeyCode.RIGHT);
        assertThat(section(1).firstBar()).isEqualTo(4);
        key(KeyCode.DELETE);
        assertThat(design().song().sections()).hasSize(before);
        robot.interact(() -> desk.frame().selection().form().set(new FormItem.Tempo(0)));
        key(KeyCode.UP);
        assertThat(design().song().clock().bpmOfBar(1)).isEqualTo(121);
        key(KeyCode.DOWN, KeyCode.SHIFT);
        assertThat(design().song().clock().bpmOfBar(1)).isCloseTo(120.9, within(1e-9));
        key(KeyCode.T);
        assertThat(desk.frame().selection().form().get()).isInstanceOf(FormItem.Tempo.class);
        key(KeyCode.PAGE_UP);
        key(KeyCode.Z, KeyCode.CONTROL);
        key(KeyCode.Z, KeyCode.CONTROL);
        assertThat(design().song().clock().bpmOfBar(1)).isEqualTo(121);
    }

    @Test
    void aSectionIsRenamedAndItsKindChosen() {
        ruler();
        robot.interact(() -> desk.frame().selection().section().set(section(0)));
        key(KeyCode.F2);
        robot.write("Chorus of gulls").type(KeyCode.ENTER);
        assertThat(section(0).name()).isEqualTo("Chorus of gulls");
        press("chorus");
        robot.clickOn("solo");
        assertThat(section(0).kind()).isEqualTo(SectionKind.SOLO);
        Node tempo = called("bpm from its first bar");
        focus(tempo);
        robot.write("96").type(KeyCode.ENTER);
        assertThat(design().song().clock().bpmOfBar(1)).isEqualTo(96);
        focus(tempo);
        robot.write("9000").type(KeyCode.ENTER);
        assertThat(desk.frame().problem().get()).contains("9000");
        assertThat(design().song().clock().bpmOfBar(1)).isEqualTo(96);
    }

    @Test
    void aStemGetsItsRoleFaderPanAndName() {
        key(KeyCode.DIGIT1);
        robot.interact(() -> desk.frame().selection().sourceId().set("pad"));
        until(() -> labels().contains("PRINTED ROOM"));
        assertThat(labels()).contains("not sure");
        press("harmony bed");
        robot.clickOn("colour");
        assertThat(design().findSource("pad").orElseThrow().role()).isEqualTo(Role.COLOUR);
        focusCalled("fader");
        robot.write("-4.5").type(KeyCode.ENTER);
        focusCalled("pan");
        robot.write("-30").type(KeyCode.ENTER);
        assertThat(design().findSource("pad").orElseThrow().gainDb()).isEqualTo(-4.5);
        assertThat(design().findSource("pad").orElseThrow().pan()).isCloseTo(-0.3, within(1e-9));
        key(KeyCode.UP);
        assertThat(design().findSource("pad").orElseThrow().pan()).isCloseTo(-0.25, within(1e-9));
        focusCalled("width");
        robot.write("60").type(KeyCode.ENTER);
        press("Add a band");
        focusCalled("gain");
        robot.write("-3.5").type(KeyCode.ENTER);
        assertThat(design().findSource("pad").orElseThrow().tone())
                .isEqualTo(new Tone(0.6, List.of(new Tone.Bell(400, -3.5, 1))));
        press("Take out");
        assertThat(design().findSource("pad")).isEmpty();
        key(KeyCode.Z, KeyCode.CONTROL);
        assertThat(design().findSource("pad")).isPresent();
    }

    @Test
    void aStemMovesFromSectionToSection() {
        key(KeyCode.DIGIT1);
        robot.interact(() -> desk.frame().selection().sourceId().set("pad"));
        String name = section(0).name();
        focusCalled(name + ": fader");
        robot.write("-2.5").type(KeyCode.ENTER);
        key(KeyCode.UP);
        focusCalled(name + ": pan");
        robot.write("20").type(KeyCode.ENTER);
        focusCalled(name + ": within");
        robot.write("1.5").type(KeyCode.ENTER);
        assertThat(called(name + ": within").getAccessibleText()).contains("1.5");
        robot.write("2").type(KeyCode.ENTER);
        assertThat(section(0).plan().source("pad")).isEqualTo(new SourceCell(-2, 0.2, 1, 2));
        focusCalled(name + ": width");
        robot.write("300").type(KeyCode.ENTER);
        assertThat(desk.frame().problem().get()).contains("width");
        assertThat(section(0).plan().source("pad").widthScale()).isEqualTo(1);
        robot.interact(() -> desk.frame().selection().pick(List.of("pad", "lead-voice")));
        focusCalled(name + ": fader");
        robot.write("1").type(KeyCode.ENTER);
        assertThat(section(0).plan().source("lead-voice").faderDb()).isEqualTo(1);
        assertThat(section(0).plan().source("pad")).isEqualTo(new SourceCell(1, 0.2, 1, 2));
        for (int i = 0; i < 6; i++) {
            key(KeyCode.Z, KeyCode.CONTROL);
        }
        assertThat(section(0).plan().source("pad").isPlain()).isTrue();
    }

    @Test
    void stemsThatArePickedBecomeAGroupThatFadesLeansAndFolds() {
        key(KeyCode.DIGIT1);
        robot.interact(() -> desk.frame().selection().sourceId().set("lead-voice"));
        focusCalled("stems over time");
        key(KeyCode.DOWN, KeyCode.SHIFT);
        assertThat(desk.frame().selection().picked().get()).hasSize(2).contains("lead-voice");
        Set<String> picked = desk.frame().selection().picked().get();
        focusCalled("name of the group");
        robot.write("Quay").type(KeyCode.ENTER);
        Groups groups = Groups.of(design());
        assertThat(groups.members("Quay")).extracting(Source::id).hasSameElementsAs(picked);
        double before = design().findSource("lead-voice").orElseThrow().gainDb();
        focusCalled("fader");
        robot.write("-2").type(KeyCode.ENTER);
        assertThat(design().findSource("lead-voice").orElseThrow().gainDb()).isEqualTo(before - 2);
        focusCalled("lean");
        robot.write("50").type(KeyCode.ENTER);
        assertThat(Groups.of(design()).require("Quay").lean()).isEqualTo(0.5);
        focusCalled("into A");
        robot.write("-21").type(KeyCode.ENTER);
        assertThat(Groups.of(design()).sendDb("Quay", design().requireReturn("A"))).hasValue(-21);
        focusCalled("stems over time");
        key(KeyCode.ENTER);
        assertThat(desk.frame().selection().folded().get()).containsExactly("Quay");
        focusCalled("in the group");
        robot.write("Quay").type(KeyCode.ENTER);
        assertThat(desk.frame().problem().get()).contains("would hold itself");
        press("Dissolve the group");
        assertThat(Groups.of(design()).find("Quay")).isEmpty();
        assertThat(design().findSource("lead-voice").orElseThrow().gainDb()).isEqualTo(before - 2);
        key(KeyCode.Z, KeyCode.CONTROL);
        assertThat(Groups.of(design()).members("Quay")).hasSize(2);
    }

    @Test
    void keysZoomAndScrollWhatIsSeen() {
        key(KeyCode.DIGIT1);
        focusCalled("stems over time");
        key(KeyCode.EQUALS);
        Span seen = Objects.requireNonNull(desk.frame().selection().window().get());
        assertThat(seen.seconds()).isCloseTo(desk.frame().songSeconds() / 1.25, within(1e-6));
        key(KeyCode.RIGHT);
        Span later = Objects.requireNonNull(desk.frame().selection().window().get());
        assertThat(later.startSeconds()).isGreaterThan(seen.startSeconds());
        assertThat(later.endSeconds()).isLessThanOrEqualTo(desk.frame().songSeconds() + 1e-6);
        robot.interact(() -> desk.frame().transport().loopOver(new Span(2, 4)));
        key(KeyCode.Z);
        assertThat(desk.frame().selection().window().get()).isEqualTo(new Span(2, 4));
        robot.interact(() -> robot.moveTo(called("stems over time")));
        robot.scroll(1, javafx.geometry.VerticalDirection.DOWN);
        key(KeyCode.HOME);
        assertThat(desk.frame().selection().window().get()).isNull();
        key(KeyCode.C);
        assertThat(desk.frame().transport().clicking().get()).isTrue();
    }

    @Test
    void aWindowNeverLeavesTheSong() {
        TimeWindow all = TimeWindow.all(60);
        assertThat(all.isAll()).isTrue();
        TimeWindow near = all.zoomed(30, 4);
        assertThat(near).isEqualTo(new TimeWindow(22.5, 37.5, 60));
        assertThat(near.scrolled(100)).isEqualTo(new TimeWindow(45, 60, 60));
        assertThat(near.scrolled(-100)).isEqualTo(new TimeWindow(0, 15, 60));
        assertThat(near.zoomed(30, 0.1).isAll()).isTrue();
        assertThat(near.zoomed(30, 1e9).seconds()).isCloseTo(0.25, within(1e-9));
        assertThat(TimeWindow.of(new Span(50, 80), 60)).isEqualTo(new TimeWindow(30, 60, 60));
    }
}
