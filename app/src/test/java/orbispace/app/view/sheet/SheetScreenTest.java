package orbispace.app.view.sheet;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.TimeoutException;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.CheckMenuItem;
import javafx.scene.control.MenuButton;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javax.sound.midi.InvalidMidiDataException;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Sequence;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Track;
import orbispace.app.view.WindowCase;
import orbispace.core.audio.Audio;
import orbispace.core.design.PlanCell;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Section;
import orbispace.core.design.SongEdit;
import orbispace.core.plan.Automation;
import orbispace.files.sound.SoundReader;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Handing over from the window: sheets, prints, and automation on chosen controllers. */
class SheetScreenTest extends WindowCase {
    @BeforeEach
    void planned() {
        robot.interact(() -> {
            Section verse = new Section("Verse", 1, 2);
            Section chorus = new Section("Chorus", 3, 3);
            desk.frame()
                    .edit(
                            new SongEdit(
                                    design().song().withSections(List.of(verse, chorus)), "form"));
            desk.frame().selection().section().set(chorus);
            desk.frame().selection().returnId().set("A");
            desk.plan()
                    .planning()
                    .change(c -> c.withLevel(-4).withEdge(PlanCell.Edge.FADED), "level");
            window.show("Sheet");
        });
        settle();
    }

    /** What is ticked stays ticked from song to song; each test begins with a window of its own. */
    @AfterEach
    void another() throws TimeoutException {
        close();
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
        focusCalled("controller of " + lane() + " 22");
        for (int i = 22; i < 33; i++) {
            key(KeyCode.UP);
        }
        assertThat(called("controller of " + lane() + " 31")).isNotNull();
        assertThat(desk.frame().problem().get()).contains("0 to 31");
    }

    @Test
    void aSongThatDoesNotMoveSaysSo() {
        robot.interact(() -> {
            desk.plan().planning().clear();
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
        focusCalled("controller of " + lane());
        key(KeyCode.UP);
        fire("Hand over");
        until(() -> labels().stream().anyMatch(l -> l.contains("files written")));
        assertThat(to.resolve("recall-sheet.letter.pdf")).exists();
        assertThat(to.resolve("manifest.csv")).exists();
        assertThat(to.resolve("mix.wav")).doesNotExist();
        assertThat(Files.size(to.resolve("recall-sheet.letter.pdf"))).isGreaterThan(10_000);
        assertThat(controller(to.resolve("automation.mid"))).isEqualTo(21);
    }

    @Test
    void eachSectionIsPrintedAndWhatTheSheetHoldsIsChosen() throws Exception {
        Path to = folder.resolve("parts");
        MenuButton holds = (MenuButton) called("what the sheet holds");
        robot.interact(() -> {
            holds.getItems().stream()
                    .filter(i -> i.getText().equals("sources"))
                    .map(CheckMenuItem.class::cast)
                    .forEach(i -> {
                        i.setSelected(false);
                        i.getOnAction().handle(null);
                    });
            box("each section as well").fire();
            ((TextField) called("folder to hand over to")).setText(to.toString());
        });
        assertThat(holds.getText()).isEqualTo("It holds 7 of 8 parts");
        fire("Hand over");
        until(() -> labels().stream().anyMatch(l -> l.contains("files written")));
        assertThat(Files.readString(to.resolve("recall-sheet.md")))
                .contains("## A")
                .doesNotContain("lead-voice.wav");
        Audio whole = SoundReader.read(to.resolve("mix.wav"));
        Audio chorus = SoundReader.read(to.resolve("sections/02-chorus/mix.wav"));
        double starts = design().song().span(design().song().sections().get(1)).startSeconds();
        int from = (int) Math.round(starts * whole.sampleRateHz());
        double most = 0;
        for (int i = 0; i < chorus.frames(); i++) {
            most = Math.max(most, Math.abs(chorus.channel(0)[i] - whole.channel(0)[from + i]));
        }
        // Two dithers of 24 bits.
        assertThat(most).isLessThan(4.0 / (1 << 23));
        assertThat(chorus.peak()).isPositive();
    }

    @Test
    void snapshotsStandInTheLogWithWhatDiffers() {
        robot.interact(() -> {
            desk.prove().log().snapshot("Ebb");
            desk.frame().edit(new ReturnEdit.Level("A", 2.5));
        });
        settle();
        fire("Log");
        TextField name = (TextField) called("name of snapshot Ebb");
        assertThat(name.getText()).isEqualTo("Ebb");
        robot.interact(() -> ((Button) called("differences snapshot Ebb")).fire());
        assertThat(labels()).contains("return A Return", "2.5 dB, fully wet");
        robot.interact(() -> ((Button) called("restore snapshot Ebb")).fire());
        assertThat(design().requireReturn("A").levelDb()).isNotEqualTo(2.5);
        robot.interact(() -> {
            name.setText("Low water");
            name.fireEvent(new javafx.event.ActionEvent());
        });
        assertThat(desk.prove().log().book().get().find("low water")).isPresent();
        robot.interact(() -> desk.prove().log().note("the pier waits"));
        robot.interact(() -> ((Button) called("add why the pier waits")).fire());
        TextField why = (TextField) called("why the pier waits");
        robot.interact(() -> {
            why.setText("too early");
            why.fireEvent(new javafx.event.ActionEvent());
        });
        assertThat(labels()).contains("too early");
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
