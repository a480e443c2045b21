package orbispace.app.session;

import java.nio.file.Path;
import java.util.Objects;
import java.util.Optional;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import orbispace.core.design.Design;
import orbispace.core.render.Job;
import orbispace.files.FileProblem;
import orbispace.files.ProjectFile;
import orbispace.files.ProjectFolder;
import org.jspecify.annotations.Nullable;

/**
 * Where the open project is kept: its file, the folder of its stems, and the projects before it.
 */
final class KeptProject {
    private final RecentProjects recent;
    private final ObjectProperty<@Nullable Path> file = new SimpleObjectProperty<>();
    private ProjectFile project;
    private @Nullable Path folder;

    KeptProject(Design first, RecentProjects recent) {
        this.recent = recent;
        project = ProjectFile.of(first);
    }

    /**
     * A project that was read with its stems.
     *
     * @param file where it is
     * @param folder in which its stems lie
     */
    record Opened(ProjectFile project, ProjectFolder.Stems stems, Path file, Path folder) {}

    /** Reads a project and its stems; changes nothing. */
    static Opened read(Path path, Job job) throws FileProblem {
        Path absolute = path.toAbsolutePath().normalize();
        Path parent = Objects.requireNonNullElse(absolute.getParent(), absolute);
        ProjectFile read = ProjectFile.read(absolute);
        return new Opened(
                read, ProjectFolder.read(parent, read.design(), job::report), absolute, parent);
    }

    ReadOnlyObjectProperty<@Nullable Path> file() {
        return file;
    }

    Optional<Path> folder() {
        return Optional.ofNullable(folder);
    }

    RecentProjects recent() {
        return recent;
    }

    /** Another project is open now; it may have no file yet. */
    void begin(ProjectFile given, @Nullable Path path, Path stemsFolder) {
        project = given;
        folder = stemsFolder;
        file.set(path);
        if (path != null) {
            recent.add(path);
        }
    }

    /** Writes a design; nothing changes if that fails. */
    void save(Path path, Design design) throws FileProblem {
        Path absolute = path.toAbsolutePath().normalize();
        Design now = Relocation.moved(design, folder, absolute.getParent());
        project = project.write(absolute, now);
        file.set(absolute);
        recent.add(absolute);
    }
}
