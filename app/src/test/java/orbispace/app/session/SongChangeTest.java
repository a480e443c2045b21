package orbispace.app.session;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import orbispace.app.Songs;
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
    private final Session session = new Session(ui, RecentProjects.inMemory(), Songs.facts());
    private Path first = Path.of("");
    private Path second = Path.of("");

    @BeforeEach
    void open() throws Exception {
        first = Songs.write(Files.createDirectories(folder.resolve("first")));
        second = Songs.write(Files.createDirectories(folder.resolve("second")));
        session.open(first);
        settle();
        session.form().splitAt(4);
        settle();
    }

    @AfterEach
    void close() {
        session.close();
    }

    private void settle() throws InterruptedException {
        ui.until(() -> !session.jobs().busy());
    }

    private Design design() {
        return session.design().get();
    }

    /** Everything that works in the background on the open song and may change it. */
    private List<Runnable> jobs() {
        Path midi = folder.resolve("form.mid");
        return List.of(
                () -> session.clearing().solve(true),
                () -> session.clearing().solve(false),
                () -> session.planning().hold(),
                () -> session.drafting().start(),
                () -> session.form().proposeBarOne(),
                () -> session.field().settleFilters(design().requireReturn("A")),
                () -> session.field().settlePair(),
                () ->
                        session.field()
                                .convolve(
                                        design().requireReturn("A"),
                                        first.resolveSibling("drum.wav")),
                () -> session.bringing().bring(List.of(first.resolveSibling("pad.wav"))),
                () -> session.bringing().takeForm(midi),
                () -> session.clearing().makeRoom(),
                () -> session.clearing().balance());
    }

    @Test
    void whatABackgroundJobFoundInOneSongNeverReachesAnother() throws Exception {
        orbispace.files.midi.MidiTempo.write(
                folder.resolve("form.mid"),
                orbispace.core.time.SongClock.constant(77, 3, 4),
                List.of());
        Design other = orbispace.files.project.ProjectFile.read(second).design();
        for (Runnable job : jobs()) {
            session.open(first);
            settle();
            job.run();
            session.open(second);
            settle();
            assertThat(design()).isEqualTo(other);
            assertThat(session.drafting().drafts().get()).isEmpty();
            assertThat(session.form().proposal().get()).isNull();
            assertThat(session.field().settled()).isEmpty();
            assertThat(session.field().pair().get()).isNull();
            assertThat(session.clearing().room().get()).isNull();
            assertThat(session.clearing().earLine().get()).isNull();
            assertThat(session.clearing().solution().get()).isNull();
        }
    }

    @Test
    void whatWasFoundInASongIsNotOfferedInTheNext() throws Exception {
        session.drafting().start();
        session.field().settleFilters(design().requireReturn("A"));
        settle();
        assertThat(session.drafting().drafts().get()).isNotEmpty();
        assertThat(session.field().settled()).isNotEmpty();
        session.open(second);
        settle();
        assertThat(session.drafting().drafts().get()).isEmpty();
        assertThat(session.field().settled()).isEmpty();
    }

    @Test
    void holdingKeepsWhatWasPlannedMeanwhile() throws Exception {
        session.planning().hold();
        session.planning().choose(design().song().sections().getFirst());
        session.selection().returnId().set("A");
        session.planning().change(c -> c.withDecay(0.5), "decay");
        session.edit(new ReturnEdit.Named("B", "Quay"));
        settle();
        PlanCell cell = design().song().sections().getFirst().plan().cell("A");
        assertThat(cell.decayScale()).isEqualTo(0.5);
        assertThat(design().requireReturn("B").name()).isEqualTo("Quay");
    }

    @Test
    void solvingKeepsWhatWasEditedMeanwhileOrSaysWhyItCannot() throws Exception {
        session.edit(new ReturnEdit.Level("A", 3));
        settle();
        session.clearing().solve(true);
        session.edit(new ReturnEdit.Named("A", "Customs house"));
        session.edit(new ReturnEdit.SendLevel("B", "pad", -17.0));
        settle();
        assertThat(design().requireReturn("A").name()).isEqualTo("Customs house");
        assertThat(design().requireReturn("B").sendDb("pad").orElse(0)).isEqualTo(-17);
    }

    @Test
    void aResultThatContradictsWhatWasDoneMeanwhileIsRefusedWithAWord() throws Exception {
        session.edit(new ReturnEdit.Level("A", 6));
        settle();
        session.selection().returnId().set("A");
        session.clearing().solve(false);
        for (Return r : design().returns()) {
            session.edit(new ReturnEdit.Level(r.id(), -31));
            session.edit(new ReturnEdit.Ducking(r.id(), null));
        }
        settle();
        for (Return r : design().returns()) {
            assertThat(r.levelDb()).isEqualTo(-31);
        }
    }

    @Test
    void anErrorInAJobIsAFailureLikeAnyOther() throws Exception {
        List<String> failures = new ArrayList<>();
        session.jobs()
                .<String>start(
                        "x",
                        "fails",
                        job -> {
                            throw new StackOverflowError("deep");
                        },
                        r -> {},
                        e -> failures.add(String.valueOf(e.getMessage())));
        session.jobs()
                .start(
                        "y",
                        "fails behind",
                        job -> "",
                        r -> {
                            throw new IllegalStateException("the ebb");
                        },
                        e -> failures.add(String.valueOf(e.getMessage())));
        ui.until(() -> failures.size() == 2);
        assertThat(failures).anyMatch(f -> f.contains("fails")).anyMatch(f -> f.contains("ebb"));
        assertThat(session.jobs().busy()).isFalse();
        assertThat(session.jobs().busyWith().get()).isEmpty();
    }

    @Test
    void theWordsAreThoseOfAJobThatRuns() throws Exception {
        CountDownLatch release = new CountDownLatch(1);
        Jobs jobs = session.jobs();
        jobs.start(
                "long",
                "Dredging",
                job -> {
                    job.report(0.25);
                    return release.await(10, java.util.concurrent.TimeUnit.SECONDS);
                },
                r -> {},
                e -> {});
        ui.until(() -> jobs.progress().get() == 0.25);
        jobs.start("short", "Sounding", job -> "", r -> {}, e -> {});
        assertThat(jobs.busyWith().get()).isEqualTo("Sounding");
        ui.until(() -> !jobs.awaits("short"));
        assertThat(jobs.busyWith().get()).isEqualTo("Dredging");
        assertThat(jobs.progress().get()).isEqualTo(0.25);
        jobs.cancel("long");
        assertThat(jobs.busyWith().get()).isEmpty();
        release.countDown();
    }
}
