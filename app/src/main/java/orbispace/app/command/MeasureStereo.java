package orbispace.app.command;

import orbispace.core.measure.StereoReport;
import orbispace.core.words.Wording;
import orbispace.files.FileProblem;
import picocli.CommandLine.Command;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Width of a file, and what folding it to mono costs. */
@Command(
        name = "stereo",
        mixinStandardHelpOptions = true,
        description = "correlation, width per octave, and what mono costs")
final class MeasureStereo extends SoundFileCommand {
    MeasureStereo(Output output) {
        super(output);
    }

    @Override
    public Integer call() throws FileProblem {
        StereoReport report = StereoReport.of(read());
        ObjectNode document = Output.object();
        Output.put(document, "correlation", report.correlation());
        Output.put(document, "monoFoldLossDb", report.monoFoldLossDb());
        ArrayNode bands = document.putArray("bands");
        for (StereoReport.Band band : report.bands()) {
            ObjectNode node = bands.addObject().put("centreHz", band.centreHz());
            Output.put(node, "correlation", band.correlation());
            Output.put(node, "monoFoldLossDb", band.monoFoldLossDb());
            Output.put(node, "angleDegrees", band.angleDegrees());
            Output.put(node, "widthDegrees", band.widthDegrees());
        }
        output.print(
                document,
                () -> {
                    output.line(
                            "correlation %s, mono costs %s dB",
                            text(report.correlation(), "%.3f"),
                            text(report.monoFoldLossDb(), "%.2f"));
                    for (StereoReport.Band b : report.bands()) {
                        output.line(
                                "%8.1f Hz  correlation %7s  mono %6s dB  angle %6s  width %6s",
                                b.centreHz(),
                                text(b.correlation(), "%.3f"),
                                text(b.monoFoldLossDb(), "%.2f"),
                                text(b.angleDegrees(), "%.1f"),
                                text(b.widthDegrees(), "%.1f"));
                    }
                });
        return 0;
    }

    private static String text(java.util.OptionalDouble value, String format) {
        return value.isPresent() ? Wording.format(format, value.getAsDouble()) : "none";
    }
}
