package orbispace.app.command;

import java.nio.file.Path;
import java.util.concurrent.Callable;
import orbispace.app.command.OrbispaceCommand.WrongUsage;
import orbispace.app.song.Unit;
import orbispace.core.audio.Audio;
import orbispace.core.measure.Sweep;
import orbispace.files.FileProblem;
import orbispace.files.sound.SoundReader;
import orbispace.files.sound.WavWriter;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import tools.jackson.databind.node.ObjectNode;

/** Writes the sweep that a unit is measured with, or plays one through the simulated unit. */
@Command(
        name = "sweep",
        mixinStandardHelpOptions = true,
        description =
                "writes a sweep, twice, to play through any unit; record all of it, its silences"
                        + " too")
final class SweepCommand implements Callable<Integer> {
    @Option(names = "--out", required = true, paramLabel = "FILE", description = "WAV to write")
    private @Nullable Path out;

    @Option(
            names = "--seconds",
            paramLabel = "S",
            description = "length of each of its two sweeps, 1 to 60; 10 if not given")
    private double seconds = 10;

    @Option(names = "--rate", paramLabel = "HZ", description = "sample rate; 48000 if not given")
    private double rate = 48000;

    @Option(
            names = "--through-simulated-unit",
            paramLabel = "SWEEP",
            description = "instead write what is recorded of a sweep through a simulated unit")
    private @Nullable Path through;

    private final Output output;

    SweepCommand(Output output) {
        this.output = output;
    }

    @Override
    public Integer call() throws FileProblem {
        Path file = java.util.Objects.requireNonNull(out);
        if (!file.toString().toLowerCase(java.util.Locale.ROOT).endsWith(".wav")) {
            throw new WrongUsage("--out " + file + " does not end in .wav");
        }
        if (through != null && through.toAbsolutePath().equals(file.toAbsolutePath())) {
            throw new WrongUsage("--out " + file + " is the sweep itself");
        }
        Audio audio =
                through == null
                        ? new Sweep(rate, seconds).audio()
                        : Unit.simulated().played(SoundReader.read(through));
        String what = through == null ? "exponential sine sweep" : "recording of a simulated unit";
        WavWriter.write(file, audio, WavWriter.Depth.FLOAT_32, what);
        ObjectNode document = Output.object();
        document.put("file", file.toString())
                .put("seconds", audio.seconds())
                .put("sampleRateHz", audio.sampleRateHz());
        output.print(document, () -> output.line("%s", file));
        return 0;
    }
}
