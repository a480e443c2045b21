package orbispace.app.desk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import orbispace.app.Songs;
import orbispace.app.session.LogKeeping;
import orbispace.app.session.RecentProjects;
import orbispace.app.song.Clearance;
import orbispace.core.design.Design;
import orbispace.core.design.GroupEdit;
import orbispace.core.design.PlanCell;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Section;
import orbispace.core.design.SongEdit;
import orbispace.core.design.Space;
import orbispace.core.design.Throw;
import orbispace.core.plan.ThrowConflict;
import orbispace.core.plan.ThrowCourse;
import orbispace.core.plan.Words;
import orbispace.core.prove.compare.BlindTrial;
import orbispace.core.time.Span;
import orbispace.files.project.ProjectFile;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Planning, throwing and proving without a window; phrases of two seconds from 0, 3 and 6 s. */
class PlannedSongTest {
    @TempDir Path folder;

    private final UiLoop ui = new UiLoop();
    private final Desk desk = new Desk(ui, RecentProjects.inMemory(), Songs.facts());
    private final Planning planning = desk.plan().planning();
    private final Throwing throwing = desk.plan().throwing();
    private final Proving proving = desk.prove().proving();
    private final LogKeeping log = desk.prove().log();

    @BeforeEach
    void open() throws IOException, InterruptedException {
        desk.frame().opening().open(Songs.write(folder));
        settle();
        desk.frame()
                .edit(
                        new SongEdit(
                                design().song()
                                        .withSections(
                                                List.of(
                                                        new Section("Verse", 1, 2),
                                                        new Section("Chorus", 3, 2),
                                                        new Section("End", 5, 1))),
                                "form"));
        desk.frame().selection().returnId().set("A");
        planning.choose(design().song().sections().getFirst());
        settle();
    }

    @Test
    void thePlanIsMeasuredAnewWhenAnotherSourceIsJudged() throws InterruptedException {
        planning.measure();
        ui.until(() -> planning.measured().get() != null);
        PlanMeasured voice = java.util.Objects.requireNonNull(planning.measured().get());
        assertThat(voice.sourceId()).isEqualTo("lead-voice");
        assertThat(planning.isCurrent(voice)).isTrue();
        desk.clear().clearing().judge("pad");
        assertThat(planning.isCurrent(voice)).isFalse();
        settle();
        planning.measure();
        ui.until(() ->
                planning.measured().get() != null
                        && planning.measured().get().sourceId().equals("pad"));
    }

    @AfterEach
    void close() {
        desk.close();
    }

    private void settle() throws InterruptedException {
        ui.until(() -> {
            Clearance c = desk.frame().measured().clearance().get();
            return c != null && c.design().equals(design()) && !desk.frame().jobs().busy();
        });
    }

    private Design design() {
        return desk.frame().design().get();
    }

    private double level(int section) {
        return design().song().sections().get(section).plan().cell("A").levelDb();
    }

    private Throw thrown() {
        return design().thrown().getFirst();
    }

    private String echo() {
        return design().returns().stream()
                .filter(r -> r.space() instanceof Space.Echo)
                .map(r -> r.id())
                .findFirst()
                .orElseThrow();
    }

    @Test
    void sectionsAreChosenTogetherAndChangedAsOne() {
        planning.toggle(design().song().sections().get(2));
        assertThat(planning.along().get()).isEqualTo(Set.of(5));
        planning.change(c -> c.withLevel(-3), "level");
        assertThat(List.of(level(0), level(1), level(2))).containsExactly(-3.0, 0.0, -3.0);
        desk.frame().editor().undo();
        assertThat(level(0)).isZero();
        planning.toggle(design().song().sections().get(2));
        assertThat(planning.along().get()).isEmpty();
        planning.toggle(design().song().sections().getFirst());
        assertThat(planning.isChosen(design().song().sections().getFirst())).isTrue();
        planning.chooseAll();
        planning.changeSends(List.of("lead-voice", "pad"), -2);
        planning.changeSends(List.of("lead-voice"), -0.5);
        assertThat(design().song().sections())
                .allMatch(s -> s.plan().sendDb("A", "lead-voice") == -2.5)
                .allMatch(s -> s.plan().sendDb("A", "pad") == -2);
    }

    @Test
    void aHandIsOneStepAndAWrongValueLeavesThePlan() {
        Object gesture = new Object();
        planning.drag(c -> c.withLevel(-1), gesture);
        planning.drag(c -> c.withLevel(-4), gesture);
        desk.frame().settle();
        assertThat(level(0)).isEqualTo(-4);
        desk.frame().editor().undo();
        assertThat(level(0)).isZero();
        planning.change(c -> c.withLevel(90), "level");
        assertThat(level(0)).isZero();
        assertThat(desk.frame().problem().get()).contains("level offset");
        desk.frame().selection().returnId().set("Z");
        planning.change(c -> c.withLevel(-1), "level");
        assertThat(planning.cell()).isEqualTo(PlanCell.PLAIN);
    }

    @Test
    void aColumnIsCopiedAndThePlanIsMeasured() throws InterruptedException {
        planning.change(c -> c.withLevel(-6).withMuted(true), "level");
        planning.copy();
        planning.choose(design().song().sections().get(1));
        planning.paste();
        assertThat(design().song().sections().get(1).plan().cell("A").muted()).isTrue();
        settle();
        planning.measure();
        ui.until(() -> planning.measured().get() != null && !desk.frame().jobs().busy());
        PlanMeasured m = Objects.requireNonNull(planning.measured().get());
        assertThat(m.sones()).hasSize(3).allMatch(x -> x > 0);
        assertThat(m.shares()).containsOnlyKeys("A", "B");
        double fixed = Objects.requireNonNull(m.shares().get("A")).get(0);
        assertThat(fixed).isLessThan(Objects.requireNonNull(m.shares().get("A")).get(2) + 1e-9);
    }

    @Test
    void whatCanBePickedDependsOnTheSource() {
        assertThat(throwing.picking().words().phrases()).hasSize(3);
        Words strokes = throwing.picking().words(design().findSource("drum").orElseThrow());
        assertThat(strokes.words()).hasSize(18);
        Words bars = throwing.picking().words(design().findSource("pad").orElseThrow());
        assertThat(bars.phrases().getFirst().seconds()).isCloseTo(2, within(0.3));
        throwing.picking().pickPhrase(4);
        Span second = Objects.requireNonNull(throwing.picking().picked().get());
        assertThat(second.startSeconds()).isCloseTo(3, within(0.05));
        throwing.picking().grow();
        assertThat(Objects.requireNonNull(throwing.picking().picked().get()).seconds())
                .isGreaterThan(second.seconds());
        throwing.picking().pick(second);
        throwing.picking().lastWord();
        assertThat(Objects.requireNonNull(throwing.picking().picked().get()).endSeconds())
                .isCloseTo(second.endSeconds(), within(0.01));
        throwing.picking().wholePhrase();
        assertThat(throwing.picking().picked().get()).isEqualTo(second);
        throwing.picking().pick(null);
        assertThat(throwing.chosen()).isEmpty();
    }

    @Test
    void aThrowIsFittedShutLaidElsewhereAndChosenByItsConflict() {
        desk.frame().selection().returnId().set(echo());
        throwing.picking().pickPhrase(0);
        throwing.throwPicked();
        throwing.trail(t -> t.withFeedback(0.9));
        assertThat(throwing.courses().conflicts())
                .extracting(ThrowConflict::kind)
                .contains(ThrowConflict.Kind.RUNS_ON);
        throwing.picking().pick(null);
        throwing.nextConflict();
        assertThat(throwing.chosen()).contains(thrown());
        throwing.fit();
        ThrowCourse fitted = throwing.courses().of(thrown()).orElseThrow();
        assertThat(fitted.runningOn() == 0 || !fitted.hasRoom()).isTrue();
        throwing.shutAtNext(true);
        assertThat(thrown().trail().untilBeat()).isCloseTo(6, within(0.1));
        throwing.shutAtNext(false);
        assertThat(thrown().trail().untilBeat()).isNull();
        throwing.change(t -> t.withFades(0, 5));
        assertThat(desk.frame().problem().get()).contains("fade");
        Span third = throwing.picking().words().phrases().getLast();
        Throw before = thrown();
        throwing.rideOverWords();
        double snapped = throwing.snapped(thrown(), 1.99);
        assertThat(snapped).isCloseTo(thrown().toBeat(), within(0.05));
        throwing.choose(before);
        throwing.change(t -> t.withRide(List.of()));
        desk.plan().throwing().picking().pick(third);
        throwing.choose(thrown());
        throwing.overPicked();
        assertThat(thrown().fromBeat()).isEqualTo(before.fromBeat());
        throwing.remove();
        assertThat(design().thrown()).isEmpty();
    }

    @Test
    void aFoldedGroupIsThrownAsOne() {
        desk.frame().edit(new GroupEdit.Join(Set.of("lead-voice", "pad"), "Song"));
        desk.frame().selection().returnId().set(echo());
        throwing.picking().pickPhrase(0);
        throwing.throwPicked();
        assertThat(design().thrown()).extracting(Throw::sourceId).containsExactly("lead-voice");
        desk.frame().editor().undo();
        desk.frame().selection().toggleFolded("Song");
        throwing.throwPicked();
        assertThat(design().thrown())
                .extracting(Throw::sourceId)
                .containsExactlyInAnyOrder("lead-voice", "pad");
        assertThat(design().thrown()).extracting(Throw::fromBeat).containsOnly(thrown().fromBeat());
        assertThat(throwing.chosen().orElseThrow().sourceId()).isEqualTo("lead-voice");
        desk.frame().editor().undo();
        assertThat(design().thrown()).as("one step").isEmpty();
    }

    @Test
    void ideasLeaveOutWhatIsThrownAlready() {
        int ideas = throwing.courses().ideas().size();
        assertThat(ideas).isPositive();
        desk.frame().selection().returnId().set(echo());
        throwing.take(throwing.courses().ideas().getFirst());
        assertThat(throwing.courses().ideas()).hasSize(ideas - 1);
        desk.frame().selection().returnId().set("Z");
        throwing.throwPicked();
        assertThat(design().thrown()).hasSize(1);
        assertThat(desk.frame().problem().get()).contains("no return is chosen");
    }

    @Test
    void snapshotsAreNamedComparedAndRestored() throws InterruptedException {
        assertThat(log.freshName()).isEqualTo("Snapshot 1");
        log.snapshot(log.freshName());
        Design first = design();
        assertThat(log.freshName()).isEqualTo("Snapshot 2");
        desk.frame().edit(new ReturnEdit.Level("A", -1));
        settle();
        var kept = log.book().get().snapshots().getFirst();
        assertThat(kept.measures().integratedLufs()).isPresent();
        assertThat(log.differences(kept)).isNotEmpty();
        log.compareWith(kept);
        assertThat(desk.frame().pair().before().get()).isEqualTo(first);
        log.restore(kept);
        assertThat(design()).isEqualTo(first);
        log.forget(kept);
        assertThat(log.book().get().snapshots()).isEmpty();
        log.snapshot(" ");
        assertThat(desk.frame().problem().get()).contains("needs a name");
    }

    @Test
    void theLogNotesWhatChangedWithItsReasonOnce() {
        log.log();
        int before = log.book().get().entries().size();
        desk.frame().edit(new ReturnEdit.Level("A", -1));
        log.log();
        log.log();
        var entries = log.book().get().entries();
        assertThat(entries).hasSize(before + 1);
        assertThat(entries.getLast().what()).isEqualTo("return A Return");
        assertThat(entries.getLast().to()).startsWith("\u22121.0 dB");
        log.note("  ");
        assertThat(log.book().get().entries()).hasSize(before + 1);
        log.note("the hall waits");
        assertThat(log.search("WAITS")).hasSize(1);
    }

    @Test
    void theLogIsKeptBesideTheFileAndGoesIntoItWhenItIsSaved() throws Exception {
        Path file = Objects.requireNonNull(desk.frame().kept().file().get());
        String saved = Files.readString(file);
        log.note("first");
        desk.frame().edit(new ReturnEdit.Level("A", -1));
        log.note("second");
        for (int i = 0; i < 500 && !journal(file).contains("second"); i++) {
            Thread.sleep(10);
        }
        assertThat(journal(file)).contains("first", "second");
        assertThat(Files.readString(file)).isEqualTo(saved);
        assertThat(desk.frame().opening().save(file)).isTrue();
        ProjectFile read = ProjectFile.read(file);
        assertThat(read.design().requireReturn("A").levelDb()).isEqualTo(-1);
        assertThat(read.logbook().search("first")).hasSize(1);
        assertThat(read.logbook().search("second")).hasSize(1);
        assertThat(desk.frame().editor().dirty().get()).isFalse();
    }

    private static String journal(Path project) throws IOException {
        Path file = orbispace.files.project.LogJournal.fileOf(project);
        return Files.exists(file) ? Files.readString(file) : "";
    }

    @Test
    void aProposalIsNotedWithItsReasonApartFromWhatFollows() {
        log.log();
        int before = log.book().get().entries().size();
        desk.frame().edit(new ReturnEdit.Level("A", -1), "lower it: the voice drowns");
        desk.frame().edit(new ReturnEdit.Level("A", -3));
        log.log();
        var entries = log.book().get().entries();
        assertThat(entries).hasSize(before + 2);
        assertThat(entries.get(before).why()).isEqualTo("lower it: the voice drowns");
        assertThat(entries.get(before).to()).startsWith("\u22121.0 dB");
        assertThat(entries.get(before + 1).why()).isEmpty();
        log.because(entries.get(before + 1), " by ear ");
        assertThat(log.book().get().entries().get(before + 1).why()).isEqualTo("by ear");
        desk.frame().edit(new ReturnEdit.Level("A", -5), "never mind");
        desk.frame().editor().undo();
        log.log();
        assertThat(log.book().get().entries()).hasSize(before + 2);
    }

    @Test
    void theLogLeavesAloneWhatAnotherProgramWroteIntoTheFile() throws Exception {
        Path file = Objects.requireNonNull(desk.frame().kept().file().get());
        Files.writeString(file, "broken");
        log.note("beside it");
        for (int i = 0; i < 500 && !journal(file).contains("beside it"); i++) {
            Thread.sleep(10);
        }
        assertThat(journal(file)).contains("beside it");
        assertThat(Files.readString(file)).isEqualTo("broken");
        assertThat(log.search("beside it")).hasSize(1);
    }

    @Test
    void aSnapshotIsRenamedAndNoted() {
        log.snapshot("Ebb");
        log.snapshot("Flood");
        var ebb = log.book().get().snapshots().getFirst();
        assertThat(log.rename(ebb, "flood", "")).isFalse();
        assertThat(desk.frame().problem().get()).contains("the same name");
        assertThat(log.rename(ebb, "Low water", "before the bridge")).isTrue();
        assertThat(log.snapshots("BRIDGE").getFirst().name()).isEqualTo("Low water");
        assertThat(log.snapshots("")).hasSize(2);
    }

    @Test
    void aPreferencePlaysTheTwoInTheHiddenOrder() {
        proving.beginTrial(BlindTrial.Kind.PREFERENCE, 8);
        BlindTrial trial = Objects.requireNonNull(proving.trial().get());
        for (int i = 0; i < 8; i++) {
            boolean firstIsA = trial.hiddenIsA();
            proving.hear(true);
            assertThat(desk.frame().transport().blind().get()).isEqualTo(firstIsA);
            proving.hear(false);
            assertThat(desk.frame().transport().blind().get()).isEqualTo(!firstIsA);
            // The field now is always liked better.
            proving.answer(!firstIsA);
        }
        BlindTrial.Result result = trial.result().orElseThrow();
        assertThat(result.count()).isZero();
        assertThat(result.words()).contains("B is liked better");
        assertThat(desk.frame().transport().blind().get()).isNull();
        proving.answer(true);
        assertThat(trial.answered()).isEqualTo(8);
        proving.endTrial();
        assertThat(proving.trial().get()).isNull();
    }
}
