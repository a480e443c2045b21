package orbispace.app.song;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.DoubleUnaryOperator;
import orbispace.core.design.Design;
import orbispace.core.design.Leads;
import orbispace.core.design.Source;
import orbispace.core.intake.HitClock;
import orbispace.core.material.Hits;
import orbispace.core.material.Phrases;
import orbispace.core.time.Span;
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
        return of(design, measured, EventChoice.USUAL, null);
    }

    /**
     * Chosen events, as far as they were measured.
     *
     * @param section the stretch that counts if only the section does; null for the whole song
     */
    public static List<Ring> of(
            Design design,
            Map<String, Material> measured,
            EventChoice choice,
            @Nullable Span section) {
        Span within = choice.inSection() ? section : null;
        List<Ring> rings = new ArrayList<>();
        if (choice.sources().isEmpty()) {
            lead(design, measured)
                    .flatMap(p -> rests(p, within, "voice rests"))
                    .ifPresent(rings::add);
            hitsSource(design, measured, within)
                    .flatMap(s -> Optional.ofNullable(measured.get(s.id())))
                    .flatMap(Material::hits)
                    .flatMap(h -> strokes(h, within, "next hit"))
                    .ifPresent(rings::add);
            return rings;
        }
        for (Source s : design.sources()) {
            Material m = measured.get(s.id());
            if (m != null && choice.sources().contains(s.id())) {
                m.phrases()
                        .flatMap(p -> rests(p, within, s.name() + " rests"))
                        .ifPresent(rings::add);
                m.hits()
                        .flatMap(h -> strokes(h, within, s.name() + " strikes"))
                        .ifPresent(rings::add);
            }
        }
        return rings;
    }

    /** The sources that have rests or hits to show. */
    public static List<Source> sources(Design design, Map<String, Material> measured) {
        return design.sources().stream()
                .filter(s ->
                        !of(design, measured, new EventChoice(Set.of(s.id()), false), null)
                                .isEmpty())
                .toList();
    }

    private static Optional<Ring> rests(Phrases all, @Nullable Span within, String name) {
        Phrases p = within == null ? all : all.within(within);
        return p.gaps().isEmpty() ? Optional.empty() : Optional.of(ring(name, p::gapSeconds));
    }

    private static Optional<Ring> strokes(Hits all, @Nullable Span within, String name) {
        Hits h = within == null ? all : all.within(within);
        return h.hits().size() < 2 ? Optional.empty() : Optional.of(ring(name, h::intervalSeconds));
    }

    private static Ring ring(String name, DoubleUnaryOperator quantile) {
        return new Ring(
                name,
                quantile.applyAsDouble(0.25),
                quantile.applyAsDouble(0.5),
                quantile.applyAsDouble(0.75));
    }

    /** Phrases of who leads the song. */
    public static Optional<Phrases> lead(Design design, Map<String, Material> measured) {
        return Leads.main(design).map(s -> measured.get(s.id())).flatMap(Material::phrases);
    }

    /** The source whose strokes decays are held against. */
    public static Optional<Source> hitsSource(Design design, Map<String, Material> measured) {
        return hitsSource(design, measured, null);
    }

    /** The same within a stretch; null for the whole song. */
    public static Optional<Source> hitsSource(
            Design design, Map<String, Material> measured, @Nullable Span within) {
        return HitClock.of(
                design.sources(),
                s ->
                        Optional.ofNullable(measured.get(s.id()))
                                .flatMap(Material::hits)
                                .map(h -> within == null ? h : h.within(within)));
    }
}
