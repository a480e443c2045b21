package orbispace.app.command;

import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;
import orbispace.app.command.OrbispaceCommand.WrongUsage;
import orbispace.app.song.CacheFolder;
import orbispace.app.song.CheckSong;
import orbispace.core.design.Design;
import orbispace.core.prove.Finding;
import orbispace.core.prove.Remedy;
import orbispace.core.render.Job;
import orbispace.files.FileProblem;
import orbispace.files.project.ProjectFolder;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Findings about a whole design. */
@Command(
        name = "check",
        mixinStandardHelpOptions = true,
        description = "what is wrong with a design or worth knowing, with evidence and remedy")
final class CheckCommand implements Callable<Integer> {
    @Parameters(paramLabel = "PROJECT", description = "project file")
    private @Nullable Path project;

    @Option(names = "--strict", description = "exit with 1 if anything is found")
    private boolean strict;

    @Option(
            names = "--top",
            paramLabel = "N",
            description = "only the first N findings; they come with what must be done first")
    private @Nullable Integer top;

    private final Output output;

    CheckCommand(Output output) {
        this.output = output;
    }

    @Override
    public Integer call() throws FileProblem {
        Integer most = top;
        if (most != null && most < 1) {
            throw new WrongUsage("--top " + most + " is not 1 or more");
        }
        Design design = ProjectArguments.design(project);
        Path file = java.util.Objects.requireNonNull(project);
        ProjectFolder.Stems stems =
                ProjectFolder.readStems(ProjectArguments.folder(file), design, Job.QUIET);
        List<Finding> all = CheckSong.of(design, stems, CacheFolder.facts(), Job.QUIET);
        List<Finding> findings = most == null ? all : all.subList(0, Math.min(most, all.size()));
        ObjectNode document = Output.object();
        ArrayNode list = document.putArray("findings");
        for (Finding f : findings) {
            ObjectNode n =
                    list.addObject()
                            .put("rule", f.rule())
                            .put("severity", f.severity().label())
                            .put("subject", f.subject())
                            .put("evidence", f.evidence())
                            .put("why", f.why());
            n.put("remedy", f.remedies().isEmpty() ? null : f.remedies().getFirst().label());
            ArrayNode remedies = n.putArray("remedies");
            f.remedies().stream().map(Remedy::label).forEach(remedies::add);
        }
        document.put("more", all.size() - findings.size());
        output.print(document, () -> lines(findings, all.size() - findings.size()));
        return strict && !findings.isEmpty() ? 1 : 0;
    }

    private void lines(List<Finding> findings, int more) {
        if (findings.isEmpty()) {
            output.line("%s", "nothing found");
        }
        for (Finding f : findings) {
            output.line(
                    "%-5s %s%s: %s",
                    f.severity().label(),
                    f.subject().isEmpty() ? "" : f.subject() + " ",
                    f.flag(),
                    f.evidence());
            if (!f.remedies().isEmpty()) {
                output.line("      %s", f.remedies().getFirst().label());
            }
        }
        if (more > 0) {
            output.line("%d more; --top %d shows all", more, findings.size() + more);
        }
    }
}
