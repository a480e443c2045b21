package orbispace.core.design;

import java.util.Collections;
import java.util.Map;
import java.util.TreeMap;

/**
 * How the field differs in one section.
 *
 * @param cells each return that differs, by its letter
 * @param sendsDb offsets of sends, -60 to 24 dB, by the return's letter and the source's id
 * @param sources each source that differs, by its id
 */
public record SectionPlan(
        Map<String, PlanCell> cells,
        Map<String, Map<String, Double>> sendsDb,
        Map<String, SourceCell> sources) {
    /** Nothing differs. */
    public static final SectionPlan NONE = new SectionPlan(Map.of(), Map.of(), Map.of());

    /** Keeps its own maps; what does not differ is left out. */
    public SectionPlan {
        Map<String, PlanCell> differing = new TreeMap<>(cells);
        differing.values().removeIf(PlanCell::isPlain);
        cells = Collections.unmodifiableMap(differing);
        Map<String, Map<String, Double>> sends = new TreeMap<>();
        sendsDb.forEach((ret, offsets) -> {
            Map<String, Double> kept = new TreeMap<>(offsets);
            kept.values().removeIf(db -> db == 0);
            kept.values().forEach(db -> Ranges.require("send offset", db, -60, 24));
            if (!kept.isEmpty()) {
                sends.put(ret, Collections.unmodifiableMap(kept));
            }
        });
        sendsDb = Collections.unmodifiableMap(sends);
        Map<String, SourceCell> moved = new TreeMap<>(sources);
        moved.values().removeIf(SourceCell::isPlain);
        sources = Collections.unmodifiableMap(moved);
    }

    /** Whether nothing differs. */
    public boolean isPlain() {
        return cells.isEmpty() && sendsDb.isEmpty() && sources.isEmpty();
    }

    /** A return here. */
    public PlanCell cell(String returnId) {
        return cells.getOrDefault(returnId, PlanCell.PLAIN);
    }

    /** The offset of a send here, in dB. */
    public double sendDb(String returnId, String sourceId) {
        return sendsDb.getOrDefault(returnId, Map.of()).getOrDefault(sourceId, 0.0);
    }

    /** A source here. */
    public SourceCell source(String sourceId) {
        return sources.getOrDefault(sourceId, SourceCell.PLAIN);
    }

    /** The same without what it does to returns; sources and sends stay as they are. */
    public SectionPlan withoutCells() {
        return new SectionPlan(Map.of(), sendsDb, sources);
    }

    /** The same where sources stand as they do elsewhere; their faders stay moved. */
    SectionPlan standing() {
        Map<String, SourceCell> still = new TreeMap<>(sources);
        still.replaceAll((id, c) -> c.withPan(0).withWidth(1));
        return new SectionPlan(cells, sendsDb, still);
    }

    /** The same with another source. */
    public SectionPlan withSource(String sourceId, SourceCell cell) {
        Map<String, SourceCell> other = new TreeMap<>(sources);
        other.put(sourceId, cell);
        return new SectionPlan(cells, sendsDb, other);
    }

    /** The same with another cell. */
    public SectionPlan withCell(String returnId, PlanCell cell) {
        Map<String, PlanCell> other = new TreeMap<>(cells);
        other.put(returnId, cell);
        return new SectionPlan(other, sendsDb, sources);
    }

    /** The same with another offset of a send; 0 for none. */
    public SectionPlan withSend(String returnId, String sourceId, double db) {
        Map<String, Map<String, Double>> other = new TreeMap<>(sendsDb);
        Map<String, Double> of = new TreeMap<>(sendsDb.getOrDefault(returnId, Map.of()));
        of.put(sourceId, db);
        other.put(returnId, of);
        return new SectionPlan(cells, other, sources);
    }

    /** What still has its return and its source. */
    SectionPlan within(java.util.Set<String> returnIds, java.util.Set<String> sourceIds) {
        Map<String, PlanCell> keptCells = new TreeMap<>(cells);
        keptCells.keySet().retainAll(returnIds);
        Map<String, Map<String, Double>> keptSends = new TreeMap<>();
        sendsDb.forEach((ret, offsets) -> {
            if (returnIds.contains(ret)) {
                Map<String, Double> of = new TreeMap<>(offsets);
                of.keySet().retainAll(sourceIds);
                keptSends.put(ret, of);
            }
        });
        Map<String, SourceCell> keptSources = new TreeMap<>(sources);
        keptSources.keySet().retainAll(sourceIds);
        return new SectionPlan(keptCells, keptSends, keptSources);
    }
}
