package orbispace.app.view;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javax.sound.midi.InvalidMidiDataException;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Sequence;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Track;
import orbispace.core.design.PlanCell;
import orbispace.core.design.Section;
import orbispace.core.design.SongEdit;
import orbispace.core.plan.Automation;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Handing over from the window: sheets, prints, and automation on chosen controllers. */
class SheetScreenTest extends WindowCase {
    @BeforeEach
    void planned() {
        robot.interact(() -> {
            Section verse = new Section("Verse", 1, 2);
            Section chorus = new Section("Chorus", 3, 3);
            session.edit(
                    new SongEdit(design().song().withSections(List.of(verse, chorus)), "form"));
            session.selection().section().set(chorus);
            session.selection().returnId().set("A");
            session.planning().change(c -> c.withLevel(-4).withEdge(PlanCell.Edge.FADED), "level");
            window.show("Sheet");
        });
        settle();
    }

    private CheckBox box(String name) {
        return (CheckBox) called(name);
    }

    private String lane() {
        return Automation.of(design()).lanes().getFirst().name();
    }

    @Test
    void controllersAreShownChosenByKeysAndToldWhenShared() {
        robot.interact(() -> box("Controllers").fire());
        Node number = called("controller of " + lane() + " 20");
        focus(number);
        key(KeyCode.UP);
        key(KeyCode.UP);
        assertThat(called("controller of " + lane() + " 22").isFocused()).isTrue();
        robot.interact(() -> ((ToggleButton) called("14 bits for " + lane())).fire());
        assertThat(((ToggleButton) called("14 bits for " + lane())).isSelected()).isTrue();
        focus(called("controller of " + lane() + " 22"));
        for (int i = 22; i < 33; i++) {
            key(KeyCode.UP);
        }
        assertThat(called("controller of " + lane() + " 31")).isNotNull();
        assertThat(session.problem().get()).contains("0 to 31");
    }

    @Test
    void aSongThatDoesNotMoveSaysSo() {
        robot.interact(() -> {
            session.planning().clear();
            box("Controllers").fire();
        });
        assertThat(labels()).anyMatch(l -> l.startsWith("Nothing moves"));
    }

    @Test
    void whatIsTickedIsWrittenWithTheChosenController() throws Exception {
        Path to = folder.resolve("out");
        robot.interact(() -> {
            box("Controllers").fire();
            box("Printed returns and mix").fire();
            box("on Letter instead").fire();
            ((TextField) called("folder to hand over to")).setText(to.toString());
        });
        focus(called("controller of " + lane()));
        key(KeyCode.UP);
        fire("Hand over");
        until(() -> labels().stream().anyMatch(l -> l.contains("files written")));
        assertThat(to.resolve("recall-sheet.letter.pdf")).exists();
        assertThat(to.resolve("manifest.csv")).exists();
        assertThat(to.resolve("mix.wav")).doesNotExist();
        assertThat(Files.size(to.resolve("recall-sheet.letter.pdf"))).isGreaterThan(10_000);
        assertThat(controller(to.resolve("automation.mid"))).isEqualTo(21);
    }

    private static int controller(Path midi) throws InvalidMidiDataException, java.io.IOException {
        Sequence sequence = MidiSystem.getSequence(midi.toFile());
        Track lane = sequence.getTracks()[1];
        for (int i = 0; i < lane.size(); i++) {
            if (lane.get(i).getMessage() instanceof ShortMessage m) {
                return m.getData1();
            }
        }
        return -1;
    }

    @Test
    void aFolderThatCannotBeMadeIsToldInOneLine() throws java.io.IOException {
        Path file = folder.resolve("taken");
        Files.writeString(file, "x");
        robot.interact(() -> {
            box("Printed returns and mix").fire();
            ((TextField) called("folder to hand over to"))
                    .setText(file.resolve("inside").toString());
        });
        fire("Hand over");
        until(() -> labels().stream().anyMatch(l -> l.contains("cannot be made a folder")));
        assertThat(Files.readString(file)).isEqualTo("x");
    }
}
