package orbispace.app.view;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import javafx.scene.control.CheckMenuItem;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.input.KeyCode;
import orbispace.app.session.Clearance;
import orbispace.core.clear.Proposal;
import orbispace.core.clear.RemedyKind;
import orbispace.core.design.Design;
import orbispace.core.design.ReturnEdit;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

class ClearScreenTest extends WindowCase {
    /** A hall that is loud enough to cover the voice. */
    @BeforeEach
    void clear() {
        robot.interact(() -> {
            session.edit(new ReturnEdit.Level("A", 0));
            session.selection().returnId().set("A");
            window.show("Clear");
        });
        settleWithRemedies();
    }

    private void settleWithRemedies() {
        settle();
        until(() -> clearance().proposals().containsKey("A") && !session.jobs().busy());
    }

    private Clearance clearance() {
        return java.util.Objects.requireNonNull(session.measured().clearance().get());
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
        until(() -> session.clearing().solution().get() != null);
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
        RemedyKind first = proposals().getFirst().kind();
        MenuButton kinds = menu("kinds of remedy");
        CheckMenuItem item =
                (CheckMenuItem)
                        kinds.getItems().stream()
                                .filter(i -> first.label().equals(i.getText()))
                                .findFirst()
                                .orElseThrow();
        robot.interact(() -> {
            item.setSelected(false);
            item.fire();
        });
        until(() -> session.clearing().barred().get().contains(first));
        settleWithRemedies();
        assertThat(proposals()).noneMatch(p -> p.kind() == first);
        assertThat(kinds.getText()).isEqualTo("1 barred");
    }

    @Test
    void anEarWordIsAnsweredWithEvidenceAndTakenBack() {
        focus(called("I hear: washed out"));
        key(KeyCode.SPACE);
        until(() -> session.clearing().diagnosis().get() != null);
        assertThat(labels()).anyMatch(l -> l.startsWith("Yes: ") && l.contains("clash"));
        assertThat(labels()).anyMatch(l -> l.startsWith("Duck "));
        focus(called("I hear: pumping"));
        key(KeyCode.SPACE);
        until(() ->
                java.util.Objects.requireNonNull(session.clearing().diagnosis().get())
                        .word()
                        .label()
                        .equals("pumping"));
        assertThat(labels()).anyMatch(l -> l.startsWith("Nothing measured supports it"));
        key(KeyCode.SPACE);
        until(() -> session.clearing().diagnosis().get() == null);
        assertThat(labels()).anyMatch(l -> l.startsWith("Press a word"));
    }

    @Test
    void theWorstBarIsReachedByAKey() {
        robot.interact(() -> window.scene().getRoot().requestFocus());
        List<Double> bars = clearance().presencePerBar();
        double least = bars.stream().filter(b -> b >= 0).mapToDouble(b -> b).min().orElseThrow();
        int bar = bars.indexOf(least) + 1;
        key(KeyCode.N);
        double seconds = design().song().clock().secondsOfBar(bar);
        assertThat(on(() -> Math.abs(session.transport().position().get() - seconds) < 0.3))
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
        until(() -> clearance().source().id().equals("pad") && !session.jobs().busy());
        assertThat(sources.getText()).isEqualToIgnoringCase("pad");
    }
}
