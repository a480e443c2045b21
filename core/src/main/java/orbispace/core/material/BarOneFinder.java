package orbispace.core.material;

import java.util.List;
import java.util.Optional;
import orbispace.core.time.SongClock;

/**
 * Where bar 1 must begin so that strokes fall on the beats: the shift, within half a beat, at which
 * the strokes agree best with beats, halves and quarters of beats. It cannot tell which beat of the
 * bar is the first.
 */
public final class BarOneFinder {
    private static final double STEP_SECONDS = 0.0005;
    private static final int LEAST_HITS = 8;

    private BarOneFinder() {}

    /**
     * A proposal.
     *
     * @param originSeconds when bar 1 begins, from the start of the stems
     * @param agreement 0 to 1: 1 if every stroke lies exactly on a beat
     * @param before the agreement as the song is now
     */
    public record BarOne(double originSeconds, double agreement, double before) {}

    /**
     * Looks for the shift.
     *
     * @param hits strokes of the song in seconds
     * @param clock the song's tempo, metre and bar 1 as they are
     * @return empty for fewer than eight strokes
     */
    public static Optional<BarOne> find(List<Hits.Hit> hits, SongClock clock) {
        if (hits.size() < LEAST_HITS) {
            return Optional.empty();
        }
        double half = 30 / clock.bpmOfBar(1);
        double before = agreement(hits, clock, clock.originSeconds());
        double best = -1;
        double at = 0;
        for (double shift = -half; shift < half; shift += STEP_SECONDS) {
            double agreement = agreement(hits, clock, clock.originSeconds() + shift);
            if (agreement > best + 1e-9) {
                best = agreement;
                at = shift;
            }
        }
        return Optional.of(new BarOne(clock.originSeconds() + at, Math.max(0, best), before));
    }

    private static double agreement(List<Hits.Hit> hits, SongClock clock, double origin) {
        double sum = 0;
        double weights = 0;
        for (Hits.Hit hit : hits) {
            double turn = 2 * Math.PI * clock.tempo().beatAt(hit.seconds() - origin);
            double weight = Math.pow(10, hit.peakDb() / 40);
            sum += weight * (3 * Math.cos(turn) + 2 * Math.cos(2 * turn) + Math.cos(4 * turn)) / 6;
            weights += weight;
        }
        return weights == 0 ? 0 : sum / weights;
    }
}
