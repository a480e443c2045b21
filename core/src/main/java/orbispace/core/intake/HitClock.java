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
        List<Striking> striking =
                sources.stream()
                        .filter(s -> s.role() == Role.HITS && s.kind().isSent())
                        .map(s -> Striking.of(s, hits.apply(s)))
                        .filter(s -> s.peaks.size() > 1)
                        .toList();
        List<Striking> kit =
                striking.stream().filter(s -> StemName.of(s.source.name()).isOfAKit()).toList();
        List<Striking> clocks = kit.isEmpty() ? striking : kit;
        double least = clocks.stream().mapToDouble(Striking::loudest).max().orElse(0) - HEARD_DB;
        return clocks.stream()
                .max(Comparator.comparingLong(s -> s.over(least)))
                .map(Striking::source);
    }

    /** A source and the peaks of its strokes as they stand in the mix, dBFS. */
    private record Striking(Source source, List<Double> peaks) {
        static Striking of(Source source, Optional<Hits> hits) {
            return new Striking(
                    source,
                    hits.map(Hits::hits).orElse(List.of()).stream()
                            .map(h -> h.peakDb() + source.gainDb())
                            .toList());
        }

        double loudest() {
            return peaks.stream().mapToDouble(db -> db).max().orElse(Double.NEGATIVE_INFINITY);
        }

        long over(double least) {
            return peaks.stream().filter(db -> db >= least).count();
        }
    }
}
