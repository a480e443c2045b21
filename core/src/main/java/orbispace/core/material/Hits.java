package orbispace.core.material;

import java.util.Comparator;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Stream;
import orbispace.core.audio.Quantile;
import orbispace.core.time.Span;

/**
 * The events of a percussive source.
 *
 * @param hits its own strokes in order of time
 * @param bleed fainter events, from other instruments that it hears; empty where nothing separates
 * @param sure false where events of another sound lie so little under the strokes that they may as
 *     well be bleed as strokes of a second drum
 */
public record Hits(List<Hit> hits, List<Hit> bleed, boolean sure) {
    /** The material for which it is tried and holds. */
    public static final String HOLDS_FOR =
            "single drums to 14 strokes a second, with other drums from 6 dB down in their"
                    + " microphone";

    /** A sentence for what is not sure, to follow another. */
    public static final String NOT_SURE =
            " Whether these are bleed or strokes of a second drum is not sure.";

    /**
     * One event.
     *
     * @param seconds its onset
     * @param peakDb highest sample from 10 ms before to 50 ms after, dBFS
     * @param energyDb mean square of the 50 ms after, dBFS
     */
    public record Hit(double seconds, double peakDb, double energyDb) {}

    private static final Comparator<Hit> BY_TIME = Comparator.comparingDouble(Hit::seconds);

    /** Keeps its own lists. */
    public Hits {
        hits = List.copyOf(hits);
        bleed = List.copyOf(bleed);
    }

    /** Hits and bleed of which nothing is in doubt. */
    public Hits(List<Hit> hits, List<Hit> bleed) {
        this(hits, bleed, true);
    }

    /** The same, with only the events within a stretch. */
    public Hits within(Span stretch) {
        return new Hits(inside(hits, stretch), inside(bleed, stretch), sure);
    }

    private static List<Hit> inside(List<Hit> events, Span stretch) {
        return events.stream()
                .filter(e -> e.seconds() >= stretch.startSeconds())
                .filter(e -> e.seconds() < stretch.endSeconds())
                .toList();
    }

    /** When each event is, hits and bleed together, in order. */
    public List<Double> seconds() {
        return Stream.concat(hits.stream(), bleed.stream()).map(Hit::seconds).sorted().toList();
    }

    /** The same events, those at the given times as hits and the rest as bleed. */
    Hits parted(Set<Double> hitSeconds) {
        List<Hit> all = Stream.concat(hits.stream(), bleed.stream()).sorted(BY_TIME).toList();
        return new Hits(
                all.stream().filter(h -> hitSeconds.contains(h.seconds())).toList(),
                all.stream().filter(h -> !hitSeconds.contains(h.seconds())).toList(),
                sure);
    }

    /** Weakest hit less strongest bleed by peak, in dB; empty without bleed. */
    public OptionalDouble separationDb() {
        OptionalDouble weakest = hits.stream().mapToDouble(Hit::peakDb).min();
        OptionalDouble strongest = bleed.stream().mapToDouble(Hit::peakDb).max();
        return weakest.isPresent() && strongest.isPresent()
                ? OptionalDouble.of(weakest.getAsDouble() - strongest.getAsDouble())
                : OptionalDouble.empty();
    }

    /** A quantile (0 to 1) of the times from hit to hit, in seconds; 0 for fewer than two hits. */
    public double intervalSeconds(double share) {
        double[] intervals = new double[Math.max(0, hits.size() - 1)];
        for (int i = 0; i < intervals.length; i++) {
            intervals[i] = hits.get(i + 1).seconds() - hits.get(i).seconds();
        }
        return Quantile.of(intervals, share);
    }
}
