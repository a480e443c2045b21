package orbispace.app.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import orbispace.app.Songs;
import orbispace.app.session.Jobs;
import orbispace.app.session.RecentProjects;
import orbispace.core.design.Design;
import orbispace.core.design.PlanCell;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What was begun in one song never reaches another, nor takes back what was done meanwhile. */
class SongChangeTest {
    @TempDir Path folder;
    private final UiLoop ui = new UiLoop();
    private final Desk desk = new Desk(ui, RecentProjects.inMemory(), Songs.facts());
    private Path first = Path.of("");
    private Path second = Path.of("");

    @BeforeEach
    void open() throws Exception {
        first = Songs.write(Files.createDirectories(folder.resolve("first")));
        second = Songs.write(Files.createDirectories(folder.resolve("second")));
        desk.frame().opening().open(first);
        settle();
        desk.song().form().splitAt(4);
        settle();
    }

    @AfterEach
    void close() {
        desk.close();
    }

    private void settle() throws InterruptedException {
        ui.until(() -> !desk.frame().jobs().busy());
    }

    private Design design() {
        return desk.frame().design().get();
    }

    /** Everything that works in the background on the open song and may change it. */
    private List<Runnable> jobs() {
        Path midi = folder.resolve("form.mid");
        return List.of(
                () -> desk.clear().clearing().solve(true),
                () -> desk.clear().clearing().solve(false),
                () -> desk.plan().planning().hold(),
                () -> desk.orbit().drafting().start(),
                () -> desk.song().form().proposeBarOne(),
                () -> desk.orbit().settling().filters(design().requireReturn("A")),
                () -> desk.orbit().settling().pair(),
                () ->
                        desk.orbit()
                                .field()
                                .convolve(
                                        design().requireReturn("A"),
                                        first.resolveSibling("drum.wav")),
                () -> desk.frame().bringing().bring(List.of(first.resolveSibling("pad.wav"))),
                () -> desk.frame().bringing().takeForm(midi),
                () -> desk.clear().clearing().makeRoom(),
                () -> desk.clear().clearing().balance());
    }

    @Test
    void whatABackgroundJobFoundInOneSongNeverReachesAnother() throws Exception {
        orbispace.files.midi.MidiTempo.write(
                folder.resolve("form.mid"),
                orbispace.core.time.SongClock.constant(77, 3, 4),
                List.of());
        Design other = orbispace.files.project.ProjectFile.read(second).design();
        for (Runnable job : jobs()) {
            desk.frame().opening().open(first);
            settle();
            job.run();
            desk.frame().opening().open(second);
            settle();
            assertThat(design()).isEqualTo(other);
            assertThat(desk.orbit().drafting().drafts().get()).isEmpty();
            assertThat(desk.song().form().proposal().get()).isNull();
            assertThat(desk.orbit().settling().byReturn()).isEmpty();
            assertThat(desk.orbit().settling().ofPair().get()).isNull();
            assertThat(desk.clear().clearing().room().get()).isNull();
            assertThat(desk.clear().clearing().earLine().get()).isNull();
            assertThat(desk.clear().clearing().solution().get()).isNull();
        }
    }

    @Test
    void whatWasFoundInASongIsNotOfferedInTheNext() throws Exception {
        desk.orbit().drafting().start();
        desk.orbit().settling().filters(design().requireReturn("A"));
        settle();
        assertThat(desk.orbit().drafting().drafts().get()).isNotEmpty();
        assertThat(desk.orbit().settling().byReturn()).isNotEmpty();
        desk.frame().opening().open(second);
        settle();
        assertThat(desk.orbit().drafting().drafts().get()).isEmpty();
        assertThat(desk.orbit().settling().byReturn()).isEmpty();
    }

    @Test
    void holdingKeepsWhatWasPlannedMeanwhile() throws Exception {
        desk.plan().planning().hold();
        desk.plan().planning().choose(design().song().sections().getFirst());
        desk.frame().selection().returnId().set("A");
        desk.plan().planning().change(c -> c.withDecay(0.5), "decay");
        desk.frame().edit(new ReturnEdit.Named("B", "Quay"));
        settle();
        PlanCell cell = design().song().sections().getFirst().plan().cell("A");
        assertThat(cell.decayScale()).isEqualTo(0.5);
        assertThat(design().requireReturn("B").name()).isEqualTo("Quay");
    }

    @Test
    void solvingKeepsWhatWasEditedMeanwhileOrSaysWhyItCannot() throws Exception {
        desk.frame().edit(new ReturnEdit.Level("A", 3));
        settle();
        desk.clear().clearing().solve(true);
        desk.frame().edit(new ReturnEdit.Named("A", "Customs house"));
        desk.frame().edit(new ReturnEdit.SendLevel("B", "pad", -17.0));
        settle();
        assertThat(design().requireReturn("A").name()).isEqualTo("Customs house");
        assertThat(design().requireReturn("B").sendDb("pad").orElse(0)).isEqualTo(-17);
    }

    @Test
    void aResultThatContradictsWhatWasDoneMeanwhileIsRefusedWithAWord() throws Exception {
        desk.frame().edit(new ReturnEdit.Level("A", 6));
        settle();
        desk.frame().selection().returnId().set("A");
        desk.clear().clearing().solve(false);
        for (Return r : design().returns()) {
            desk.frame().edit(new ReturnEdit.Level(r.id(), -31));
            desk.frame().edit(new ReturnEdit.Ducking(r.id(), null));
        }
        settle();
        for (Return r : design().returns()) {
            assertThat(r.levelDb()).isEqualTo(-31);
        }
    }

    @Test
    void anErrorInAJobIsAFailureLikeAnyOther() throws Exception {
        List<String> failures = new ArrayList<>();
        desk.frame()
                .jobs()
                .<String>start(
                        "x",
                        "fails",
                        (job, d) -> {
                            throw new StackOverflowError("deep");
                        },
                        (r, d) -> {},
                        e -> failures.add(String.valueOf(e.getMessage())));
        desk.frame()
                .jobs()
                .start(
                        "y",
                        "fails behind",
                        (job, d) -> "",
                        (r, d) -> {
                            throw new IllegalStateException("the ebb");
                        },
                        e -> failures.add(String.valueOf(e.getMessage())));
        ui.until(() -> failures.size() == 2);
        assertThat(failures).anyMatch(f -> f.contains("fails")).anyMatch(f -> f.contains("ebb"));
        assertThat(desk.frame().jobs().busy()).isFalse();
        assertThat(desk.frame().jobs().busyWith().get()).isEmpty();
    }

    @Test
    void theWordsAreThoseOfAJobThatRuns() throws Exception {
        CountDownLatch release = new CountDownLatch(1);
        Jobs jobs = desk.frame().jobs();
        jobs.start(
                "long",
                "Dredging",
                (job, d) -> {
                    job.report(0.25);
                    return release.await(10, java.util.concurrent.TimeUnit.SECONDS);
                },
                (r, d) -> {},
                e -> {});
        ui.until(() -> jobs.progress().get() == 0.25);
        jobs.start("short", "Sounding", (job, d) -> "", (r, d) -> {}, e -> {});
        assertThat(jobs.busyWith().get()).isEqualTo("Sounding");
        ui.until(() -> !jobs.awaits("short"));
        assertThat(jobs.busyWith().get()).isEqualTo("Dredging");
        assertThat(jobs.progress().get()).isEqualTo(0.25);
        jobs.cancel("long");
        assertThat(jobs.busyWith().get()).isEmpty();
        release.countDown();
    }
}
