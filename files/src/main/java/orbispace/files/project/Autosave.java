package orbispace.files.project;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.attribute.FileTime;
import java.util.Optional;
import orbispace.core.design.Design;
import orbispace.files.FileProblem;

/**
 * The state of an open project, kept beside its file with every change, and what is found of it
 * after a crash.
 */
public final class Autosave {
    private static final String SUFFIX = ".orbispace.autosave.json";

    private static final String ASIDE_SUFFIX = ".orbispace.recovered.json";

    private Autosave() {}

    /**
     * Changes that were never saved.
     *
     * @param design as it stood last
     * @param time when that was
     * @param current whether they were made to the project as it is now; false if its file has been
     *     changed since
     */
    public record Recovered(Design design, FileTime time, boolean current) {}

    /** Where the changes of a project are kept. */
    public static Path fileOf(Path project) {
        return beside(project, SUFFIX);
    }

    /** A file of the same name beside a project. */
    static Path beside(Path project, String suffix) {
        String name = String.valueOf(project.getFileName());
        String base =
                name.endsWith(ProjectFile.SUFFIX)
                        ? name.substring(0, name.length() - ProjectFile.SUFFIX.length())
                        : name;
        return project.resolveSibling(base + suffix);
    }

    /** Keeps a design beside its project. */
    public static void keep(Path project, ProjectFile document, Design design) throws FileProblem {
        document.writeState(fileOf(project), design);
    }

    /**
     * What a crash left: a readable state that differs from the project. Its content decides, not
     * the times of files, which clocks and copies change.
     */
    public static Optional<Recovered> find(Path project, ProjectFile saved) {
        Path file = fileOf(project);
        try {
            if (!Files.isRegularFile(file)) {
                return Optional.empty();
            }
            ProjectFile state = ProjectFile.read(file);
            return state.design().equals(saved.design())
                    ? Optional.empty()
                    : Optional.of(
                            new Recovered(
                                    state.design(),
                                    Files.getLastModifiedTime(file),
                                    state.isStateOf(saved)));
        } catch (IOException e) {
            return Optional.empty();
        }
    }

    /** Moves what is kept of a project to another name beside it, so that it is not overwritten. */
    public static void setAside(Path project) {
        Path file = fileOf(project);
        String name = String.valueOf(file.getFileName()).replace(SUFFIX, ASIDE_SUFFIX);
        try {
            Files.move(file, file.resolveSibling(name), StandardCopyOption.REPLACE_EXISTING);
        } catch (IOException e) {
            // There is nothing to move, or no right to; the newer state matters more.
            return;
        }
    }

    /** Forgets what is kept of a project, once it is saved or given up. */
    public static void drop(Path project) {
        try {
            Files.deleteIfExists(fileOf(project));
        } catch (IOException e) {
            // An old state that stays is offered again, which does no harm.
            return;
        }
    }
}
