package orbispace.app.command;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.stream.Stream;
import orbispace.core.measure.BandDecay;
import orbispace.core.measure.KindDistance;
import orbispace.core.measure.SpaceStart;
import orbispace.core.measure.SpaceSurvey;
import orbispace.core.measure.SpaceTurns;
import orbispace.core.measure.TailLines;
import orbispace.core.measure.TailQuality;
import orbispace.core.space.EngineSettings;
import orbispace.core.space.ReverbKind;
import orbispace.core.words.Wording;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** What every kind of reverb measures at set decays, as the table of the methods has it. */
@Command(
        name = "spaces",
        mixinStandardHelpOptions = true,
        description = "every kind of reverb: measured against set decay, density, colour, mono")
final class MeasureSpaces implements Callable<Integer> {
    @Option(
            names = "--decay",
            split = ",",
            paramLabel = "S",
            description = "decays to set, in seconds (default 0.3,0.6,1.2,2.5,5,8)")
    private double[] decays = {0.3, 0.6, 1.2, 2.5, 5, 8};

    @Option(names = "--rate", paramLabel = "HZ", description = "sample rate (default 48000)")
    private double rate = 48000;

    @Option(
            names = "--turned",
            description = "also turn the numbers of each kind over their ranges (half a minute)")
    private boolean turnedToo;

    private final Output output;

    MeasureSpaces(Output output) {
        this.output = output;
    }

    @Override
    public Integer call() {
        for (double seconds : decays) {
            EngineSettings.require("decay", seconds, 0.1, 20);
        }
        EngineSettings.require("sample rate", rate, 32000, 192000);
        List<SpaceSurvey> rows =
                Arrays.stream(ReverbKind.values())
                        .flatMap(k -> Arrays.stream(decays).boxed().map(s -> new Row(k, s)))
                        .toList()
                        .parallelStream()
                        .map(r -> SpaceSurvey.of(r.kind(), r.seconds(), rate))
                        .toList();
        ObjectNode document = Output.object();
        ArrayNode spaces = document.putArray("spaces");
        rows.forEach(r -> node(spaces.addObject(), r));
        List<KindDistance> nearest = KindDistance.nearest(rows);
        ArrayNode kinds = document.putArray("nearestKinds");
        nearest.forEach(d -> node(kinds.addObject(), d));
        List<SpaceTurns> turned =
                Arrays.stream(turnedToo ? ReverbKind.values() : new ReverbKind[0])
                        .parallel()
                        .map(k -> SpaceTurns.of(k, rate))
                        .toList();
        ArrayNode turns = document.putArray("turned");
        turned.forEach(t -> node(turns.addObject(), t));
        output.print(
                document,
                () -> {
                    table(rows);
                    starts(rows);
                    nearest.forEach(d -> output.line("%s", words(d)));
                    turned.forEach(t -> output.line("%s", words(t)));
                });
        return 0;
    }

    private record Row(ReverbKind kind, double seconds) {}

    private static void node(ObjectNode n, SpaceSurvey s) {
        TailQuality q = s.quality();
        n.put("kind", s.kind().label()).put("decaySeconds", s.decaySeconds());
        ArrayNode bands = n.putArray("bands");
        for (BandDecay band : s.report().bands()) {
            ObjectNode b = bands.addObject().put("centreHz", band.nominalHz());
            Output.put(b, "t30Seconds", seconds(band));
            b.put("setSeconds", s.setSeconds(band.centreHz()));
        }
        Output.put(n, "denseSeconds", q.denseSeconds());
        Output.put(n, "highestModeDb", q.highestModeDb());
        Output.put(n, "flatness", q.flatness());
        Output.put(n, "flutter", q.flutter());
        Output.put(n, "correlation", q.correlation());
        Output.put(n, "monoFoldLossDb", q.foldLossDb());
        Output.put(n, "sidebandDb", s.sidebandDb());
        lines(n, s.lines());
        lines(n.putObject("noise"), s.noise());
        SpaceStart b = s.start();
        ObjectNode start = n.putObject("start");
        Output.put(start, "leanDb", b.leanDb());
        Output.put(start, "laterLeanDb", b.laterLeanDb());
        Output.put(start, "mirrorDb", b.mirrorDb());
        Output.put(start, "apartSeconds", b.apartSeconds());
        Output.put(start, "apartDb", b.apartDb());
        Output.put(start, "density20", b.density());
        Output.put(start, "loudestSeconds", b.loudestSeconds());
        Output.put(start, "riseSeconds", b.riseSeconds());
        Output.put(start, "colourDb", b.colourDb());
        Output.put(start, "earlyDb", b.earlyDb());
        Output.put(start, "highsLeadSeconds", b.highsLeadSeconds());
        ObjectNode movement = n.putObject("movement");
        Output.put(movement, "cents", s.movement().cents());
        Output.put(movement, "swellDb", s.movement().swellDb());
        Output.put(movement, "sidebandDb", s.movement().sidebandDb());
    }

    private static void node(ObjectNode n, KindDistance d) {
        n.put("one", d.one().kind().label()).put("other", d.other().kind().label());
        n.put("decaySeconds", d.one().decaySeconds());
        Output.put(n, "steps", d.steps());
    }

    private static void node(ObjectNode n, SpaceTurns t) {
        n.put("kind", t.kind().label());
        Output.put(n, "clarityStepDb", t.clarityStepDb());
        Output.put(n, "sizeSteps", t.sizeSteps());
        Output.put(n, "constantDb", t.constantDb());
        Output.put(n, "pairCorrelation", t.pairCorrelation());
        ArrayNode bands = n.putArray("ratios");
        for (SpaceTurns.Ratio r : t.bands()) {
            ObjectNode b = bands.addObject().put("centreHz", r.hz()).put("ratio", r.ratio());
            Output.put(b, "measured", r.measured());
        }
    }

    private static String words(KindDistance d) {
        return Wording.format(
                "nearest at %.1f s: %s and %s, %.1f steps just noticed",
                d.one().decaySeconds(),
                d.one().kind().label(),
                d.other().kind().label(),
                d.steps());
    }

    private static String words(SpaceTurns t) {
        double off =
                t.bands().stream()
                        .mapToDouble(r -> Math.abs(r.measured() / r.ratio() - 1))
                        .max()
                        .orElse(Double.NaN);
        return Wording.format(
                "%s turned: C80 %.2f dB for 1 %% of decay, size %.1f steps, ratios within %.0f %%,"
                        + " a constant %.0f dB, split pair %.2f",
                t.kind().label(),
                t.clarityStepDb(),
                t.sizeSteps(),
                100 * off,
                t.constantDb(),
                t.pairCorrelation());
    }

    private static void lines(ObjectNode n, TailLines lines) {
        Output.put(n, "lineDb", lines.prominenceDb());
        Output.put(n, "lineFlatness", lines.flatness());
        Output.put(n, "selfCorrelation", lines.selfCorrelation());
    }

    private static double seconds(BandDecay band) {
        return band.t30().fitted().orElse(Double.NaN);
    }

    private void table(List<SpaceSurvey> rows) {
        List<String> head = new ArrayList<>(List.of("kind", "set s"));
        rows.getFirst()
                .report()
                .bands()
                .forEach(b -> head.add(Wording.format("%.0f Hz", b.nominalHz())));
        head.addAll(
                List.of(
                        "dense ms",
                        "mode dB",
                        "flatness",
                        "flutter",
                        "correlation",
                        "mono dB",
                        "tone dB",
                        "line dB (noise)",
                        "line flatness",
                        "self"));
        output.line("%s", "| " + String.join(" | ", head) + " |");
        output.line("%s", "|" + " --- |".repeat(head.size()));
        rows.forEach(r -> output.line("%s", line(r)));
    }

    private void starts(List<SpaceSurvey> rows) {
        List<String> head =
                List.of(
                        "kind",
                        "set s",
                        "lean dB",
                        "later dB",
                        "mirror dB",
                        "apart ms",
                        "apart dB",
                        "density 20 ms",
                        "loudest ms",
                        "rise ms",
                        "colour dB",
                        "early dB",
                        "highs lead ms",
                        "cents",
                        "swell dB",
                        "beside dB");
        output.line("%s", "| " + String.join(" | ", head) + " |");
        output.line("%s", "|" + " --- |".repeat(head.size()));
        rows.forEach(r -> output.line("%s", start(r)));
    }

    private static String start(SpaceSurvey s) {
        SpaceStart b = s.start();
        return Wording.format(
                "| %s | %.1f | %.1f | %.1f | %.2f | %.2f | %.2f | %.2f | %.0f | %.1f | %.1f | %.1f"
                        + " | %.1f | %.2f | %.2f | %.0f |",
                s.kind().label(),
                s.decaySeconds(),
                b.leanDb(),
                b.laterLeanDb(),
                b.mirrorDb(),
                1000 * b.apartSeconds(),
                b.apartDb(),
                b.density(),
                1000 * b.loudestSeconds(),
                1000 * b.riseSeconds(),
                b.colourDb(),
                b.earlyDb(),
                1000 * b.highsLeadSeconds(),
                s.movement().cents(),
                s.movement().swellDb(),
                s.movement().sidebandDb());
    }

    private static String line(SpaceSurvey s) {
        TailQuality q = s.quality();
        Stream<String> bands =
                s.report().bands().stream()
                        .map(b ->
                                Double.isNaN(seconds(b))
                                        ? "\u2013"
                                        : Wording.format("%.3f", seconds(b)));
        Stream<String> rest =
                Stream.of(
                        Wording.format("%.0f", 1000 * q.denseSeconds().orElse(0)),
                        Wording.format("%.1f", q.highestModeDb()),
                        Wording.format("%.2f", q.flatness()),
                        Wording.format("%.2f", q.flutter()),
                        Wording.format("%.2f", q.correlation()),
                        Wording.format("%.2f", q.foldLossDb()),
                        Wording.format("%.0f", s.sidebandDb()),
                        beside("%.1f", s.lines().prominenceDb(), s.noise().prominenceDb()),
                        beside("%.2f", s.lines().flatness(), s.noise().flatness()),
                        beside("%.2f", s.lines().selfCorrelation(), s.noise().selfCorrelation()));
        String first = s.kind().label() + " | " + Wording.format("%.1f", s.decaySeconds());
        return "| "
                + first
                + " | "
                + String.join(" | ", Stream.concat(bands, rest).toList())
                + " |";
    }

    /** A value, and in brackets what noise of the same decay gives. */
    private static String beside(String format, double value, double noise) {
        return Wording.format(format, value) + " (" + Wording.format(format, noise) + ")";
    }
}
