package orbispace.app.command;

import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import orbispace.app.command.OrbispaceCommand.WrongUsage;
import orbispace.app.song.PlanSong;
import orbispace.core.design.Design;
import orbispace.core.design.PlanCell;
import orbispace.core.design.Return;
import orbispace.core.design.Section;
import orbispace.core.plan.BoundaryClash;
import orbispace.core.plan.ThrowConflict;
import orbispace.core.plan.ThrowIdea;
import orbispace.core.render.Job;
import orbispace.core.words.Wording;
import orbispace.files.FileProblem;
import orbispace.files.project.ProjectFolder;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Measures the plan section by section, lays a ready-made one, tells what is said of throws. */
@Command(
        name = "plan",
        mixinStandardHelpOptions = true,
        description = "how audible each return is in each section; lays ready-made plans")
final class PlanCommand implements Callable<Integer> {
    @Parameters(paramLabel = "PROJECT", description = "project file")
    private @Nullable Path project;

    @Option(
            names = "--lay",
            paramLabel = "PLAN",
            description = "open-up, close-in, hold or none, in place of the plan that it has")
    private @Nullable String lay;

    @Option(
            names = "--out",
            paramLabel = "FILE",
            description = "writes the planned song as a project of this name")
    private @Nullable Path out;

    @Option(names = "--overwrite", description = "let --out replace a project that is there")
    private boolean overwrite;

    private final Output output;

    PlanCommand(Output output) {
        this.output = output;
    }

    @Override
    public Integer call() throws FileProblem {
        PlanSong.@Nullable Laid what = lay == null ? null : laid(lay);
        if (out != null && what == null) {
            throw new WrongUsage("--out needs --lay");
        }
        Design given = ProjectArguments.design(project);
        Path file = java.util.Objects.requireNonNull(project);
        ProjectArguments.checkTarget("--out", file, out, overwrite);
        PlanSong song =
                new PlanSong(
                        given,
                        ProjectFolder.readAll(ProjectArguments.folder(file), given),
                        Job.QUIET);
        Design planned = what == null ? given : song.laid(what, Job.QUIET);
        if (out != null) {
            ProjectArguments.write(file, out, planned);
        }
        print(song, given, planned);
        return 0;
    }

    private static PlanSong.Laid laid(String text) {
        return java.util.Arrays.stream(PlanSong.Laid.values())
                .filter(l -> l.label().equalsIgnoreCase(text.strip()))
                .findFirst()
                .orElseThrow(() ->
                        new WrongUsage(
                                "--lay " + text + " is none of open-up, close-in, hold, none"));
    }

    private void print(PlanSong song, Design given, Design planned) {
        Map<String, List<Double>> before = song.shares(given, Job.QUIET);
        Map<String, List<Double>> after =
                given.equals(planned) ? before : song.shares(planned, Job.QUIET);
        List<Double> density = song.density();
        List<BoundaryClash> clashes = song.clashes(planned, Job.QUIET);
        ObjectNode document = Output.object();
        ArrayNode sections = document.putArray("sections");
        List<Section> form = planned.song().sections();
        for (int i = 0; i < form.size(); i++) {
            ObjectNode n = sections.addObject().put("name", form.get(i).name());
            n.put("drySones", density.get(i));
            ArrayNode returns = n.putArray("returns");
            for (Return r : planned.returns()) {
                PlanCell cell = form.get(i).plan().cell(r.id());
                returns.addObject()
                        .put("return", r.id())
                        .put("levelDb", cell.levelDb())
                        .put("decayScale", cell.decayScale())
                        .put("muted", cell.muted())
                        .put("wetShareBefore", at(before, r, i))
                        .put("wetShare", at(after, r, i));
            }
        }
        ArrayNode spreads = document.putArray("spread");
        for (Return r : planned.returns()) {
            ObjectNode n = spreads.addObject().put("return", r.id());
            Output.put(n, "before", spread(before, r));
            Output.put(n, "after", spread(after, r));
        }
        clashes(document.putArray("clashes"), clashes);
        throwsOf(document, song);
        output.print(
                document,
                planned.aims().hearing(),
                () -> lines(song, planned, before, after, density, clashes));
    }

    private static double at(Map<String, List<Double>> shares, Return r, int section) {
        return shares.getOrDefault(r.id(), List.of()).get(section);
    }

    /** Largest over smallest share of the sections in which a return is heard at all. */
    private static java.util.OptionalDouble spread(Map<String, List<Double>> shares, Return r) {
        double[] heard =
                shares.getOrDefault(r.id(), List.of()).stream()
                        .mapToDouble(x -> x)
                        .filter(x -> x > 1e-4)
                        .sorted()
                        .toArray();
        return heard.length < 2
                ? java.util.OptionalDouble.empty()
                : java.util.OptionalDouble.of(heard[heard.length - 1] / heard[0]);
    }

    private static void clashes(ArrayNode to, List<BoundaryClash> clashes) {
        for (BoundaryClash c : clashes) {
            to.addObject()
                    .put("section", c.section().name())
                    .put("return", c.returnId())
                    .put("presenceKept", c.kept())
                    .put("presenceKeptIfCut", c.keptIfCut());
        }
    }

    private static void throwsOf(ObjectNode document, PlanSong song) {
        ArrayNode conflicts = document.putArray("conflicts");
        for (ThrowConflict c : song.conflicts()) {
            conflicts
                    .addObject()
                    .put("throw", c.thrown().id())
                    .put("kind", c.kind().label())
                    .put("evidence", c.evidence());
        }
        ArrayNode ideas = document.putArray("ideas");
        for (ThrowIdea i : song.ideas()) {
            ideas.addObject()
                    .put("startSeconds", i.word().startSeconds())
                    .put("endSeconds", i.word().endSeconds())
                    .put("gapSeconds", i.gap().seconds())
                    .put("quieterDb", i.quieterDb());
        }
    }

    private void lines(
            PlanSong song,
            Design planned,
            Map<String, List<Double>> before,
            Map<String, List<Double>> after,
            List<Double> density,
            List<BoundaryClash> clashes) {
        List<Section> form = planned.song().sections();
        for (int i = 0; i < form.size(); i++) {
            output.line("%s, arrangement %.0f sones", form.get(i).name(), density.get(i));
            for (Return r : planned.returns()) {
                PlanCell cell = form.get(i).plan().cell(r.id());
                output.line(
                        "  %s %-14s %8s  wet share %5.2f %%, before %5.2f %%",
                        r.id(),
                        r.name(),
                        cell.muted() ? "muted" : Wording.signed(cell.levelDb()) + " dB",
                        100 * at(after, r, i),
                        100 * at(before, r, i));
            }
        }
        clashes.forEach(c ->
                output.line(
                        "tail of %s into %s: %.0f %% of what is sung there is left, %.0f if cut",
                        c.returnId(), c.section().name(), 100 * c.kept(), 100 * c.keptIfCut()));
        song.conflicts()
                .forEach(c ->
                        output.line(
                                "throw %s, %s: %s",
                                c.thrown().id(), c.kind().label(), c.evidence()));
        song.ideas().stream()
                .limit(3)
                .forEach(i ->
                        output.line(
                                "could be thrown: the word at %.2f s, then a gap of %.2f s",
                                i.word().startSeconds(), i.gap().seconds()));
    }
}
