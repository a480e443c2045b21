package orbispace.app.command;

import java.nio.file.Path;
import java.time.Clock;
import java.time.temporal.ChronoUnit;
import java.util.concurrent.Callable;
import orbispace.app.command.OrbispaceCommand.WrongUsage;
import orbispace.app.song.ClearSong;
import orbispace.core.prove.log.LogMeasures;
import orbispace.core.prove.log.Logbook;
import orbispace.core.prove.log.Snapshot;
import orbispace.files.FileProblem;
import orbispace.files.project.LogJournal;
import orbispace.files.project.ProjectFile;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Lists the snapshots of a project, or writes one with another. */
@Command(
        name = "snapshot",
        mixinStandardHelpOptions = true,
        description = "lists snapshots, or writes the project with one of its design")
final class SnapshotCommand implements Callable<Integer> {
    @Parameters(paramLabel = "PROJECT", description = "project file")
    private @Nullable Path project;

    @Option(names = "--name", paramLabel = "NAME", description = "name of a new snapshot")
    private @Nullable String name;

    @Option(names = "--note", paramLabel = "TEXT", description = "a word on it")
    private String note = "";

    @Option(names = "--out", paramLabel = "FILE", description = "project to write it to")
    private @Nullable Path out;

    @Option(names = "--overwrite", description = "let --out replace a project that is there")
    private boolean overwrite;

    private final Output output;
    private final Clock clock;

    SnapshotCommand(Output output, Clock clock) {
        this.output = output;
        this.clock = clock;
    }

    @Override
    public Integer call() throws FileProblem {
        if (project == null) {
            throw new WrongUsage("name a project");
        }
        if ((name == null) != (out == null)) {
            throw new WrongUsage("--name and --out go together");
        }
        ProjectArguments.checkTarget("--out", project, out, overwrite);
        ProjectFile file = LogJournal.read(project);
        Logbook log = file.logbook();
        if (name != null && out != null) {
            log = write(file, name, out);
        }
        ObjectNode document = Output.object();
        ArrayNode all = document.putArray("snapshots");
        for (Snapshot s : log.snapshots()) {
            all.addObject()
                    .put("name", s.name())
                    .put("note", s.note())
                    .put("when", s.made().toString());
        }
        Logbook shown = log;
        output.print(
                document,
                () -> {
                    if (shown.snapshots().isEmpty()) {
                        output.line("%s", "no snapshots");
                    }
                    shown.snapshots()
                            .forEach(s -> output.line("%s  %s  %s", s.made(), s.name(), s.note()));
                });
        return 0;
    }

    private Logbook write(ProjectFile file, String called, Path to) throws FileProblem {
        Path from = java.util.Objects.requireNonNull(project);
        Path home = ProjectArguments.folder(to);
        ProjectArguments.makeFolder(home);
        Logbook log =
                file.logbook()
                        .with(
                                new Snapshot(
                                        called,
                                        note,
                                        clock.instant().truncatedTo(ChronoUnit.SECONDS),
                                        file.design(),
                                        LogMeasures.NONE));
        Path source = ProjectArguments.folder(from);
        file.withLogbook(log)
                .withSnapshots(d -> ClearSong.movedTo(d, source, home))
                .write(to, ClearSong.movedTo(file.design(), source, home));
        return log;
    }
}
