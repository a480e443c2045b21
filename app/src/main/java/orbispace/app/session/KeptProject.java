package orbispace.app.session;

import java.nio.file.Path;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import orbispace.app.song.Relocation;
import orbispace.core.design.Design;
import orbispace.core.prove.log.Logbook;
import orbispace.core.render.Job;
import orbispace.files.FileProblem;
import orbispace.files.project.Autosave;
import orbispace.files.project.LogJournal;
import orbispace.files.project.ProjectFile;
import orbispace.files.project.ProjectFolder;
import org.jspecify.annotations.Nullable;

/**
 * Where the open project is kept: its file, the folder of its stems, its state after every change,
 * and the projects before it.
 */
public final class KeptProject {
    private final RecentProjects recent;
    private final ObjectProperty<@Nullable Path> file = new SimpleObjectProperty<>();
    private final StateKeeper keeper;
    private ProjectFile project;
    private @Nullable Path folder;
    private boolean aside;

    /**
     * No project.
     *
     * @param failed told of what could not be kept in the background, on another thread
     */
    public KeptProject(Design first, RecentProjects recent, Consumer<Exception> failed) {
        this.recent = recent;
        keeper = new StateKeeper(failed);
        project = ProjectFile.of(first);
    }

    /**
     * A project that was read with its stems.
     *
     * @param design as it is in the file, with stems where they were found
     * @param file where it is; null for a song that is not kept yet
     * @param folder in which its stems lie
     * @param recovered changes that a crash left beside it
     */
    public record Opened(
            ProjectFile project,
            Design design,
            ProjectFolder.Stems stems,
            @Nullable Path file,
            Path folder,
            Optional<Autosave.Recovered> recovered) {}

    /** Reads a project and its stems; changes nothing. */
    public static Opened read(Path path, Job job) throws FileProblem {
        Path absolute = path.toAbsolutePath().normalize();
        Path parent = Objects.requireNonNullElse(absolute.getParent(), absolute);
        ProjectFile read = LogJournal.read(absolute);
        ProjectFolder.Stems stems = ProjectFolder.read(parent, read.design(), job);
        return new Opened(
                read,
                Relocation.found(read.design(), stems.found(), parent),
                stems,
                absolute,
                parent,
                Autosave.find(absolute, read));
    }

    public ReadOnlyObjectProperty<@Nullable Path> file() {
        return file;
    }

    public Optional<Path> folder() {
        return Optional.ofNullable(folder);
    }

    public RecentProjects recent() {
        return recent;
    }

    /** Another project is open now; it may have no file yet. */
    public void begin(Opened opened) {
        project = opened.project();
        folder = opened.folder();
        aside = false;
        file.set(opened.file());
        if (opened.file() != null) {
            recent.add(opened.file());
        }
    }

    /** Keeps a design beside the project, in the background; only the newest matters. */
    public void keepState(Design design) {
        Path path = file.get();
        if (path != null) {
            ProjectFile document = project;
            Design there = Relocation.moved(design, folder, path.getParent());
            keeper.run(Autosave.fileOf(path), () -> Autosave.keep(path, document, there));
        }
    }

    /** Moves what a crash left out of the way of newer states; only the first time. */
    public void setStateAside() {
        Path path = file.get();
        if (path != null && !aside) {
            aside = true;
            Autosave.setAside(path);
        }
    }

    /**
     * Forgets the state beside the project: there is nothing in it that is not saved or given up.
     */
    public void dropState() {
        Path path = file.get();
        if (path != null) {
            keeper.run(Autosave.fileOf(path), () -> Autosave.drop(path));
        }
    }

    /** Finished tracks that the mix is held against. */
    public List<Path> references() {
        Path home = folder;
        return project.references().stream()
                .map(f -> home == null ? Path.of(f) : home.resolve(f).normalize())
                .toList();
    }

    /** Keeps other finished tracks with the project, written when it is saved. */
    public void keepReferences(List<Path> files) {
        Path home = folder;
        project =
                project.withReferences(
                        files.stream()
                                .map(f -> home == null ? f.toString() : Relocation.path(f, home))
                                .toList());
    }

    /** Snapshots and log of the project. */
    public Logbook logbook() {
        return project.logbook();
    }

    /**
     * Keeps another logbook: in a journal beside the file at once, in the background, and in the
     * file when it is saved.
     */
    public void keepLog(Logbook log) {
        project = project.withLogbook(log);
        Path path = file.get();
        if (path != null) {
            Path home = Objects.requireNonNull(path.getParent());
            Path from = folder == null ? home : folder;
            ProjectFile document = project.withSnapshots(d -> Relocation.moved(d, from, home));
            keeper.run(LogJournal.fileOf(path), () -> LogJournal.keep(path, document));
        }
    }

    /** Writes a design; nothing changes if that fails. Stems stay named from their own folder. */
    public void save(Path path, Design design) throws FileProblem {
        Path absolute = path.toAbsolutePath().normalize();
        Path home = absolute.getParent();
        project =
                project.withSnapshots(d -> Relocation.moved(d, folder, home))
                        .save(absolute, Relocation.moved(design, folder, home));
        dropState();
        keeper.run(LogJournal.fileOf(absolute), () -> LogJournal.drop(absolute));
        file.set(absolute);
        recent.add(absolute);
    }

    /** Waits for what is being kept. */
    public void close() {
        keeper.close();
    }
}
