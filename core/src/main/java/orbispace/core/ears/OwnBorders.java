package orbispace.core.ears;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import orbispace.core.hearing.Borders;
import orbispace.core.prove.compare.BlindTrial;

/**
 * The borders of somebody's ears in one place, by what lessons found there: the median of how far
 * their differences lay over the model's border, between the ranks that enclose it in 95 of 100
 * cases. What was not heard lies above all that was. A border of what is felt is measured so; those
 * of what is heard and obvious are moved alike.
 */
public final class OwnBorders {
    /** From so many lessons on. */
    public static final int LEAST_LESSONS = 12;

    private static final double OUTSIDE = 0.025;

    private OwnBorders() {}

    /** Lessons that tell of borders: the model must hear what differs, and it hears no sides. */
    public static List<TakenLesson> telling(List<TakenLesson> lessons, String who, EarPlace at) {
        return lessons.stream()
                .filter(l -> l.engineer().equalsIgnoreCase(who) && l.place() == at)
                .filter(l -> l.kind() != LessonKind.WIDTH && l.predicted().isPresent())
                .filter(l -> !(l.outcome() instanceof Outcome.Unsure))
                // A short lesson leans on the last one.
                .filter(l -> !l.brief())
                .toList();
    }

    /**
     * Borders of one engineer in one place.
     *
     * @return empty with too few lessons, where half of them were not heard, or where they would
     *     move by more than {@link Borders#MOST_DB}
     */
    public static Optional<Borders> of(List<TakenLesson> lessons, String who, EarPlace at) {
        List<Double> offsets = new ArrayList<>();
        for (TakenLesson l : telling(lessons, who, at)) {
            boolean heard = l.outcome() instanceof Outcome.Heard;
            offsets.add(heard ? l.predicted().orElseThrow().offsetDb() : Double.POSITIVE_INFINITY);
        }
        int n = offsets.size();
        if (n < LEAST_LESSONS) {
            return Optional.empty();
        }
        Collections.sort(offsets);
        int rank = rank(n);
        double low = offsets.get(rank - 1);
        double high = offsets.get(n - rank);
        double middle = (offsets.get((n - 1) / 2) + offsets.get(n / 2)) / 2;
        if (!(Math.abs(middle) <= Borders.MOST_DB) || Double.isInfinite(high)) {
            return Optional.empty();
        }
        return Optional.of(new Borders(middle, low, high, n, who + ", " + at.label()));
    }

    /** The rank from either end between which the median lies in 95 of 100 cases. */
    static int rank(int n) {
        int rank = 0;
        while (BlindTrial.chanceOfAtLeast(n - rank, n) <= OUTSIDE) {
            rank++;
        }
        return Math.max(1, rank);
    }
}
