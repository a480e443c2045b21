package orbispace.app.command;

import java.nio.file.Path;
import java.util.Optional;
import java.util.concurrent.Callable;
import orbispace.core.audio.Audio;
import orbispace.core.audio.Polarity;
import orbispace.core.material.LineUp;
import orbispace.core.signal.Resampler;
import orbispace.core.words.Wording;
import orbispace.files.FileProblem;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.node.ObjectNode;

/** How two files that share sound lie against each other. */
@Command(
        name = "lineup",
        mixinStandardHelpOptions = true,
        description = "delay and polarity of B against A; positive if B is later")
final class MeasureLineUp implements Callable<Integer> {
    @Parameters(index = "0", paramLabel = "A", description = "sound file")
    private @Nullable Path first;

    @Parameters(index = "1", paramLabel = "B", description = "sound file")
    private @Nullable Path second;

    @Option(names = "--salvage", description = "take the usable part of a damaged file")
    private boolean salvage;

    private final Output output;

    MeasureLineUp(Output output) {
        this.output = output;
    }

    @Override
    public Integer call() throws FileProblem {
        Audio a = SoundFileCommand.read(java.util.Objects.requireNonNull(first), salvage, output);
        Audio b = SoundFileCommand.read(java.util.Objects.requireNonNull(second), salvage, output);
        if (a.sampleRateHz() != b.sampleRateHz()) {
            output.note(
                    Wording.format(
                            "B is at %.0f Hz; converted to the %.0f Hz of A",
                            b.sampleRateHz(), a.sampleRateHz()));
        }
        Optional<LineUp> found = LineUp.of(a, Resampler.convert(b, a.sampleRateHz()));
        ObjectNode document = Output.object();
        if (found.isPresent()) {
            LineUp l = found.get();
            document.put("delaySamples", l.delaySamples())
                    .put("confidence", l.confidence())
                    .put("delayMillis", 1000 * l.delaySamples() / a.sampleRateHz())
                    .put("sharedShare", l.sharedShare());
            if (l.polarity() == Polarity.NOT_SURE) {
                document.putNull("inverted");
            } else {
                document.put("inverted", l.inverted());
            }
        } else {
            document.putNull("delaySamples").putNull("inverted").put("confidence", 0);
        }
        output.print(document, () -> line(found, a.sampleRateHz()), LineUp.HOLDS_FOR);
        return 0;
    }

    private void line(Optional<LineUp> found, double rate) {
        if (found.isEmpty()) {
            output.line("one of the two is silent, or they never sound together");
            return;
        }
        LineUp l = found.get();
        output.line(
                "B is %d samples (%.3f ms) later than A%s; confidence %.2f%s",
                l.delaySamples(),
                1000 * l.delaySamples() / rate,
                l.polarity() == Polarity.SAME ? "" : ", and " + l.polarity().label(),
                l.confidence(),
                l.confidence() < LineUp.SURE ? ": they do not seem to share sound" : "");
    }
}
