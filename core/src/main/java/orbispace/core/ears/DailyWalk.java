package orbispace.core.ears;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import orbispace.core.design.Design;
import orbispace.core.design.Return;

/** Which short lessons are worth taking today: where least is known, or nobody asked for long. */
public final class DailyWalk {
    /** So many lessons at most. */
    public static final int LESSONS = 3;

    /** In all it takes no longer. */
    public static final double MOST_SECONDS = 240;

    private static final double NEVER_DAYS = 1e6;

    private DailyWalk() {}

    /**
     * A lesson of a walk.
     *
     * @param returnId what it is about
     * @param kind what differs
     * @param last what was found last; empty if nothing was
     */
    public record Stop(String returnId, LessonKind kind, Optional<Outcome.Heard> last) {}

    /** One that could be taken. */
    private record Known(Return r, LessonKind kind, double days, Optional<Outcome.Heard> last) {
        double spreadOctaves() {
            return last.map(h -> Math.log(h.high() / h.low()) / Math.log(4)).orElse(0.0);
        }

        Stop stop() {
            return new Stop(r.id(), kind, last);
        }
    }

    /**
     * The lessons of a walk, each of another kind: the first and the last where it is longest ago,
     * what was never asked first; the second where the spread is largest.
     *
     * @param mine lessons that one engineer took in one place, in any songs
     */
    public static List<Stop> choose(Design design, List<TakenLesson> mine, LocalDate today) {
        List<Known> left = new ArrayList<>();
        for (LessonKind kind : LessonKind.values()) {
            for (Return r : design.returns()) {
                if (kind.greatest(r).isPresent()) {
                    left.add(known(design, mine, r, kind, today));
                }
            }
        }
        List<Stop> chosen = new ArrayList<>();
        while (chosen.size() < LESSONS && !left.isEmpty()) {
            Known next = next(left, chosen);
            chosen.add(next.stop());
            left.removeIf(k -> k.kind == next.kind);
        }
        return chosen;
    }

    private static Known next(List<Known> left, List<Stop> chosen) {
        Comparator<Known> byAge = Comparator.comparingDouble(Known::days);
        Comparator<Known> bySpread = Comparator.comparingDouble(Known::spreadOctaves);
        Comparator<Known> by =
                chosen.size() == 1 ? bySpread.thenComparing(byAge) : byAge.thenComparing(bySpread);
        // Of several alike the first, but rather about a return that the walk was not at.
        List<Known> elsewhere =
                left.stream()
                        .filter(k -> chosen.stream().noneMatch(c -> c.returnId.equals(k.r.id())))
                        .toList();
        Known best = left.stream().max(by).orElseThrow();
        return elsewhere.stream()
                .filter(k -> by.compare(k, best) == 0)
                .findFirst()
                .orElse(
                        left.stream()
                                .filter(k -> by.compare(k, best) == 0)
                                .findFirst()
                                .orElseThrow());
    }

    private static Known known(
            Design design, List<TakenLesson> mine, Return r, LessonKind kind, LocalDate today) {
        Predicate<TakenLesson> same =
                l ->
                        l.kind() == kind
                                && l.heard().song().equals(design.song().title())
                                && l.heard().returnName().equals(r.name());
        List<TakenLesson> asked = mine.stream().filter(same).toList();
        double days =
                asked.isEmpty()
                        ? NEVER_DAYS
                        : ChronoUnit.DAYS.between(asked.getLast().day(), today);
        Optional<Outcome.Heard> last =
                asked.reversed().stream()
                        .map(TakenLesson::outcome)
                        .filter(Outcome.Heard.class::isInstance)
                        .map(Outcome.Heard.class::cast)
                        .findFirst();
        return new Known(r, kind, days, last);
    }
}
