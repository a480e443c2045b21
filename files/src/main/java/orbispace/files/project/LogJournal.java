package orbispace.files.project;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import orbispace.core.prove.log.LogEntry;
import orbispace.core.prove.log.Logbook;
import orbispace.core.prove.log.Snapshot;
import orbispace.files.FileProblem;

/**
 * The log and the snapshots of a project between two saves, beside its file: they are kept as they
 * happen, while the project's own file changes only when it is saved.
 */
public final class LogJournal {
    private static final String SUFFIX = ".orbispace.log.json";

    private LogJournal() {}

    /** Where the journal of a project is. */
    public static Path fileOf(Path project) {
        return Autosave.beside(project, SUFFIX);
    }

    /** Keeps the logbook of a document beside its project. */
    public static void keep(Path project, ProjectFile document) throws FileProblem {
        document.writeLog(fileOf(project));
    }

    /** Reads a project with the log that was kept of it since it was saved. */
    public static ProjectFile read(Path project) throws FileProblem {
        ProjectFile file = ProjectFile.read(project);
        return find(project, file).map(file::withLogbook).orElse(file);
    }

    /**
     * The logbook of a project as the journal has it; empty without a journal that can be read.
     *
     * <p>A journal that continues the file's own log stands for it. If the file has got another log
     * since, such as from a copy, the two are joined: nothing is lost.
     */
    public static Optional<Logbook> find(Path project, ProjectFile saved) {
        Path file = fileOf(project);
        if (!Files.isRegularFile(file)) {
            return Optional.empty();
        }
        try {
            ProjectFile.Log journal = ProjectFile.readLog(file);
            return Optional.of(
                    journal.of().equals(saved.logDigest())
                            ? journal.book()
                            : joined(saved.logbook(), journal.book()));
        } catch (FileProblem | IllegalArgumentException e) {
            return Optional.empty();
        }
    }

    private static Logbook joined(Logbook saved, Logbook journal) {
        List<LogEntry> entries = new ArrayList<>(saved.entries());
        journal.entries().stream().filter(e -> !entries.contains(e)).forEach(entries::add);
        entries.sort(Comparator.comparing(LogEntry::when));
        List<Snapshot> snapshots = new ArrayList<>(saved.snapshots());
        journal.snapshots()
                .forEach(s -> {
                    snapshots.removeIf(o -> o.name().equals(s.name()));
                    snapshots.add(s);
                });
        return new Logbook(snapshots, entries);
    }

    /** Forgets the journal, once the project is saved. */
    public static void drop(Path project) throws IOException {
        Files.deleteIfExists(fileOf(project));
    }
}
