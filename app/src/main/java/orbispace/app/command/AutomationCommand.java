package orbispace.app.command;

import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.Callable;
import orbispace.app.command.OrbispaceCommand.WrongUsage;
import orbispace.app.song.HandOver;
import orbispace.core.design.Design;
import orbispace.core.plan.Automation;
import orbispace.core.render.Job;
import orbispace.core.render.SongMaterial;
import orbispace.files.FileProblem;
import orbispace.files.midi.AutomationCsv;
import orbispace.files.midi.AutomationMidi;
import orbispace.files.midi.ControllerTable;
import orbispace.files.project.ProjectFolder;
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
            names = "--lane",
            paramLabel = "NAME=N",
            description = "controller of one lane by its name; N:14 for 14 bits")
    private Map<String, String> chosen = Map.of();

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
        Automation automation = Automation.of(design);
        ControllerTable table = table(automation);
        if (name.endsWith(".mid")) {
            new AutomationMidi(design.song(), table).write(automation, file);
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
                    .put("controller", table.of(i, lane.name()).number())
                    .put("fine", table.of(i, lane.name()).fine())
                    .put("points", lane.points().size())
                    .put("unit", lane.quantity().unit());
        }
        ArrayNode lost = document.putArray("notHeard");
        design.lostThrows().forEach(t -> lost.add(t.id()));
        ArrayNode written = document.putArray("words");
        writeWords(design).forEach(w -> written.add(w.toString()));
        output.print(document, () -> lines(automation, table, design, file));
        return 0;
    }

    /** The table of controllers; every lane that is named must be there. */
    private ControllerTable table(Automation automation) {
        List<String> names = automation.lanes().stream().map(Automation.Lane::name).toList();
        try {
            ControllerTable table = new ControllerTable(controller, fine, Map.of());
            for (Map.Entry<String, String> e : chosen.entrySet()) {
                if (!names.contains(e.getKey())) {
                    throw new WrongUsage(
                            "--lane "
                                    + e.getKey()
                                    + ": no such lane; there are "
                                    + (names.isEmpty() ? "none" : String.join(", ", names)));
                }
                boolean wide = e.getValue().endsWith(":14");
                int number = Integer.parseInt(e.getValue().replaceFirst(":14$", "").strip());
                table = table.with(e.getKey(), new ControllerTable.Controller(number, wide));
            }
            return table;
        } catch (NumberFormatException e) {
            throw new WrongUsage("--lane takes a controller number, with :14 for 14 bits");
        } catch (IllegalArgumentException e) {
            throw new WrongUsage(String.valueOf(e.getMessage()));
        }
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
        return HandOver.words(design, material, folder, Job.QUIET);
    }

    private void lines(Automation automation, ControllerTable table, Design design, Path file) {
        if (automation.lanes().isEmpty()) {
            output.line("%s", "nothing moves: no section differs and no word is thrown");
        }
        for (int i = 0; i < automation.lanes().size(); i++) {
            output.line(
                    "controller %3d  %s, %d points",
                    table.of(i, automation.lanes().get(i).name()).number(),
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
