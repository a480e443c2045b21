package orbispace.app.view.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import javafx.scene.control.Button;
import javafx.scene.control.MenuButton;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import orbispace.app.view.WindowCase;
import orbispace.app.view.frame.Screen;
import orbispace.core.design.FieldEdit;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Return;
import orbispace.core.design.Space;
import orbispace.core.design.Throw;
import orbispace.core.design.Trail;
import orbispace.core.time.Span;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Phrases of two seconds from 0, 3 and 6 s, thrown by keys and by hand. */
class ThrowScreenTest extends WindowCase {
    @BeforeEach
    void plan() {
        robot.interact(() -> {
            desk.frame().selection().returnId().set(echo());
            window.show("Plan");
        });
        settle();
        focusCalled("words and throws");
    }

    private String echo() {
        return design().returns().stream()
                .filter(r -> r.space() instanceof Space.Echo)
                .map(Return::id)
                .findFirst()
                .orElseThrow();
    }

    private Span picked() {
        return java.util.Objects.requireNonNull(desk.plan().throwing().picking().picked().get());
    }

    private Throw thrown() {
        return design().thrown().getFirst();
    }

    private void throwFirst() {
        key(KeyCode.RIGHT);
        key(KeyCode.ENTER);
    }

    private void fireCalled(String accessible) {
        robot.interact(() -> ((Button) called(accessible)).fire());
    }

    private void fireText(String text) {
        robot.interact(() ->
                robot.lookup((javafx.scene.Node n) ->
                                n instanceof Button b && text.equals(b.getText()) && shown(n))
                        .<Button>query()
                        .fire());
    }

    @Test
    void phrasesArePickedByKeysThrownAndTakenAwayAgain() {
        key(KeyCode.RIGHT);
        assertThat(picked().startSeconds()).isCloseTo(0, within(0.05));
        key(KeyCode.RIGHT);
        assertThat(picked().startSeconds()).isCloseTo(3, within(0.05));
        assertThat(picked().endSeconds()).isCloseTo(5, within(0.05));
        key(KeyCode.ENTER);
        assertThat(design().thrown()).hasSize(1);
        assertThat(thrown().returnId()).isEqualTo(echo());
        assertThat(thrown().fromBeat()).isCloseTo(6, within(0.1));
        key(KeyCode.LEFT);
        assertThat(desk.plan().throwing().chosen()).isEmpty();
        key(KeyCode.RIGHT);
        assertThat(desk.plan().throwing().chosen()).contains(thrown());
        key(KeyCode.DELETE);
        assertThat(design().thrown()).isEmpty();
        key(KeyCode.Z, KeyCode.CONTROL);
        assertThat(design().thrown()).hasSize(1);
    }

    @Test
    void aThrowRepeatsInItsOwnWay() {
        throwFirst();
        Return parent = design().requireReturn(echo());
        focusCalled("send");
        key(KeyCode.UP);
        assertThat(thrown().levelDb()).isEqualTo(-3.5);
        focusCalled("feedback");
        key(KeyCode.UP);
        assertThat(thrown().trail().feedback())
                .isCloseTo(((Space.Echo) parent.space()).feedback() + 0.05, within(1e-9));
        focusCalled("every");
        key(KeyCode.UP);
        assertThat(thrown().trail().time()).isInstanceOf(MusicalTime.Note.class);
        fireText("Single repeat");
        assertThat(thrown().trail().feedback()).isEqualTo(0.0);
        robot.interact(() -> desk.plan().throwing().trail(t -> t.withSides(Trail.Sides.ALTERNATE)));
        assertThat(((Button) called("sides of its repeats")).getText())
                .isEqualTo("repeats alternate");
        robot.interact(() -> ((ToggleButton) called("feed the source's spaces")).fire());
        assertThat(thrown().trail().feedDb()).isEqualTo(0.0);
        focusCalled("high-pass");
        key(KeyCode.UP);
        assertThat(java.util.Objects.requireNonNull(thrown().trail().filter()).highPass())
                .isNotNull();
        robot.interact(() -> ((ToggleButton) called("shut the trail")).fire());
        assertThat(thrown().trail().untilBeat()).isCloseTo(6, within(0.1));
        assertThat(design().requireReturn(echo())).isEqualTo(parent);
        fireText("As its return");
        assertThat(thrown().trail().isPlain()).isTrue();
        assertThat(desk.frame().problem().get()).isEmpty();
    }

    @Test
    void repeatsThatRunOnAreToldMeasuredAndMended() {
        throwFirst();
        robot.interact(() -> {
            desk.plan().throwing().change(t -> t.withLevel(12));
            desk.plan().throwing().trail(t -> t.withFeedback(0.9));
        });
        until(() -> labels().contains("Runs into the next phrase"));
        until(() -> labels().stream().anyMatch(l -> l.startsWith("The next phrase keeps")));
        until(() -> labels().contains("Shut it when the phrase begins"));
        fireCalled("apply: Shut it when the phrase begins");
        assertThat(thrown().trail().untilBeat()).isNotNull();
        until(() -> !labels().contains("Runs into the next phrase"));
    }

    @Test
    void aRideIsDrawnWordByWordAndItsPointsAreStepped() {
        throwFirst();
        fireText("Ride word by word");
        assertThat(thrown().ride()).hasSizeGreaterThanOrEqualTo(2);
        focusCalled("point 1");
        key(KeyCode.DOWN);
        key(KeyCode.DOWN);
        assertThat(thrown().ride().getFirst().levelDb()).isEqualTo(-6);
        fireText("One level");
        assertThat(thrown().ride()).isEmpty();
    }

    @Test
    void anIdeaIsThrownAndALostThrowIsListedAndSentElsewhere() {
        robot.interact(() -> ((ToggleButton) called("thrown words")).fire());
        assertThat(labels()).contains("WORDS THAT COULD BE THROWN");
        robot.interact(() ->
                robot.lookup((javafx.scene.Node n) ->
                                n instanceof Button b && "Throw".equals(b.getText()) && shown(n))
                        .<Button>query()
                        .fire());
        assertThat(design().thrown()).hasSize(1);
        settle();
        String gone = echo();
        robot.interact(() -> desk.frame().edit(new FieldEdit.Remove(gone)));
        settle();
        assertThat(labels()).contains("Not heard");
        MenuButton to = (MenuButton) called("return of throw t1");
        robot.interact(() -> to.getItems().getFirst().fire());
        settle();
        assertThat(thrown().returnId()).isEqualTo("A");
        assertThat(labels()).doesNotContain("Not heard");
        fireCalled("remove throw t1");
        assertThat(design().thrown()).isEmpty();
    }

    @Test
    void wordsArePickedAndLevelsDrawnByHand() {
        var chart = called("words and throws");
        var box = chart.localToScreen(chart.getBoundsInLocal());
        double left = box.getMinX() + 16 + Screen.names(box.getWidth());
        double width = box.getWidth() - 32 - Screen.names(box.getWidth());
        double perSecond = width / desk.frame().songSeconds();
        robot.clickOn(new javafx.geometry.Point2D(left + 3.5 * perSecond, box.getMinY() + 50));
        assertThat(picked().startSeconds()).isCloseTo(3, within(0.05));
        key(KeyCode.ENTER);
        double before = thrown().levelDb();
        // The lens begins 0.8 s before the word; its level line lies in the upper half.
        double y =
                box.getMinY() + new LensProbe(desk, chart.getBoundsInLocal().getHeight()).y(before);
        double x = left + 60 + 0.9 * width / 6;
        robot.moveTo(x, y);
        robot.press(javafx.scene.input.MouseButton.PRIMARY);
        robot.moveTo(x, y + 12);
        robot.release(javafx.scene.input.MouseButton.PRIMARY);
        settle();
        assertThat(thrown().levelDb()).isLessThan(before);
    }

    /** Where the lens draws a level. */
    private record LensProbe(orbispace.app.desk.Desk desk, double height) {
        double y(double db) {
            return new ThrowLens(
                            desk.plan(),
                            new orbispace.app.draw.TimeAxis(0, 1, 0, 1),
                            ThrowChart.LENS_TOP,
                            height)
                    .y(db);
        }
    }
}
