package orbispace.app.command;

import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.Callable;
import orbispace.app.command.OrbispaceCommand.WrongUsage;
import orbispace.core.design.Design;
import orbispace.core.design.Throw;
import orbispace.core.plan.Automation;
import orbispace.core.plan.ThrownWords;
import orbispace.core.render.SongMaterial;
import orbispace.files.AutomationCsv;
import orbispace.files.AutomationMidi;
import orbispace.files.FileProblem;
import orbispace.files.ProjectFolder;
import orbispace.files.WavWriter;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Writes the plan and the throws as automation. */
@Command(
        name = "automation",
        mixinStandardHelpOptions = true,
        description = "writes the plan and the throws as controller lanes or breakpoints")
final class AutomationCommand implements Callable<Integer> {
    @Parameters(paramLabel = "PROJECT", description = "project file")
    private @Nullable Path project;

    @Option(
            names = "--out",
            required = true,
            paramLabel = "FILE",
            description = "file ending in .mid or .csv")
    private @Nullable Path out;

    @Option(
            names = "--controller",
            paramLabel = "N",
            description = "number of the first lane's controller, 0 to 119; 20 if not given")
    private int controller = 20;

    @Option(names = "--fine", description = "controllers 0 to 31 with 14 bits")
    private boolean fine;

    @Option(
            names = "--words",
            paramLabel = "DIR",
            description = "also write each thrown word as a stem of its own")
    private @Nullable Path words;

    private final Output output;

    AutomationCommand(Output output) {
        this.output = output;
    }

    @Override
    public Integer call() throws FileProblem {
        Design design = ProjectArguments.design(project);
        Path file = java.util.Objects.requireNonNull(out);
        String name = file.toString().toLowerCase(Locale.ROOT);
        if (controller < 0 || controller > (fine ? 31 : 119)) {
            throw new WrongUsage(
                    "--controller " + controller + " is outside 0 to " + (fine ? 31 : 119));
        }
        Automation automation = Automation.of(design);
        AutomationMidi midi = new AutomationMidi(design.song(), controller, fine);
        if (name.endsWith(".mid")) {
            midi.write(automation, file);
        } else if (name.endsWith(".csv")) {
            AutomationCsv.write(design.song(), automation, file);
        } else {
            throw new WrongUsage("--out " + file + " ends neither in .mid nor in .csv");
        }
        ObjectNode document = Output.object();
        document.put("file", file.toString());
        ArrayNode lanes = document.putArray("lanes");
        for (int i = 0; i < automation.lanes().size(); i++) {
            Automation.Lane lane = automation.lanes().get(i);
            lanes.addObject()
                    .put("name", lane.name())
                    .put("return", lane.returnId())
                    .put("source", lane.sourceId())
                    .put("controller", midi.controller(i))
                    .put("points", lane.points().size());
        }
        ArrayNode lost = document.putArray("notHeard");
        design.lostThrows().forEach(t -> lost.add(t.id()));
        ArrayNode written = document.putArray("words");
        writeWords(design).forEach(w -> written.add(w.toString()));
        output.print(document, () -> lines(automation, midi, design, file));
        return 0;
    }

    private List<Path> writeWords(Design design) throws FileProblem {
        Path folder = words;
        if (folder == null) {
            return List.of();
        }
        ProjectArguments.makeFolder(folder);
        SongMaterial material =
                ProjectFolder.readAll(
                        ProjectArguments.folder(java.util.Objects.requireNonNull(project)), design);
        List<Path> files = new java.util.ArrayList<>();
        for (ThrownWords.Word word : ThrownWords.of(design, material)) {
            Throw t = word.thrown();
            Path file = folder.resolve(t.sourceId() + "-" + t.id() + ".wav");
            WavWriter.write(
                    file,
                    word.audio(),
                    WavWriter.Depth.FLOAT_32,
                    "thrown word of " + t.sourceId() + " for return " + t.returnId());
            files.add(file);
        }
        return files;
    }

    private void lines(Automation automation, AutomationMidi midi, Design design, Path file) {
        if (automation.lanes().isEmpty()) {
            output.line("%s", "nothing moves: no section differs and no word is thrown");
        }
        for (int i = 0; i < automation.lanes().size(); i++) {
            output.line(
                    "controller %3d  %s, %d points",
                    midi.controller(i),
                    automation.lanes().get(i).name(),
                    automation.lanes().get(i).points().size());
        }
        design.lostThrows()
                .forEach(t ->
                        output.line(
                                "not heard: throw %s of %s to %s, one of which is gone",
                                t.id(), t.sourceId(), t.returnId()));
        output.line("%s", file);
    }
}
