package orbispace.app.view;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Objects;
import java.util.Optional;
import javafx.application.Platform;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import orbispace.core.design.ChainKnob;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Targets;
import orbispace.core.hearing.WetState;
import orbispace.core.time.Span;
import org.junit.jupiter.api.Test;

/** Pointer and keys on the single screens. */
class ScreensTest extends WindowCase {
    private void clickAt(Node node, double share, double y) {
        Bounds b = node.localToScreen(node.getBoundsInLocal());
        robot.clickOn(b.getMinX() + share * b.getWidth(), b.getMinY() + y);
    }

    private Return ret(String id) {
        return design().requireReturn(id);
    }

    private String shownName() {
        return robot
                .lookup((Node n) -> n.getStyleClass().contains("title-field"))
                .<TextField>queryAll()
                .stream()
                .filter(WindowCase::shown)
                .map(TextField::getText)
                .findFirst()
                .orElse("");
    }

    @Test
    void theRibbonChoosesSectionsAndGoesThere() {
        Node strip = called("sections of the song");
        robot.interact(() -> desk.frame().selection().section().set(null));
        clickAt(strip, 0.3, 20);
        assertThat(on(() -> desk.frame().selection().section().get() != null)).isTrue();
        double length = desk.frame().songSeconds();
        assertThat(desk.frame().transport().position().get())
                .isCloseTo(0.3 * length, within(0.06 * length));
        Bounds b = strip.localToScreen(strip.getBoundsInLocal());
        clickAt(strip, 0.9, 20); // Else it would be the second and third of three clicks.
        robot.doubleClickOn(b.getMinX() + 0.3 * b.getWidth(), b.getMinY() + 20);
        assertThat(on(() -> desk.frame().selection().section().get() == null)).isTrue();
    }

    @Test
    void aDragOnTheRibbonRepeatsWholeBars() {
        Node strip = called("sections of the song");
        Bounds b = strip.localToScreen(strip.getBoundsInLocal());
        robot.drag(b.getMinX() + 0.25 * b.getWidth(), b.getMinY() + 20)
                .moveTo(b.getMinX() + 0.6 * b.getWidth(), b.getMinY() + 20)
                .drop();
        Span loop = Objects.requireNonNull(desk.frame().transport().loop().get());
        double bar = 2;
        assertThat(loop.startSeconds() % bar).isCloseTo(0, within(1e-9));
        assertThat(loop.endSeconds() % bar).isCloseTo(0, within(1e-9));
        assertThat(loop.startSeconds()).isLessThanOrEqualTo(0.25 * desk.frame().songSeconds());
        assertThat(loop.endSeconds()).isGreaterThanOrEqualTo(0.55 * desk.frame().songSeconds());
    }

    @Test
    void keysChooseAStemAndAClickOnAPhraseRepeatsIt() {
        key(KeyCode.DIGIT1);
        Node chart = called("stems over time");
        clickAt(chart, 0.15, 40);
        assertThat(shownName()).isEqualTo("Lead voice");
        assertThat(on(() -> desk.frame().transport().looping().get())).isTrue();
        Span loop = Objects.requireNonNull(desk.frame().transport().loop().get());
        assertThat(loop.startSeconds()).isCloseTo(0, within(0.05));
        assertThat(loop.endSeconds()).isCloseTo(2, within(0.05));
        key(KeyCode.DOWN);
        assertThat(shownName()).isEqualTo("Drum");
        key(KeyCode.UP);
        assertThat(shownName()).isEqualTo("Lead voice");
    }

    @Test
    void spacePlaysAndStopsAndLRepeats() {
        robot.interact(() -> desk.frame().transport().seek(1));
        key(KeyCode.SPACE);
        until(() -> desk.frame().transport().playing().get());
        until(() -> {
            desk.frame().transport().refresh();
            return desk.frame().transport().position().get() > 1.1;
        });
        key(KeyCode.SPACE);
        assertThat(on(() -> desk.frame().transport().playing().get())).isFalse();
        boolean repeated = on(() -> desk.frame().transport().looping().get());
        key(KeyCode.L);
        assertThat(on(() -> desk.frame().transport().looping().get())).isNotEqualTo(repeated);
    }

    @Test
    void aNumberOnACardIsTypedSteppedAndLeftWithEscape() {
        Node level = called("return \u2212");
        focus(level);
        robot.write("-7.5").type(KeyCode.ENTER);
        assertThat(ret("A").levelDb()).isEqualTo(-7.5);
        key(KeyCode.UP);
        assertThat(ret("A").levelDb()).isEqualTo(-7);
        key(KeyCode.DOWN, KeyCode.CONTROL);
        assertThat(ret("A").levelDb()).isEqualTo(-12);
        key(KeyCode.ENTER);
        robot.write("3");
        key(KeyCode.ESCAPE);
        assertThat(ret("A").levelDb()).isEqualTo(-12);
        assertThat(labels()).contains("\u221212.0");
    }

    @Test
    void aWrongNumberOnACardKeepsTheOldAndNamesWhatIsAccepted() {
        focusCalled("high-pass 180");
        robot.write("12 apples").type(KeyCode.ENTER);
        assertThat(labels()).anyMatch(t -> t.contains("12 apples") && t.contains("3.1k"));
        assertThat(Objects.requireNonNull(ret("A").filterOut().highPass()).hz()).isEqualTo(180);
    }

    @Test
    void aRefusedNumberSaysWhyAndNothingIsLost() {
        var before = design();
        focusCalled("decay 1.80");
        robot.write("90").type(KeyCode.ENTER);
        assertThat(design()).isEqualTo(before);
        assertThat(labels()).anyMatch(t -> t.contains("90") && t.contains("20"));
    }

    @Test
    void everySendHasAFieldOnItsCard() {
        for (int i = 0; i < 3; i++) {
            String id = design().sources().get(i).id();
            robot.interact(() -> desk.frame().edit(new ReturnEdit.SendLevel("A", id, -20.0)));
        }
        Node pad = called("Pad ");
        focus(pad);
        robot.write("-9").type(KeyCode.ENTER);
        assertThat(ret("A").sends())
                .containsEntry("pad", orbispace.core.design.Send.of(-9))
                .hasSize(3);
    }

    @Test
    void choosingTheOtherReturnShowsItsChain() {
        robot.clickOn("Echo");
        assertThat(on(() -> desk.frame().selection().returnId().get().equals("B"))).isTrue();
        assertThat(labels()).contains("ECHO", "feedback", "sides").doesNotContain("SPACE");
        focusCalled("echo time");
        double was = echoMillis();
        key(KeyCode.UP);
        assertThat(echoMillis()).isCloseTo(was + 1, within(1e-6));
    }

    private double echoMillis() {
        return ret("B").space() instanceof orbispace.core.design.Space.Echo p
                ? 1000 * p.time().seconds(design().song().clock(), ret("B").timedAtBar())
                : 0;
    }

    @Test
    void clearTellsWhenTheLeadRestsAndWhenThereIsNone() {
        key(KeyCode.DIGIT3);
        settle();
        assertThat(labels())
                .anyMatch(t -> t.startsWith("Each was rendered") || t.startsWith("Clear:"));
        robot.interact(() -> {
            desk.frame()
                    .edit(
                            ChainKnob.HIGH_PASS
                                    .typed(desk.chain().at(), ret("A"), "400")
                                    .orElseThrow());
            desk.frame().edit(new ReturnEdit.Level("A", -60));
        });
        robot.interact(() -> desk.frame().edit(new ReturnEdit.Level("B", -60)));
        settle();
        assertThat(labels()).contains("hidden");
        assertThat(labels()).anyMatch(t -> t.contains("felt was asked"));
        // Whoever wants it hidden is told that all is as asked.
        robot.interact(() ->
                desk.clear()
                        .clearing()
                        .asking()
                        .want("A", Targets.LEAD.withState(WetState.HIDDEN)));
        settle();
        assertThat(labels()).anyMatch(t -> t.startsWith("Clear: presence 100 %"));
    }

    @Test
    void unsavedChangesAreNotLeftWithoutAsking() {
        robot.interact(() -> desk.frame().edit(new ReturnEdit.Level("A", -8)));
        Optional<Boolean> stayed = answered("Stay");
        assertThat(stayed).contains(false);
        assertThat(answered("Leave without saving")).contains(true);
        assertThat(on(() -> desk.frame().editor().dirty().get())).isTrue();
        assertThat(answered("Save")).contains(true);
        assertThat(on(() -> desk.frame().editor().dirty().get())).isFalse();
        assertThat(on(() -> window.files().mayLeave())).isTrue();
    }

    private Optional<Boolean> answered(String button) {
        Boolean[] answer = new Boolean[1];
        Platform.runLater(() -> answer[0] = window.files().mayLeave());
        robot.clickOn(button);
        until(() -> answer[0] != null);
        return Optional.of(answer[0]);
    }

    @Test
    void theSongMenuUndoesByName() {
        robot.interact(() -> desk.frame().edit(new ReturnEdit.Level("A", -8)));
        robot.clickOn(called("song menu"));
        robot.clickOn((Node n) ->
                n instanceof Label l && l.getText() != null && l.getText().startsWith("Undo "));
        assertThat(ret("A").levelDb()).isNotEqualTo(-8.0);
        assertThat(on(() -> desk.frame().editor().redoLabel().get().isEmpty())).isFalse();
    }

    @Test
    void aBadProjectIsOneLineAndWhatIsOpenStays() {
        var before = design();
        robot.interact(() -> desk.frame().opening().open(folder.resolve("pad.wav")));
        until(() -> !desk.frame().problem().get().isEmpty());
        assertThat(labels()).anyMatch(t -> t.contains("pad.wav"));
        assertThat(desk.frame().problem().get()).doesNotContain("\n").doesNotContain("Exception");
        assertThat(design()).isEqualTo(before);
    }
}
