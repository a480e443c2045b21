package orbispace.app.view;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Files;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import javafx.application.Platform;
import javafx.event.Event;
import javafx.event.EventType;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.image.WritableImage;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.paint.Color;
import javafx.scene.text.Text;
import orbispace.app.Songs;
import orbispace.app.desk.Desk;
import orbispace.app.draw.Palette;
import orbispace.app.listen.Transport;
import orbispace.app.session.RecentProjects;
import orbispace.app.song.Clearance;
import orbispace.core.design.Design;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Source;
import orbispace.core.design.SourcesEdit;
import orbispace.core.render.HeardBand;
import orbispace.core.render.HeardThrough;
import orbispace.core.render.Listen;
import orbispace.core.render.ListeningSet;
import orbispace.files.project.ProjectFile;
import org.junit.jupiter.api.Test;

/** The window as a whole, by what a person sees. */
class WindowTest extends WindowCase {
    @Test
    void draggingTheDecayHandleIsMeasuredAndIsOneStep() {
        double was = decay();
        Object picture = desk.frame().measured().pictures().get("A");
        Node handle = called("decay");
        robot.drag(handle).moveBy(0, 60).drop();
        assertThat(decay()).isLessThan(was - 0.2);
        settle();
        assertThat(desk.frame().measured().pictures().get("A")).isNotSameAs(picture);
        key(KeyCode.Z, KeyCode.CONTROL);
        assertThat(decay()).isEqualTo(was);
    }

    @Test
    void thePredelayHandleSnapsToANoteRing() {
        Node handle = called("predelay");
        Bounds at = handle.localToScreen(handle.getBoundsInLocal());
        double centre = at.getCenterY();
        // Towards 1/16 at 120 bpm: 125 ms. The axis is logarithmic, so find the way by steps.
        robot.drag(handle);
        for (int i = 0; i < 160 && predelayMillis() < 110; i++) {
            robot.moveBy(0, -1);
        }
        robot.moveBy(0, -2).drop();
        assertThat(predelayMillis()).isCloseTo(125, within(0.01));
        assertThat(design().requireReturn("A").predelay().label()).isEqualTo("1/16");
        assertThat(called("predelay").localToScreen(handle.getBoundsInLocal()).getCenterY())
                .isLessThan(centre);
    }

    @Test
    void arrowKeysStepAHandleAndTypingSetsIt() {
        focusCalled("decay");
        key(KeyCode.UP);
        assertThat(decay()).isCloseTo(1.85, within(1e-9));
        key(KeyCode.UP, KeyCode.SHIFT);
        assertThat(decay()).isCloseTo(1.855, within(1e-9));
        focusCalled("predelay");
        key(KeyCode.ENTER);
        robot.write("1/32 + 3 ms").type(KeyCode.ENTER);
        assertThat(predelayMillis()).isCloseTo(65.5, within(1e-6));
    }

    @Test
    void spacePlaysAfterAClickAndPressesWhatTheKeyboardReached() {
        press("mono");
        key(KeyCode.SPACE);
        assertThat(desk.frame().transport().playing().get()).isTrue();
        assertThat(desk.frame().transport().mono().get()).isTrue();
        key(KeyCode.SPACE);
        assertThat(desk.frame().transport().playing().get()).isFalse();
        key(KeyCode.TAB);
        key(KeyCode.SPACE);
        assertThat(desk.frame().transport().playing().get()).isFalse();
        assertThat(desk.frame().transport().wetOnly().get()).isTrue();
    }

    @Test
    void escapeLeavesANumberSoThatDigitsOpenTheStepsAgain() {
        focusCalled("decay 1.80");
        key(KeyCode.ESCAPE);
        key(KeyCode.DIGIT5);
        assertThat(labels()).contains("Prove");
        assertThat(decay()).isEqualTo(1.8);
    }

    @Test
    void aWrongEntrySaysWhatIsAcceptedAndKeepsTheValue() {
        double was = decay();
        Node field = called("decay 1.80");
        focus(field);
        key(KeyCode.ENTER);
        robot.write("forever").type(KeyCode.ENTER);
        assertThat(decay()).isEqualTo(was);
        assertThat(labels()).anyMatch(t -> t.contains("forever") && t.contains("does not fit"));
        robot.clickOn("Close");
        assertThat(labels()).noneMatch(t -> t.contains("forever"));
    }

    @Test
    void numberKeysOpenTheStepsAndQuestionMarkShowsTheKeys() {
        focus(called("add a return"));
        key(KeyCode.DIGIT1);
        assertThat(on(() -> window.scene().getRoot().isFocused()))
                .as("the song's name does not take the focus")
                .isTrue();
        assertThat(labels()).contains("3 stems, 0 min 10 s");
        key(KeyCode.DIGIT3);
        assertThat(labels()).contains("PRESENCE KEPT", "Remedies");
        key(KeyCode.DIGIT6);
        assertThat(labels()).contains("Hand over", "as it will print");
        key(KeyCode.DIGIT2);
        assertThat(labels()).contains("Orbit");
        key(KeyCode.SLASH, KeyCode.SHIFT);
        assertThat(labels()).anyMatch(t -> t.contains("Space: play"));
        robot.interact(() -> desk.frame().transport().mono().set(false));
        robot.write("fold mono");
        key(KeyCode.ENTER);
        assertThat(on(() -> desk.frame().transport().mono().get())).isTrue();
        assertThat(labels()).noneMatch(t -> t.contains("Space: play"));
        key(KeyCode.SLASH, KeyCode.SHIFT);
        robot.write("pla go");
        key(KeyCode.ENTER);
        assertThat(on(() -> window.screen().keys().contains("turn the level"))).isTrue();
        key(KeyCode.SLASH, KeyCode.SHIFT);
        robot.write("orbit draft four");
        key(KeyCode.ENTER);
        until(() -> !desk.orbit().drafting().drafts().get().isEmpty());
        key(KeyCode.SLASH, KeyCode.SHIFT);
        key(KeyCode.ESCAPE);
        assertThat(labels()).noneMatch(t -> t.contains("Space: play"));
        robot.interact(() -> {
            desk.orbit().drafting().close();
            desk.frame().transport().mono().set(false);
        });
    }

    @Test
    void aRemedyRaisesPresenceByWhatWasPromisedAndIsUndoneByOnePress() {
        robot.interact(() -> desk.frame().edit(new ReturnEdit.Level("A", 4)));
        key(KeyCode.DIGIT3);
        until(() -> {
            Clearance c = desk.frame().measured().clearance().get();
            return c != null
                    && !c.proposals().isEmpty()
                    && c.design().equals(desk.frame().design().get())
                    && !desk.frame().jobs().busy();
        });
        Design before = design();
        double promised =
                Objects.requireNonNull(
                                Objects.requireNonNull(desk.frame().measured().clearance().get())
                                        .proposals()
                                        .get("A"))
                        .stream()
                        .filter(p -> p.edit() instanceof ReturnEdit.Ducking)
                        .findFirst()
                        .orElseThrow()
                        .after()
                        .presenceKept()
                        .orElseThrow();
        robot.clickOn(called("apply Duck"));
        settle();
        double now =
                Objects.requireNonNull(desk.frame().measured().clearance().get())
                        .pair("A")
                        .orElseThrow()
                        .cover()
                        .presenceKept()
                        .orElseThrow();
        assertThat(now).isCloseTo(promised, within(0.005));
        assertThat(labels()).anyMatch(t -> t.startsWith("was "));
        robot.clickOn(called("undo Duck"));
        settle();
        assertThat(design()).isEqualTo(before);
    }

    @Test
    void beforeAndAfterFlipAtMatchedLoudness() {
        robot.interact(() -> desk.frame().edit(new ReturnEdit.Level("A", 10)));
        settle();
        key(KeyCode.B);
        assertThat(on(() -> desk.frame().transport().hearingBefore().get())).isTrue();
        assertThat(labels()).anyMatch(t -> t.startsWith("matched, "));
        key(KeyCode.B);
        assertThat(on(() -> desk.frame().transport().hearingBefore().get())).isFalse();
    }

    @Test
    void savingAndOpeningAgainFindsEverything() throws IOException {
        robot.interact(() -> desk.frame().edit(new ReturnEdit.Decay("A", 2.65)));
        settle();
        assertThat(labels()).doesNotContain("nothing changed yet");
        key(KeyCode.S, KeyCode.CONTROL);
        until(() -> !desk.frame().editor().dirty().get());
        assertThat(ProjectFile.read(project).design().returns()).isEqualTo(design().returns());
        robot.interact(() -> desk.frame().opening().open(project));
        until(() -> !desk.frame().jobs().busy());
        assertThat(decay()).isEqualTo(2.65);
        assertThat(labels()).contains("2.65 s");
    }

    @Test
    void solosAreKeptUnderNumbersAndDryAloneIsOneKey() {
        MenuButton listening = (MenuButton) called("how to listen");
        robot.interact(() -> {
            desk.frame().transport().hearAll();
            desk.frame().transport().mono().set(false);
        });
        robot.clickOn(called("do not hear return A"));
        key(KeyCode.DIGIT4, KeyCode.CONTROL, KeyCode.SHIFT);
        key(KeyCode.DIGIT4, KeyCode.CONTROL);
        assertThat(listening.getText()).isEqualTo("all heard");
        key(KeyCode.DIGIT4, KeyCode.CONTROL);
        assertThat(listening.getText()).isEqualTo("1 muted");
        key(KeyCode.DIGIT4, KeyCode.CONTROL);
        key(KeyCode.DIGIT7, KeyCode.CONTROL);
        assertThat(on(() -> desk.frame().problem().get().startsWith("Nothing is kept under 7")))
                .isTrue();
        held(KeyEvent.KEY_PRESSED);
        until(() -> desk.frame().transport().band().get() == HeardBand.LOW_MID);
        held(KeyEvent.KEY_RELEASED);
        until(() -> desk.frame().transport().band().get() == HeardBand.ALL);
        key(KeyCode.D);
        assertThat(listening.getText()).isEqualTo("dry alone");
        key(KeyCode.B);
        assertThat(listening.getText()).isEqualTo("all heard");
        key(KeyCode.B);
    }

    @Test
    void whatIsHeardIsNeverCutOff() {
        Transport heard = desk.frame().transport();
        double dim = heard.dimDb().get();
        Set<String> stems =
                IntStream.range(0, 24).mapToObj(i -> "stem" + i).collect(Collectors.toSet());
        List<Runnable> ways =
                List.of(
                        () -> heard.set().set(ListeningSet.ALL.solo(Set.of("a"), true)),
                        () -> heard.set().set(ListeningSet.ALL.solo(stems, true)),
                        () -> heard.dimDb().set(-12),
                        () -> heard.set().set(ListeningSet.ALL.mute(stems, true)),
                        () -> heard.set().set(returns("A", "B", "C")),
                        () -> heard.set().set(returns("A", "B", "C", "D", "E", "F", "G", "H")),
                        () -> heard.returnAlone().set(true),
                        () -> heard.dryAlone().set(true),
                        () -> heard.through().set(HeardThrough.LOUDSPEAKERS),
                        () -> heard.band().set(HeardBand.HIGH_MID));
        robot.interact(() -> {
            heard.hearAll();
            heard.mono().set(true);
            heard.dimDb().set(Listen.SILENT_DB);
        });
        for (Runnable way : ways) {
            robot.interact(way);
            drawn();
            MenuButton button = (MenuButton) called("how to listen");
            assertThat(robot.on(() -> ((Text) button.lookup(".text")).getText()))
                    .isEqualTo(robot.on(button::getText));
        }
        robot.interact(() -> {
            heard.hearAll();
            heard.mono().set(false);
            heard.returnAlone().set(false);
            heard.dryAlone().set(false);
            heard.through().set(HeardThrough.HEADPHONES);
            heard.band().set(HeardBand.ALL);
            heard.dimDb().set(dim);
        });
    }

    @Test
    void theNameOfAPartGivesWayToHowItIsMatched() {
        Source lead = design().findSource("lead-voice").orElseThrow();
        robot.interact(() -> {
            desk.frame()
                    .edit(
                            SourcesEdit.of(
                                    design(),
                                    lead.withName("Voices of the far quay").withGain(-90),
                                    "fader"));
            desk.frame().matching().part().set("lead-voice");
        });
        settle();
        drawn();
        assertThat(labels()).anyMatch(l -> l.startsWith("Voi") && l.endsWith(" not matched"));
        robot.lookup((Node n) -> n instanceof Label l && l.getText().endsWith(" not matched"))
                .<Label>queryAll()
                .forEach(l ->
                        assertThat(robot.on(() -> ((Text) l.lookup(".text")).getText()))
                                .isEqualTo(l.getText()));
        robot.interact(() -> {
            desk.frame().matching().part().set("");
            desk.frame().editor().undo();
        });
        settle();
    }

    private static ListeningSet returns(String... letters) {
        return new ListeningSet(Set.of(), Set.of(), Set.of(letters), Set.of());
    }

    @Test
    void anEmptyWindowOffersTheSongsThatWereOpenLast() {
        RecentProjects recent = RecentProjects.inMemory();
        recent.add(project.resolveSibling("gone.orbispace.json"));
        recent.add(project);
        Desk other = robot.on(() -> new Desk(Platform::runLater, recent, Songs.facts()));
        robot.interact(() -> {
            List<Button> offered =
                    new MainWindow(other)
                            .scene().getRoot().lookupAll(".button").stream()
                                    .map(Button.class::cast)
                                    .filter(b -> b.getAccessibleText() != null)
                                    .filter(b -> b.getAccessibleText().startsWith("open "))
                                    .toList();
            assertThat(offered).hasSize(1);
            offered.getFirst().fire();
        });
        until(() -> !other.frame().design().get().sources().isEmpty());
        robot.interact(() -> other.close());
    }

    private void held(EventType<KeyEvent> type) {
        KeyEvent e = new KeyEvent(type, "", "8", KeyCode.DIGIT8, false, false, false, false);
        robot.interact(() -> Event.fireEvent(window.scene().getRoot(), e));
    }

    @Test
    void soloMonoAndNightAreToggled() {
        robot.clickOn(called("hear return B"));
        assertThat(on(() -> desk.frame().transport().set().get().soloedReturns().contains("B")))
                .isTrue();
        key(KeyCode.M);
        assertThat(((MenuButton) called("how to listen")).getText()).isEqualTo("dry, B");
        robot.clickOn(called("change between day and night"));
        WritableImage image = snapshot();
        Color corner = image.getPixelReader().getColor(640, 790);
        assertThat(corner.getBrightness()).isLessThan(0.35);
        robot.clickOn(called("change between day and night"));
        assertThat(snapshot().getPixelReader().getColor(640, 790).getBrightness())
                .isGreaterThan(0.8);
    }

    @Test
    void aReturnIsSketchedWhileItIsDraggedAndEngravedWhenItIsLetGo() {
        int engraved = pixelsOf("A");
        robot.drag(called("decay")).moveBy(0, 1);
        int sketched = pixelsOf("A");
        robot.drop();
        settle();
        assertThat(sketched).isBetween(engraved / 5, 3 * engraved / 4);
        assertThat(pixelsOf("A")).isGreaterThan(3 * engraved / 4);
    }

    /** How much of the disc is in the colour of a return. */
    private int pixelsOf(String id) {
        WritableImage image = snapshot();
        Color own = Palette.DAY.ofReturn(id);
        int seen = 0;
        for (int y = 70; y < 520; y++) {
            for (int x = 100; x < 970; x++) {
                Color c = image.getPixelReader().getColor(x, y);
                double distance =
                        Math.abs(c.getRed() - own.getRed())
                                + Math.abs(c.getGreen() - own.getGreen())
                                + Math.abs(c.getBlue() - own.getBlue());
                seen += distance < 0.25 ? 1 : 0;
            }
        }
        return seen;
    }

    @Test
    void everyReturnIsDrawnInItsOwnColour() {
        for (String id : List.of("A", "B")) {
            assertThat(pixelsOf(id)).as("pixels of return %s", id).isGreaterThan(60);
        }
    }

    @Test
    void handingOverWritesFilesAndSaysWhich() {
        key(KeyCode.DIGIT6);
        press("Hand over");
        until(() ->
                Files.exists(folder.resolve("handover").resolve("mix.wav"))
                        && !desk.frame().jobs().busy());
        assertThat(labels())
                .anyMatch(t -> t.contains("11 files written") && t.contains("recall-sheet.html"));
    }

    @Test
    void everyControlHasAnAccessibleName() {
        for (KeyCode step :
                List.of(
                        KeyCode.DIGIT1,
                        KeyCode.DIGIT2,
                        KeyCode.DIGIT3,
                        KeyCode.DIGIT4,
                        KeyCode.DIGIT5,
                        KeyCode.DIGIT6)) {
            key(step);
            Set<Node> buttons =
                    robot.lookup((Node n) ->
                                    n instanceof javafx.scene.control.ButtonBase && shown(n))
                            .queryAll();
            assertThat(buttons).isNotEmpty();
            for (Node n : buttons) {
                javafx.scene.control.ButtonBase b = (javafx.scene.control.ButtonBase) n;
                boolean named =
                        (b.getAccessibleText() != null && !b.getAccessibleText().isBlank())
                                || !b.getText().isBlank();
                assertThat(named).as(n.toString()).isTrue();
            }
        }
    }
}
