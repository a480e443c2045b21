package orbispace.app.desk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import orbispace.app.Songs;
import orbispace.app.session.RecentProjects;
import orbispace.app.song.Clearance;
import orbispace.app.song.EventChoice;
import orbispace.app.song.FieldEvents;
import orbispace.app.song.HandOver;
import orbispace.app.song.Material;
import orbispace.app.song.MixMeasure;
import orbispace.app.song.NewSong;
import orbispace.app.song.Reasons;
import orbispace.app.song.ReturnPicture;
import orbispace.core.clear.Proposal;
import orbispace.core.design.Design;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Role;
import orbispace.core.design.Source;
import orbispace.core.design.Space;
import orbispace.core.render.Listen;
import orbispace.core.time.NoteValue;
import orbispace.core.time.Span;
import orbispace.files.FileProblem;
import orbispace.files.midi.ControllerTable;
import orbispace.files.project.ProjectFile;
import orbispace.files.sound.SoundReader;
import orbispace.files.sound.WavWriter;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class DeskTest {
    @TempDir Path folder;

    private final UiLoop ui = new UiLoop();
    private final Desk desk = new Desk(ui, RecentProjects.inMemory(), Songs.facts());
    private Path project = Path.of(".");

    @BeforeEach
    void open() throws IOException, InterruptedException {
        project = Songs.write(folder);
        desk.frame().opening().open(project);
        settle();
    }

    @AfterEach
    void close() {
        desk.close();
    }

    private void settle() throws InterruptedException {
        ui.until(() ->
                desk.frame().measured().clearance().get() != null && !desk.frame().jobs().busy());
    }

    private double decay() {
        return desk.frame().design().get().requireReturn("A").space() instanceof Space.Reverb h
                ? h.decaySeconds()
                : 0;
    }

    @Test
    void openingMeasuresStemsReturnsMixAndCover() {
        assertThat(desk.frame().measured().materials()).hasSize(3);
        Material lead =
                Objects.requireNonNull(desk.frame().measured().materials().get("lead-voice"));
        assertThat(lead.phrases().orElseThrow().spans()).hasSize(3);
        Material drum = Objects.requireNonNull(desk.frame().measured().materials().get("drum"));
        assertThat(drum.hits().orElseThrow().intervalSeconds(0.5)).isCloseTo(0.5, within(0.01));
        assertThat(desk.frame().measured().pictures()).containsOnlyKeys("A", "B");
        MixMeasure mix = Objects.requireNonNull(desk.frame().measured().mix().get());
        assertThat(mix.differenceLu()).isZero();
        Clearance clearance = Objects.requireNonNull(desk.frame().measured().clearance().get());
        assertThat(clearance.pairs()).containsOnlyKeys("A", "B");
        assertThat(desk.frame().editor().dirty().get()).isFalse();
        assertThat(desk.frame().kept().recent().list())
                .containsExactly(project.toAbsolutePath().normalize());
    }

    @Test
    void editsAreUndoneRedoneAndMarkTheProject() {
        double was = decay();
        assertThat(desk.frame().edit(new ReturnEdit.Decay("A", 3))).isTrue();
        assertThat(desk.frame().editor().dirty().get()).isTrue();
        assertThat(desk.frame().editor().undoLabel().get()).isEqualTo("decay of A");
        desk.frame().editor().undo();
        assertThat(decay()).isEqualTo(was);
        assertThat(desk.frame().editor().dirty().get()).isFalse();
        desk.frame().editor().redo();
        assertThat(decay()).isEqualTo(3);
    }

    @Test
    void aRefusedEditChangesNothingAndSaysWhy() {
        Design before = desk.frame().design().get();
        assertThat(desk.frame().edit(new ReturnEdit.Decay("A", 99))).isFalse();
        assertThat(desk.frame().design().get()).isSameAs(before);
        assertThat(desk.frame().problem().get()).contains("decay 99.0", "0.1 to 20");
        desk.frame().edit(new ReturnEdit.Decay("A", 2));
        assertThat(desk.frame().problem().get()).isEmpty();
    }

    @Test
    void aDragIsOneStep() throws InterruptedException {
        double was = decay();
        Object gesture = new Object();
        for (int i = 1; i <= 20; i++) {
            desk.frame().drag(new ReturnEdit.Decay("A", 1 + 0.1 * i), gesture);
        }
        desk.frame().settle();
        settle();
        assertThat(decay()).isCloseTo(3, within(1e-9));
        desk.frame().editor().undo();
        assertThat(decay()).isEqualTo(was);
    }

    @Test
    void theMeasuredPictureFollowsADecay() throws InterruptedException {
        desk.frame().edit(new ReturnEdit.Decay("A", 3));
        settle();
        ReturnPicture picture = picture("A");
        assertThat(picture.decaySeconds()).isEqualTo(3);
        double half = picture.curve().secondsAt(-30) - picture.curve().secondsAt(-10);
        assertThat(half).isCloseTo(1, within(0.12));
    }

    @Test
    void aPictureThatIsKnownComesBackWithUndoAndIsNotMeasuredTwice() throws InterruptedException {
        Object before = picture("A");
        desk.frame().edit(new ReturnEdit.Decay("A", 3));
        settle();
        assertThat(picture("A")).isNotEqualTo(before);
        desk.frame().editor().undo();
        settle();
        assertThat(picture("A")).isSameAs(before);
        desk.frame().edit(new ReturnEdit.Predelay("A", new MusicalTime.Millis(90), 1));
        settle();
        assertThat(picture("A").predelaySeconds()).isCloseTo(0.09, within(1e-9));
    }

    private ReturnPicture picture(String id) {
        return Objects.requireNonNull(desk.frame().measured().pictures().get(id));
    }

    @Test
    void arrivalsOfTheEchoAreMeasuredWhereTheyAreSet() {
        ReturnPicture picture = picture("B");
        assertThat(picture.arrivals().size()).isGreaterThan(3);
        assertThat(picture.arrivals().get(0).seconds()).isCloseTo(0.75, within(1e-9));
        assertThat(picture.arrivals().get(0).bearingDegrees()).isCloseTo(-63, within(4.0));
        assertThat(picture.arrivals().get(1).bearingDegrees()).isCloseTo(63, within(4.0));
        assertThat(picture.arrivals().get(1).levelDb())
                .isCloseTo(20 * Math.log10(0.3), within(1.5));
    }

    @Test
    void aRemedyDoesWhatItPromisedAndIsTakenBack() throws InterruptedException {
        desk.frame().edit(new ReturnEdit.Level("A", 4));
        desk.clear().wantsRemedies().set(true);
        ui.until(() -> {
            Clearance c = desk.frame().measured().clearance().get();
            return c != null
                    && c.design().equals(desk.frame().design().get())
                    && !c.proposals().isEmpty()
                    && !desk.frame().jobs().busy();
        });
        Clearance before = Objects.requireNonNull(desk.frame().measured().clearance().get());
        Proposal duck =
                Objects.requireNonNull(before.proposals().get("A")).stream()
                        .filter(p -> p.edit() instanceof ReturnEdit.Ducking)
                        .findFirst()
                        .orElseThrow();
        ReturnEdit inverse = duck.edit().inverse(desk.frame().design().get());
        desk.frame().edit(duck.edit());
        ui.until(() -> {
            Clearance c = desk.frame().measured().clearance().get();
            return c != null
                    && c.design().equals(desk.frame().design().get())
                    && !desk.frame().jobs().busy();
        });
        double now =
                Objects.requireNonNull(desk.frame().measured().clearance().get())
                        .pair("A")
                        .orElseThrow()
                        .cover()
                        .presenceKept()
                        .orElseThrow();
        assertThat(now).isCloseTo(duck.after().presenceKept().orElseThrow(), within(0.005));
        desk.frame().edit(inverse);
        assertThat(desk.frame().design().get()).isEqualTo(before.design());
    }

    @Test
    void beforeAndAfterAreMatchedByTurningTheLouderDown() throws InterruptedException {
        desk.frame().edit(new ReturnEdit.Level("A", 10));
        settle();
        MixMeasure mix = Objects.requireNonNull(desk.frame().measured().mix().get());
        assertThat(mix.differenceLu()).isPositive();
        assertThat(mix.matchDb(false)).isCloseTo(-mix.differenceLu(), within(1e-9));
        assertThat(mix.matchDb(true)).isZero();
        desk.frame().pair().keepAsBefore();
        settle();
        assertThat(Objects.requireNonNull(desk.frame().measured().mix().get()).differenceLu())
                .isZero();
    }

    @Test
    void whatIsSavedIsFoundAgainAlsoFromAnotherFolder() throws IOException, InterruptedException {
        desk.frame()
                .edit(
                        new ReturnEdit.Predelay(
                                "A",
                                new MusicalTime.Note(NoteValue.parse("1/32").orElseThrow(), 0),
                                1));
        Design edited = desk.frame().design().get();
        assertThat(desk.frame().opening().save(project)).isTrue();
        assertThat(desk.frame().editor().dirty().get()).isFalse();
        assertThat(ProjectFile.read(project).design().returns()).isEqualTo(edited.returns());

        Path elsewhere =
                Files.createDirectories(folder.resolve("copy"))
                        .resolve("moved" + ProjectFile.SUFFIX);
        assertThat(desk.frame().opening().save(elsewhere)).isTrue();
        desk.frame().opening().open(elsewhere);
        ui.until(() -> elsewhere.equals(desk.frame().kept().file().get()));
        settle();
        assertThat(desk.frame().measured().materials()).hasSize(3);
        assertThat(desk.frame().problem().get()).isEmpty();
    }

    @Test
    void aFailedSaveKeepsTheDesignAndTheFile() throws IOException {
        byte[] kept = Files.readAllBytes(project);
        desk.frame().edit(new ReturnEdit.Decay("A", 2.7));
        Path impossible = folder.resolve("no").resolve("such").resolve("x.orbispace.json");
        assertThat(desk.frame().opening().save(impossible)).isFalse();
        assertThat(desk.frame().problem().get()).contains("folder does not exist");
        assertThat(desk.frame().editor().dirty().get()).isTrue();
        assertThat(decay()).isEqualTo(2.7);
        assertThat(Files.readAllBytes(project)).isEqualTo(kept);
    }

    @Test
    void aProjectThatCannotBeOpenedLeavesTheOpenOneAlone()
            throws IOException, InterruptedException {
        Path broken = folder.resolve("broken.orbispace.json");
        Files.writeString(broken, "{\"orbispace\": 1, \"song\": 5}");
        Design open = desk.frame().design().get();
        desk.frame().opening().open(broken);
        ui.until(() -> !desk.frame().problem().get().isEmpty());
        assertThat(desk.frame().problem().get()).contains("broken.orbispace.json", "song");
        assertThat(desk.frame().design().get()).isSameAs(open);
    }

    @Test
    void aMissingStemIsNamedAndTheRestIsUsable() throws IOException, InterruptedException {
        Files.delete(folder.resolve("pad.wav"));
        desk.frame().opening().open(project);
        ui.until(() -> desk.frame().problem().get().contains("pad.wav"));
        settle();
        assertThat(desk.frame().measured().materials()).containsOnlyKeys("lead-voice", "drum");
    }

    @Test
    void choosingASectionMovesSpanAndBar() {
        var sections = desk.frame().design().get().song().sections();
        desk.frame().selection().section().set(sections.getFirst());
        assertThat(desk.frame().span().endSeconds()).isCloseTo(10, within(0.01));
        desk.frame().selection().section().set(null);
        assertThat(desk.frame().span().startSeconds()).isZero();
        assertThat(desk.frame().selection().bar()).isEqualTo(1);
    }

    @Test
    void reasonsHaveThisSongsValuesInThem() {
        desk.frame().selection().returnId().set("A");
        assertThat(desk.frame().reasons().decay())
                .contains("dB down when the voice returns", "s gap");
        assertThat(desk.frame().reasons().predelay()).contains("1/64 = 31.3 ms");
        desk.frame().selection().returnId().set("B");
        assertThat(desk.frame().reasons().echo())
                .contains("1/4. = 750.0 ms at 120 bpm", "arrivals");
        desk.frame().edit(new ReturnEdit.EchoTime("B", new MusicalTime.Millis(760), 1));
        assertThat(desk.frame().reasons().echo())
                .contains("10.0 ms from 1/4. ")
                .doesNotContain("..");
        assertThat(
                        Reasons.fixedTimes(
                                desk.frame().design().get().song(),
                                desk.frame().design().get().requireReturn("B")))
                .isEmpty();
    }

    @Test
    void ringsAreTheVoicesRestsAndTheNextHit() {
        List<FieldEvents.Ring> rings =
                FieldEvents.of(desk.frame().design().get(), desk.frame().measured().materials());
        assertThat(rings).hasSize(2);
        assertThat(rings.get(0).middleSeconds()).isCloseTo(1.0, within(0.06));
        assertThat(rings.get(1).middleSeconds()).isCloseTo(0.5, within(0.01));
        assertThat(FieldEvents.of(desk.frame().design().get(), java.util.Map.of())).isEmpty();
    }

    @Test
    void ringsCanBeOfAnySourceAndOfTheSectionAlone() {
        Design design = desk.frame().design().get();
        var measured = desk.frame().measured().materials();
        String drum = FieldEvents.hitsSource(design, measured).orElseThrow().id();
        EventChoice choice = EventChoice.USUAL.toggled(drum);
        assertThat(FieldEvents.of(design, measured, choice, null))
                .singleElement()
                .satisfies(r -> assertThat(r.middleSeconds()).isCloseTo(0.5, within(0.01)));
        EventChoice here = new EventChoice(choice.sources(), true);
        assertThat(FieldEvents.of(design, measured, here, new Span(0, 0.2))).isEmpty();
        assertThat(choice.toggled(drum)).isEqualTo(EventChoice.USUAL);
        assertThat(FieldEvents.sources(design, measured)).extracting(s -> s.id()).contains(drum);
    }

    @Test
    void wetAloneAndDimmingLeaveTheDesignAsItIs() {
        Design design = desk.frame().design().get();
        desk.frame().transport().wetOnly().set(true);
        desk.frame().transport().dimDb().set(Listen.SILENT_DB);
        desk.frame().transport().returnAlone().set(true);
        assertThat(desk.frame().design().get()).isEqualTo(design);
        assertThat(desk.frame().editor().dirty().get()).isFalse();
    }

    @Test
    void aPairIsSettledReturnByReturnAndForgottenWithTheNextChange() throws InterruptedException {
        desk.frame().edit(new ReturnEdit.Level("A", -20));
        desk.orbit().settling().pair();
        ui.until(() -> desk.orbit().settling().ofPair().get() != null);
        var pair = java.util.Objects.requireNonNull(desk.orbit().settling().ofPair().get());
        var a = java.util.Objects.requireNonNull(pair.returns().get("A"));
        var b = java.util.Objects.requireNonNull(pair.returns().get("B"));
        double before = desk.frame().pair().before().get().requireReturn("A").levelDb();
        // What is left of a return turned down by d is 1 - 10^(-d/20) of it.
        assertThat(a.residualDb().orElseThrow())
                .isCloseTo(20 * Math.log10(1 - Math.pow(10, (-20 - before) / 20)), within(0.01));
        assertThat(b.words()).isEqualTo("The same sound, to the last bit.");
        desk.frame().editor().undo();
        assertThat(desk.orbit().settling().ofPair().get()).isNull();
    }

    @Test
    void handOverWritesSheetsAndPrints() throws InterruptedException, java.io.IOException {
        Path to = folder.resolve("handover");
        List<Path> written = new ArrayList<>();
        desk.sheet()
                .handingOver()
                .start(
                        new HandOver.Order(
                                to,
                                desk.sheet().handingOver().sheet(List.of(".html", ".csv")),
                                new HandOver.Printing(true, false, WavWriter.Depth.BITS_16),
                                new HandOver.Lanes(
                                        List.of(".mid", ".csv"), ControllerTable.USUAL, true)),
                        written::addAll,
                        message -> {
                            throw new AssertionError(message);
                        });
        ui.until(() -> !written.isEmpty());
        assertThat(written.stream().map(p -> String.valueOf(p.getFileName())))
                .containsExactly(
                        "recall-sheet.html",
                        "recall-sheet.csv",
                        "A-hall.wav",
                        "B-echo.wav",
                        "mix.wav",
                        "A-hall.wav",
                        "B-echo.wav",
                        "automation.mid",
                        "automation.csv",
                        "manifest.csv",
                        "read-me.html");
        List<String> manifest = java.nio.file.Files.readAllLines(to.resolve("manifest.csv"));
        assertThat(manifest).hasSize(10);
        assertThat(manifest.get(5)).startsWith("mix.wav,dry sources and all returns,");
        assertThat(manifest.get(5)).matches(".*,-[0-9.]+,-[0-9.]+,[0-9a-f]{64}");
        assertThat(SoundReader.read(to.resolve("mix.wav")).seconds()).isGreaterThan(9);
    }

    @Test
    void listeningRunsOnTheSilentOutputAndGoesWhereItIsSent() throws InterruptedException {
        assertThat(desk.frame().transport().outputName().get()).isIn("silent output", "sound card");
        desk.frame().transport().seek(3);
        desk.frame().transport().togglePlaying();
        long end = System.nanoTime() + 5_000_000_000L;
        while (desk.frame().transport().position().get() < 3.2 && System.nanoTime() < end) {
            desk.frame().transport().refresh();
            Thread.sleep(10);
        }
        assertThat(desk.frame().transport().position().get()).isBetween(3.2, 6.0);
        desk.frame().transport().togglePlaying();
        assertThat(desk.frame().transport().playing().get()).isFalse();
    }

    @Test
    void newSongsGuessRolesAndDraftAField() throws FileProblem {
        NewSong song =
                NewSong.fromStems(
                        List.of(
                                folder.resolve("lead-voice.wav"),
                                folder.resolve("pad.wav"),
                                folder.resolve("drum.wav")),
                        96);
        assertThat(song.design().sources().stream().map(Source::role))
                .containsExactly(Role.LEAD, Role.HITS, Role.HARMONY_BED);
        assertThat(song.design().returns()).hasSize(2);
        assertThat(song.design().song().clock().bpmOfBar(1)).isEqualTo(96);
        desk.frame().opening().begin(song);
        assertThat(desk.frame().editor().dirty().get()).isTrue();
        assertThat(desk.frame().kept().file().get()).isNull();
        assertThatThrownBy(() -> NewSong.fromStems(List.of(folder.resolve("pad.wav")), 2))
                .hasMessageContaining("tempo");
    }

    @Test
    void anotherSongForgetsWhoWasJudgedAndWhatWasBarred() throws InterruptedException {
        Design before = desk.frame().design().get();
        desk.clear().clearing().judge("pad");
        desk.clear().clearing().bar(orbispace.core.design.Setting.DUCK, true);
        desk.clear().clearing().asking().want("A", orbispace.core.design.Targets.WASHED);
        assertThat(desk.clear().clearing().source().orElseThrow().id()).isEqualTo("pad");
        assertThat(desk.clear().clearing().targets("A"))
                .contains(orbispace.core.design.Targets.WASHED);
        Path file = Objects.requireNonNull(desk.frame().kept().file().get());
        desk.frame().edit(new ReturnEdit.Level("A", -20));
        desk.frame().opening().open(file);
        ui.until(() -> desk.frame().design().get().equals(before) && !desk.frame().jobs().busy());
        assertThat(desk.clear().clearing().source().orElseThrow().id()).isEqualTo("lead-voice");
        assertThat(desk.clear().clearing().barred().get()).isEmpty();
        assertThat(desk.clear().clearing().asking().asksOwn("A")).isFalse();
    }
}
