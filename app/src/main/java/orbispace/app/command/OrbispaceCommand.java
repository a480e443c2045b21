package orbispace.app.command;

import java.io.PrintStream;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Optional;
import java.util.concurrent.Callable;
import orbispace.app.song.FullMemory;
import orbispace.core.words.Wording;
import orbispace.files.FileProblem;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** The program's own command, which opens the window, and its subcommands. */
@Command(
        name = "orbispace",
        mixinStandardHelpOptions = true,
        version = "Orbispace 0.1.0",
        description =
                "Designs the spatial field of a song. Without a subcommand it opens the window.")
public final class OrbispaceCommand implements Callable<Integer> {
    private static final int DONE = 0;
    private static final int COULD_NOT = 1;
    private static final int WRONG_USAGE = 2;

    private final Windows windows;

    @Parameters(
            arity = "0..1",
            paramLabel = "PROJECT",
            description = "project to open (*.orbispace.json)")
    private @Nullable Path project;

    @Option(
            names = "--json",
            description = "print one JSON document instead of lines; may stand anywhere")
    @SuppressWarnings("UnusedVariable") // Named for the help; taken out before the rest is parsed.
    private boolean json;

    private OrbispaceCommand(Windows windows) {
        this.windows = windows;
    }

    /** Runs a command line and answers its exit status: 0 done, 1 could not, 2 wrong usage. */
    public static int run(String[] arguments, PrintStream out, PrintStream err, Windows windows) {
        boolean json = Arrays.asList(arguments).contains("--json");
        String[] rest =
                Arrays.stream(arguments).filter(a -> !a.equals("--json")).toArray(String[]::new);
        Output output = new Output(out, err, json);
        CommandLine line = new CommandLine(new OrbispaceCommand(windows));
        line.addSubcommand(new DemoCommand(output, windows));
        line.addSubcommand(new TestCommand());
        line.addSubcommand(new NewCommand(output));
        line.addSubcommand(new TimesCommand(output));
        line.addSubcommand(MeasureCommand.all(output));
        line.addSubcommand(new RenderCommand(output));
        line.addSubcommand(new ResponseCommand(output));
        line.addSubcommand(new ClearCommand(output));
        line.addSubcommand(new SheetCommand(output));
        line.addSubcommand(new HandOverCommand(output));
        line.addSubcommand(new SweepCommand(output));
        line.addSubcommand(new CaptureCommand(output));
        line.addSubcommand(new CheckCommand(output));
        line.addSubcommand(new CompareCommand(output));
        line.addSubcommand(new SnapshotCommand(output, java.time.Clock.systemUTC()));
        line.addSubcommand(new PlanCommand(output));
        line.addSubcommand(new DraftCommand(output));
        line.addSubcommand(BankCommand.all(output));
        line.addSubcommand(EarsCommand.all(output));
        line.addSubcommand(new AutomationCommand(output));
        line.setOut(new java.io.PrintWriter(out, true, java.nio.charset.StandardCharsets.UTF_8));
        line.setParameterExceptionHandler((problem, given) -> {
            err.println(
                    oneLine(problem.getMessage())
                            + "; see "
                            + problem.getCommandLine().getCommandSpec().qualifiedName()
                            + " --help");
            return WRONG_USAGE;
        });
        line.setExecutionExceptionHandler((problem, command, result) -> failed(problem, err));
        try {
            return line.execute(rest);
        } catch (OutOfMemoryError e) {
            err.println(FullMemory.words());
            return COULD_NOT;
        }
    }

    private static int failed(Exception problem, PrintStream err) {
        switch (problem) {
            case WrongUsage wrong -> {
                err.println(oneLine(wrong.getMessage()) + "; see --help");
                return WRONG_USAGE;
            }
            case FileProblem file -> err.println(oneLine(file.getMessage()));
            case UncheckedIOException io -> err.println(oneLine(io.getMessage()));
            case IllegalArgumentException value -> err.println(oneLine(value.getMessage()));
            default -> err.println("could not: " + oneLine(problem.toString()));
        }
        return COULD_NOT;
    }

    private static String oneLine(@Nullable String message) {
        return message == null ? "unknown fault" : Wording.oneLine(message);
    }

    /** A combination of options that makes no sense. */
    static final class WrongUsage extends RuntimeException {
        private static final long serialVersionUID = 1;

        WrongUsage(String message) {
            super(message);
        }
    }

    @Override
    public Integer call() throws FileProblem {
        if (project != null && !java.nio.file.Files.exists(project)) {
            throw new FileProblem(
                    project + ": is neither a command nor a project that exists; see --help");
        }
        if (!windows.hasDisplay()) {
            throw new FileProblem(
                    "there is no display to open a window on; try demo --tour DIR, or the commands"
                            + " in --help");
        }
        windows.open(Optional.ofNullable(project));
        return DONE;
    }
}
