package orbispace.core.clear.room;

import java.util.Comparator;
import java.util.List;
import java.util.OptionalDouble;
import orbispace.core.design.Design;
import orbispace.core.design.Source;
import orbispace.core.design.SourcesEdit;
import orbispace.core.words.Wording;

/**
 * Small changes of dry sources that together make room for one of them, with what was rendered with
 * all of them done. What is kept of a source is its loudness beside everything else, as a share of
 * its loudness by itself, at the better ear.
 *
 * @param source who is to come through
 * @param changes one for each source that changes, the most telling first; empty if nothing gains
 * @param kept what is kept of everyone that changes, {@code source} first
 * @param thirds left and right in thirds of an octave from 160 Hz up
 */
public record RoomPlan(Source source, List<Change> changes, List<Kept> kept, List<Third> thirds) {
    /** How far left and right may lie apart in a third of an octave, dB. */
    public static final double BALANCED_DB = 1.5;

    private static final double NEARLY_DB = 0.02;

    /** Keeps its own lists. */
    public RoomPlan {
        changes = List.copyOf(changes);
        kept = List.copyOf(kept);
        thirds = List.copyOf(thirds);
    }

    /**
     * A source as it would be.
     *
     * @param was as it stands
     * @param is as it would be
     * @param change what is done to it, in words
     * @param why the cause, with this song's values
     */
    public record Change(Source was, Source is, String change, String why) {}

    /** What is kept of a source as it stands and with all changes done, 0 to 1. */
    public record Kept(Source source, double before, double after) {}

    /**
     * A third of an octave of all dry sources together.
     *
     * @param beforeDb right less left as it stands; empty where hardly anything sounds
     * @param afterDb the same with all changes done
     */
    public record Third(double hz, OptionalDouble beforeDb, OptionalDouble afterDb) {}

    /** Whether nothing is to be done. */
    public boolean isEmpty() {
        return changes.isEmpty();
    }

    /** Whether a third of an octave is in balance, or no further from it than it was. */
    static boolean isBalanced(Third t) {
        return Math.abs(t.afterDb.orElse(0))
                <= Math.max(BALANCED_DB, Math.abs(t.beforeDb.orElse(0))) + NEARLY_DB;
    }

    /** Whether every third of an octave is in balance. */
    public boolean isBalanced() {
        return apartDb() <= BALANCED_DB + NEARLY_DB;
    }

    /** The most that left and right lie apart with all changes done, dB. */
    public double apartDb() {
        return thirds.stream().mapToDouble(t -> Math.abs(t.afterDb.orElse(0))).max().orElse(0);
    }

    /** The same as it stands. */
    public double apartBeforeDb() {
        return thirds.stream().mapToDouble(t -> Math.abs(t.beforeDb.orElse(0))).max().orElse(0);
    }

    /** What it comes to, in one or two sentences. */
    public String words() {
        Kept own = kept.getFirst();
        if (isEmpty()) {
            return Wording.format(
                    "%.0f %% of %s is heard beside everything else; no small move of dry sources"
                            + " gains a point.",
                    100 * own.before, source.name());
        }
        return Wording.format(
                        "%s: %.0f %% of it is heard beside everything else, %.0f %% with these %d"
                                + " together. ",
                        source.name(), 100 * own.before, 100 * own.after, changes.size())
                + balance();
    }

    private String balance() {
        if (isBalanced()) {
            return Wording.format(
                    "Left and right lie within %.1f dB of each other in every third of an octave"
                            + " from 160 Hz up%s.",
                    apartDb(),
                    apartBeforeDb() <= BALANCED_DB
                            ? ""
                            : Wording.format(", and up to %.1f dB apart before", apartBeforeDb()));
        }
        Third worst =
                thirds.stream()
                        .max(Comparator.comparingDouble(t -> Math.abs(t.afterDb.orElse(0))))
                        .orElseThrow();
        return Wording.format(
                "Left and right lie up to %.1f dB apart, at %s, and by %.1f dB before: no small"
                        + " move weighs that out.",
                apartDb(), Wording.hertz(worst.hz), apartBeforeDb());
    }

    /** All changes as one edit of a design. */
    public SourcesEdit edit(Design design) {
        return new SourcesEdit(
                design.sources().stream().map(this::asChanged).toList(),
                "room for " + source.name());
    }

    private Source asChanged(Source s) {
        return changes.stream()
                .filter(c -> c.was.id().equals(s.id()))
                .map(c -> s.withPan(c.is.pan()).withTone(c.is.tone()))
                .findFirst()
                .orElse(s);
    }
}
