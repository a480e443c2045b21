package orbispace.app.command;

import java.util.OptionalDouble;
import orbispace.core.measure.BandDecay;
import orbispace.core.measure.DecayMeter;
import orbispace.core.measure.DecayReport;
import orbispace.core.measure.DecayTime;
import orbispace.core.words.Wording;
import orbispace.files.FileProblem;
import picocli.CommandLine.Command;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Decay of an impulse response. */
@Command(
        name = "decay",
        mixinStandardHelpOptions = true,
        description = "decay of an impulse response (ISO 3382-1)")
final class MeasureDecay extends SoundFileCommand {
    MeasureDecay(Output output) {
        super(output);
    }

    @Override
    public Integer call() throws FileProblem {
        DecayReport report = DecayMeter.measure(read());
        output.print(document(report), () -> lines(report));
        return 0;
    }

    /** A report with the keys of this command. */
    static ObjectNode document(DecayReport report) {
        ObjectNode document = Output.object();
        Output.put(document, "predelayMillis", 1000 * report.predelaySeconds());
        document.set("broadband", band(report.broadband()));
        ArrayNode bands = document.putArray("bands");
        report.bands().forEach(b -> bands.add(band(b)));
        return document;
    }

    private static ObjectNode band(BandDecay b) {
        ObjectNode node = Output.object();
        if (b.centreHz() > 0) {
            node.put("centreHz", b.nominalHz());
        }
        Output.put(node, "edtSeconds", seconds(b.early()));
        Output.put(node, "t20Seconds", seconds(b.t20()));
        Output.put(node, "t30Seconds", seconds(b.t30()));
        Output.put(node, "c50Db", b.clarity50Db());
        Output.put(node, "c80Db", b.clarity80Db());
        Output.put(node, "d50", b.definition50());
        Output.put(node, "centreTimeMillis", 1000 * b.centreSeconds());
        node.put("reliable", b.reliable());
        return node;
    }

    private static OptionalDouble seconds(DecayTime time) {
        return time instanceof DecayTime.Measured(double s)
                ? OptionalDouble.of(s)
                : OptionalDouble.empty();
    }

    /** A report for people. */
    void lines(DecayReport report) {
        output.line("predelay %.3f ms", 1000 * report.predelaySeconds());
        output.line(
                "%-10s %9s %9s %9s %8s %8s %6s",
                "band", "EDT s", "T20 s", "T30 s", "C50 dB", "C80 dB", "D50");
        line(report.broadband());
        report.bands().forEach(this::line);
    }

    private void line(BandDecay b) {
        output.line(
                "%-10s %9s %9s %9s %8.2f %8.2f %6.3f%s",
                b.centreHz() > 0 ? Wording.format("%.0f Hz", b.nominalHz()) : "broadband",
                text(b.early()),
                text(b.t20()),
                text(b.t30()),
                b.clarity50Db(),
                b.clarity80Db(),
                b.definition50(),
                b.reliable() ? "" : "  unreliable");
    }

    private static String text(DecayTime time) {
        return switch (time) {
            case DecayTime.Measured(double s) -> Wording.format("%.3f", s);
            case DecayTime.TooNoisy noisy -> "noisy";
            case DecayTime.TooShort tooShort -> "short";
        };
    }
}
