package orbispace.app.session;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import orbispace.core.design.Design;
import orbispace.core.design.Role;
import orbispace.core.design.Source;
import orbispace.core.material.Hits;
import orbispace.core.material.Phrases;
import org.jspecify.annotations.Nullable;

/** The song's own events that tails have to respect, as rings after the dry sound. */
public final class FieldEvents {
    private FieldEvents() {}

    /**
     * A ring.
     *
     * @param name in words
     * @param lowSeconds lower quartile
     * @param middleSeconds median
     * @param highSeconds upper quartile
     */
    public record Ring(String name, double lowSeconds, double middleSeconds, double highSeconds) {}

    /** The lead's gaps and the busiest hits, as far as they were measured. */
    public static List<Ring> of(Design design, Map<String, Material> measured) {
        List<Ring> rings = new ArrayList<>();
        lead(design, measured)
                .map(Phrases::gaps)
                .filter(gaps -> !gaps.isEmpty())
                .flatMap(gaps -> lead(design, measured))
                .ifPresent(p ->
                        rings.add(
                                new Ring(
                                        "voice rests",
                                        p.gapSeconds(0.25),
                                        p.gapSeconds(0.5),
                                        p.gapSeconds(0.75))));
        hits(design, measured)
                .ifPresent(h ->
                        rings.add(
                                new Ring(
                                        "next hit",
                                        h.intervalSeconds(0.25),
                                        h.intervalSeconds(0.5),
                                        h.intervalSeconds(0.75))));
        return rings;
    }

    /** Phrases of the first lead. */
    public static Optional<Phrases> lead(Design design, Map<String, Material> measured) {
        return design.sourcesOf(Role.LEAD).stream()
                .findFirst()
                .map(s -> measured.get(s.id()))
                .flatMap(Material::phrases);
    }

    private static Optional<Hits> hits(Design design, Map<String, Material> measured) {
        return hitsSource(design, measured).map(s -> measured.get(s.id())).flatMap(Material::hits);
    }

    /** The loudest hits source with more than one stroke. */
    public static Optional<Source> hitsSource(Design design, Map<String, Material> measured) {
        return design.sourcesOf(Role.HITS).stream()
                .filter(s -> strokes(measured.get(s.id())) > 1)
                .max(
                        Comparator.comparingDouble(s ->
                                java.util.Objects.requireNonNull(measured.get(s.id()))
                                        .integratedLufs()
                                        .orElse(-99)));
    }

    private static int strokes(@Nullable Material m) {
        return m == null ? 0 : m.hits().map(h -> h.hits().size()).orElse(0);
    }
}
