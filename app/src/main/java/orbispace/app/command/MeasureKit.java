package orbispace.app.command;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import orbispace.app.command.OrbispaceCommand.WrongUsage;
import orbispace.core.audio.Audio;
import orbispace.core.intake.StemName;
import orbispace.core.material.GateKey;
import orbispace.core.material.kit.Kit;
import orbispace.core.material.kit.KitFinder;
import orbispace.core.material.kit.KitStem;
import orbispace.core.prove.Brings;
import orbispace.core.signal.Resampler;
import orbispace.core.words.Wording;
import orbispace.files.FileProblem;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Strokes across the microphones of a kit. */
@Command(
        name = "kit",
        mixinStandardHelpOptions = true,
        description = "strokes across the microphones of a kit: whose they are, and how they lie")
final class MeasureKit implements Callable<Integer> {
    @Parameters(
            paramLabel = "FILE",
            arity = "2..*",
            description = "sound files of one take, from one start")
    private List<Path> files = List.of();

    @Option(names = "--salvage", description = "take the usable part of a damaged file")
    private boolean salvage;

    private final Output output;

    MeasureKit(Output output) {
        this.output = output;
    }

    @Override
    public Integer call() throws FileProblem {
        if (files.stream().map(f -> f.toAbsolutePath().normalize()).distinct().count()
                < files.size()) {
            throw new WrongUsage("a file is named twice; name each stem of the kit once");
        }
        List<Audio> audio = new ArrayList<>();
        for (Path file : files) {
            Audio one = SoundFileCommand.read(file, salvage, output);
            double rate = audio.isEmpty() ? one.sampleRateHz() : audio.getFirst().sampleRateHz();
            if (one.sampleRateHz() != rate) {
                output.note(
                        Wording.format(
                                "%s is at %.0f Hz; converted to %.0f Hz",
                                file, one.sampleRateHz(), rate));
            }
            audio.add(Resampler.convert(one, rate));
        }
        Kit kit = KitFinder.find(audio, files.stream().map(MeasureKit::drum).toList());
        output.print(document(kit), () -> lines(kit), Kit.HOLDS_FOR);
        return 0;
    }

    private static String drum(Path file) {
        return StemName.of(name(file).replaceFirst("\\.[^.]*$", "")).drum();
    }

    private static String name(Path file) {
        return String.valueOf(file.getFileName());
    }

    private ObjectNode document(Kit kit) {
        ObjectNode document = Output.object();
        ArrayNode stems = document.putArray("stems");
        for (int s = 0; s < files.size(); s++) {
            stem(stems.addObject().put("file", files.get(s).toString()), kit.stems().get(s));
        }
        Output.put(document, "hitClockSeconds", kit.hitClockSeconds());
        ArrayNode delays = document.putArray("delays");
        for (int s = 0; s < files.size(); s++) {
            Kit.Line line = kit.lines().get(s);
            delays.addObject()
                    .put("file", files.get(s).toString())
                    .put("samples", line.samples())
                    .put("known", line.known())
                    .put("inverted", line.inverted());
        }
        document.put("rippleDb", rippleDb(kit));
        return document;
    }

    private void stem(ObjectNode node, KitStem stem) {
        ArrayNode own = node.putArray("own");
        for (KitStem.Stroke s : stem.own()) {
            ObjectNode one = own.addObject().put("seconds", s.seconds());
            Output.put(one, "peakDb", s.peakDb());
            one.put("ghost", s.ghost());
        }
        ArrayNode bleed = node.putArray("bleed");
        for (KitStem.Bleed b : stem.bleed()) {
            ObjectNode one = bleed.addObject().put("seconds", b.seconds());
            Output.put(one, "peakDb", b.peakDb());
            one.put("from", b.from() < 0 ? null : files.get(b.from()).toString());
        }
        gate(node, "gate", stem.gate());
        gate(node, "gateWithGhosts", stem.gateWithGhosts());
    }

    private static void gate(ObjectNode node, String field, Optional<GateKey> gate) {
        if (gate.isEmpty()) {
            node.putNull(field);
            return;
        }
        node.putObject(field)
                .put("thresholdDb", gate.get().thresholdDb())
                .put("hysteresisDb", gate.get().hysteresisDb())
                .put("keyHighPassHz", gate.get().keyHighPassHz())
                .put("keyLowPassHz", gate.get().keyLowPassHz());
    }

    private void lines(Kit kit) {
        for (int s = 0; s < files.size(); s++) {
            KitStem stem = kit.stems().get(s);
            Kit.Line line = kit.lines().get(s);
            long ghosts = stem.own().stream().filter(KitStem.Stroke::ghost).count();
            output.line(
                    "%-24s %4d own (%d ghosts), %4d bleed; %s; %s",
                    name(files.get(s)),
                    stem.own().size(),
                    ghosts,
                    stem.bleed().size(),
                    stem.gate()
                            .map(g -> Wording.format("gate at %.1f dBFS", g.thresholdDb()))
                            .orElse("no gate parts them"),
                    Wording.format("%+d samples", line.samples())
                            + (line.known() ? "" : ", its distance included")
                            + (line.isOff() ? ", not in line" : "")
                            + (line.inverted() ? ", inverted" : ""));
        }
        output.line(
                "hit clock %s; sums of what does not lie in line ripple by %.1f dB at most",
                kit.hitClockSeconds().isPresent()
                        ? Wording.format("%.3f s", kit.hitClockSeconds().getAsDouble())
                        : "none",
                rippleDb(kit));
    }

    private static double rippleDb(Kit kit) {
        return Brings.ripple(kit.combed(Collections.nCopies(kit.stems().size(), 0.0))).amount();
    }
}
