package orbispace.core.draft;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Set;
import orbispace.core.design.Design;
import orbispace.core.design.Source;
import orbispace.core.design.StemKind;
import orbispace.core.material.GateKey;

/**
 * What a draft asks of a song.
 *
 * @param bar the bar whose tempo note values take
 * @param gapSeconds median gap of the lead; empty if nothing leads
 * @param shortGapSeconds lower quartile of the lead's gaps
 * @param hitSeconds median time from hit to hit; empty if nothing strikes
 * @param gates what parts hits from bleed, by source; only where it does
 * @param silent sources that hold no sound
 */
public record SongFacts(
        int bar,
        OptionalDouble gapSeconds,
        OptionalDouble shortGapSeconds,
        OptionalDouble hitSeconds,
        Map<String, GateKey> gates,
        Set<String> silent) {
    /** Keeps its own map. */
    public SongFacts {
        gates = Map.copyOf(gates);
        silent = Set.copyOf(silent);
    }

    /** The facts of a song whose sources all sound. */
    public SongFacts(
            int bar,
            OptionalDouble gapSeconds,
            OptionalDouble shortGapSeconds,
            OptionalDouble hitSeconds,
            Map<String, GateKey> gates) {
        this(bar, gapSeconds, shortGapSeconds, hitSeconds, gates, Set.of());
    }

    /** Whether a draft sends a source anywhere at all. */
    boolean sends(Source s) {
        return s.kind().isSent() && !silent.contains(s.id());
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
        return names.isEmpty() ? "" : " Sent nowhere: " + String.join("; ", names) + ".";
    }
}
