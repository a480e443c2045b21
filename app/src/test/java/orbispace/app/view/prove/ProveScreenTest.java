package orbispace.app.view.prove;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.MenuButton;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import orbispace.app.AdasLessons;
import orbispace.app.desk.BeliefState;
import orbispace.app.desk.LessonState;
import orbispace.app.desk.Lessons;
import orbispace.app.view.WindowCase;
import orbispace.core.design.Design;
import orbispace.core.design.ReturnEdit;
import orbispace.core.ears.Belief;
import orbispace.core.prove.Finding;
import orbispace.core.prove.compare.BlindTrial;
import orbispace.files.FileProblem;
import orbispace.files.project.EarsFile;
import orbispace.files.project.LogJournal;
import orbispace.files.project.ProjectFile;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

class ProveScreenTest extends WindowCase {
    @BeforeEach
    void prove() {
        robot.interact(() -> {
            desk.prove().ownEars().keeping().keepIn(folder.resolve("own" + EarsFile.SUFFIX));
            window.show("Prove");
        });
        settle();
        until(this::isProven);
    }

    private boolean isProven() {
        var known = desk.prove().proving().proven().get();
        return known != null && known.design().equals(design()) && !desk.frame().jobs().busy();
    }

    private void change() {
        robot.interact(() -> desk.frame().edit(new ReturnEdit.Level("A", 3)));
        settle();
        until(this::isProven);
    }

    @Test
    void arrowKeysTurnPages() {
        key(KeyCode.DIGIT5);
        focusCalled("page Mono fold");
        key(KeyCode.RIGHT);
        until(this::showsWidth);
        key(KeyCode.LEFT);
        until(() -> !showsWidth());
    }

    @Test
    void arrowKeysChooseTheFoldAndKeepTheFocusWhereSpacePresses() {
        focusCalled("fold of the mix");
        key(KeyCode.RIGHT);
        var known = java.util.Objects.requireNonNull(desk.prove().proving().proven().get());
        var fold =
                java.util.Objects.requireNonNull(
                        known.folds().get(design().returns().getFirst().id()));
        String loss =
                orbispace.core.words.Wording.number(-fold.wholeLossDb().orElseThrow(), 1) + " dB";
        assertThat(labels()).contains(loss);
        key(KeyCode.SPACE);
        assertThat(desk.frame().transport().playing().get()).isFalse();
        key(KeyCode.LEFT);
        assertThat(labels()).doesNotContain(loss);
    }

    @Test
    void aLessonIsRunByKeysAndTellsNothingOfWhatIsHidden() {
        var lessons = desk.prove().ownEars().lessons();
        focusCalled("page Trial");
        key(KeyCode.RIGHT);
        drawn();
        Design before = design();
        pressByKey("Begin");
        until(() -> lessons.state().get() != null && round(lessons).ready());
        drawn();
        assertThat(labels()).anyMatch(l -> l.startsWith("In which is ") && l.endsWith("louder?"));
        key(KeyCode.RIGHT);
        assertThat(round(lessons).hearsFirst()).isFalse();
        key(KeyCode.LEFT);
        assertThat(round(lessons).hearsFirst()).isTrue();
        key(KeyCode.UP);
        key(KeyCode.DIGIT1);
        until(() -> round(lessons).round() == 2);
        assertThat(labels()).noneMatch(l -> l.contains("right") && l.contains("wrong"));
        key(KeyCode.ESCAPE);
        assertThat(robot.on(() -> lessons.state().get() == null)).isTrue();
        pressByKey("Begin");
        until(() -> lessons.state().get() != null && round(lessons).ready());
        // Whoever always says the same hears nothing, or ends unsure.
        while (round(lessons).taken().isEmpty()) {
            int at = round(lessons).round();
            until(() -> round(lessons).ready());
            key(KeyCode.DIGIT1);
            until(() -> round(lessons).taken().isPresent() || round(lessons).round() > at);
        }
        until(() -> desk.prove().ownEars().keeping().mine().size() == 1);
        drawn();
        assertThat(labels()).contains("Lesson done");
        assertThat(design()).isEqualTo(before);
        robot.interact(() -> {
            if (desk.frame().transport().playing().get()) {
                desk.frame().transport().togglePlaying();
            }
            desk.frame().transport().looping().set(false);
        });
        focusCalled("page Lesson");
        key(KeyCode.LEFT);
        drawn();
        assertThat(labels()).contains("Blind trial");
    }

    private BeliefState belief() {
        return java.util.Objects.requireNonNull(desk.prove().ownEars().beliefs().state().get());
    }

    @Test
    void aBeliefIsTriedByKeysAndToldAtItsEnd() {
        focusCalled("page Trial");
        key(KeyCode.RIGHT);
        key(KeyCode.RIGHT);
        drawn();
        assertThat(labels())
                .anyMatch(l -> l.startsWith("12 rounds, some two minutes. Guessing is right in 6"));
        Design before = design();
        pressByKey("Put on trial");
        until(() -> on(() -> desk.prove().ownEars().beliefs().state().get() != null));
        until(() -> belief().ready());
        drawn();
        assertThat(labels()).contains("Which one is X?");
        key(KeyCode.RIGHT);
        assertThat(belief().hears()).isFalse();
        key(KeyCode.UP);
        assertThat(belief().hears()).isNull();
        for (int i = 1; i <= Belief.ROUNDS; i++) {
            assertThat(labels()).noneMatch(l -> l.contains("guessing does as well"));
            key(i % 2 == 0 ? KeyCode.DIGIT1 : KeyCode.DIGIT2);
            int answered = i;
            until(() -> belief().answered() == answered);
        }
        drawn();
        assertThat(labels()).contains("Verdict").anyMatch(l -> l.contains("guessing does as well"));
        assertThat(design()).isEqualTo(before);
        robot.interact(() -> {
            desk.prove().ownEars().beliefs().end();
            desk.frame().transport().togglePlaying();
            desk.frame().transport().looping().set(false);
        });
        focusCalled("page Belief");
        key(KeyCode.LEFT);
        key(KeyCode.LEFT);
    }

    @Test
    void myEarsAreShownUsedWhenAskedAndTakenBackByOnePress() throws FileProblem {
        Path file = folder.resolve("mine" + EarsFile.SUFFIX);
        EarsFile.write(file, AdasLessons.of(12, -4));
        var keeping = desk.prove().ownEars().keeping();
        robot.interact(() -> {
            keeping.listens("Ada");
            keeping.keepIn(file);
        });
        until(() -> on(() -> keeping.mine().size() == 12));
        focusCalled("page Trial");
        key(KeyCode.RIGHT);
        key(KeyCode.RIGHT);
        key(KeyCode.RIGHT);
        drawn();
        assertThat(labels())
                .anyMatch(l -> l.startsWith("You hear 30 % more decay of Long pier in Chorus"))
                .anyMatch(
                        l -> l.startsWith("Borders by the ears of Ada, headphones, \u22121.3 dB"));
        Design before = design();
        pressByKey("Judge by my ears");
        settle();
        assertThat(labels()).contains("by the ears of Ada, headphones");
        assertThat(design().aims().hearing().borders().offsetDb()).isEqualTo(-1.25);
        robot.interact(() -> window.show("Clear"));
        settle();
        assertThat(labels()).contains("by the ears of Ada, headphones");
        robot.interact(() -> window.show("Prove"));
        settle();
        pressByKey("Back to the model's borders");
        settle();
        assertThat(design()).isEqualTo(before);
        assertThat(labels()).noneMatch(l -> l.startsWith("by the ears of"));
        robot.interact(() -> keeping.keepIn(folder.resolve("none" + EarsFile.SUFFIX)));
        focusCalled("page My ears");
        key(KeyCode.LEFT);
        key(KeyCode.LEFT);
        key(KeyCode.LEFT);
    }

    private static LessonState round(Lessons lessons) {
        return java.util.Objects.requireNonNull(lessons.state().get());
    }

    private boolean showsWidth() {
        return robot.lookup((Node n) -> shown(n) && "whose width".equals(n.getAccessibleText()))
                .tryQuery()
                .isPresent();
    }

    @Test
    void findingsAreShownPressedAndLeaveWhenTheyAreMended() {
        List<Finding> open = desk.prove().proving().open();
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
        assertThat(desk.prove().proving().open()).isNotEqualTo(open);
        key(KeyCode.Z, KeyCode.CONTROL);
        assertThat(design()).isEqualTo(before);
    }

    @Test
    void aFindingIsAcceptedWithAReasonThatIsKeptBesideTheFileAndInIt() throws FileProblem {
        Finding first = desk.prove().proving().open().getFirst();
        robot.interact(
                () -> ((Button) called("accept " + first.rule() + " " + first.subject())).fire());
        TextField why = (TextField) called("why " + first.rule());
        robot.interact(() -> {
            why.setText("the buoy may ring on");
            why.fireEvent(new javafx.event.ActionEvent());
        });
        assertThat(desk.prove().proving().open()).doesNotContain(first);
        assertThat(labels()).anyMatch(l -> l.startsWith("Accepted:") && l.contains("ring on"));
        until(() -> kept().contains("the buoy may ring on"));
        assertThat(on(() -> desk.frame().opening().save(project))).isTrue();
        ProjectFile file = ProjectFile.read(project);
        assertThat(file.logbook().entries().getLast().why()).isEqualTo("the buoy may ring on");
        assertThat(file.design()).isEqualTo(design());
    }

    private String kept() {
        try {
            return java.nio.file.Files.readString(LogJournal.fileOf(project));
        } catch (java.io.IOException e) {
            return "";
        }
    }

    @Test
    void aSnapshotIsTakenComparedWithAndRestored() {
        Design first = design();
        fire("Take a snapshot");
        assertThat(desk.prove().log().book().get().snapshots()).hasSize(1);
        change();
        MenuButton menu = (MenuButton) called("snapshots");
        assertThat(menu.getText()).isEqualTo("1 snapshot");
        assertThat(
                        desk.prove()
                                .log()
                                .differences(
                                        desk.prove().log().book().get().snapshots().getFirst()))
                .anyMatch(d -> d.subject().equals("return A") && d.label().equals("Return"));
        robot.interact(() -> {
            menu.getOnShowing().handle(null);
            menu.getItems().get(0).fire();
        });
        assertThat(desk.frame().pair().before().get()).isEqualTo(first);
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
        assertThat(desk.frame().problem().get()).contains("already");
    }

    private void item(String menu, String text) {
        MenuButton button = (MenuButton) called(menu);
        robot.interact(() -> {
            button.getOnShowing().handle(null);
            button.getItems().stream()
                    .filter(i -> text.equals(i.getText()))
                    .findFirst()
                    .orElseThrow()
                    .fire();
        });
    }

    @Test
    void anyTwoFieldsAreHeardAgainstEachOther() {
        Design whole = design();
        fire("Take a snapshot");
        item("what is heard before", "without A " + whole.requireReturn("A").name());
        settle();
        assertThat(desk.frame().pair().before().get().findReturn("A")).isEmpty();
        assertThat(desk.frame().pair().firstName()).startsWith("without A");
        assertThat(desk.frame().pair().otherName()).isEqualTo("As it stands");
        double apart =
                java.util.Objects.requireNonNull(desk.frame().measured().mix().get())
                        .differenceLu();
        assertThat(apart).isPositive();
        var mix = java.util.Objects.requireNonNull(desk.frame().measured().mix().get());
        assertThat(mix.pair().span()).isEqualTo(desk.frame().span());
        assertThat(mix.pair().beforeLufs().orElseThrow() + mix.matchDb(true))
                .isCloseTo(
                        mix.pair().otherLufs().orElseThrow() + mix.matchDb(false),
                        org.assertj.core.api.Assertions.within(1e-9));
        change();
        item("what is heard after", "Snapshot 1");
        settle();
        assertThat(desk.frame().pair().after()).isEqualTo(whole);
        assertThat(design()).isNotEqualTo(whole);
        item("what is heard before", "Snapshot 1");
        settle();
        assertThat(desk.frame().pair().same()).isTrue();
        robot.interact(() -> desk.frame().edit(new ReturnEdit.Level("A", -2)));
        assertThat(desk.frame().pair().after()).isEqualTo(design());
    }

    @Test
    void theFoldOfEachReturnIsShownAndHeard() {
        assertThat(labels()).anyMatch(l -> l.contains("notch"));
        for (var r : design().returns()) {
            robot.interact(() -> ((ButtonBase) called("fold of return " + r.id())).fire());
            var known = java.util.Objects.requireNonNull(desk.prove().proving().proven().get());
            var fold = java.util.Objects.requireNonNull(known.folds().get(r.id()));
            double loss = fold.wholeLossDb().orElseThrow();
            var facts = java.util.Objects.requireNonNull(known.returns().get(r.id()));
            double told = facts.stereo().monoFoldLossDb().orElseThrow();
            assertThat(loss).isCloseTo(told, org.assertj.core.api.Assertions.within(0.2));
            assertThat(labels()).contains(orbispace.core.words.Wording.number(-loss, 1) + " dB");
        }
        fire("hear it folded");
        assertThat(desk.frame().transport().mono().get()).isTrue();
    }

    @Test
    void theMixIsHeldAgainstAFinishedTrackAndFlipped() throws FileProblem {
        java.nio.file.Path track = folder.resolve("old-quay.wav");
        orbispace.files.sound.WavWriter.write(
                track,
                orbispace.app.Songs.drum(),
                orbispace.files.sound.WavWriter.Depth.BITS_24,
                "");
        robot.interact(() -> desk.frame().references().add(track));
        until(() -> desk.frame().references().held().get() != null);
        var held = java.util.Objects.requireNonNull(desk.frame().references().held().get());
        double mix = held.mix().loudness().integratedLufs().orElseThrow();
        double other = held.track().loudness().integratedLufs().orElseThrow();
        assertThat(held.difference().trackGainDb() + other)
                .isCloseTo(
                        mix + held.difference().mixGainDb(),
                        org.assertj.core.api.Assertions.within(1e-9));
        assertThat(labels()).anyMatch(l -> l.contains("weaker") || l.contains("stronger"));
        focusCalled("reference track");
        key(KeyCode.R);
        assertThat(desk.frame().references().hearing().get()).isTrue();
        key(KeyCode.R);
        assertThat(desk.frame().references().hearing().get()).isFalse();
        robot.interact(() -> desk.frame().references().from(900));
        assertThat(desk.frame().problem().get()).contains("old-quay can be begun from 0 to");
        robot.interact(() -> desk.frame().references().add(folder.resolve("none.wav")));
        until(() -> desk.frame().problem().get().contains("none.wav"));
        assertThat(desk.frame().references().held().get()).isEqualTo(held);
        robot.interact(() -> desk.frame().opening().save(project));
        assertThat(ProjectFile.read(project).references()).containsExactly("old-quay.wav");
        item("reference track", "Let old-quay go");
        assertThat(desk.frame().references().held().get()).isNull();
    }

    @Test
    void aBlindTrialIsRunByKeysAndTellsNothingBeforeItsEnd() {
        change();
        robot.interact(() -> desk.prove().proving().beginTrial(BlindTrial.Kind.WHICH, 8));
        focusCalled("blind trial");
        assertThat(labels()).contains("Which one is X?");
        BlindTrial trial = java.util.Objects.requireNonNull(desk.prove().proving().trial().get());
        for (int i = 0; i < 8; i++) {
            assertThat(desk.frame().transport().blind().get()).isEqualTo(trial.hiddenIsA());
            key(KeyCode.LEFT);
            assertThat(desk.frame().transport().blind().get()).isTrue();
            key(KeyCode.RIGHT);
            assertThat(desk.frame().transport().blind().get()).isFalse();
            key(KeyCode.X);
            assertThat(desk.frame().transport().blind().get()).isEqualTo(trial.hiddenIsA());
            assertThat(labels()).noneMatch(l -> l.contains("right"));
            key(trial.hiddenIsA() ? KeyCode.DIGIT1 : KeyCode.DIGIT2);
        }
        assertThat(desk.frame().transport().blind().get()).isNull();
        assertThat(labels()).anyMatch(l -> l.contains("8 of 8 right"));
        assertThat(desk.prove().log().book().get().entries().getLast().what())
                .contains("8 of 8 right");
        key(KeyCode.DIGIT1);
        drawn();
        assertThat(labels()).anyMatch(l -> l.contains("8 of 8 right"));
    }

    @Test
    void aTrialThatIsBrokenOffTellsNothing() {
        change();
        robot.interact(() -> desk.prove().proving().beginTrial(BlindTrial.Kind.PREFERENCE, 8));
        focusCalled("blind trial");
        key(KeyCode.DIGIT1);
        key(KeyCode.ESCAPE);
        assertThat(desk.prove().proving().trial().get()).isNull();
        assertThat(desk.frame().transport().blind().get()).isNull();
        assertThat(desk.prove().log().book().get().entries()).isEmpty();
        assertThat(labels()).contains("Blind trial");
    }

    @Test
    void aTrialEndsWhenOneOfItsFieldsIsChanged() {
        change();
        robot.interact(() -> desk.prove().proving().beginTrial(BlindTrial.Kind.WHICH, 8));
        robot.interact(() -> desk.frame().edit(new ReturnEdit.Level("A", 1)));
        assertThat(desk.prove().proving().trial().get()).isNull();
        assertThat(desk.frame().transport().blind().get()).isNull();
        assertThat(desk.frame().problem().get()).contains("blind trial has ended");
        assertThat(desk.prove().log().book().get().entries())
                .noneMatch(e -> e.what().startsWith("Blind trial"));
    }

    @Test
    void whatWasListenedToIsCountedCalibratedAndPutAway() {
        assertThat(labels()).anyMatch(l -> l.contains("Ears: 0 h 0 min listened"));
        robot.interact(() -> desk.frame().transport().togglePlaying());
        double from = desk.frame().transport().position().get();
        until(() -> {
            desk.frame().transport().refresh();
            return desk.frame().transport().position().get() > from + 0.3;
        });
        robot.interact(() -> desk.frame().transport().togglePlaying());
        until(() -> desk.frame().ears().exposure().get().seconds() > 0.2);
        TextField meter = (TextField) called("reading of a sound-level meter");
        robot.interact(() -> {
            meter.setText("loud");
            meter.fireEvent(new javafx.event.ActionEvent());
        });
        assertThat(desk.frame().problem().get()).contains("a level like 79");
        robot.interact(() -> {
            meter.setText("79");
            meter.fireEvent(new javafx.event.ActionEvent());
        });
        assertThat(labels()).anyMatch(l -> l.contains("at about 79 dB"));
        fire("I have rested");
        assertThat(desk.frame().ears().exposure().get().sinceRestSeconds()).isZero();
        fire("Put away");
        assertThat(labels()).noneMatch(l -> l.contains("Ears:"));
    }

    @Test
    void aChangeThatStaysIsNotedByItself() {
        change();
        until(() -> !desk.prove().log().book().get().entries().isEmpty());
        var entry = desk.prove().log().book().get().entries().getLast();
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
