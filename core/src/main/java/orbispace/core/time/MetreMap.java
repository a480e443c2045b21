package orbispace.core.time;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** Maps bar numbers (from 1) to quarter-note beats (from 0) through changes of metre. */
public final class MetreMap {

    /**
     * A metre from a bar on.
     *
     * @param bar the first bar it holds for, from 1
     * @param beatsPerBar numerator, 1 to 64
     * @param beatUnit denominator: 1, 2, 4, 8, 16 or 32
     */
    public record Change(int bar, int beatsPerBar, int beatUnit) {
        /** Checks the ranges. */
        public Change {
            if (bar < 1 || bar > 1_000_000) {
                throw new IllegalArgumentException("bar " + bar + " is outside 1 to 1000000");
            }
            if (beatsPerBar < 1 || beatsPerBar > 64) {
                throw new IllegalArgumentException(
                        "metre numerator " + beatsPerBar + " is outside 1 to 64");
            }
            if (beatUnit < 1 || beatUnit > 32 || Integer.bitCount(beatUnit) != 1) {
                throw new IllegalArgumentException(
                        "metre denominator " + beatUnit + " is not 1, 2, 4, 8, 16 or 32");
            }
        }

        /** Length of a bar in quarters. */
        public double quartersPerBar() {
            return beatsPerBar * 4.0 / beatUnit;
        }
    }

    private final List<Change> changes;
    private final double[] startBeats;

    private MetreMap(List<Change> changes) {
        this.changes = changes;
        this.startBeats = new double[changes.size()];
        for (int i = 1; i < startBeats.length; i++) {
            Change before = changes.get(i - 1);
            startBeats[i] =
                    startBeats[i - 1]
                            + (changes.get(i).bar() - before.bar()) * before.quartersPerBar();
        }
    }

    /** One metre throughout. */
    public static MetreMap constant(int beatsPerBar, int beatUnit) {
        return of(List.of(new Change(1, beatsPerBar, beatUnit)));
    }

    /** A map from changes in any order; the first must be at bar 1. */
    public static MetreMap of(List<Change> given) {
        List<Change> sorted = new ArrayList<>(given);
        sorted.sort(Comparator.comparingInt(Change::bar));
        if (sorted.isEmpty() || sorted.getFirst().bar() != 1) {
            throw new IllegalArgumentException("a metre map needs a metre at bar 1");
        }
        return new MetreMap(List.copyOf(sorted));
    }

    @Override
    public boolean equals(@Nullable Object other) {
        return other instanceof MetreMap map && map.changes.equals(changes);
    }

    @Override
    public int hashCode() {
        return changes.hashCode();
    }

    /** The changes in order of bars. */
    public List<Change> changes() {
        return changes;
    }

    /** The metre in force in a bar. */
    public Change at(int bar) {
        return changes.get(indexAtBar(bar));
    }

    /** The beat on which a bar starts. */
    public double beatOfBar(int bar) {
        int i = indexAtBar(bar);
        return startBeats[i] + (bar - changes.get(i).bar()) * changes.get(i).quartersPerBar();
    }

    /** The bar that holds a beat; bar 1 for anything before it. */
    public int barAt(double beat) {
        int i = changes.size() - 1;
        while (i > 0 && startBeats[i] > beat + 1e-9) {
            i--;
        }
        double into = Math.max(0, beat - startBeats[i]);
        return changes.get(i).bar()
                + (int) Math.floor(into / changes.get(i).quartersPerBar() + 1e-9);
    }

    private int indexAtBar(int bar) {
        int i = changes.size() - 1;
        while (i > 0 && changes.get(i).bar() > bar) {
            i--;
        }
        return i;
    }
}
