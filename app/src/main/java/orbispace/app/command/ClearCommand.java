package orbispace.app.command;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Callable;
import orbispace.app.command.OrbispaceCommand.WrongUsage;
import orbispace.app.song.ClearSong;
import orbispace.core.clear.Proposal;
import orbispace.core.clear.Solution;
import orbispace.core.clear.Standing;
import orbispace.core.clear.room.RoomPlan;
import orbispace.core.design.Design;
import orbispace.core.design.HearingLevel;
import orbispace.core.design.Setting;
import orbispace.core.hearing.Cover;
import orbispace.core.hearing.WetState;
import orbispace.core.render.Job;
import orbispace.core.render.SongMaterial;
import orbispace.core.time.Span;
import orbispace.core.words.Wording;
import orbispace.files.FileProblem;
import orbispace.files.project.ProjectFolder;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** What returns cover of the dry sources, and what would clear them. */
@Command(
        name = "clear",
        mixinStandardHelpOptions = true,
        description = "what the returns cover, and the remedies, each really rendered")
final class ClearCommand implements Callable<Integer> {
    private static final int MOST_PAIRS = 12;

    @Parameters(paramLabel = "PROJECT", description = "project file")
    private @Nullable Path project;

    @Option(names = "--section", paramLabel = "NAME", description = "only this section")
    private @Nullable String section;

    @Option(
            names = "--bar",
            split = ",",
            paramLabel = "KIND",
            description =
                    "remedies not to propose: high-pass, low-pass, dip, gate, duck, decay,"
                            + " predelay, level")
    private List<String> barred = List.of();

    @Option(
            names = "--apply",
            paramLabel = "FILE",
            description = "clear the lead of all returns and write that as a project of this name")
    private @Nullable Path apply;

    @Option(names = "--overwrite", description = "let --apply replace a project that is there")
    private boolean overwrite;

    @Option(names = "--all", description = "print every pair, not only those that keep least")
    private boolean whole;

    private final Output output;

    ClearCommand(Output output) {
        this.output = output;
    }

    @Override
    public Integer call() throws FileProblem {
        Set<Setting> without = barredKinds();
        Design design = ProjectArguments.design(project);
        Path file = java.util.Objects.requireNonNull(project);
        Optional<Span> span =
                section == null
                        ? Optional.empty()
                        : Optional.of(
                                design.song()
                                        .span(ProjectArguments.section(file, design, section)));
        ProjectArguments.checkTarget("--apply", file, apply, overwrite);
        SongMaterial material = ProjectFolder.readAll(ProjectArguments.folder(file), design);
        ClearSong clear = new ClearSong(design, material, span, without, Job.QUIET);
        List<ClearSong.Pair> pairs = clear.pairs(Job.QUIET);
        List<Proposal> proposals = clear.proposals(Job.QUIET);
        Optional<Solution> solution = apply == null ? Optional.empty() : clear.solve(Job.QUIET);
        if (apply != null) {
            ProjectArguments.write(file, apply, solution.map(Solution::design).orElse(design));
        }
        print(pairs, proposals, clear.room(Job.QUIET), solution, design.aims().hearing());
        return 0;
    }

    private Set<Setting> barredKinds() {
        Set<Setting> kinds = EnumSet.noneOf(Setting.class);
        for (String text : barred) {
            kinds.add(
                    java.util.Arrays.stream(Setting.values())
                            .filter(k -> k.label().equalsIgnoreCase(text.strip()))
                            .findFirst()
                            .orElseThrow(() ->
                                    new WrongUsage("--bar " + text + " is none of the remedies")));
        }
        return kinds;
    }

    private void print(
            List<ClearSong.Pair> pairs,
            List<Proposal> proposals,
            Optional<RoomPlan> room,
            Optional<Solution> solution,
            HearingLevel hearing) {
        ObjectNode document = Output.object();
        ArrayNode all = document.putArray("pairs");
        for (ClearSong.Pair p : pairs) {
            ObjectNode n = all.addObject().put("source", p.source()).put("return", p.returnId());
            put(n, p.cover(), p.state());
            n.put("opensDegrees", p.opens().degrees());
        }
        ArrayNode open = document.putArray("proposals");
        for (Proposal p : proposals) {
            put(open.addObject(), p);
        }
        ArrayNode moves = document.putArray("room");
        room.ifPresent(plan -> put(document, moves, plan));
        solution.ifPresent(s -> put(document, s));
        output.print(document, hearing, () -> lines(pairs, proposals, room, solution));
    }

    private static void put(ObjectNode n, Cover c, WetState state) {
        Output.put(n, "presenceKept", c.presenceKept());
        Output.put(n, "worstPhrase", c.worstPhrase());
        n.put("wetShare", c.wetShare());
        n.put("wetShareInPhrases", c.wetShareInPhrases());
        n.put("wetShareInGaps", c.wetShareInGaps());
        n.put("state", state.label());
        Output.put(n, "bloomDb", c.bloomDb());
        n.put("clashArea", c.clashArea());
    }

    private static void put(ObjectNode n, Standing s) {
        put(n, s.cover(), s.state());
    }

    private static void put(ObjectNode n, Proposal p) {
        n.put("return", p.edit().returnId())
                .put("kind", p.kind().label())
                .put("change", p.change())
                .put("why", p.why());
        put(n.putObject("before"), p.standingBefore());
        put(n.putObject("after"), p.standingAfter());
        n.putObject("cost")
                .put("bandwidthOctaves", p.cost().bandwidthOctaves())
                .put("duckDb", p.cost().duckDb())
                .put("levelDb", p.cost().levelDb())
                .put("decayShare", p.cost().decayShare())
                .put("bloomDb", p.cost().bloomDb())
                .put("total", p.cost().total());
    }

    private static void put(ObjectNode document, ArrayNode moves, RoomPlan plan) {
        for (RoomPlan.Change c : plan.changes()) {
            RoomPlan.Kept own = plan.kept().getFirst();
            RoomPlan.Kept other =
                    plan.kept().stream()
                            .filter(k -> k.source().id().equals(c.was().id()))
                            .findFirst()
                            .orElse(own);
            ObjectNode move =
                    moves.addObject()
                            .put("first", own.source().id())
                            .put("second", c.was().id())
                            .put("change", c.change())
                            .put("why", c.why());
            move.putObject("before")
                    .put("firstKept", own.before())
                    .put("secondKept", other.before());
            move.putObject("after").put("firstKept", own.after()).put("secondKept", other.after());
        }
        ObjectNode n = document.putObject("roomFor").put("source", plan.source().id());
        ArrayNode kept = n.putArray("kept");
        plan.kept()
                .forEach(k ->
                        kept.addObject()
                                .put("source", k.source().id())
                                .put("before", k.before())
                                .put("after", k.after()));
        ArrayNode thirds = n.putArray("balance");
        plan.thirds()
                .forEach(t -> {
                    ObjectNode third = thirds.addObject().put("hz", t.hz());
                    Output.put(third, "beforeDb", t.beforeDb());
                    Output.put(third, "afterDb", t.afterDb());
                });
        n.put("words", plan.words());
    }

    private void put(ObjectNode document, Solution s) {
        document.put("applied", String.valueOf(apply));
        ObjectNode n = document.putObject("solution").put("met", s.met()).put("words", s.words());
        put(n.putObject("before"), s.before());
        put(n.putObject("after"), s.after());
        ArrayNode steps = n.putArray("steps");
        s.steps().forEach(p -> put(steps.addObject(), p));
    }

    private void lines(
            List<ClearSong.Pair> pairs,
            List<Proposal> proposals,
            Optional<RoomPlan> room,
            Optional<Solution> solution) {
        output.line("%-16s %-6s %8s %8s %8s  %s", "source", "return", "kept", "worst", "bloom", "");
        List<ClearSong.Pair> worst = new ArrayList<>(pairs);
        worst.sort(Comparator.comparingDouble(p -> p.cover().presenceKept().orElse(1)));
        int shown = whole ? worst.size() : Math.min(MOST_PAIRS, worst.size());
        for (ClearSong.Pair p : worst.subList(0, shown)) {
            output.line(
                    "%-16s %-6s %8s %8s %8s  %s",
                    p.source(),
                    p.returnId(),
                    percent(p.cover().presenceKept()),
                    percent(p.cover().worstPhrase()),
                    p.cover().bloomDb().isPresent()
                            ? Wording.format("%.1f dB", p.cover().bloomDb().getAsDouble())
                            : "none",
                    p.state().label());
        }
        if (shown < worst.size()) {
            output.line("%d more pairs keep more; --all prints them", worst.size() - shown);
        }
        List<String> words = new ArrayList<>();
        proposals.forEach(p -> words.add(p.edit().returnId() + ": " + p.change() + ": " + p.why()));
        room.ifPresent(plan -> {
            plan.changes().forEach(c -> words.add("dry: " + c.change() + ": " + c.why()));
            words.add("dry: " + plan.words());
        });
        words.forEach(w -> output.line("%s", w));
        solution.ifPresent(s -> {
            s.steps().forEach(p -> output.line("done: %s %s", p.edit().returnId(), p.change()));
            output.line("%s", s.words());
            output.line("%s", String.valueOf(apply));
        });
    }

    private static String percent(java.util.OptionalDouble share) {
        return share.isPresent() ? Wording.format("%.0f %%", 100 * share.getAsDouble()) : "-";
    }
}
