package orbispace.app.command;

import java.nio.file.Path;
import java.util.Arrays;
import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import orbispace.app.command.OrbispaceCommand.WrongUsage;
import orbispace.app.song.CacheFolder;
import orbispace.app.song.DraftSong;
import orbispace.core.design.Design;
import orbispace.core.draft.School;
import orbispace.core.prove.court.BestDraft;
import orbispace.core.render.Job;
import orbispace.files.FileProblem;
import orbispace.files.project.ProjectFolder;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.node.ObjectNode;

/** Drafts a field for a project's material and writes it as another project. */
@Command(
        name = "draft",
        mixinStandardHelpOptions = true,
        description = "drafts a field, by default the best of four schools for the material")
final class DraftCommand implements Callable<Integer> {
    @Parameters(paramLabel = "PROJECT", description = "project file")
    private @Nullable Path project;

    @Option(
            names = "--school",
            paramLabel = "SCHOOL",
            description = "shared, layers, depths or late; by default the best for the material")
    private @Nullable String school;

    @Option(
            names = "--out",
            required = true,
            paramLabel = "FILE",
            description = "writes the drafted song as a project of this name")
    private @Nullable Path out;

    @Option(names = "--overwrite", description = "let --out replace a project that is there")
    private boolean overwrite;

    private final Output output;

    DraftCommand(Output output) {
        this.output = output;
    }

    @Override
    public Integer call() throws FileProblem {
        Optional<School> asked = school == null ? Optional.empty() : Optional.of(school(school));
        Design given = ProjectArguments.design(project);
        Path file = Objects.requireNonNull(project);
        Path to = Objects.requireNonNull(out);
        ProjectArguments.checkTarget("--out", file, to, overwrite);
        ProjectFolder.Stems stems =
                ProjectFolder.readStems(ProjectArguments.folder(file), given, Job.QUIET);
        BestDraft best =
                DraftSong.of(given, stems, asked, CacheFolder.facts(), Job.QUIET)
                        .orElseThrow(() ->
                                new FileProblem(
                                        file
                                                + ": nothing in it can be sent anywhere; give a"
                                                + " stem that is dry a role other than bass"));
        ProjectArguments.write(file, to, best.passed().draft().laidOn(given));
        print(given, best);
        return 0;
    }

    private static School school(String text) {
        return School.of(text.strip())
                .orElseThrow(() ->
                        new WrongUsage(
                                "--school "
                                        + text
                                        + " is none of "
                                        + Arrays.stream(School.values())
                                                .map(School::label)
                                                .collect(Collectors.joining(", "))));
    }

    private void print(Design given, BestDraft best) {
        ObjectNode document = Output.object();
        document.put("school", best.passed().school().map(School::label).orElse(""));
        document.put("rule", best.rule());
        document.put("presenceKept", best.passed().presence());
        document.put("worstPhrase", best.passed().worstPhrase());
        Fields.write(document, best.passed());
        output.print(document, given.aims().hearing(), () -> lines(best));
    }

    private void lines(BestDraft best) {
        output.line("%s: %s", best.passed().draft().name(), best.rule());
        Fields.lines(output, best.passed());
    }
}
