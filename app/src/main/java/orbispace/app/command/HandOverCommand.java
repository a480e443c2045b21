package orbispace.app.command;

import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;
import orbispace.app.song.HandOver;
import orbispace.app.song.Sheets;
import orbispace.core.design.Design;
import orbispace.core.render.Job;
import orbispace.core.render.SongMaterial;
import orbispace.files.FileProblem;
import orbispace.files.midi.ControllerTable;
import orbispace.files.project.LogJournal;
import orbispace.files.project.ProjectFolder;
import orbispace.files.sound.WavWriter;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Writes everything that is carried away into one folder. */
@Command(
        name = "handover",
        mixinStandardHelpOptions = true,
        description = "one folder with sheet, prints, responses, automation and a page about them")
final class HandOverCommand implements Callable<Integer> {
    @Parameters(paramLabel = "PROJECT", description = "project file")
    private @Nullable Path project;

    @Option(names = "--out", required = true, paramLabel = "DIR", description = "where to")
    private @Nullable Path out;

    @Option(names = "--bits", paramLabel = "N", description = "16, 24 or 32f; 24 if not given")
    private String bits = "24";

    @Option(names = "--by-section", description = "print each section as well")
    private boolean bySection;

    @Option(names = "--letter", description = "print the sheet on Letter instead of A4")
    private boolean letter;

    private final Output output;

    HandOverCommand(Output output) {
        this.output = output;
    }

    @Override
    public Integer call() throws FileProblem {
        Design design = ProjectArguments.design(project);
        WavWriter.Depth depth = ProjectArguments.depth(bits);
        Path file = java.util.Objects.requireNonNull(project);
        SongMaterial material = ProjectFolder.readAll(ProjectArguments.folder(file), design);
        HandOver.Order order =
                new HandOver.Order(
                        java.util.Objects.requireNonNull(out),
                        HandOver.Sheet.whole(
                                List.of(letter ? ".letter.pdf" : ".pdf", ".html", ".md", ".csv"),
                                Sheets.accepted(LogJournal.read(file).logbook())),
                        new HandOver.Printing(true, bySection, depth),
                        new HandOver.Lanes(List.of(".mid", ".csv"), ControllerTable.USUAL, true));
        HandOver.Handed handed = HandOver.write(design, material, order, Job.QUIET);
        List<Path> files = handed.files();
        ObjectNode document = Output.object();
        ArrayNode list = document.putArray("files");
        files.forEach(f -> list.add(f.toString()));
        output.print(
                document,
                () -> {
                    files.forEach(f -> output.line("%s", f));
                    if (!handed.warning().isEmpty()) {
                        output.line("%s (--bits 32f)", handed.warning());
                    }
                });
        return 0;
    }
}
