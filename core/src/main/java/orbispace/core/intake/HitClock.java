package orbispace.core.intake;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import orbispace.core.design.Role;
import orbispace.core.design.Source;
import orbispace.core.material.Hits;

/**
 * Whose strokes set the time that decays are held against: of the drums of a kit, else of whatever
 * strikes, the one that does so most often within 20 dB of the loudest stroke in the mix. It is not
 * the stem that is loudest on the whole; and what is shaken beside a kit is no clock of it.
 */
public final class HitClock {
    /** Softer strokes than so much under the loudest set no clock. */
    private static final double HEARD_DB = 20;

    private HitClock() {}

    /**
     * The source that sets the clock; empty if nothing strikes more than once.
     *
     * @param sources of which it may be one
     * @param hits what is known of the strokes of a source, in the stretch that counts
     */
    public static Optional<Source> of(List<Source> sources, Function<Source, Optional<Hits>> hits) {
        List<Source> striking =
                sources.stream()
                        .filter(s -> s.role() == Role.HITS && s.kind().isSent())
                        .filter(s -> hits.apply(s).map(h -> h.hits().size()).orElse(0) > 1)
                        .toList();
        List<Source> kit = striking.stream().filter(s -> StemName.of(s.name()).isOfAKit()).toList();
        List<Source> clocks = kit.isEmpty() ? striking : kit;
        double loudest =
                clocks.stream()
                        .flatMap(s -> peaks(s, hits).stream())
                        .mapToDouble(db -> db)
                        .max()
                        .orElse(0);
        return clocks.stream()
                .max(
                        Comparator.comparingLong(s ->
                                peaks(s, hits).stream()
                                        .filter(db -> db >= loudest - HEARD_DB)
                                        .count()));
    }

    /** Peaks of a source's strokes as they stand in the mix, dBFS. */
    private static List<Double> peaks(Source s, Function<Source, Optional<Hits>> hits) {
        return hits.apply(s).map(Hits::hits).orElse(List.of()).stream()
                .map(h -> h.peakDb() + s.gainDb())
                .toList();
    }
}
