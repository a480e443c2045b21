package orbispace.app.command;

import java.nio.file.Path;
import java.util.EnumSet;
import java.util.Set;
import java.util.concurrent.Callable;
import orbispace.app.song.Sheets;
import orbispace.core.design.Design;
import orbispace.files.FileProblem;
import orbispace.files.project.LogJournal;
import orbispace.files.project.ProjectFolder;
import orbispace.files.sheet.RecallSheet;
import orbispace.files.sheet.SheetPart;
import orbispace.files.sheet.SheetWriter;
import orbispace.files.sound.ResponseFiles;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** Writes the recall sheet. */
@Command(name = "sheet", mixinStandardHelpOptions = true, description = "writes the recall sheet")
final class SheetCommand implements Callable<Integer> {
    @Parameters(paramLabel = "PROJECT", description = "project file")
    private @Nullable Path project;

    @Option(
            names = "--out",
            required = true,
            paramLabel = "FILE",
            description = "file ending in .pdf, .html, .md or .csv")
    private @Nullable Path out;

    @Option(names = "--letter", description = "a PDF on Letter instead of A4")
    private boolean letter;

    @Option(
            names = "--without",
            split = ",",
            paramLabel = "PART",
            description = "parts to leave out: ${COMPLETION-CANDIDATES}")
    private Set<SheetPart> without = Set.of();

    private final Output output;

    SheetCommand(Output output) {
        this.output = output;
    }

    private Set<SheetPart> parts() {
        Set<SheetPart> parts = EnumSet.allOf(SheetPart.class);
        parts.removeAll(without);
        return parts;
    }

    @Override
    public Integer call() throws FileProblem {
        Design design = ProjectArguments.design(project);
        Path folder = ProjectArguments.folder(java.util.Objects.requireNonNull(project));
        double seconds = ProjectFolder.lengthSeconds(folder, design);
        Path file = java.util.Objects.requireNonNull(out);
        RecallSheet sheet =
                Sheets.measured(design, ResponseFiles.readAll(folder, design), seconds)
                        .withFindings(Sheets.accepted(LogJournal.read(project).logbook()))
                        .only(parts());
        SheetWriter.write(file, sheet, letter);
        output.print(Output.object().put("file", file.toString()), () -> output.line("%s", file));
        return 0;
    }
}
