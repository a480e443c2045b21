package orbispace.app.command;

import java.nio.file.Path;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import orbispace.app.command.OrbispaceCommand.WrongUsage;
import orbispace.app.song.CompareSong;
import orbispace.core.design.Design;
import orbispace.core.prove.log.Snapshot;
import orbispace.core.render.Job;
import orbispace.core.time.Span;
import orbispace.core.words.Wording;
import orbispace.files.FileProblem;
import orbispace.files.project.LogJournal;
import orbispace.files.project.ProjectFile;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.node.ObjectNode;

/** Two snapshots of a project at matched loudness, and what parts them. */
@Command(
        name = "compare",
        mixinStandardHelpOptions = true,
        description = "matches two snapshots in loudness and tells what is left between them")
final class CompareCommand implements Callable<Integer> {
    private static final String NOW = "now";

    @Parameters(paramLabel = "PROJECT", description = "project file")
    private @Nullable Path project;

    @Option(
            names = "--a",
            required = true,
            paramLabel = "SNAPSHOT",
            description = "a snapshot by its name, or now for the design itself")
    private String first = "";

    @Option(
            names = "--b",
            required = true,
            paramLabel = "SNAPSHOT",
            description = "the other, likewise")
    private String second = "";

    @Option(names = "--section", paramLabel = "NAME", description = "only this section")
    private @Nullable String section;

    private final Output output;

    CompareCommand(Output output) {
        this.output = output;
    }

    @Override
    public Integer call() throws FileProblem {
        if (project == null) {
            throw new WrongUsage("name a project");
        }
        ProjectFile file = LogJournal.read(project);
        Design a = design(file, first);
        Design b = design(file, second);
        Optional<Span> span =
                section == null
                        ? Optional.empty()
                        : Optional.of(a.song().span(ProjectArguments.section(project, a, section)));
        CompareSong.Compared compared =
                CompareSong.of(ProjectArguments.folder(project), a, b, span, Job.QUIET);
        ObjectNode document = Output.object();
        document.put("gainDb", compared.pair().gainDb());
        Output.put(document, "loudnessA", compared.pair().lufsA());
        Output.put(document, "loudnessB", compared.pair().lufsB());
        Output.put(document, "residualDb", compared.residual().residualDb());
        output.print(document, () -> lines(compared));
        return 0;
    }

    private Design design(ProjectFile file, String name) throws FileProblem {
        Optional<Snapshot> found = file.logbook().find(name);
        if (found.isPresent()) {
            return found.get().design();
        }
        if (name.equalsIgnoreCase(NOW)) {
            return file.design();
        }
        String names =
                file.logbook().snapshots().stream()
                        .map(Snapshot::name)
                        .collect(Collectors.joining(", "));
        throw new FileProblem(
                project
                        + ": has no snapshot \""
                        + name
                        + "\"; it has "
                        + (names.isEmpty() ? "none" : names)
                        + ", and now");
    }

    private void lines(CompareSong.Compared compared) {
        output.line(
                "%s is at %s, %s at %s; B is turned by %+.2f dB",
                first,
                lufs(compared.pair().lufsA()),
                second,
                lufs(compared.pair().lufsB()),
                compared.pair().gainDb());
        output.line("%s", compared.residual().words());
    }

    private static String lufs(OptionalDouble value) {
        return value.isEmpty() ? "silence" : Wording.format("%.2f LUFS", value.getAsDouble());
    }
}
