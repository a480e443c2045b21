package orbispace.app.command;

import java.nio.file.Path;
import java.util.List;
import java.util.OptionalDouble;
import orbispace.core.audio.Audio;
import orbispace.core.measure.Widening;
import orbispace.core.measure.WidthReport;
import orbispace.core.words.Wording;
import orbispace.files.FileProblem;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Width of a file per octave, and what it gains over another. */
@Command(
        name = "width",
        mixinStandardHelpOptions = true,
        description = "width per octave, notches and loss in mono, and what is gained")
final class MeasureWidth extends SoundFileCommand {
    @Option(names = "--without", description = "the same without what is to make it wide")
    private @Nullable Path without;

    MeasureWidth(Output output) {
        super(output);
    }

    @Override
    public Integer call() throws FileProblem {
        WidthReport report = WidthReport.of(read());
        ObjectNode document = Output.object();
        ArrayNode bands = document.putArray("bands");
        for (WidthReport.Band b : report.bands()) {
            ObjectNode node = bands.addObject().put("centreHz", b.centreHz());
            Output.put(node, "degrees", b.degrees());
            Output.put(node, "notchDb", b.notchDb());
            Output.put(node, "monoFoldLossDb", b.monoFoldLossDb());
        }
        Widening gained = gained(report);
        ArrayNode gains = document.putArray("gainedDegrees");
        for (Widening.Gain g : gained.gains()) {
            Output.put(gains.addObject().put("centreHz", g.centreHz()), "degrees", g.degrees());
        }
        if (without != null) {
            document.put("state", gained.state().label());
        }
        output.print(document, () -> tell(report, gained));
        return 0;
    }

    private Widening gained(WidthReport report) throws FileProblem {
        Path other = without;
        if (other == null) {
            return Widening.NONE;
        }
        Audio narrow = read(other, false, output);
        return report.over(WidthReport.of(narrow));
    }

    private void tell(WidthReport report, Widening gained) {
        List<Widening.Gain> gains = gained.gains();
        for (int i = 0; i < report.bands().size(); i++) {
            WidthReport.Band b = report.bands().get(i);
            String more =
                    i < gains.size() ? "  gained " + text(gains.get(i).degrees(), "%.1f") : "";
            output.line(
                    "%8.1f Hz  width %6s degrees  notch %5s dB  mono %6s dB%s",
                    b.centreHz(),
                    text(b.degrees(), "%.1f"),
                    text(b.notchDb(), "%.1f"),
                    text(b.monoFoldLossDb(), "%.2f"),
                    more);
        }
        if (!gains.isEmpty()) {
            output.line("what is gained is %s", gained.state().label());
        }
    }

    private static String text(OptionalDouble value, String format) {
        return value.isPresent() ? Wording.format(format, value.getAsDouble()) : "none";
    }
}
