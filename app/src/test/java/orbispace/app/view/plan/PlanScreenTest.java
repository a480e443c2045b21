package orbispace.app.view.plan;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.MenuButton;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import orbispace.app.view.WindowCase;
import orbispace.core.design.Design;
import orbispace.core.design.PlanCell;
import orbispace.core.design.Section;
import orbispace.core.design.SongEdit;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

class PlanScreenTest extends WindowCase {
    @BeforeEach
    void plan() {
        robot.interact(() -> {
            desk.frame()
                    .edit(
                            new SongEdit(
                                    design().song()
                                            .withSections(
                                                    List.of(
                                                            new Section("Verse", 1, 2),
                                                            new Section("Chorus", 3, 3))),
                                    "form"));
            desk.frame().selection().returnId().set("A");
            desk.frame().selection().section().set(design().song().sections().getFirst());
            window.show("Plan");
        });
        settle();
    }

    private PlanCell cell(int section) {
        return design().song().sections().get(section).plan().cell("A");
    }

    @Test
    void aCellIsSteppedTypedMutedAndTakenBackWhileItsSectionStaysChosen() {
        focusCalled("level offset 0.0 dB");
        key(KeyCode.DOWN);
        assertThat(cell(0).levelDb()).isEqualTo(-0.5);
        assertThat(called("level offset \u22120.5 dB")).isNotNull();
        focusCalled("decay");
        key(KeyCode.UP);
        assertThat(cell(0).decayScale()).isEqualTo(1.05);
        press("Mute");
        assertThat(cell(0).muted()).isTrue();
        Section chosen = java.util.Objects.requireNonNull(desk.frame().selection().section().get());
        assertThat(design().song().sections()).contains(chosen);
        press("As elsewhere");
        assertThat(cell(0).isPlain()).isTrue();
        key(KeyCode.Z, KeyCode.CONTROL);
        assertThat(cell(0).muted()).isTrue();
        assertThat(labels()).anyMatch(l -> l.startsWith("Here: muted, decay \u00d7 1.05"));
    }

    @Test
    void arrowsChooseTheCellAndTheEdgeIsChosenByWords() {
        focusCalled("sections and returns");
        int sections = design().song().sections().size();
        key(KeyCode.RIGHT);
        assertThat(desk.frame().selection().section().get())
                .isEqualTo(design().song().sections().get(Math.min(1, sections - 1)));
        key(KeyCode.DOWN);
        assertThat(desk.frame().selection().returnId().get()).isEqualTo("B");
        key(KeyCode.UP);
        key(KeyCode.LEFT);
        assertThat(desk.frame().selection().section().get())
                .isEqualTo(design().song().sections().getFirst());
        robot.interact(
                () -> desk.plan().planning().change(c -> c.withEdge(PlanCell.Edge.CUT), "tail"));
        assertThat(((Button) called("tail of the section before")).getText()).isEqualTo("tail cut");
    }

    @Test
    void templatesAreOrdinaryPlansAndNoPlanIsTheSameAsBefore() {
        Design before = design();
        press("Open up");
        assertThat(design().song().sections()).anyMatch(s -> !s.plan().isPlain());
        assertThat(labels()).anyMatch(l -> l.startsWith("the field differs in"));
        press("No plan");
        assertThat(design()).isEqualTo(before);
        assertThat(labels()).contains("one field throughout");
    }

    @Test
    void aSectionsColumnIsCopiedToAnother() {
        robot.interact(() -> desk.plan().planning().change(c -> c.withLevel(-5), "level"));
        MenuButton copy = (MenuButton) called("copy this section's plan");
        robot.interact(() -> {
            copy.getOnShowing().handle(null);
            copy.getItems().getLast().fire();
        });
        int last = design().song().sections().size() - 1;
        assertThat(cell(last).levelDb()).isEqualTo(-5);
    }

    @Test
    void severalSectionsAreChosenByKeysAndChangedAsOneStep() {
        focusCalled("sections and returns");
        key(KeyCode.RIGHT, KeyCode.SHIFT);
        assertThat(labels()).anyMatch(l -> l.endsWith("in 2 sections"));
        key(KeyCode.MINUS);
        key(KeyCode.MINUS);
        assertThat(cell(0).levelDb()).isEqualTo(-1);
        assertThat(cell(1).levelDb()).isEqualTo(-1);
        key(KeyCode.M);
        assertThat(cell(0).muted() && cell(1).muted()).isTrue();
        key(KeyCode.Z, KeyCode.CONTROL);
        assertThat(cell(0).muted() || cell(1).muted()).isFalse();
        key(KeyCode.DELETE);
        assertThat(cell(0).isPlain() && cell(1).isPlain()).isTrue();
        key(KeyCode.LEFT);
        assertThat(desk.plan().planning().along().get()).isEmpty();
        key(KeyCode.A, KeyCode.CONTROL);
        key(KeyCode.EQUALS);
        assertThat(cell(0).levelDb()).isEqualTo(0.5);
        assertThat(cell(1).levelDb()).isEqualTo(0.5);
    }

    @Test
    void aSectionIsCopiedByKeysAndLevelsAreDrawnByHand() {
        robot.interact(() -> desk.plan().planning().change(c -> c.withLevel(-5), "level"));
        Node chart = called("sections and returns");
        focus(chart);
        key(KeyCode.C, KeyCode.CONTROL);
        key(KeyCode.RIGHT);
        key(KeyCode.V, KeyCode.CONTROL);
        assertThat(cell(1).levelDb()).isEqualTo(-5);
        var box = chart.localToScreen(chart.getBoundsInLocal());
        double x = box.getMinX() + 700;
        robot.moveTo(x, box.getMinY() + 120);
        robot.press(MouseButton.PRIMARY);
        robot.moveTo(x, box.getMinY() + 105);
        robot.release(MouseButton.PRIMARY);
        settle();
        assertThat(cell(1).levelDb()).isGreaterThan(-5);
        key(KeyCode.Z, KeyCode.CONTROL);
        assertThat(cell(1).levelDb()).isEqualTo(-5);
    }

    @Test
    void sendsDifferBySection() {
        String source = design().requireReturn("A").sends().keySet().iterator().next();
        String name = design().findSource(source).orElseThrow().name();
        robot.interact(() -> ((Button) called("send less of " + name)).fire());
        assertThat(design().song().sections().getFirst().plan().sendDb("A", source)).isEqualTo(-1);
        assertThat(labels()).anyMatch(l -> l.endsWith("(\u22121.0)"));
    }

    @Test
    void whatIsHeardInACellIsMeasured() {
        until(() -> desk.plan().planning().measured().get() != null && !desk.frame().jobs().busy());
        until(() -> labels().stream().anyMatch(l -> l.contains("Wet share")));
    }

    @Test
    void holdingIsDoneInTheBackgroundAsOneStep() {
        Design before = design();
        press("Hold");
        until(() -> !desk.frame().jobs().busy());
        settle();
        if (!design().equals(before)) {
            assertThat(design().song().sections()).anyMatch(s -> !s.plan().isPlain());
            key(KeyCode.Z, KeyCode.CONTROL);
            assertThat(design()).isEqualTo(before);
        }
        assertThat(desk.frame().problem().get()).isEmpty();
    }
}
