package orbispace.app.command;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import orbispace.app.song.Prints;
import orbispace.core.design.Design;
import orbispace.core.render.Job;
import orbispace.core.render.SongMaterial;
import orbispace.core.time.Span;
import orbispace.files.FileProblem;
import orbispace.files.project.ProjectFolder;
import orbispace.files.sound.WavWriter;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Prints returns and the mix. */
@Command(
        name = "render",
        mixinStandardHelpOptions = true,
        description = "prints returns and the mix as WAV, aligned to the sources")
final class RenderCommand implements Callable<Integer> {
    @Parameters(paramLabel = "PROJECT", description = "project file")
    private @Nullable Path project;

    @Option(
            names = "--out",
            required = true,
            paramLabel = "DIR",
            description = "folder for the prints")
    private @Nullable Path out;

    @Option(names = "--section", paramLabel = "NAME", description = "only this section")
    private @Nullable String section;

    @Option(names = "--by-section", description = "each section as well, in a folder of its own")
    private boolean bySection;

    @Option(names = "--return", paramLabel = "ID", description = "only this return")
    private @Nullable String returnId;

    @Option(names = "--bits", description = "16, 24 or 32f", defaultValue = "24")
    private String bits = "24";

    private final Output output;

    RenderCommand(Output output) {
        this.output = output;
    }

    @Override
    public Integer call() throws FileProblem {
        WavWriter.Depth depth = ProjectArguments.depth(bits);
        Design design = ProjectArguments.design(project);
        Path file = java.util.Objects.requireNonNull(project);
        if (returnId != null) {
            ProjectArguments.ret(file, design, returnId);
        }
        Optional<Span> span =
                section == null
                        ? Optional.empty()
                        : Optional.of(
                                design.song()
                                        .span(ProjectArguments.section(file, design, section)));
        SongMaterial material = ProjectFolder.readAll(ProjectArguments.folder(file), design);
        Prints.Result result =
                Prints.print(
                        design,
                        material,
                        new Prints.Order(
                                java.util.Objects.requireNonNull(out),
                                depth,
                                Optional.ofNullable(returnId),
                                span,
                                bySection),
                        Job.QUIET);
        ObjectNode document = Output.object();
        ArrayNode files = document.putArray("files");
        result.files().forEach(f -> files.add(f.toString()));
        document.put("seconds", result.seconds()).put("timesRealtime", result.timesRealtime());
        if (!result.clipped().isEmpty()) {
            ObjectNode clipped = document.putObject("clippedDbfs");
            result.clipped().forEach((f, db) -> clipped.put(f.toString(), db));
        }
        output.print(document, () -> lines(result.files(), result));
        return 0;
    }

    private void lines(List<Path> files, Prints.Result result) {
        files.forEach(f -> output.line("%s", f));
        output.line(
                "rendered in %.2f s, %.1f times real time",
                result.seconds(), result.timesRealtime());
        if (!result.warning().isEmpty()) {
            output.line("%s (--bits 32f)", result.warning());
        }
    }
}
