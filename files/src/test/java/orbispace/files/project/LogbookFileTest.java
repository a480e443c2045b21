package orbispace.files.project;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.OptionalDouble;
import orbispace.core.design.Design;
import orbispace.core.design.FieldEdit;
import orbispace.core.design.ReturnEdit;
import orbispace.core.prove.log.LogEntry;
import orbispace.core.prove.log.LogMeasures;
import orbispace.core.prove.log.Logbook;
import orbispace.core.prove.log.Snapshot;
import orbispace.files.FileProblem;
import orbispace.files.sheet.SheetDifferences;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class LogbookFileTest {
    private static final Instant WHEN = Instant.parse("2026-03-14T09:26:53Z");

    @TempDir Path folder;

    private static Snapshot snapshot(String name, Design design) {
        return new Snapshot(
                name,
                "before the bridge",
                WHEN,
                design,
                new LogMeasures(
                        OptionalDouble.of(-19.5), OptionalDouble.of(-4), OptionalDouble.empty()));
    }

    private static Logbook log() {
        return Logbook.EMPTY
                .with(snapshot("First", ProjectFileTest.design()))
                .with(
                        new LogEntry(
                                WHEN,
                                "return A Return",
                                "-3.0 dB, fully wet",
                                "-6.0 dB, fully wet",
                                "too obvious",
                                LogMeasures.NONE,
                                new LogMeasures(
                                        OptionalDouble.of(-20),
                                        OptionalDouble.empty(),
                                        OptionalDouble.of(0.9))));
    }

    @Test
    void aLogbookIsReadBackAndStaysWhenOnlyTheDesignIsSaved() throws FileProblem {
        Path file = folder.resolve("a" + ProjectFile.SUFFIX);
        ProjectFile.of(ProjectFileTest.design())
                .withLogbook(log())
                .write(file, ProjectFileTest.design());
        ProjectFile read = ProjectFile.read(file);
        assertThat(read.logbook()).isEqualTo(log());
        Design other = new ReturnEdit.Level("A", -9).applyTo(ProjectFileTest.design());
        read.write(file, other);
        assertThat(ProjectFile.read(file).logbook()).isEqualTo(log());
        assertThat(ProjectFile.read(file).design()).isEqualTo(other);
        assertThat(ProjectFile.read(file).logbook().find("FIRST").orElseThrow().design())
                .isEqualTo(ProjectFileTest.design());
        read.withLogbook(Logbook.EMPTY).write(file, other);
        assertThat(ProjectFile.read(file).logbook()).isEqualTo(Logbook.EMPTY);
    }

    @Test
    void whatIsWrongInALogbookIsToldWithItsPlace() throws IOException {
        Path file = folder.resolve("a" + ProjectFile.SUFFIX);
        ProjectFile.of(ProjectFileTest.design())
                .withLogbook(log())
                .write(file, ProjectFileTest.design());
        String text = Files.readString(file);
        Files.writeString(file, text.replace("2026-03-14T09:26:53Z", "yesterday"));
        assertThatThrownBy(() -> ProjectFile.read(file))
                .hasMessageContaining("snapshots[0]")
                .hasMessageContaining("yesterday");
        Files.writeString(file, text.replace("\"name\" : \"First\"", "\"name\" : \"\""));
        assertThatThrownBy(() -> ProjectFile.read(file)).hasMessageContaining("snapshots[0]");
    }

    @Test
    void namesAreSingleAndEntriesAreFoundByAnyWord() {
        Logbook log = log();
        assertThatThrownBy(() -> log.with(snapshot("first", ProjectFileTest.design())))
                .hasMessageContaining("already");
        assertThat(log.without("FIRST").snapshots()).isEmpty();
        assertThat(log.search("OBVIOUS")).hasSize(1);
        assertThat(log.search("marimba")).isEmpty();
        Logbook more = log.with(LogEntry.note(WHEN, "rest until noon"));
        assertThat(more.search("").getFirst().what()).isEqualTo("rest until noon");
        Logbook full =
                new Logbook(
                        List.of(), java.util.Collections.nCopies(6000, LogEntry.note(WHEN, "x")));
        assertThat(full.entries()).hasSize(5000);
    }

    @Test
    void differencesAreToldInTheWordsOfTheSheet() {
        Design from = ProjectFileTest.design();
        Design to = new ReturnEdit.Level("A", -9).applyTo(from);
        to = new ReturnEdit.Feedback("B", 0.2).applyTo(to);
        to = to.withSources(List.of(to.sources().get(0).withGain(-2), to.sources().get(1)));
        List<SheetDifferences.Difference> found = SheetDifferences.of(from, to);
        assertThat(found)
                .extracting(d -> d.subject() + "/" + d.label())
                .containsExactly("return A/Return", "return B/Feedback", "source voice/level");
        assertThat(found.getFirst().from()).contains("\u22127.5 dB");
        assertThat(found.getFirst().to()).contains("\u22129.0 dB");
        Design without = new FieldEdit.Remove("B").applyTo(from);
        assertThat(SheetDifferences.of(from, without))
                .anyMatch(d -> d.subject().equals("return B") && d.from().equals("there"));
        assertThat(SheetDifferences.of(from, from)).isEmpty();
    }

    @Test
    void referencesAreKeptApartFromTheRestAndGoWhenTheyAreLetGo() throws FileProblem {
        Path file = folder.resolve("song.orbispace.json");
        ProjectFile project = ProjectFile.of(ProjectFileTest.design());
        assertThat(project.references()).isEmpty();
        project.withReferences(List.of("old-quay.wav", "/elsewhere/pier.flac"))
                .write(file, project.design());
        ProjectFile read = ProjectFile.read(file);
        assertThat(read.references()).containsExactly("old-quay.wav", "/elsewhere/pier.flac");
        assertThat(read.design()).isEqualTo(project.design());
        read.withReferences(List.of()).write(file, read.design());
        assertThat(ProjectFile.read(file).references()).isEmpty();
    }

    @Test
    void anEntryAndASnapshotAreReplacedInTheirPlace() {
        Instant when = Instant.parse("2026-11-14T11:20:00Z");
        LogEntry first = LogEntry.note(when, "first");
        LogEntry second = LogEntry.note(when, "second");
        Logbook book = Logbook.EMPTY.with(first).with(second);
        LogEntry told = first.because("by ear").because("twice");
        assertThat(told.why()).isEqualTo("by ear; twice");
        assertThat(book.replacing(first, told).entries()).containsExactly(told, second);
        Snapshot ebb = new Snapshot("Ebb", "", when, ProjectFileTest.design(), LogMeasures.NONE);
        Snapshot flood =
                new Snapshot("Flood", "", when, ProjectFileTest.design(), LogMeasures.NONE);
        Logbook shots = book.with(ebb).with(flood);
        Snapshot noted = new Snapshot("Ebb", "at the pier", when, ebb.design(), LogMeasures.NONE);
        assertThat(shots.replacing(ebb, noted).snapshots()).containsExactly(noted, flood);
        assertThatThrownBy(() ->
                        shots.replacing(
                                ebb,
                                new Snapshot("flood", "", when, ebb.design(), LogMeasures.NONE)))
                .hasMessageContaining("same name");
    }
}
