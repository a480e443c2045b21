package orbispace.core.time;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Maps quarter-note beats (from 0) to seconds and back, exactly, through tempo changes and
 * ritardandi.
 *
 * <p>A ramp is linear in beats: over n beats from b0 to b1 with k = (b1 - b0) / n, the time at x is
 * {@code 60/k ln((b0 + k x)/b0)}. Before beat 0 and after the last change the tempo holds.
 */
public final class TempoMap {

    /**
     * A tempo from a beat on.
     *
     * @param beat where it begins, in quarters from 0
     * @param bpm quarters per minute at the beginning, 5 to 1000
     * @param endBpm quarters per minute reached at the next change; equal to {@code bpm} for a step
     */
    public record Change(double beat, double bpm, double endBpm) {
        /** Checks the ranges. */
        public Change {
            requireTempo(bpm);
            requireTempo(endBpm);
            if (!(beat >= 0 && beat < 1e7)) {
                throw new IllegalArgumentException("beat " + beat + " is outside 0 to 10000000");
            }
        }

        /** A constant tempo from a beat on. */
        public static Change step(double beat, double bpm) {
            return new Change(beat, bpm, bpm);
        }
    }

    private final List<Change> changes;
    private final double[] startSeconds;

    private TempoMap(List<Change> changes, double[] startSeconds) {
        this.changes = changes;
        this.startSeconds = startSeconds;
    }

    /** One tempo throughout. */
    public static TempoMap constant(double bpm) {
        return of(List.of(Change.step(0, bpm)));
    }

    /**
     * A map from changes in any order; of several at one beat the last one given counts.
     *
     * @throws IllegalArgumentException if there is none at beat 0
     */
    public static TempoMap of(List<Change> given) {
        List<Change> sorted = new ArrayList<>(given);
        sorted.sort(Comparator.comparingDouble(Change::beat));
        List<Change> kept = new ArrayList<>();
        for (Change change : sorted) {
            if (!kept.isEmpty() && kept.getLast().beat() == change.beat()) {
                kept.removeLast();
            }
            kept.add(change);
        }
        if (kept.isEmpty() || kept.getFirst().beat() != 0) {
            throw new IllegalArgumentException("a tempo map needs a tempo at beat 0");
        }
        double[] starts = new double[kept.size()];
        for (int i = 1; i < starts.length; i++) {
            double beats = kept.get(i).beat() - kept.get(i - 1).beat();
            starts[i] = starts[i - 1] + secondsInto(kept.get(i - 1), beats, beats);
        }
        return new TempoMap(List.copyOf(kept), starts);
    }

    @Override
    public boolean equals(@Nullable Object other) {
        return other instanceof TempoMap map && map.changes.equals(changes);
    }

    @Override
    public int hashCode() {
        return changes.hashCode();
    }

    /** The changes in order of beats. */
    public List<Change> changes() {
        return changes;
    }

    /** Seconds from beat 0 to a beat. */
    public double secondsAt(double beat) {
        int i = indexAtBeat(beat);
        return startSeconds[i]
                + secondsInto(changes.get(i), beat - changes.get(i).beat(), spanBeats(i));
    }

    /** The beat reached at a time in seconds. */
    public double beatAt(double seconds) {
        int i = indexAtSeconds(seconds);
        Change c = changes.get(i);
        double t = seconds - startSeconds[i];
        double slope = slope(c, spanBeats(i));
        if (slope == 0) {
            return c.beat() + t * c.bpm() / 60;
        }
        return c.beat() + c.bpm() * Math.expm1(slope * t / 60) / slope;
    }

    /** Quarters per minute in force at a beat. */
    public double bpmAt(double beat) {
        int i = indexAtBeat(beat);
        Change c = changes.get(i);
        return c.bpm() + slope(c, spanBeats(i)) * Math.max(0, beat - c.beat());
    }

    private double spanBeats(int i) {
        return i + 1 < changes.size()
                ? changes.get(i + 1).beat() - changes.get(i).beat()
                : Double.POSITIVE_INFINITY;
    }

    private int indexAtBeat(double beat) {
        int low = 0;
        int high = changes.size() - 1;
        while (low < high) {
            int middle = (low + high + 1) >>> 1;
            if (changes.get(middle).beat() <= beat) {
                low = middle;
            } else {
                high = middle - 1;
            }
        }
        return low;
    }

    private int indexAtSeconds(double seconds) {
        int low = 0;
        int high = startSeconds.length - 1;
        while (low < high) {
            int middle = (low + high + 1) >>> 1;
            if (startSeconds[middle] <= seconds) {
                low = middle;
            } else {
                high = middle - 1;
            }
        }
        return low;
    }

    /** Tempo gained per beat; a last change that ramps has nothing to reach and holds. */
    private static double slope(Change c, double spanBeats) {
        return Double.isInfinite(spanBeats) ? 0 : (c.endBpm() - c.bpm()) / spanBeats;
    }

    private static double secondsInto(Change c, double beats, double spanBeats) {
        double slope = slope(c, spanBeats);
        if (slope == 0 || beats <= 0) {
            return beats * 60 / c.bpm();
        }
        return 60 / slope * Math.log1p(slope * beats / c.bpm());
    }

    private static void requireTempo(double bpm) {
        if (!(bpm >= 5 && bpm <= 1000)) {
            throw new IllegalArgumentException("tempo " + bpm + " bpm is outside 5 to 1000");
        }
    }
}
