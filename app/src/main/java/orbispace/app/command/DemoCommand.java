package orbispace.app.command;

import java.nio.file.Path;
import java.util.concurrent.Callable;
import orbispace.app.song.DemoFiles;
import orbispace.files.FileProblem;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** The demo song: in the window, as pictures, or as files. */
@Command(
        name = "demo",
        mixinStandardHelpOptions = true,
        description = "opens the demo song; with no display it runs the off-screen tour")
final class DemoCommand implements Callable<Integer> {
    private static final Path DEFAULT_TOUR = Path.of("orbispace-tour");

    @Option(
            names = "--tour",
            paramLabel = "DIR",
            description = "write a picture of every main view, off screen")
    private @Nullable Path tour;

    @Option(
            names = "--write",
            paramLabel = "DIR",
            description = "write stems, tempo and project as files")
    private @Nullable Path write;

    private final Output output;
    private final Windows windows;

    DemoCommand(Output output, Windows windows) {
        this.output = output;
        this.windows = windows;
    }

    @Override
    public Integer call() throws FileProblem {
        if (write != null) {
            writeFiles(write);
        } else if (tour != null) {
            windows.tour(tour);
        } else if (windows.hasDisplay()) {
            windows.openDemo();
        } else {
            output.note(
                    "There is no display: running the off-screen tour into "
                            + DEFAULT_TOUR
                            + " instead.");
            windows.tour(DEFAULT_TOUR);
        }
        return 0;
    }

    private void writeFiles(Path folder) throws FileProblem {
        var files = DemoFiles.write(folder, share -> {});
        ObjectNode document = Output.object();
        ArrayNode list = document.putArray("files");
        files.forEach(f -> list.add(f.toString()));
        output.print(document, () -> files.forEach(f -> output.line("%s", f)));
    }
}
