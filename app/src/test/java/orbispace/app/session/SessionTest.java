package orbispace.app.session;

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
import orbispace.core.clear.Proposal;
import orbispace.core.design.Design;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Role;
import orbispace.core.design.Source;
import orbispace.core.design.Space;
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

class SessionTest {
    @TempDir Path folder;

    private final UiLoop ui = new UiLoop();
    private final Session session = new Session(ui, RecentProjects.inMemory(), Songs.facts());
    private Path project = Path.of(".");

    @BeforeEach
    void open() throws IOException, InterruptedException {
        project = Songs.write(folder);
        session.open(project);
        settle();
    }

    @AfterEach
    void close() {
        session.close();
    }

    private void settle() throws InterruptedException {
        ui.until(() -> session.measured().clearance().get() != null && !session.jobs().busy());
    }

    private double decay() {
        return session.design().get().requireReturn("A").space() instanceof Space.Reverb h
                ? h.decaySeconds()
                : 0;
    }

    @Test
    void openingMeasuresStemsReturnsMixAndCover() {
        assertThat(session.measured().materials()).hasSize(3);
        Material lead = Objects.requireNonNull(session.measured().materials().get("lead-voice"));
        assertThat(lead.phrases().orElseThrow().spans()).hasSize(3);
        Material drum = Objects.requireNonNull(session.measured().materials().get("drum"));
        assertThat(drum.hits().orElseThrow().intervalSeconds(0.5)).isCloseTo(0.5, within(0.01));
        assertThat(session.measured().pictures()).containsOnlyKeys("A", "B");
        MixMeasure mix = Objects.requireNonNull(session.measured().mix().get());
        assertThat(mix.differenceLu()).isZero();
        Clearance clearance = Objects.requireNonNull(session.measured().clearance().get());
        assertThat(clearance.pairs()).containsOnlyKeys("A", "B");
        assertThat(session.dirty().get()).isFalse();
        assertThat(session.recent().list()).containsExactly(project.toAbsolutePath().normalize());
    }

    @Test
    void editsAreUndoneRedoneAndMarkTheProject() {
        double was = decay();
        assertThat(session.edit(new ReturnEdit.Decay("A", 3))).isTrue();
        assertThat(session.dirty().get()).isTrue();
        assertThat(session.undoLabel().get()).isEqualTo("decay of A");
        session.undo();
        assertThat(decay()).isEqualTo(was);
        assertThat(session.dirty().get()).isFalse();
        session.redo();
        assertThat(decay()).isEqualTo(3);
    }

    @Test
    void aRefusedEditChangesNothingAndSaysWhy() {
        Design before = session.design().get();
        assertThat(session.edit(new ReturnEdit.Decay("A", 99))).isFalse();
        assertThat(session.design().get()).isSameAs(before);
        assertThat(session.problem().get()).contains("decay 99.0", "0.1 to 20");
        session.edit(new ReturnEdit.Decay("A", 2));
        assertThat(session.problem().get()).isEmpty();
    }

    @Test
    void aDragIsOneStep() throws InterruptedException {
        double was = decay();
        Object gesture = new Object();
        for (int i = 1; i <= 20; i++) {
            session.drag(new ReturnEdit.Decay("A", 1 + 0.1 * i), gesture);
        }
        session.settle();
        settle();
        assertThat(decay()).isCloseTo(3, within(1e-9));
        session.undo();
        assertThat(decay()).isEqualTo(was);
    }

    @Test
    void theMeasuredPictureFollowsADecay() throws InterruptedException {
        session.edit(new ReturnEdit.Decay("A", 3));
        settle();
        ReturnPicture picture = Objects.requireNonNull(session.measured().pictures().get("A"));
        assertThat(picture.decaySeconds()).isEqualTo(3);
        double half = picture.curve().secondsAt(-30) - picture.curve().secondsAt(-10);
        assertThat(half).isCloseTo(1, within(0.12));
    }

    @Test
    void arrivalsOfTheEchoAreMeasuredWhereTheyAreSet() {
        ReturnPicture picture = Objects.requireNonNull(session.measured().pictures().get("B"));
        assertThat(picture.arrivals().size()).isGreaterThan(3);
        assertThat(picture.arrivals().get(0).seconds()).isCloseTo(0.75, within(1e-9));
        assertThat(picture.arrivals().get(0).bearingDegrees()).isCloseTo(-63, within(4.0));
        assertThat(picture.arrivals().get(1).bearingDegrees()).isCloseTo(63, within(4.0));
        assertThat(picture.arrivals().get(1).levelDb())
                .isCloseTo(20 * Math.log10(0.3), within(1.5));
    }

    @Test
    void aRemedyDoesWhatItPromisedAndIsTakenBack() throws InterruptedException {
        session.edit(new ReturnEdit.Level("A", 4));
        session.wantsRemedies().set(true);
        ui.until(() -> {
            Clearance c = session.measured().clearance().get();
            return c != null
                    && c.design().equals(session.design().get())
                    && !c.proposals().isEmpty()
                    && !session.jobs().busy();
        });
        Clearance before = Objects.requireNonNull(session.measured().clearance().get());
        Proposal duck =
                Objects.requireNonNull(before.proposals().get("A")).stream()
                        .filter(p -> p.edit() instanceof ReturnEdit.Ducking)
                        .findFirst()
                        .orElseThrow();
        ReturnEdit inverse = duck.edit().inverse(session.design().get());
        session.edit(duck.edit());
        ui.until(() -> {
            Clearance c = session.measured().clearance().get();
            return c != null && c.design().equals(session.design().get()) && !session.jobs().busy();
        });
        double now =
                Objects.requireNonNull(session.measured().clearance().get())
                        .pair("A")
                        .orElseThrow()
                        .cover()
                        .presenceKept()
                        .orElseThrow();
        assertThat(now).isCloseTo(duck.after().presenceKept().orElseThrow(), within(0.005));
        session.edit(inverse);
        assertThat(session.design().get()).isEqualTo(before.design());
    }

    @Test
    void beforeAndAfterAreMatchedByTurningTheLouderDown() throws InterruptedException {
        session.edit(new ReturnEdit.Level("A", 10));
        settle();
        MixMeasure mix = Objects.requireNonNull(session.measured().mix().get());
        assertThat(mix.differenceLu()).isPositive();
        assertThat(mix.matchDb(false)).isCloseTo(-mix.differenceLu(), within(1e-9));
        assertThat(mix.matchDb(true)).isZero();
        session.pair().keepAsBefore();
        settle();
        assertThat(Objects.requireNonNull(session.measured().mix().get()).differenceLu()).isZero();
    }

    @Test
    void whatIsSavedIsFoundAgainAlsoFromAnotherFolder() throws IOException, InterruptedException {
        session.edit(
                new ReturnEdit.Predelay(
                        "A", new MusicalTime.Note(NoteValue.parse("1/32").orElseThrow(), 0), 1));
        Design edited = session.design().get();
        assertThat(session.save(project)).isTrue();
        assertThat(session.dirty().get()).isFalse();
        assertThat(ProjectFile.read(project).design().returns()).isEqualTo(edited.returns());

        Path elsewhere =
                Files.createDirectories(folder.resolve("copy"))
                        .resolve("moved" + ProjectFile.SUFFIX);
        assertThat(session.save(elsewhere)).isTrue();
        session.open(elsewhere);
        ui.until(() -> elsewhere.equals(session.file().get()));
        settle();
        assertThat(session.measured().materials()).hasSize(3);
        assertThat(session.problem().get()).isEmpty();
    }

    @Test
    void aFailedSaveKeepsTheDesignAndTheFile() throws IOException {
        byte[] kept = Files.readAllBytes(project);
        session.edit(new ReturnEdit.Decay("A", 2.7));
        Path impossible = folder.resolve("no").resolve("such").resolve("x.orbispace.json");
        assertThat(session.save(impossible)).isFalse();
        assertThat(session.problem().get()).contains("folder does not exist");
        assertThat(session.dirty().get()).isTrue();
        assertThat(decay()).isEqualTo(2.7);
        assertThat(Files.readAllBytes(project)).isEqualTo(kept);
    }

    @Test
    void aProjectThatCannotBeOpenedLeavesTheOpenOneAlone()
            throws IOException, InterruptedException {
        Path broken = folder.resolve("broken.orbispace.json");
        Files.writeString(broken, "{\"orbispace\": 1, \"song\": 5}");
        Design open = session.design().get();
        session.open(broken);
        ui.until(() -> !session.problem().get().isEmpty());
        assertThat(session.problem().get()).contains("broken.orbispace.json", "song");
        assertThat(session.design().get()).isSameAs(open);
    }

    @Test
    void aMissingStemIsNamedAndTheRestIsUsable() throws IOException, InterruptedException {
        Files.delete(folder.resolve("pad.wav"));
        session.open(project);
        ui.until(() -> session.problem().get().contains("pad.wav"));
        settle();
        assertThat(session.measured().materials()).containsOnlyKeys("lead-voice", "drum");
    }

    @Test
    void choosingASectionMovesSpanAndBar() {
        var sections = session.design().get().song().sections();
        session.selection().section().set(sections.getFirst());
        assertThat(session.span().endSeconds()).isCloseTo(10, within(0.01));
        session.selection().section().set(null);
        assertThat(session.span().startSeconds()).isZero();
        assertThat(session.selection().bar()).isEqualTo(1);
    }

    @Test
    void reasonsHaveThisSongsValuesInThem() {
        session.selection().returnId().set("A");
        assertThat(Reasons.decay(session)).contains("dB down when the voice returns", "s gap");
        assertThat(Reasons.predelay(session)).contains("1/64 = 31.3 ms");
        session.selection().returnId().set("B");
        assertThat(Reasons.echo(session)).contains("1/4. = 750.0 ms at 120 bpm", "arrivals");
        assertThat(
                        Reasons.fixedTimes(
                                session.design().get().song(),
                                session.design().get().requireReturn("B")))
                .isEmpty();
    }

    @Test
    void ringsAreTheVoicesRestsAndTheNextHit() {
        List<FieldEvents.Ring> rings =
                FieldEvents.of(session.design().get(), session.measured().materials());
        assertThat(rings).hasSize(2);
        assertThat(rings.get(0).middleSeconds()).isCloseTo(1.0, within(0.06));
        assertThat(rings.get(1).middleSeconds()).isCloseTo(0.5, within(0.01));
        assertThat(FieldEvents.of(session.design().get(), java.util.Map.of())).isEmpty();
    }

    @Test
    void ringsCanBeOfAnySourceAndOfTheSectionAlone() {
        Design design = session.design().get();
        var measured = session.measured().materials();
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
        Design design = session.design().get();
        session.transport().wetOnly().set(true);
        session.transport().dimDb().set(Transport.SILENT_DB);
        session.transport().returnAlone().set(true);
        assertThat(session.design().get()).isEqualTo(design);
        assertThat(session.dirty().get()).isFalse();
    }

    @Test
    void aPairIsSettledReturnByReturnAndForgottenWithTheNextChange() throws InterruptedException {
        session.edit(new ReturnEdit.Level("A", -20));
        session.field().settlePair();
        ui.until(() -> session.field().pair().get() != null);
        var pair = java.util.Objects.requireNonNull(session.field().pair().get());
        var a = java.util.Objects.requireNonNull(pair.returns().get("A"));
        var b = java.util.Objects.requireNonNull(pair.returns().get("B"));
        double before = session.pair().before().get().requireReturn("A").levelDb();
        // What is left of a return turned down by d is 1 - 10^(-d/20) of it.
        assertThat(a.residualDb().orElseThrow())
                .isCloseTo(20 * Math.log10(1 - Math.pow(10, (-20 - before) / 20)), within(0.01));
        assertThat(b.words()).isEqualTo("The same sound, to the last bit.");
        session.undo();
        assertThat(session.field().pair().get()).isNull();
    }

    @Test
    void handOverWritesSheetsAndPrints() throws InterruptedException, java.io.IOException {
        Path to = folder.resolve("handover");
        List<Path> written = new ArrayList<>();
        session.handingOver()
                .start(
                        new HandOver.Order(
                                to,
                                session.handingOver().sheet(List.of(".html", ".csv")),
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
        assertThat(session.transport().outputName().get()).isIn("silent output", "sound card");
        session.transport().seek(3);
        session.transport().togglePlaying();
        long end = System.nanoTime() + 5_000_000_000L;
        while (session.transport().position().get() < 3.2 && System.nanoTime() < end) {
            session.transport().refresh();
            Thread.sleep(10);
        }
        assertThat(session.transport().position().get()).isBetween(3.2, 6.0);
        session.transport().togglePlaying();
        assertThat(session.transport().playing().get()).isFalse();
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
        session.begin(song);
        assertThat(session.dirty().get()).isTrue();
        assertThat(session.file().get()).isNull();
        assertThatThrownBy(() -> NewSong.fromStems(List.of(folder.resolve("pad.wav")), 2))
                .hasMessageContaining("tempo");
    }

    @Test
    void anotherSongForgetsWhoWasJudgedAndWhatWasBarred() throws InterruptedException {
        Design before = session.design().get();
        session.clearing().judge("pad");
        session.clearing().bar(orbispace.core.design.Setting.DUCK, true);
        session.clearing().want("A", orbispace.core.design.Targets.WASHED);
        assertThat(session.clearing().source().orElseThrow().id()).isEqualTo("pad");
        assertThat(session.clearing().targets("A")).contains(orbispace.core.design.Targets.WASHED);
        Path file = Objects.requireNonNull(session.file().get());
        session.edit(new ReturnEdit.Level("A", -20));
        session.open(file);
        ui.until(() -> session.design().get().equals(before) && !session.jobs().busy());
        assertThat(session.clearing().source().orElseThrow().id()).isEqualTo("lead-voice");
        assertThat(session.clearing().barred().get()).isEmpty();
        assertThat(session.clearing().asksOwn("A")).isFalse();
    }
}
