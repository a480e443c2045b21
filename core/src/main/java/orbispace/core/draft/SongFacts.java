package orbispace.core.draft;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import orbispace.core.audio.Audio;
import orbispace.core.design.Design;
import orbispace.core.design.Leads;
import orbispace.core.design.Role;
import orbispace.core.design.Source;
import orbispace.core.design.StemKind;
import orbispace.core.intake.Backbeat;
import orbispace.core.intake.BackbeatFinder;
import orbispace.core.intake.HitClock;
import orbispace.core.material.Ambience;
import orbispace.core.material.GateKey;
import orbispace.core.material.Hits;
import orbispace.core.material.Phrases;
import orbispace.core.material.StemFacts;

/**
 * What a draft asks of a song.
 *
 * @param bar the bar whose tempo note values take
 * @param gapSeconds median gap of the lead; empty if nothing leads
 * @param shortGapSeconds lower quartile of the lead's gaps
 * @param hitSeconds median time from hit to hit; empty if nothing strikes
 * @param gates what parts hits from bleed, by source; only where it does
 * @param silent sources that hold no sound
 * @param roomy sources that surely hold a room already
 * @param backbeat the drum that carries it, if anything strikes
 */
public record SongFacts(
        int bar,
        OptionalDouble gapSeconds,
        OptionalDouble shortGapSeconds,
        OptionalDouble hitSeconds,
        Map<String, GateKey> gates,
        Set<String> silent,
        Set<String> roomy,
        Optional<Backbeat> backbeat) {
    /** Keeps its own map. */
    public SongFacts {
        gates = Map.copyOf(gates);
        silent = Set.copyOf(silent);
        roomy = Set.copyOf(roomy);
    }

    /**
     * The facts of a song, from what was measured of its stems.
     *
     * @param stems by source id; may lack some
     * @param bar whose tempo note values take
     */
    public static SongFacts of(Design design, Map<String, StemFacts> stems, int bar) {
        Optional<Phrases> lead =
                Leads.main(design)
                        .flatMap(s -> Optional.ofNullable(stems.get(s.id())))
                        .flatMap(StemFacts::phrases)
                        .filter(p -> !p.gaps().isEmpty());
        Optional<Hits> hits =
                HitClock.of(design.sources(), s -> hits(stems, s)).flatMap(s -> hits(stems, s));
        Map<String, GateKey> gates = new HashMap<>();
        Set<String> silent = new HashSet<>();
        Set<String> roomy = new HashSet<>();
        for (Source s : design.sources()) {
            StemFacts facts = stems.get(s.id());
            if (facts == null) {
                continue;
            }
            if (s.role() == Role.HITS) {
                facts.gate().ifPresent(g -> gates.put(s.id(), g));
            }
            if (facts.check().silent()) {
                silent.add(s.id());
            }
            if (facts.ambience().filter(Ambience::sure).isPresent()) {
                roomy.add(s.id());
            }
        }
        return new SongFacts(
                bar,
                of(lead.map(p -> p.gapSeconds(0.5))),
                of(lead.map(p -> p.gapSeconds(0.25))),
                of(hits.map(h -> h.intervalSeconds(0.5))),
                gates,
                silent,
                roomy,
                Optional.empty());
    }

    private static Optional<Hits> hits(Map<String, StemFacts> stems, Source s) {
        return Optional.ofNullable(stems.get(s.id())).flatMap(StemFacts::hits);
    }

    private static OptionalDouble of(Optional<Double> value) {
        return value.map(OptionalDouble::of).orElse(OptionalDouble.empty());
    }

    /** The same with the drum that carries the backbeat, as it is heard in the stems. */
    public SongFacts listening(
            Design design, Map<String, StemFacts> stems, Map<String, Audio> audio) {
        return withBackbeat(
                BackbeatFinder.find(
                        design,
                        this::sends,
                        s -> hits(stems, s),
                        s -> Optional.ofNullable(audio.get(s.id()))));
    }

    /** The facts of a song whose sources all sound. */
    public SongFacts(
            int bar,
            OptionalDouble gapSeconds,
            OptionalDouble shortGapSeconds,
            OptionalDouble hitSeconds,
            Map<String, GateKey> gates) {
        this(
                bar,
                gapSeconds,
                shortGapSeconds,
                hitSeconds,
                gates,
                Set.of(),
                Set.of(),
                Optional.empty());
    }

    /** The same with the drum that carries the backbeat. */
    public SongFacts withBackbeat(Optional<Backbeat> found) {
        return new SongFacts(
                bar, gapSeconds, shortGapSeconds, hitSeconds, gates, silent, roomy, found);
    }

    /** Whether a draft sends a source anywhere at all. */
    boolean sends(Source s) {
        return s.kind().isSent() && !silent.contains(s.id());
    }

    /** Whether a draft sends a source into a space: not where it holds one already. */
    public boolean takesSpace(Source s) {
        return sends(s) && !s.wet() && !roomy.contains(s.id());
    }

    /** What is sent nowhere and why, as a sentence to follow another; empty for nothing. */
    String left(Design design) {
        List<String> names = new ArrayList<>();
        for (StemKind kind : StemKind.values()) {
            List<String> of =
                    design.sources().stream()
                            .filter(s -> s.kind() == kind && !sends(s))
                            .map(Source::name)
                            .toList();
            if (!of.isEmpty()) {
                String why = kind.isSent() ? "empty" : kind.label();
                names.add(String.join(", ", of) + " (" + why + ")");
            }
        }
        List<String> roomed =
                design.sources().stream()
                        .filter(s -> sends(s) && !takesSpace(s))
                        .map(Source::name)
                        .toList();
        String dry =
                roomed.isEmpty()
                        ? ""
                        : " No space for "
                                + String.join(", ", roomed)
                                + ": a room is printed into it.";
        return (names.isEmpty() ? "" : " Sent nowhere: " + String.join("; ", names) + ".") + dry;
    }
}
