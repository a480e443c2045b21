package orbispace.core.prove.rule;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import orbispace.core.design.Filter;
import orbispace.core.design.Gate;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Send;
import orbispace.core.design.Source;
import orbispace.core.material.GateKey;
import orbispace.core.material.Hits;
import orbispace.core.material.StemFacts;
import orbispace.core.prove.Finding;
import orbispace.core.prove.Remedy;
import orbispace.core.prove.Severity;
import orbispace.core.words.Wording;
import org.jspecify.annotations.Nullable;

/** A gate whose threshold does not lie between the hits and the bleed of its key. */
final class GateCannotPart implements FieldRule {
    private static final double LEAST_SEPARATION_DB = 6;
    private static final int POLES = 4;

    @Override
    public List<Finding> find(FieldFacts facts) {
        List<Finding> found = new ArrayList<>();
        for (Return r : facts.design().returns()) {
            for (Map.Entry<String, Send> e : r.sends().entrySet()) {
                Gate gate = e.getValue().gate();
                if (gate != null) {
                    String key = gate.key().isEmpty() ? e.getKey() : gate.key();
                    judge(facts, r, e.getKey(), gate, key).ifPresent(found::add);
                }
            }
            Gate gate = r.gate();
            if (gate != null && !gate.key().isEmpty()) {
                judge(facts, r, "", gate, gate.key()).ifPresent(found::add);
            }
        }
        return found;
    }

    private static Optional<Finding> judge(
            FieldFacts facts, Return r, String sendOf, Gate gate, String key) {
        Optional<StemFacts> stem = Optional.ofNullable(facts.stems().get(key));
        Optional<Source> source = facts.design().findSource(key);
        if (source.isEmpty() || stem.isEmpty() || stem.get().hits().isEmpty()) {
            return Optional.empty();
        }
        Optional<GateKey> parts =
                stem.get().gate().filter(g -> g.separationDb() >= LEAST_SEPARATION_DB);
        String name = source.get().name();
        if (parts.isEmpty() && stem.get().hits().get().bleed().isEmpty()) {
            return Optional.empty();
        }
        double off = parts.map(g -> gate.thresholdDb() - g.thresholdDb()).orElse(0.0);
        double room = parts.map(g -> g.separationDb() / 2).orElse(0.0);
        boolean sure = stem.get().hits().get().sure();
        boolean unfiltered =
                parts.isPresent() && !parts.get().isPlain() && gate.keyFilter().equals(Filter.OPEN);
        if (parts.isPresent() && Math.abs(off) <= room && !unfiltered) {
            return Optional.empty();
        }
        return Optional.of(
                new Finding(
                        "gate-cannot-part",
                        parts.isEmpty() || !sure ? Severity.WEIGH : Severity.ACT,
                        r.id(),
                        off > 0 ? "misses hits" : "lets bleed in",
                        evidence(r, gate, name, parts) + (sure ? "" : Hits.NOT_SURE),
                        "A gate that lets bleed in makes the space of one instrument speak for"
                                + " another; one set too high loses hits.",
                        parts.map(g -> List.of(remedy(facts, r, sendOf, gate, g)))
                                .orElse(List.of())));
    }

    private static String evidence(Return r, Gate gate, String name, Optional<GateKey> parts) {
        return parts.isEmpty()
                ? "No level parts the hits of " + name + " from its bleed by 6 dB."
                : Wording.text(
                        "The gate of %s opens at %.1f dB; the hits of %s lie %.1f dB over"
                                + " its bleed, and %.1f dB parts them.",
                        r.name(),
                        gate.thresholdDb(),
                        name,
                        parts.get().separationDb(),
                        parts.get().thresholdDb());
    }

    private static Remedy remedy(
            FieldFacts facts, Return r, String sendOf, Gate gate, GateKey parts) {
        Gate better =
                gate.withThreshold(Math.rint(10 * parts.thresholdDb()) / 10, parts.hysteresisDb())
                        .withKeyFilter(new Filter(highPass(parts), lowPass(parts)));
        String label = Wording.text("threshold %.1f dB", better.thresholdDb());
        if (sendOf.isEmpty()) {
            return new Remedy(label, new ReturnEdit.Gating(r.id(), better));
        }
        Send send = facts.design().requireReturn(r.id()).sends().get(sendOf);
        return new Remedy(
                label,
                new ReturnEdit.Sending(
                        r.id(), sendOf, send == null ? null : send.withGate(better)));
    }

    private static Filter.@Nullable Corner highPass(GateKey parts) {
        return parts.keyHighPassHz() > 0 ? new Filter.Corner(parts.keyHighPassHz(), POLES) : null;
    }

    private static Filter.@Nullable Corner lowPass(GateKey parts) {
        return parts.keyLowPassHz() > 0 ? new Filter.Corner(parts.keyLowPassHz(), POLES) : null;
    }
}
