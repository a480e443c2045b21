package orbispace.app.command;

import java.nio.file.Path;
import java.util.Optional;
import java.util.concurrent.Callable;
import orbispace.app.command.OrbispaceCommand.WrongUsage;
import orbispace.app.song.Unit;
import orbispace.core.audio.Polarity;
import orbispace.core.measure.UnitReport;
import orbispace.core.prove.compare.ReverbFit;
import orbispace.core.render.Job;
import orbispace.core.words.Wording;
import orbispace.files.FileProblem;
import orbispace.files.sound.WavWriter;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Finds the response of a unit from the recording of a sweep. */
@Command(
        name = "capture",
        mixinStandardHelpOptions = true,
        description = "finds a unit's impulse response, latency, decay, noise and distortion")
final class CaptureCommand implements Callable<Integer> {
    @Option(
            names = "--sweep",
            required = true,
            paramLabel = "FILE",
            description = "what was played")
    private @Nullable Path sweep;

    @Option(
            names = "--recording",
            required = true,
            paramLabel = "FILE",
            description = "what came back")
    private @Nullable Path recording;

    @Option(
            names = "--out",
            required = true,
            paramLabel = "IR.wav",
            description = "where the response goes")
    private @Nullable Path out;

    @Option(
            names = "--label",
            paramLabel = "S",
            description = "decay that the unit's panel says, to be set against the truth")
    private @Nullable Double label;

    @Option(names = "--fit", description = "also set our reverb to decay like it")
    private boolean fit;

    private final Output output;

    CaptureCommand(Output output) {
        this.output = output;
    }

    @Override
    public Integer call() throws FileProblem {
        Path to = java.util.Objects.requireNonNull(out);
        Path played = java.util.Objects.requireNonNull(sweep);
        Path heard = java.util.Objects.requireNonNull(recording);
        for (Path input : new Path[] {played, heard}) {
            if (input.toAbsolutePath().equals(to.toAbsolutePath())) {
                throw new WrongUsage("--out " + to + " is an input");
            }
        }
        UnitReport report = Unit.recording(heard).measured(played);
        WavWriter.write(to, report.response(), WavWriter.Depth.FLOAT_32, "response of a unit");
        Optional<ReverbFit> fitted =
                fit ? ReverbFit.of(report.response(), 0, Job.QUIET) : Optional.empty();
        output.print(
                document(report, to, fitted),
                () -> lines(report, fitted, to),
                UnitReport.HOLDS_FOR);
        return 0;
    }

    private ObjectNode document(UnitReport report, Path to, Optional<ReverbFit> fitted) {
        ObjectNode document = MeasureDecay.document(report.decay());
        document.put("file", to.toString())
                .put("latencySamples", report.latencySamples())
                .put("noiseDbfs", report.noiseDbfs())
                .put("driftMatters", report.drifts());
        if (report.polarity() == Polarity.NOT_SURE) {
            document.putNull("inverted");
        } else {
            document.put("inverted", report.polarity() == Polarity.INVERTED);
        }
        Output.put(document, "driftPpm", report.driftPpm());
        Output.put(document, "repeatDb", report.repeatDb());
        ArrayNode harmonics = document.putArray("harmonics");
        report.harmonics()
                .forEach(h ->
                        harmonics.addObject().put("order", h.order()).put("levelDb", h.levelDb()));
        if (label != null) {
            document.put("labelSeconds", label);
            Output.put(document, "trueSeconds", report.trueSeconds());
        }
        fitted.ifPresent(f -> {
            ObjectNode n = document.putObject("fit");
            n.put("kind", f.space().kind().label())
                    .put("decaySeconds", f.space().decaySeconds())
                    .put("lowRatio", f.space().lowRatio())
                    .put("highRatio", f.space().highRatio())
                    .put("width", f.width())
                    .put("residualPercent", 100 * f.residual())
                    .put("worstPercent", 100 * f.worst())
                    .put("clarityOffDb", f.clarityOffDb());
        });
        return document;
    }

    private void lines(UnitReport report, Optional<ReverbFit> fitted, Path to) {
        output.line(
                "latency %d samples, %s, noise %.1f dBFS",
                report.latencySamples(), report.polarity().label(), report.noiseDbfs());
        output.line("clocks  %s", report.clocks());
        report.harmonics()
                .forEach(h -> output.line("harmonic %d  %.1f dB", h.order(), h.levelDb()));
        if (label != null) {
            output.line(
                    "label %.2f s, truth %s",
                    label,
                    report.trueSeconds().isPresent()
                            ? Wording.seconds(report.trueSeconds().getAsDouble())
                            : "not measurable");
        }
        new MeasureDecay(output).lines(report.decay());
        fitted.ifPresent(f ->
                output.line(
                        "like our %s with decay %.2f s, lows x%.2f, highs x%.2f, width x%.2f: T30"
                                + " off by %.1f %% on the mean, %.1f %% at most",
                        f.space().kind().label(),
                        f.space().decaySeconds(),
                        f.space().lowRatio(),
                        f.space().highRatio(),
                        f.width(),
                        100 * f.residual(),
                        100 * f.worst()));
        output.line("%s", to);
    }
}
