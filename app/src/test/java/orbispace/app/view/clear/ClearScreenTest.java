package orbispace.app.view.clear;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.OptionalDouble;
import javafx.scene.control.CheckMenuItem;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.image.WritableImage;
import javafx.scene.input.KeyCode;
import orbispace.app.song.Clearance;
import orbispace.app.view.WindowCase;
import orbispace.core.clear.Proposal;
import orbispace.core.design.Design;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Setting;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

class ClearScreenTest extends WindowCase {
    /** A hall that is loud enough to cover the voice. */
    @BeforeEach
    void clear() {
        robot.interact(() -> {
            desk.frame().edit(new ReturnEdit.Level("A", 0));
            desk.frame().selection().returnId().set("A");
            window.show("Clear");
        });
        settleWithRemedies();
    }

    private void settleWithRemedies() {
        settle();
        until(() -> clearance().proposals().containsKey("A") && !desk.frame().jobs().busy());
    }

    private Clearance clearance() {
        return java.util.Objects.requireNonNull(desk.frame().measured().clearance().get());
    }

    private List<Proposal> proposals() {
        return clearance().proposals().getOrDefault("A", List.of());
    }

    private MenuButton menu(String accessible) {
        return (MenuButton) called(accessible);
    }

    @Test
    void solvingTakesOneStepThatUndoTakesBack() {
        Design before = design();
        press("Solve");
        until(() -> desk.clear().clearing().solution().get() != null);
        settleWithRemedies();
        assertThat(design()).isNotEqualTo(before);
        assertThat(labels()).anyMatch(l -> l.startsWith("Reached: presence"));
        double kept = clearance().pair("A").orElseThrow().cover().presenceKept().orElseThrow();
        assertThat(kept).isGreaterThanOrEqualTo(0.845);
        key(KeyCode.Z, KeyCode.CONTROL);
        assertThat(design()).isEqualTo(before);
    }

    @Test
    void aBarredKindIsNotProposed() {
        Setting first = proposals().getFirst().kind();
        MenuButton kinds = menu("kinds of remedy");
        CheckMenuItem item =
                (CheckMenuItem)
                        ((javafx.scene.control.Menu) kinds.getItems().getFirst())
                                .getItems().stream()
                                        .filter(i -> first.label().equals(i.getText()))
                                        .findFirst()
                                        .orElseThrow();
        robot.interact(() -> {
            item.setSelected(false);
            item.fire();
        });
        until(() -> desk.clear().clearing().barred().get().contains(first));
        settleWithRemedies();
        assertThat(proposals()).noneMatch(p -> p.kind() == first);
        assertThat(kinds.getText()).isEqualTo("1 barred");
    }

    @Test
    void anEarWordIsAnsweredWithEvidenceAndTakenBack() {
        focusCalled("I hear: washed out");
        key(KeyCode.SPACE);
        until(() -> desk.clear().clearing().diagnosis().get() != null);
        assertThat(labels()).anyMatch(l -> l.startsWith("Yes: ") && l.contains("clash"));
        assertThat(labels()).anyMatch(l -> l.startsWith("Duck "));
        focusCalled("I hear: pumping");
        key(KeyCode.SPACE);
        until(() ->
                java.util.Objects.requireNonNull(desk.clear().clearing().diagnosis().get())
                        .word()
                        .label()
                        .equals("pumping"));
        assertThat(labels()).anyMatch(l -> l.startsWith("Nothing measured supports it"));
        key(KeyCode.SPACE);
        until(() -> desk.clear().clearing().diagnosis().get() == null);
        assertThat(labels()).anyMatch(l -> l.startsWith("Press a word"));
    }

    @Test
    void theWorstBarIsReachedByAKey() {
        robot.interact(() -> window.scene().getRoot().requestFocus());
        List<OptionalDouble> bars = clearance().presencePerBar();
        double least = bars.stream().flatMapToDouble(OptionalDouble::stream).min().orElseThrow();
        int bar = bars.indexOf(OptionalDouble.of(least)) + 1;
        key(KeyCode.N);
        double seconds = design().song().clock().secondsOfBar(bar);
        assertThat(on(() -> Math.abs(desk.frame().transport().position().get() - seconds) < 0.3))
                .isTrue();
    }

    @Test
    void anotherSourceCanBeJudged() {
        MenuButton sources = menu("the source that must stay clear");
        robot.interact(() -> {
            sources.show();
            MenuItem pad =
                    sources.getItems().stream()
                            .filter(i -> i.getText().equalsIgnoreCase("pad"))
                            .findFirst()
                            .orElseThrow();
            sources.hide();
            pad.fire();
        });
        until(() -> clearance().source().id().equals("pad") && !desk.frame().jobs().busy());
        assertThat(sources.getText()).isEqualToIgnoringCase("pad");
    }

    private MenuItem item(javafx.collections.ObservableList<MenuItem> items, String text) {
        return items.stream().filter(i -> text.equals(i.getText())).findFirst().orElseThrow();
    }

    @Test
    void aLockedSettingIsNotProposedAndTheProjectKeepsIt() {
        Setting first = proposals().getFirst().kind();
        MenuButton kinds = menu("kinds of remedy");
        var locks = ((javafx.scene.control.Menu) kinds.getItems().get(1)).getItems();
        CheckMenuItem lock = (CheckMenuItem) item(locks, first.label());
        robot.interact(() -> {
            lock.setSelected(true);
            lock.fire();
        });
        settleWithRemedies();
        assertThat(proposals()).isNotEmpty().noneMatch(p -> p.kind() == first);
        assertThat(kinds.getText()).isEqualTo("1 locked");
        assertThat(design().aims().lockedOf("A")).containsExactly(first);
        key(KeyCode.Z, KeyCode.CONTROL);
        assertThat(design().aims().lockedOf("A")).isEmpty();
    }

    @Test
    void whatIsAskedCanBeTypedAndIsUndone() {
        focusCalled("asked presence 85 %");
        key(KeyCode.UP);
        assertThat(design().aims().of(clearance().source().id(), "A").orElseThrow().presence())
                .isEqualTo(0.86);
        assertThat(called("asked presence 86 %")).isNotNull();
        focusCalled("asked bloom any");
        key(KeyCode.UP);
        assertThat(called("asked bloom \u221259 dB")).isNotNull();
        MenuButton asked = menu("what is asked of this source");
        robot.interact(() -> item(asked.getItems(), "washed").fire());
        assertThat(asked.getText()).isEqualTo("asked: washed");
        robot.interact(() -> item(asked.getItems(), "by its role").fire());
        assertThat(design().aims().wanted()).isEmpty();
    }

    @Test
    void theListeningLevelIsPartOfTheProjectAndMeasuredWith() {
        MenuButton hearing = menu("listening level and room");
        double share = clearance().pair("A").orElseThrow().cover().wetShare();
        robot.interact(() -> item(hearing.getItems(), "the mix at 65 dB SPL").fire());
        robot.interact(() -> item(hearing.getItems(), "lively room, 30 dB").fire());
        settleWithRemedies();
        assertThat(hearing.getText()).isEqualTo("heard at 65 dB, room 30 dB");
        assertThat(clearance().pair("A").orElseThrow().cover().wetShare()).isLessThan(share);
    }

    @Test
    void theChartIsSeenFromNearerByKeysAndAsAWholeAgain() {
        focusCalled("rivers and clashes");
        WritableImage far = snapshot();
        key(KeyCode.PLUS);
        key(KeyCode.PLUS);
        WritableImage near = snapshot();
        assertThat(differences(far, near)).isGreaterThan(2000);
        key(KeyCode.RIGHT);
        assertThat(differences(near, snapshot())).isGreaterThan(1000);
        key(KeyCode.HOME);
        assertThat(differences(far, snapshot())).isLessThan(400);
    }

    private static int differences(WritableImage one, WritableImage two) {
        int count = 0;
        for (int y = 0; y < one.getHeight(); y++) {
            for (int x = 0; x < one.getWidth(); x++) {
                count +=
                        one.getPixelReader().getArgb(x, y) == two.getPixelReader().getArgb(x, y)
                                ? 0
                                : 1;
            }
        }
        return count;
    }

    @Test
    void whatAChangeWonIsSeenBesideWhatWasBefore() {
        assertThat(clearance().before()).containsKey("A");
        double was =
                java.util.Objects.requireNonNull(clearance().before().get("A"))
                        .cover()
                        .presenceKept()
                        .orElseThrow();
        double is = clearance().pair("A").orElseThrow().cover().presenceKept().orElseThrow();
        assertThat(is).isLessThan(was);
    }

    @Test
    void roomBetweenDrySourcesIsLookedForAndSaidEitherWay() {
        pressByKey("Make room between dry sources");
        until(() -> desk.clear().clearing().room().get() != null);
        var plan = java.util.Objects.requireNonNull(desk.clear().clearing().room().get());
        assertThat(labels()).contains(plan.words());
        plan.changes().forEach(c -> assertThat(labels()).contains(c.change(), c.why()));
    }
}
