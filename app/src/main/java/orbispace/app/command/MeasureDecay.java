package orbispace.app.command;

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
        output.print(document(report), () -> lines(report), DecayReport.HOLDS_FOR);
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
        Output.put(node, "edtSeconds", b.early().fitted());
        Output.put(node, "t20Seconds", b.t20().fitted());
        Output.put(node, "t30Seconds", b.t30().fitted());
        Output.put(node, "c50Db", b.clarity50Db());
        Output.put(node, "c80Db", b.clarity80Db());
        Output.put(node, "d50", b.definition50());
        Output.put(node, "centreTimeMillis", 1000 * b.centreSeconds());
        node.put("reliable", b.reliable());
        doubt(node, "t20", b.t20());
        doubt(node, "t30", b.t30());
        return node;
    }

    /** Why a time that was fitted is not sure. */
    private static void doubt(ObjectNode node, String name, DecayTime time) {
        if (time instanceof DecayTime.NotSure(double s, DecayTime.Doubt doubt)) {
            node.put(name + "Doubt", doubt.label());
        }
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
                b.reliable() ? "" : "  not sure");
    }

    private static String text(DecayTime time) {
        return switch (time) {
            case DecayTime.Measured(double s) -> Wording.format("%.3f", s);
            case DecayTime.NotSure(double s, DecayTime.Doubt d) -> Wording.format("%.2f?", s);
            case DecayTime.TooNoisy noisy -> "noisy";
            case DecayTime.TooShort tooShort -> "short";
        };
    }
}
