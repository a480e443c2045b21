package orbispace.core.prove.log;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * What was done to a design, and how it was at times; no part of the design, so that undoing does
 * not touch it.
 *
 * @param snapshots in the order in which they were made
 * @param entries in the order in which they were made
 */
public record Logbook(List<Snapshot> snapshots, List<LogEntry> entries) {
    /** Nothing yet. */
    public static final Logbook EMPTY = new Logbook(List.of(), List.of());

    private static final int MOST_ENTRIES = 5000;

    /** Checks that names are single, and keeps its own lists; the oldest entries go when full. */
    public Logbook {
        snapshots = List.copyOf(snapshots);
        entries =
                List.copyOf(
                        entries.subList(
                                Math.max(0, entries.size() - MOST_ENTRIES), entries.size()));
        long names =
                snapshots.stream()
                        .map(s -> s.name().toLowerCase(java.util.Locale.ROOT))
                        .distinct()
                        .count();
        if (names != snapshots.size()) {
            throw new IllegalArgumentException("two snapshots have the same name");
        }
    }

    /** The snapshot of a name, whatever the case. */
    public Optional<Snapshot> find(String name) {
        return snapshots.stream().filter(s -> s.name().equalsIgnoreCase(name.strip())).findFirst();
    }

    /**
     * One more snapshot.
     *
     * @throws IllegalArgumentException if its name is taken
     */
    public Logbook with(Snapshot snapshot) {
        if (find(snapshot.name()).isPresent()) {
            throw new IllegalArgumentException(
                    "there is a snapshot \"" + snapshot.name() + "\" already");
        }
        List<Snapshot> more = new ArrayList<>(snapshots);
        more.add(snapshot);
        return new Logbook(more, entries);
    }

    /** The same without a snapshot. */
    public Logbook without(String name) {
        return new Logbook(
                snapshots.stream().filter(s -> !s.name().equalsIgnoreCase(name)).toList(), entries);
    }

    /**
     * The same with another in the place of a snapshot, such as under another name.
     *
     * @throws IllegalArgumentException if its name is taken by a third
     */
    public Logbook replacing(Snapshot old, Snapshot other) {
        return new Logbook(
                snapshots.stream().map(s -> s.equals(old) ? other : s).toList(), entries);
    }

    /** The same with another in the place of an entry, such as with a reason. */
    public Logbook replacing(LogEntry old, LogEntry other) {
        return new Logbook(
                snapshots, entries.stream().map(e -> e.equals(old) ? other : e).toList());
    }

    /** One more entry. */
    public Logbook with(LogEntry entry) {
        List<LogEntry> more = new ArrayList<>(entries);
        more.add(entry);
        return new Logbook(snapshots, more);
    }

    /** Entries that have a text, the newest first. */
    public List<LogEntry> search(String text) {
        return entries.reversed().stream().filter(e -> text.isBlank() || e.has(text)).toList();
    }
}
