package orbispace.app.command;

import java.util.OptionalDouble;
import orbispace.core.measure.Loudness;
import orbispace.core.measure.LoudnessMeter;
import orbispace.files.FileProblem;
import picocli.CommandLine.Command;
import tools.jackson.databind.node.ObjectNode;

/** Loudness and true peak of a file. */
@Command(
        name = "loudness",
        mixinStandardHelpOptions = true,
        description = "loudness and true peak (ITU-R BS.1770)")
final class MeasureLoudness extends SoundFileCommand {
    MeasureLoudness(Output output) {
        super(output);
    }

    @Override
    public Integer call() throws FileProblem {
        Loudness l = LoudnessMeter.measure(read());
        ObjectNode document = Output.object();
        Output.put(document, "integratedLufs", l.integratedLufs());
        Output.put(document, "momentaryMaxLufs", l.momentaryMaxLufs());
        Output.put(document, "shortTermMaxLufs", l.shortTermMaxLufs());
        Output.put(document, "loudnessRangeLu", l.rangeLu());
        Output.put(document, "truePeakDbtp", l.truePeakDbtp());
        Output.put(document, "samplePeakDbfs", l.samplePeakDbfs());
        output.print(
                document,
                () -> {
                    line("integrated", l.integratedLufs(), "LUFS");
                    line("momentary, most", l.momentaryMaxLufs(), "LUFS");
                    line("short-term, most", l.shortTermMaxLufs(), "LUFS");
                    line("range", l.rangeLu(), "LU");
                    line("true peak", l.truePeakDbtp(), "dBTP");
                    line("sample peak", l.samplePeakDbfs(), "dBFS");
                });
        return 0;
    }

    private void line(String what, OptionalDouble value, String unit) {
        if (value.isPresent()) {
            output.line("%-17s %8.2f %s", what, value.getAsDouble(), unit);
        } else {
            output.line("%-17s undefined: too short or too quiet", what);
        }
    }
}
