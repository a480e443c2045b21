package orbispace.app.view.orbit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Path;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.input.KeyCode;
import orbispace.app.song.SpaceKinds;
import orbispace.app.view.WindowCase;
import orbispace.app.view.control.NameField;
import orbispace.core.bank.BankEntry;
import orbispace.core.design.BandKnob;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Space;
import orbispace.files.project.BankFile;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

class OrbitScreenTest extends WindowCase {
    @BeforeEach
    void orbit() {
        robot.interact(() -> {
            window.show("Orbit");
            desk.frame().selection().returnId().set("A");
        });
        drawn();
    }

    private Return ret() {
        return design().requireReturn("A");
    }

    /** Chooses an item of a menu button as a person does after opening it. */
    private void choose(String menu, String item) {
        MenuButton button = (MenuButton) called(menu);
        robot.interact(() -> {
            button.show();
            MenuItem found =
                    button.getItems().stream()
                            .filter(i -> item.equals(i.getText()))
                            .findFirst()
                            .orElseThrow();
            button.hide();
            found.fire();
        });
    }

    @Test
    void aReturnIsAddedNamedMovedAndRemovedOnTheScreen() {
        choose("add a return", "Plate");
        drawn();
        assertThat(labels()).contains("Plate");
        assertThat(desk.frame().selection().returnId().get()).isEqualTo("C");
        Node name = called("name of the return");
        focus(name);
        robot.interact(() -> ((NameField) name).setText("Lantern"));
        key(KeyCode.ENTER);
        assertThat(design().requireReturn("C").name()).isEqualTo("Lantern");
        press("Up");
        assertThat(design().returns().get(1).id()).isEqualTo("C");
        press("Copy");
        assertThat(design().requireReturn("D").name()).isEqualTo("Lantern copy");
        press("Remove");
        assertThat(design().findReturn("D")).isEmpty();
        key(KeyCode.Z, KeyCode.CONTROL);
        assertThat(design().findReturn("D")).isPresent();
    }

    @Test
    void everyKindHasHandlesThatTheKeyboardMoves() {
        for (SpaceKinds kind : SpaceKinds.values()) {
            choose("kind of space", kind.label());
            drawn();
            assertThat(SpaceKinds.of(ret().space())).contains(kind);
            if (kind == SpaceKinds.PARALLEL) {
                continue;
            }
            Node handle = robot.lookup((Node n) -> n instanceof OrbitHandle && shown(n)).query();
            focus(handle);
            Return before = ret();
            key(KeyCode.UP);
            assertThat(ret()).as(kind.label()).isNotEqualTo(before);
            key(KeyCode.DOWN);
        }
    }

    @Test
    void theWidthIsDraggedByItsHandleAndTypedAsANumber() {
        Node handle = called("width 100");
        robot.drag(handle).moveBy(-30, -60).moveBy(-30, -30).drop();
        drawn();
        assertThat(ret().chain().width().factor()).isLessThan(0.95);
        key(KeyCode.Z, KeyCode.CONTROL);
        assertThat(ret().chain().width().factor()).isEqualTo(1);
    }

    @Test
    void theBenchFlipsCandidatesByNumberKeysAndRemembersWhoLost() {
        Return was = ret();
        press("Bench");
        until(() -> desk.orbit().bench().candidates().get().size() > 3);
        drawn();
        var all = desk.orbit().bench().candidates().get();
        assertThat(labels()).contains("Bench of A " + was.name(), all.get(1).name());
        double share = all.getFirst().share();
        assertThat(all).allMatch(c -> Math.abs(c.share() - share) <= 0.002 || !c.reached());
        key(KeyCode.DIGIT3);
        assertThat(desk.orbit().bench().heard().get()).isEqualTo(2);
        assertThat(ret()).isEqualTo(was);
        key(KeyCode.DIGIT1);
        assertThat(desk.orbit().bench().heard().get()).isZero();
        robot.interact(() -> desk.orbit().bench().drop(1, "boxy"));
        drawn();
        assertThat(labels()).doesNotContain(all.get(1).name());
        robot.interact(() -> desk.orbit().bench().keep(1));
        drawn();
        assertThat(ret()).isEqualTo(all.get(2).ret());
        assertThat(desk.orbit().bench().isOpen()).isFalse();
        robot.interact(() -> desk.prove().log().log());
        List<orbispace.core.prove.log.LogEntry> log = desk.prove().log().book().get().entries();
        assertThat(log)
                .anyMatch(e ->
                        e.toString().contains("dropped " + all.get(1).name())
                                && e.toString().contains("boxy"));
        assertThat(log)
                .anyMatch(e ->
                        e.why().contains("bench: " + all.get(2).name())
                                && e.why().contains("as it stands at"));
        key(KeyCode.Z, KeyCode.CONTROL);
        assertThat(ret()).isEqualTo(was);
    }

    @Test
    void aFieldIsKeptInTheBankLaidAgainAndAdopted() throws java.io.IOException {
        Path file = folder.resolve("harbour" + BankFile.SUFFIX);
        var bank = desk.orbit().bank();
        robot.interact(() -> {
            bank.use(file);
            bank.keep(java.util.Optional.of(ret()));
        });
        until(() -> !bank.said().get().isEmpty());
        robot.interact(() -> bank.keep(java.util.Optional.empty()));
        until(() -> bank.said().get().contains(design().song().title()));
        assertThat(bank.own()).hasSize(2);
        assertThat(bank.entries().size()).isGreaterThan(8);
        BankEntry field = bank.own().getLast();
        assertThat(field.returns()).hasSize(design().returns().size());
        robot.interact(() -> bank.lay(field));
        until(() -> desk.orbit().drafting().drafts().get().size() == 1);
        drawn();
        assertThat(labels()).contains("Laid on this song", field.name());
        press("Adopt");
        assertThat(design().returns()).isNotEmpty();
        assertThat(design().returns().getFirst().name())
                .isEqualTo(field.returns().getFirst().name());
        java.nio.file.Files.writeString(file, "no bank");
        robot.interact(() -> assertThat(bank.own()).isEmpty());
        assertThat(desk.frame().editor().problem().get()).contains(BankFile.SUFFIX);
        robot.interact(() -> bank.layFrom(folder.resolve("none.orbispace.json")));
        until(() -> desk.frame().editor().problem().get().contains("none.orbispace.json"));
    }

    @Test
    void anEntryOfTheBankForTheSamePurposeComesOnTheBench() {
        press("Bench");
        until(() -> !desk.orbit().bench().candidates().get().isEmpty());
        int before = desk.orbit().bench().candidates().get().size();
        desk.orbit().bank().use(folder.resolve("none" + BankFile.SUFFIX));
        List<BankEntry> same = robot.on(() -> desk.orbit().bank().forBench());
        assertThat(same).isNotEmpty();
        robot.interact(() -> desk.orbit().bank().toBench(same.getFirst()));
        until(() -> desk.orbit().bench().candidates().get().size() == before + 1);
        assertThat(desk.orbit().bench().candidates().get().getLast().name())
                .isEqualTo(same.getFirst().name());
        assertThat(desk.orbit().bench().candidates().get().getLast().ret().id()).isEqualTo("A");
    }

    @Test
    void theBenchClosedLeavesEverythingAndDigitsGoToTheStepsAgain() {
        Return was = ret();
        press("Bench");
        until(() -> !desk.orbit().bench().candidates().get().isEmpty());
        key(KeyCode.ESCAPE);
        assertThat(desk.orbit().bench().isOpen()).isFalse();
        assertThat(ret()).isEqualTo(was);
        key(KeyCode.DIGIT3);
        drawn();
        assertThat(labels()).contains("What do you hear?");
    }

    @Test
    void aGateIsPutInWithItsWallAndTakenOut() {
        pressByKey("Gate this return");
        drawn();
        assertThat(ret().gate()).isNotNull();
        assertThat(called("length")).isNotNull();
        pressByKey("Take the gate out");
        assertThat(ret().gate()).isNull();
    }

    @Test
    void theFocusStaysInACardThatIsMadeAnew() {
        pressByKey("Gate this return");
        drawn();
        assertThat(name(window.scene().getFocusOwner())).contains("opens at");
        pressByKey("Take the gate out");
        drawn();
        focusCalled("add a band to the filter after");
        key(KeyCode.SPACE);
        drawn();
        assertThat(name(window.scene().getFocusOwner()))
                .isEqualTo("add a band to the filter after");
        key(KeyCode.SPACE);
        assertThat(ret().filterOut().bands()).hasSize(2);
        robot.interact(() ->
                desk.frame()
                        .edit(BandKnob.set(ret(), false, ret().filterOut().withBands(List.of()))));
    }

    private static String name(Node node) {
        return String.valueOf(node.getAccessibleText());
    }

    @Test
    void sendsAndFeedsAreOpenedFromTheirMenu() {
        choose("sends and feeds", "Feed B " + design().requireReturn("B").name());
        assertThat(ret().feeds()).containsEntry("B", -12.0);
        drawn();
        Node feed = called("from B");
        focus(feed);
        key(KeyCode.UP);
        assertThat(ret().feeds()).containsEntry("B", -11.5);
        choose("sends and feeds", "Take the feed of B out");
        assertThat(ret().feeds()).isEmpty();
    }

    @Test
    void noteValuesFollowTheSectionsAtAPress() {
        press("by section");
        assertThat(ret().timing().followsSections()).isTrue();
        press("by section");
        assertThat(ret().timing().followsSections()).isFalse();
    }

    @Test
    void depthIsShownAndMovedWithTheKeyboard() {
        press("depth");
        // What was not measured yet cannot be moved.
        until(() ->
                desk.orbit()
                        .depths()
                        .distance(List.of(design().findSource("lead-voice").orElseThrow()))
                        .isPresent());
        Node distance = called("distance");
        focus(distance);
        double before = ret().sendDb("lead-voice").orElseThrow();
        key(KeyCode.UP);
        drawn();
        assertThat(ret().sendDb("lead-voice").orElseThrow() - before).isCloseTo(0.5, within(0.11));
    }

    @Test
    void draftsAreShownSideBySideAndOneIsAdopted() {
        press("Draft");
        until(() -> desk.orbit().drafting().drafts().get().size() == 4);
        assertThat(labels()).contains("One shared space", "Short and long", "One space per depth");
        List<Return> drafted = desk.orbit().drafting().drafts().get().get(1).draft().returns();
        assertThat(labels()).anyMatch(l -> l.startsWith("Best for this song: "));
        assertThat(labels()).contains(drafted.getFirst().name());
        robot.clickOn(called("adopt the draft Short and long"));
        assertThat(design().returns()).isEqualTo(drafted);
        Scene scene = called("add a return").getScene();
        assertThat(robot.on(scene::getFocusOwner))
                .as("nothing that was not asked for takes the focus")
                .isSameAs(robot.on(scene::getRoot));
        assertThat(called("add a return")).isNotNull();
        key(KeyCode.Z, KeyCode.CONTROL);
        assertThat(design().returns()).hasSize(2);
    }

    @Test
    void filtersAreSettledInWords() {
        pressByKey("Before or after? Settle it");
        until(() -> !desk.orbit().settling().byReturn().isEmpty());
        assertThat(labels()).anyMatch(l -> l.startsWith("The same sound"));
    }

    @Test
    void eightReturnsOfAllKindsFitTheList() {
        robot.interact(() -> {
            desk.orbit().field().add(SpaceKinds.STEREO_ECHO);
            desk.orbit().field().add(SpaceKinds.COPIES);
            desk.orbit().field().add(SpaceKinds.SPLIT);
            desk.orbit().field().add(SpaceKinds.GATED_RISING);
            desk.orbit().field().add(SpaceKinds.PARALLEL);
            desk.orbit().field().add(SpaceKinds.VAST);
            desk.frame().edit(new ReturnEdit.SendLevel("H", "lead-voice", -9.0));
        });
        drawn();
        Node last = called("return H");
        double bottom = last.localToScene(last.getBoundsInLocal()).getMaxY();
        assertThat(bottom).isLessThan(800);
        assertThat(design().requireReturn("H").space()).isInstanceOf(Space.Reverb.class);
        assertThat(snapshot().getWidth()).isEqualTo(1280);
    }

    /** A tab below the disc. */
    private void tab(String accessible) {
        robot.clickOn(called(accessible));
    }

    @Test
    void sendsAreTypedSteppedAndTakenOutInTheMatrix() {
        tab("every source into every return");
        String source = design().sources().getFirst().id();
        String name = design().sources().getFirst().name();
        robot.interact(() -> desk.frame().edit(new ReturnEdit.Sending("B", source, null)));
        focusCalled(name + " into B");
        key(KeyCode.UP);
        assertThat(design().requireReturn("B").sendDb(source)).hasValue(-12);
        key(KeyCode.DOWN);
        assertThat(design().requireReturn("B").sendDb(source)).hasValue(-12.5);
        focusCalled(name + " into A");
        key(KeyCode.ENTER);
        robot.write("off");
        key(KeyCode.ENTER);
        assertThat(design().requireReturn("A").sendDb(source)).isEmpty();
        key(KeyCode.ENTER);
        robot.write("loud");
        key(KeyCode.ENTER);
        assertThat(desk.frame().problem().get()).contains("loud").contains("or off");
        assertThat(design().requireReturn("A").sendDb(source)).isEmpty();
    }

    @Test
    void aSendsGateIsSetByItsNumbers() {
        String source = ret().sends().keySet().iterator().next();
        robot.interact(() -> desk.orbit().field().gateSend(ret(), source));
        drawn();
        Node opens = called("opens at");
        focus(opens);
        var before = java.util.Objects.requireNonNull(gateOf(source));
        key(KeyCode.UP);
        assertThat(java.util.Objects.requireNonNull(gateOf(source)).thresholdDb())
                .isEqualTo(before.thresholdDb() + 1);
        focusCalled("key from");
        key(KeyCode.ENTER);
        robot.write("300");
        key(KeyCode.ENTER);
        var corner = java.util.Objects.requireNonNull(gateOf(source)).keyFilter().highPass();
        assertThat(java.util.Objects.requireNonNull(corner).hz()).isEqualTo(300);
    }

    private orbispace.core.design.@org.jspecify.annotations.Nullable Gate gateOf(String source) {
        return java.util.Objects.requireNonNull(ret().sends().get(source)).gate();
    }

    @Test
    void aProposedTimeIsTakenAndThenNoMoreProposed() {
        Node proposed = called("set ");
        String label = proposed.getAccessibleText();
        Return before = ret();
        focus(proposed);
        assertThat(proposed.getAccessibleHelp()).isNotEmpty();
        assertThat(labels()).contains(proposed.getAccessibleHelp());
        key(KeyCode.SPACE);
        drawn();
        assertThat(ret()).isNotEqualTo(before);
        assertThat(
                        robot.lookup((Node n) -> label.equals(n.getAccessibleText()) && shown(n))
                                .tryQuery()
                                .isPresent())
                .isFalse();
    }

    @Test
    void wetAloneIsHeardByKeyAndSaid() {
        robot.interact(() -> window.scene().getRoot().requestFocus());
        key(KeyCode.W);
        assertThat(desk.frame().transport().wetOnly().get()).isTrue();
        assertThat(((MenuButton) called("how to listen")).getText()).isEqualTo("wet alone");
        key(KeyCode.W);
        assertThat(desk.frame().transport().wetOnly().get()).isFalse();
    }

    @Test
    void thePairIsSettledOnTheScreen() {
        tab("the field before against");
        assertThat(labels()).contains("Nothing has changed since the field before.");
        robot.interact(() -> desk.frame().edit(new ReturnEdit.Level("A", -30)));
        drawn();
        press("Settle it");
        until(() -> desk.orbit().settling().ofPair().get() != null);
        assertThat(labels()).contains("The same sound, to the last bit.");
        assertThat(labels()).anyMatch(t -> t.startsWith("Different sounds"));
    }

    @Test
    void whatKeysADuckerIsChosenFromSourcesAndGroups() {
        robot.interact(() -> {
            desk.frame()
                    .edit(
                            new ReturnEdit.Ducking(
                                    "A",
                                    new orbispace.core.design.Duck(
                                            "lead-voice", 6, -40, 8, 6, 5, 100, 240)));
            desk.frame().selection().returnId().set("A");
            window.show("Orbit");
        });
        drawn();
        MenuButton key = (MenuButton) called("what turns this return down");
        robot.interact(() -> {
            key.getOnShowing().handle(null);
            key.getItems().stream()
                    .filter(i -> i.getText().equalsIgnoreCase("pad"))
                    .findFirst()
                    .orElseThrow()
                    .fire();
        });
        var duck = java.util.Objects.requireNonNull(design().requireReturn("A").duck());
        assertThat(duck.keySource()).isEqualTo("pad");
        assertThat(key.getText()).isEqualToIgnoringCase("keyed by pad");
        robot.interact(() -> desk.frame().edit(new ReturnEdit.Ducking("A", null)));
        assertThat(on(() -> !key.isVisible())).isTrue();
    }
}
