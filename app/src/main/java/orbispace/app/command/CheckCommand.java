package orbispace.app.command;

import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.function.UnaryOperator;
import orbispace.app.command.OrbispaceCommand.WrongUsage;
import orbispace.app.song.CacheFolder;
import orbispace.app.song.CheckSong;
import orbispace.core.design.Design;
import orbispace.core.prove.Brings;
import orbispace.core.prove.Finding;
import orbispace.core.prove.FindingLine;
import orbispace.core.prove.Remedy;
import orbispace.core.prove.Severity;
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
            description =
                    "only the first N findings, or lines of one kind; what brings most comes first")
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
            n.put("brings", f.brings().map(Brings::words).orElse(null));
            n.put("remedy", f.remedies().isEmpty() ? null : f.remedies().getFirst().label());
            ArrayNode remedies = n.putArray("remedies");
            f.remedies().stream().map(Remedy::label).forEach(remedies::add);
        }
        document.put("more", all.size() - findings.size());
        output.print(document, () -> lines(all, most));
        return strict && !findings.isEmpty() ? 1 : 0;
    }

    /** A line for each kind of finding; then how many more there are, and where to stop. */
    private void lines(List<Finding> all, @Nullable Integer most) {
        List<FindingLine> lines = FindingLine.of(all);
        int shown = most == null ? lines.size() : Math.min(most, lines.size());
        if (lines.isEmpty()) {
            output.line("%s", "nothing found");
        }
        boolean stopped = false;
        for (FindingLine line : lines.subList(0, shown)) {
            if (line.severity() == Severity.KNOW && !stopped) {
                output.line("%s", FindingLine.STOP);
                stopped = true;
            }
            line(line);
        }
        if (shown < lines.size()) {
            output.line("%d more; --top %d shows all", lines.size() - shown, lines.size());
        }
    }

    private void line(FindingLine line) {
        UnaryOperator<String> name = id -> id;
        Finding f = line.first();
        output.line(
                "%-5s %s: %s",
                line.severity().label(),
                line.isFolded() ? line.title(name) : f.subject() + " " + f.flag(),
                line.isFolded() ? line.subjects(name) : f.evidence());
        if (line.isFolded()) {
            line.findings().forEach(each -> output.line("        %s", each.evidence()));
        }
        if (line.settled() > 0 && !f.remedies().isEmpty()) {
            output.line(
                    "      %s%s%s",
                    f.remedies().getFirst().label(),
                    line.isFolded() ? ", and as much for the others" : "",
                    line.brings()
                            .filter(b -> b.amount() > 0)
                            .map(b -> ": up to " + b.words())
                            .orElse(""));
        }
    }
}
