package orbispace.app.view;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import javafx.scene.control.Button;
import javafx.scene.control.MenuButton;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import orbispace.core.design.Design;
import orbispace.core.design.ReturnEdit;
import orbispace.core.prove.BlindTrial;
import orbispace.core.prove.Finding;
import orbispace.files.FileProblem;
import orbispace.files.ProjectFile;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

class ProveScreenTest extends WindowCase {
    @BeforeEach
    void prove() {
        robot.interact(() -> window.show("Prove"));
        settle();
        until(this::isProven);
    }

    private boolean isProven() {
        var known = session.proving().proven().get();
        return known != null && known.design().equals(design()) && !session.jobs().busy();
    }

    private void change() {
        robot.interact(() -> session.edit(new ReturnEdit.Level("A", 3)));
        settle();
        until(this::isProven);
    }

    @Test
    void findingsAreShownPressedAndLeaveWhenTheyAreMended() {
        List<Finding> open = session.proving().open();
        assertThat(open).isNotEmpty();
        Finding first =
                open.stream()
                        .filter(f -> f.rule().equals("hidden"))
                        .findFirst()
                        .orElse(open.getFirst());
        assertThat(labels()).anyMatch(l -> l.endsWith(first.flag()));
        assertThat(labels()).contains(first.evidence());
        Design before = design();
        String label = first.remedies().getFirst().label();
        robot.interact(() -> ((Button) called(label + ", for ")).fire());
        assertThat(design()).isNotEqualTo(before);
        until(this::isProven);
        assertThat(session.proving().open()).isNotEqualTo(open);
        key(KeyCode.Z, KeyCode.CONTROL);
        assertThat(design()).isEqualTo(before);
    }

    @Test
    void aFindingIsAcceptedWithAReasonThatIsKeptInTheFile() throws FileProblem {
        Finding first = session.proving().open().getFirst();
        robot.interact(
                () -> ((Button) called("accept " + first.rule() + " " + first.subject())).fire());
        TextField why = (TextField) called("why " + first.rule());
        robot.interact(() -> {
            why.setText("the buoy may ring on");
            why.fireEvent(new javafx.event.ActionEvent());
        });
        assertThat(session.proving().open()).doesNotContain(first);
        assertThat(labels()).anyMatch(l -> l.startsWith("Accepted:") && l.contains("ring on"));
        until(() -> kept().contains("the buoy may ring on"));
        ProjectFile file = ProjectFile.read(project);
        assertThat(file.logbook().entries().getLast().why()).isEqualTo("the buoy may ring on");
        assertThat(file.design()).isEqualTo(design());
    }

    private String kept() {
        try {
            return java.nio.file.Files.readString(project);
        } catch (java.io.IOException e) {
            return "";
        }
    }

    @Test
    void aSnapshotIsTakenComparedWithAndRestored() {
        Design first = design();
        fire("Take a snapshot");
        assertThat(session.proving().logbook().get().snapshots()).hasSize(1);
        change();
        MenuButton menu = (MenuButton) called("snapshots");
        assertThat(menu.getText()).isEqualTo("1 snapshot");
        assertThat(
                        session.proving()
                                .differences(
                                        session.proving().logbook().get().snapshots().getFirst()))
                .anyMatch(d -> d.subject().equals("return A") && d.label().equals("Return"));
        robot.interact(() -> {
            menu.getOnShowing().handle(null);
            menu.getItems().get(0).fire();
        });
        assertThat(session.before().get()).isEqualTo(first);
        robot.interact(() -> {
            menu.getOnShowing().handle(null);
            menu.getItems().get(1).fire();
        });
        assertThat(design()).isEqualTo(first);
        key(KeyCode.Z, KeyCode.CONTROL);
        assertThat(design()).isNotEqualTo(first);
        TextField name = (TextField) called("name of the snapshot");
        robot.interact(() -> name.setText("snapshot 1"));
        fire("Take a snapshot");
        assertThat(session.problem().get()).contains("already");
    }

    @Test
    void aBlindTrialIsRunByKeysAndTellsNothingBeforeItsEnd() {
        change();
        robot.interact(() -> session.proving().beginTrial(BlindTrial.Kind.WHICH, 8));
        focus(called("blind trial"));
        assertThat(labels()).contains("Which one is X?");
        BlindTrial trial = java.util.Objects.requireNonNull(session.proving().trial().get());
        for (int i = 0; i < 8; i++) {
            assertThat(session.transport().blind().get()).isEqualTo(trial.hiddenIsA());
            key(KeyCode.LEFT);
            assertThat(session.transport().blind().get()).isTrue();
            key(KeyCode.RIGHT);
            assertThat(session.transport().blind().get()).isFalse();
            key(KeyCode.X);
            assertThat(session.transport().blind().get()).isEqualTo(trial.hiddenIsA());
            assertThat(labels()).noneMatch(l -> l.contains("right"));
            key(trial.hiddenIsA() ? KeyCode.DIGIT1 : KeyCode.DIGIT2);
        }
        assertThat(session.transport().blind().get()).isNull();
        assertThat(labels()).anyMatch(l -> l.contains("8 of 8 right"));
        assertThat(session.proving().logbook().get().entries().getLast().what())
                .contains("8 of 8 right");
    }

    @Test
    void aTrialThatIsBrokenOffTellsNothing() {
        change();
        robot.interact(() -> session.proving().beginTrial(BlindTrial.Kind.PREFERENCE, 8));
        focus(called("blind trial"));
        key(KeyCode.DIGIT1);
        key(KeyCode.ESCAPE);
        assertThat(session.proving().trial().get()).isNull();
        assertThat(session.transport().blind().get()).isNull();
        assertThat(session.proving().logbook().get().entries()).isEmpty();
        assertThat(labels()).contains("Blind trial");
    }

    @Test
    void whatWasListenedToIsCountedCalibratedAndPutAway() {
        assertThat(labels()).anyMatch(l -> l.contains("Ears: 0 h 0 min listened"));
        robot.interact(() -> session.transport().togglePlaying());
        org.testfx.util.WaitForAsyncUtils.sleep(300, java.util.concurrent.TimeUnit.MILLISECONDS);
        robot.interact(() -> session.transport().togglePlaying());
        until(() -> session.ears().exposure().get().seconds() > 0.2);
        TextField meter = (TextField) called("reading of a sound-level meter");
        robot.interact(() -> {
            meter.setText("loud");
            meter.fireEvent(new javafx.event.ActionEvent());
        });
        assertThat(session.problem().get()).contains("a level like 79");
        robot.interact(() -> {
            meter.setText("79");
            meter.fireEvent(new javafx.event.ActionEvent());
        });
        assertThat(labels()).anyMatch(l -> l.contains("at about 79 dB"));
        fire("I have rested");
        assertThat(session.ears().exposure().get().sinceRestSeconds()).isZero();
        fire("Put away");
        assertThat(labels()).noneMatch(l -> l.contains("Ears:"));
    }

    @Test
    void aChangeThatStaysIsNotedByItself() {
        change();
        until(() -> !session.proving().logbook().get().entries().isEmpty());
        var entry = session.proving().logbook().get().entries().getLast();
        assertThat(entry.what()).isEqualTo("return A Return");
        assertThat(entry.to()).contains("3.0 dB");
    }

    @Test
    void theLogIsSearchedAndTakesNotes() {
        robot.interact(() -> window.show("Sheet"));
        fire("Log");
        TextField note = (TextField) called("note for the log");
        robot.interact(() -> {
            note.setText("the hall waits for the bridge");
            note.fireEvent(new javafx.event.ActionEvent());
        });
        assertThat(labels()).contains("the hall waits for the bridge");
        TextField search = (TextField) called("search the log");
        robot.interact(() -> search.setText("marimba"));
        assertThat(labels()).contains("Nothing in the log says that.");
        robot.interact(() -> search.setText("HALL"));
        assertThat(labels()).contains("the hall waits for the bridge");
    }
}
