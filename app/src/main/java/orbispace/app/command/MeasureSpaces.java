package orbispace.app.command;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.stream.Stream;
import orbispace.core.measure.BandDecay;
import orbispace.core.measure.SpaceSurvey;
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
        output.print(document, () -> table(rows));
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
