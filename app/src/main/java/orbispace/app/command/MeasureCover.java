package orbispace.app.command;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.concurrent.Callable;
import orbispace.app.command.OrbispaceCommand.WrongUsage;
import orbispace.core.audio.Audio;
import orbispace.core.hearing.Cover;
import orbispace.core.hearing.CoverMeter;
import orbispace.core.hearing.Ear;
import orbispace.core.hearing.Excitation;
import orbispace.core.hearing.Passages;
import orbispace.core.material.PhraseFinder;
import orbispace.core.time.Span;
import orbispace.core.words.Wording;
import orbispace.files.FileProblem;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import tools.jackson.databind.node.ObjectNode;

/** What a wet file covers of a dry one. */
@Command(
        name = "cover",
        mixinStandardHelpOptions = true,
        description = "what a wet sound does to a dry one")
final class MeasureCover implements Callable<Integer> {
    @Option(names = "--dry", required = true, description = "the source that must stay clear")
    private @Nullable Path dry;

    @Option(names = "--wet", required = true, description = "the return")
    private @Nullable Path wet;

    @Option(names = "--rest", description = "everything else that sounds")
    private @Nullable Path rest;

    @Option(
            names = "--mix-lufs",
            description = "loudness of the mix heard at 78 dB SPL",
            defaultValue = "-20")
    private double mixLufs = -20;

    @Option(
            names = "--room-db",
            description = "noise of the room per band in dB, or off",
            defaultValue = "10")
    private String roomDb = "10";

    @Option(
            names = "--phrases",
            split = ",",
            paramLabel = "START-END",
            description = "phrases in seconds")
    private @Nullable List<String> phrases;

    @Option(names = "--salvage", description = "take the usable part of a damaged file")
    private boolean salvage;

    private final Output output;

    MeasureCover(Output output) {
        this.output = output;
    }

    @Override
    public Integer call() throws FileProblem {
        Audio d = SoundFileCommand.read(java.util.Objects.requireNonNull(dry), salvage, output);
        Audio w = fitted(d, java.util.Objects.requireNonNull(wet));
        Ear ear = new Ear(d.sampleRateHz(), Ear.fullScaleDb(mixLufs));
        Excitation dryE = ear.hear(d);
        Excitation restE =
                rest == null
                        ? Excitation.none(dryE.frames(), dryE.framesPerSecond())
                        : ear.hear(fitted(d, rest));
        Cover c = new CoverMeter(dryE, ear.hear(w), restE, room(), passages(d, dryE)).cover();
        ObjectNode document = Output.object();
        Output.put(document, "presenceKept", c.presenceKept());
        Output.put(document, "worstPhrase", c.worstPhrase());
        document.put("wetShare", c.wetShare());
        document.put("wetShareInPhrases", c.wetShareInPhrases());
        document.put("wetShareInGaps", c.wetShareInGaps());
        document.put("state", c.state().label());
        Output.put(document, "bloomDb", c.bloomDb());
        document.put("clashArea", c.clashArea());
        output.print(document, () -> lines(c));
        return 0;
    }

    private void lines(Cover c) {
        output.line("presence kept  %s", percent(c.presenceKept()));
        output.line("worst phrase   %s", percent(c.worstPhrase()));
        output.line("wet share      %.2f %% (%s)", 100 * c.wetShare(), c.state().label());
        output.line("in phrases     %.2f %%", 100 * c.wetShareInPhrases());
        output.line("in gaps        %.2f %%", 100 * c.wetShareInGaps());
        output.line(
                "bloom          %s",
                c.bloomDb().isPresent()
                        ? Wording.format("%.1f dB", c.bloomDb().getAsDouble())
                        : "none");
        output.line("clash area     %.1f %%", 100 * c.clashArea());
    }

    private static String percent(OptionalDouble share) {
        return share.isPresent()
                ? Wording.format("%.1f %%", 100 * share.getAsDouble())
                : "undefined: the dry is silent";
    }

    /** A second file at the dry's rate, cut or filled with silence to its length. */
    private Audio fitted(Audio d, Path file) throws FileProblem {
        Audio a = SoundFileCommand.read(file, salvage, output);
        if (a.sampleRateHz() != d.sampleRateHz()) {
            throw new FileProblem(
                    file
                            + ": is at "
                            + (int) a.sampleRateHz()
                            + " Hz, the dry at "
                            + (int) d.sampleRateHz()
                            + "; export both at one rate");
        }
        float[][] out = new float[a.channelCount()][d.frames()];
        for (int c = 0; c < out.length; c++) {
            System.arraycopy(a.channel(c), 0, out[c], 0, Math.min(d.frames(), a.frames()));
        }
        return Audio.of(a.sampleRateHz(), out);
    }

    private double room() {
        if (roomDb.equalsIgnoreCase("off")) {
            return 0;
        }
        try {
            return Math.pow(10, Double.parseDouble(roomDb) / 10);
        } catch (NumberFormatException e) {
            throw new WrongUsage("--room-db " + roomDb + " is neither a level in dB nor off");
        }
    }

    private Passages passages(Audio d, Excitation e) {
        List<Span> spans = phrases == null ? PhraseFinder.find(d).spans() : given(phrases);
        return spans.isEmpty()
                ? Passages.ofLoudness(e)
                : Passages.ofPhrases(spans, e.frames(), e.framesPerSecond());
    }

    private static List<Span> given(List<String> written) {
        List<Span> spans = new ArrayList<>();
        for (String text : written) {
            String[] parts = text.strip().split("-", -1);
            try {
                spans.add(new Span(Double.parseDouble(parts[0]), Double.parseDouble(parts[1])));
            } catch (IllegalArgumentException | ArrayIndexOutOfBoundsException e) {
                throw new WrongUsage("--phrases " + text + " is not START-END in seconds");
            }
        }
        spans.sort(java.util.Comparator.comparingDouble(Span::startSeconds));
        return spans;
    }
}
