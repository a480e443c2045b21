package orbispace.core.clear;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import orbispace.core.design.Design;
import orbispace.core.design.Filter;
import orbispace.core.design.Gate;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Role;
import orbispace.core.design.Setting;
import orbispace.core.design.Source;
import orbispace.core.design.Space;
import orbispace.core.design.Targets;
import orbispace.core.material.GateKey;
import orbispace.core.material.GateKeyFinder;
import orbispace.core.render.Job;
import orbispace.core.time.NoteValue;
import orbispace.core.words.Wording;
import org.jspecify.annotations.Nullable;

/**
 * A gate that ends the tail of each hit before the next one. It opens between the hits and their
 * bleed, and stays open for the longest note value that ends in time.
 */
final class GateRule implements RemedyRule {
    private static final List<String> NOTES = List.of("1/2", "1/4.", "1/4", "1/8.", "1/8", "1/16");
    private static final double BEFORE_NEXT_SECONDS = 0.03;
    private static final double MAIN_WITHIN_DB = 6;
    private static final double USUAL_INTERVAL = 0.5;

    /** What would key a gate. */
    private record Struck(Source source, GateKey key) {}

    @Override
    public Setting kind() {
        return Setting.GATE;
    }

    @Override
    public Optional<Candidate> find(
            Question q, Standing now, Targets targets, CoverAnalysis analysis, Job job) {
        Return r = q.ret();
        boolean walled = r.gate() != null || r.space() instanceof Space.Gated;
        if (now.uncovers(targets) || walled) {
            return Optional.empty();
        }
        return struck(q.design(), r, analysis).flatMap(s -> candidate(q, r, s, analysis));
    }

    /**
     * The loudest source of a return that hits feed, if its hits can be told from bleed. Where
     * something else is sent as loud, a gate would chop that.
     */
    private static Optional<Struck> struck(Design design, Return r, CoverAnalysis analysis) {
        double loudest = r.sends().values().stream().mapToDouble(x -> x.levelDb()).max().orElse(0);
        List<Source> main =
                design.sources().stream()
                        .filter(s -> r.sendDb(s.id()).orElse(-200) > loudest - MAIN_WITHIN_DB)
                        .toList();
        if (main.stream().anyMatch(s -> s.role() != Role.HITS)) {
            return Optional.empty();
        }
        return main.stream()
                .sorted(Comparator.comparingDouble(s -> -r.sendDb(s.id()).orElse(-200)))
                .flatMap(s -> analysis.gateKey(s).map(key -> new Struck(s, key)).stream())
                .filter(s -> s.key().separationDb() >= GateKeyFinder.ENOUGH_DB)
                .filter(s -> s.key().events().hits().size() > 1)
                .findFirst();
    }

    private static Optional<Candidate> candidate(
            Question q, Return r, Struck s, CoverAnalysis analysis) {
        double interval = s.key().events().intervalSeconds(USUAL_INTERVAL);
        double rings =
                r.space() instanceof Space.Reverb reverb
                        ? reverb.decaySeconds()
                        : analysis.renderer().chain(q.design(), r).ringSeconds();
        MusicalTime length = longest(q.design(), r, Math.min(interval, rings));
        if (length == null) {
            return Optional.empty();
        }
        double open = length.seconds(q.design().song().clock(), r.timedAtBar());
        GateKey key = s.key();
        Gate gate =
                new Gate(
                        s.source().id(),
                        new Filter(corner(key.keyHighPassHz()), corner(key.keyLowPassHz())),
                        Math.clamp(Math.rint(10 * key.thresholdDb()) / 10, -90, 0),
                        Math.clamp(Math.rint(10 * key.hysteresisDb()) / 10, 0, 40),
                        120,
                        2,
                        50,
                        25,
                        length);
        return Optional.of(
                Candidate.of(
                                Setting.GATE,
                                new ReturnEdit.Gating(r.id(), gate),
                                Wording.format(
                                        "Gate by %s, %.0f ms from each hit",
                                        s.source().name(), 1000 * open),
                                Wording.format(
                                        "its hits and its bleed are %.0f dB apart, the threshold of"
                                                + " %s dBFS lies between them; the next hit comes"
                                                + " after %.0f ms",
                                        key.separationDb(),
                                        Candidate.level(gate.thresholdDb()),
                                        1000 * interval))
                        .costingDecay(Math.clamp(1 - open / Math.max(open, rings), 0.02, 1)));
    }

    private static @Nullable MusicalTime longest(Design design, Return r, double within) {
        for (String note : NOTES) {
            MusicalTime time = new MusicalTime.Note(NoteValue.parse(note).orElseThrow(), 0);
            double seconds = time.seconds(design.song().clock(), r.timedAtBar());
            if (seconds + BEFORE_NEXT_SECONDS <= within) {
                return time;
            }
        }
        return null;
    }

    private static Filter.@Nullable Corner corner(double hz) {
        return hz <= 0 ? null : new Filter.Corner(hz, 4);
    }
}
