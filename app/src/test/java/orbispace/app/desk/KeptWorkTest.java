package orbispace.app.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.time.Instant;
import java.util.List;
import orbispace.app.Songs;
import orbispace.app.session.RecentProjects;
import orbispace.app.session.StateKeeper;
import orbispace.app.song.NewSong;
import orbispace.core.design.ReturnEdit;
import orbispace.core.prove.log.LogEntry;
import orbispace.files.project.Autosave;
import orbispace.files.project.LogJournal;
import orbispace.files.project.ProjectFile;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Nothing that was done is lost: neither to a crash, nor to the log, nor to another song. */
class KeptWorkTest {
    @TempDir Path folder;
    private final UiLoop ui = new UiLoop();
    private Desk desk = fresh();
    private Path project = Path.of("");

    private Desk fresh() {
        return new Desk(ui, RecentProjects.inMemory(), Songs.facts());
    }

    @BeforeEach
    void open() throws Exception {
        project = Songs.write(folder);
        desk.frame().opening().open(project);
        settle();
    }

    @AfterEach
    void close() {
        desk.close();
    }

    private void settle() throws InterruptedException {
        ui.until(() -> !desk.frame().jobs().busy());
    }

    /** As if the program had been killed: the desk is left as it is. */
    private void crashAndOpenAgain() throws InterruptedException {
        desk = fresh();
        desk.frame().opening().open(project);
        settle();
    }

    private void waitForState(String holding) throws Exception {
        waitFor(Autosave.fileOf(project), holding);
    }

    private static void waitFor(Path file, String holding) throws Exception {
        for (int i = 0; i < 500; i++) {
            if (Files.exists(file) && Files.readString(file).contains(holding)) {
                return;
            }
            Thread.sleep(10);
        }
        throw new AssertionError(file + " was not kept");
    }

    private List<String> logged() {
        return desk.prove().log().book().get().entries().stream().map(LogEntry::what).toList();
    }

    @Test
    void aCrashAfterTheLogWasWrittenLosesNothing() throws Exception {
        String saved = Files.readString(project);
        desk.frame().edit(new ReturnEdit.Named("A", "Customs house"));
        waitForState("Customs house");
        FileTime earlier = FileTime.from(Instant.now().minusSeconds(5));
        Files.setLastModifiedTime(Autosave.fileOf(project), earlier);
        desk.prove().log().note("The pier is too loud.");
        settle();
        waitFor(LogJournal.fileOf(project), "The pier is too loud.");
        assertThat(Files.readString(project)).as("only saving writes the file").isEqualTo(saved);
        crashAndOpenAgain();
        assertThat(desk.frame().bringing().recovered().get()).isNotNull();
        assertThat(logged()).contains("The pier is too loud.");
        desk.frame().bringing().takeRecovered();
        assertThat(desk.frame().design().get().requireReturn("A").name())
                .isEqualTo("Customs house");
    }

    @Test
    void whatIsCurrentIsTakenForItByItsContentWhateverTheClockSays() throws Exception {
        desk.frame().edit(new ReturnEdit.Level("A", -11));
        waitForState("-11");
        Files.setLastModifiedTime(project, FileTime.fromMillis(Long.MAX_VALUE / 1000000));
        crashAndOpenAgain();
        assertThat(desk.frame().bringing().recovered().get()).isNotNull();
    }

    @Test
    void whatWasDoneJustBeforeClosingIsInTheLog() throws Exception {
        desk.frame().edit(new ReturnEdit.Level("A", -11));
        assertThat(desk.frame().opening().save(project)).isTrue();
        desk.frame().edit(new ReturnEdit.Level("B", -12));
        desk.close();
        desk = fresh();
        desk.frame().opening().open(project);
        settle();
        assertThat(logged()).anyMatch(w -> w.contains(" A ")).anyMatch(w -> w.contains(" B "));
    }

    @Test
    void theLogGoesIntoTheFileWhenItIsSaved() throws Exception {
        desk.prove().log().note("Fog on the pier.");
        settle();
        assertThat(desk.frame().opening().save(project)).isTrue();
        assertThat(ProjectFile.read(project).logbook().entries()).hasSize(1);
        desk.close();
        try (var inside = Files.list(folder)) {
            assertThat(inside.filter(p -> p.toString().contains(".log."))).isEmpty();
        }
        desk = fresh();
        desk.frame().opening().open(project);
        settle();
        assertThat(logged()).containsExactly("Fog on the pier.");
    }

    @Test
    void aNewSongLeavesWhatACrashHadLeftOfTheOneBefore() throws Exception {
        desk.frame().edit(new ReturnEdit.Level("A", -11));
        waitForState("-11");
        crashAndOpenAgain();
        assertThat(desk.frame().bringing().recovered().get()).isNotNull();
        desk.frame().bringing().newSong(NewSong.Material.of(List.of(folder.resolve("drum.wav"))));
        settle();
        assertThat(desk.frame().design().get().sources()).hasSize(1);
        assertThat(desk.frame().bringing().recovered().get()).isNull();
        desk.close();
        desk = fresh();
        desk.frame().opening().open(project);
        settle();
        assertThat(desk.frame().bringing().recovered().get()).isNotNull();
    }

    @Test
    void whatIsDoneWhileAnotherSongIsOpenedIsOfferedTheNextTime() throws Exception {
        Path other = Songs.write(Files.createDirectories(folder.resolve("other")));
        desk.frame().edit(new ReturnEdit.Level("A", -11));
        desk.frame().giveUp();
        desk.frame().opening().open(other);
        desk.frame().edit(new ReturnEdit.Level("B", -12));
        settle();
        desk.frame().opening().open(project);
        settle();
        assertThat(desk.frame().bringing().recovered().get()).isNotNull();
    }

    @Test
    void whatIsGivenUpIsNotOfferedAgain() throws Exception {
        Path other = Songs.write(Files.createDirectories(folder.resolve("other")));
        desk.frame().edit(new ReturnEdit.Level("A", -11));
        desk.frame().giveUp();
        desk.frame().opening().open(other);
        settle();
        desk.frame().opening().open(project);
        settle();
        assertThat(desk.frame().bringing().recovered().get()).isNull();
        desk.frame().edit(new ReturnEdit.Level("A", -12));
        desk.frame().giveUp();
        desk.close();
        desk = fresh();
        desk.frame().opening().open(project);
        settle();
        assertThat(desk.frame().bringing().recovered().get()).isNull();
    }

    @Test
    void aStateThatCannotBeKeptIsSaid() throws Exception {
        Path state = Autosave.fileOf(project);
        Files.deleteIfExists(state);
        Files.createDirectories(state.resolve("in the way"));
        desk.frame().edit(new ReturnEdit.Level("A", -11));
        ui.until(() -> desk.frame().problem().get().contains("not kept"));
        assertThat(desk.frame().problem().get()).doesNotContain("\n");
    }

    @Test
    void eachFileIsWrittenWithTheLastThatWasAskedForIt() throws IOException, InterruptedException {
        StateKeeper keeper = new StateKeeper(e -> {});
        Path a = folder.resolve("a.txt");
        Path b = folder.resolve("b.txt");
        for (int i = 0; i <= 200; i++) {
            String text = "edit " + i;
            keeper.run(a, () -> Files.writeString(a, text));
            keeper.run(b, () -> Files.writeString(b, text));
        }
        keeper.close();
        assertThat(Files.readString(a)).isEqualTo("edit 200");
        assertThat(Files.readString(b)).isEqualTo("edit 200");
    }
}
