package orbispace.app.command;

import java.util.Optional;
import orbispace.core.audio.Audio;
import orbispace.core.material.GateKey;
import orbispace.core.material.GateKeyFinder;
import orbispace.core.material.HitFinder;
import orbispace.core.material.Hits;
import orbispace.files.FileProblem;
import picocli.CommandLine.Command;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Hits and bleed of a percussive source. */
@Command(
        name = "hits",
        mixinStandardHelpOptions = true,
        description = "hits, bleed between them, and the gate that parts the two")
final class MeasureHits extends SoundFileCommand {
    MeasureHits(Output output) {
        super(output);
    }

    @Override
    public Integer call() throws FileProblem {
        Audio audio = read();
        Hits plain = HitFinder.find(audio);
        Optional<GateKey> gate = GateKeyFinder.find(audio, plain);
        Hits found = gate.map(GateKey::events).orElse(plain);
        ObjectNode document = Output.object();
        events(document.putArray("hits"), found.hits());
        events(document.putArray("bleed"), found.bleed());
        document.put("sure", found.sure());
        if (gate.isPresent()) {
            document.put("separationDb", gate.get().separationDb());
            document.putObject("gate")
                    .put("thresholdDb", gate.get().thresholdDb())
                    .put("hysteresisDb", gate.get().hysteresisDb())
                    .put("keyHighPassHz", gate.get().keyHighPassHz())
                    .put("keyLowPassHz", gate.get().keyLowPassHz());
        } else {
            Output.put(document, "separationDb", plain.separationDb());
            document.putNull("gate");
        }
        output.print(document, () -> lines(found, gate), Hits.HOLDS_FOR);
        return 0;
    }

    private static void events(ArrayNode into, java.util.List<Hits.Hit> events) {
        for (Hits.Hit hit : events) {
            ObjectNode node = into.addObject().put("seconds", hit.seconds());
            Output.put(node, "peakDb", hit.peakDb());
            Output.put(node, "energyDb", hit.energyDb());
        }
    }

    private void lines(Hits found, Optional<GateKey> gate) {
        for (Hits.Hit hit : found.hits()) {
            output.line("%9.3f s %8.1f dBFS", hit.seconds(), hit.peakDb());
        }
        output.line("%d hits, %d events of bleed", found.hits().size(), found.bleed().size());
        if (!found.sure()) {
            output.line(
                    "not sure: events of another sound lie little under the hits; bleed, or"
                            + " strokes of a second drum");
        }
        if (gate.isEmpty()) {
            output.line("nothing separates hits from bleed, or there is none");
            return;
        }
        GateKey key = gate.get();
        output.line(
                "separation %.1f dB; gate at %.1f dBFS with %.1f dB of hysteresis",
                key.separationDb(), key.thresholdDb(), key.hysteresisDb());
        if (!key.isPlain()) {
            output.line(
                    "with the key filtered: high-pass %.0f Hz, low-pass %.0f Hz (0 for none)",
                    key.keyHighPassHz(), key.keyLowPassHz());
        }
    }
}
