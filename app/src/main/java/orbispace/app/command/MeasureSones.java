package orbispace.app.command;

import orbispace.core.audio.Audio;
import orbispace.core.hearing.Ear;
import orbispace.core.hearing.Excitation;
import orbispace.core.hearing.HearingModel;
import orbispace.files.FileProblem;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Loudness of a file by the hearing model. */
@Command(
        name = "loudness-sones",
        mixinStandardHelpOptions = true,
        description = "loudness by the hearing model")
final class MeasureSones extends SoundFileCommand {
    @Option(
            names = "--mix-lufs",
            description = "loudness of the mix heard at 78 dB SPL",
            defaultValue = "-20")
    private double mixLufs = -20;

    MeasureSones(Output output) {
        super(output);
    }

    @Override
    public Integer call() throws FileProblem {
        Audio audio = read();
        Excitation e = new Ear(audio.sampleRateHz(), Ear.fullScaleDb(mixLufs)).hear(audio);
        // The first and last frames see the silence around the file.
        int drop = e.frames() > 20 ? 8 : 0;
        Excitation inner = e.slice(drop, e.frames() - drop);
        double[] specific = new double[HearingModel.BANDS];
        for (int f = 0; f < inner.frames(); f++) {
            for (int b = 0; b < specific.length; b++) {
                specific[b] += HearingModel.loudness(b, inner.at(f, b)) / inner.frames();
            }
        }
        double sones = java.util.Arrays.stream(specific).sum();
        ObjectNode document = Output.object();
        document.put("sones", sones);
        ArrayNode bands = document.putArray("specificSones");
        for (double s : specific) {
            bands.add(s);
        }
        output.print(
                document,
                () -> {
                    output.line("%.3f sone", sones);
                    for (int b = 0; b < specific.length; b++) {
                        output.line("%8.0f Hz %8.4f", HearingModel.centreHz(b), specific[b]);
                    }
                });
        return 0;
    }
}
