package orbispace.app.command;

import java.nio.file.Files;
import java.nio.file.Path;
import orbispace.app.song.ClearSong;
import orbispace.core.design.Design;
import orbispace.core.design.Return;
import orbispace.core.design.Section;
import orbispace.files.FileProblem;
import orbispace.files.project.ProjectFile;
import orbispace.files.sound.WavWriter;
import org.jspecify.annotations.Nullable;

/** Projects, returns and sections as they are named on the command line. */
final class ProjectArguments {
    private ProjectArguments() {}

    static Design design(@Nullable Path project) throws FileProblem {
        if (project == null) {
            throw new OrbispaceCommand.WrongUsage("name a project");
        }
        return ProjectFile.read(project).design();
    }

    static void makeFolder(Path folder) throws FileProblem {
        try {
            Files.createDirectories(folder);
        } catch (java.io.IOException e) {
            throw FileProblem.writing(folder, e);
        }
    }

    static Path folder(Path project) {
        Path parent = project.toAbsolutePath().getParent();
        return parent == null ? project.toAbsolutePath() : parent;
    }

    static Return ret(Path project, Design design, String id) throws FileProblem {
        return design.findReturn(id)
                .orElseThrow(() ->
                        new FileProblem(
                                project
                                        + ": has no return \""
                                        + id
                                        + "\"; it has "
                                        + names(
                                                design.returns().stream()
                                                        .map(Return::id)
                                                        .toList())));
    }

    static Section section(Path project, Design design, String name) throws FileProblem {
        return design.song().sections().stream()
                .filter(s -> s.name().equalsIgnoreCase(name))
                .findFirst()
                .orElseThrow(() ->
                        new FileProblem(
                                project
                                        + ": has no section \""
                                        + name
                                        + "\"; it has "
                                        + names(
                                                design.song().sections().stream()
                                                        .map(Section::name)
                                                        .toList())));
    }

    /** Refuses a project to be written that has another ending or, unless asked, is there. */
    static void checkTarget(String option, Path from, @Nullable Path to, boolean overwrite)
            throws FileProblem {
        if (to == null) {
            return;
        }
        if (!to.getFileName().toString().endsWith(ProjectFile.SUFFIX)) {
            throw new OrbispaceCommand.WrongUsage(
                    option + " " + to + " does not end in " + ProjectFile.SUFFIX);
        }
        boolean same = to.toAbsolutePath().normalize().equals(from.toAbsolutePath().normalize());
        if (!overwrite && (same || Files.exists(to))) {
            throw new FileProblem(
                    to + ": is there already; choose another name or add --overwrite");
        }
    }

    /** Writes a changed design of one project as another, which finds the same stems. */
    static void write(Path from, Path to, Design design) throws FileProblem {
        Path home = folder(to);
        makeFolder(home);
        ProjectFile.read(from)
                .withSnapshots(d -> ClearSong.movedTo(d, folder(from), home))
                .write(to, ClearSong.movedTo(design, folder(from), home));
    }

    private static String names(java.util.List<String> names) {
        return names.isEmpty() ? "none" : String.join(", ", names);
    }

    /** How prints are written, as people write it. */
    static WavWriter.Depth depth(String bits) {
        return java.util.Arrays.stream(WavWriter.Depth.values())
                .filter(d -> d.label().equals(bits))
                .findFirst()
                .orElseThrow(() ->
                        new OrbispaceCommand.WrongUsage(
                                "--bits " + bits + " is not 16, 24 or 32f"));
    }
}
