package orbispace.core.design;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;

/** The groups of a design: those it lists, and those that its sources only name. */
public final class Groups {
    private final Map<String, Group> byName = new LinkedHashMap<>();
    private final Map<String, List<Source>> own = new LinkedHashMap<>();

    private Groups(List<Source> sources, List<Group> listed) {
        for (Group group : listed) {
            if (byName.put(group.name(), group) != null) {
                throw new IllegalArgumentException(
                        "two groups are called \"" + group.name() + "\"");
            }
        }
        for (Source source : sources) {
            if (!source.group().isEmpty()) {
                byName.computeIfAbsent(source.group(), Group::plain);
                own.computeIfAbsent(source.group(), g -> new ArrayList<>()).add(source);
            }
        }
    }

    /**
     * The groups of some sources.
     *
     * @throws IllegalArgumentException if two have one name, one is held by none that is there, or
     *     one that is held holds others
     */
    static Groups of(List<Source> sources, List<Group> listed) {
        Groups groups = new Groups(sources, listed);
        for (Group group : listed) {
            if (!group.within().isEmpty()) {
                Group outer = groups.byName.get(group.within());
                if (outer == null) {
                    throw new IllegalArgumentException(
                            "group \""
                                    + group.name()
                                    + "\" is in the group \""
                                    + group.within()
                                    + "\", which does not exist");
                }
                if (!outer.within().isEmpty()) {
                    throw new IllegalArgumentException(
                            "group \""
                                    + group.name()
                                    + "\" would be in \""
                                    + outer.name()
                                    + "\", which is in \""
                                    + outer.within()
                                    + "\" itself; groups hold groups one deep");
                }
            }
        }
        return groups;
    }

    /** The groups of a design. */
    public static Groups of(Design design) {
        return new Groups(design.sources(), design.groups());
    }

    /** All of them, those that are listed first. */
    public List<Group> all() {
        return List.copyOf(byName.values());
    }

    /** The group with a name. */
    public Optional<Group> find(String name) {
        return Optional.ofNullable(byName.get(name));
    }

    /**
     * The group with a name that is known to exist.
     *
     * @throws IllegalArgumentException if there is none
     */
    public Group require(String name) {
        return find(name)
                .orElseThrow(
                        () -> new IllegalArgumentException("there is no group \"" + name + "\""));
    }

    /** The groups that hold a source, the nearest first. */
    public List<Group> around(Source source) {
        if (source.group().isEmpty()) {
            return List.of();
        }
        Group near = Objects.requireNonNull(byName.get(source.group()));
        return near.within().isEmpty()
                ? List.of(near)
                : List.of(near, Objects.requireNonNull(byName.get(near.within())));
    }

    /** The groups that a group holds. */
    public List<Group> inside(String name) {
        return byName.values().stream().filter(g -> g.within().equals(name)).toList();
    }

    /** The sources of a group and of those that it holds. */
    public List<Source> members(String name) {
        List<Source> all = new ArrayList<>(own.getOrDefault(name, List.of()));
        inside(name).forEach(g -> all.addAll(own.getOrDefault(g.name(), List.of())));
        return all;
    }

    /**
     * The level at which a group is sent: that which most of its members have, the upper of two.
     */
    public OptionalDouble sendDb(String name, Return r) {
        return sendDb(members(name), r);
    }

    /** The level at which most of some sources are sent, the upper of two. */
    public static OptionalDouble sendDb(List<Source> sources, Return r) {
        Map<Double, Integer> counts = new LinkedHashMap<>();
        for (Source s : sources) {
            r.sendDb(s.id()).ifPresent(db -> counts.merge(db, 1, Integer::sum));
        }
        return counts.entrySet().stream()
                .max(
                        Map.Entry.<Double, Integer>comparingByValue()
                                .thenComparing(Map.Entry.comparingByKey()))
                .map(e -> OptionalDouble.of(e.getKey()))
                .orElse(OptionalDouble.empty());
    }

    /**
     * What stands in a list of sources where some groups are folded: a group that is folded, or a
     * source.
     *
     * @param group the folded group; empty for a source
     * @param sources all of the group, or the one
     */
    public record Row(Optional<Group> group, List<Source> sources) {
        /** Keeps its own list. */
        public Row {
            sources = List.copyOf(sources);
        }

        /** Its name: that of the group with how many it holds, or of the source. */
        public String name() {
            return group.map(g -> g.name() + " (" + sources.size() + ")")
                    .orElseGet(() -> sources.getFirst().name());
        }
    }

    /** All sources in rows, those of a group together, in the order of the first of each. */
    public List<Row> rows(List<Source> sources, Set<String> folded) {
        Map<String, List<Source>> together = new LinkedHashMap<>();
        for (Source s : sources) {
            List<Group> around = around(s);
            String outer = around.isEmpty() ? "source " + s.id() : around.getLast().name();
            together.computeIfAbsent(outer, o -> new ArrayList<>()).add(s);
        }
        List<Row> rows = new ArrayList<>();
        Map<String, Integer> at = new LinkedHashMap<>();
        for (List<Source> part : together.values()) {
            List<Source> ordered =
                    part.stream().sorted(Comparator.comparingInt(s -> order(part, s))).toList();
            for (Source s : ordered) {
                Optional<Group> in = foldedAround(s, folded);
                Integer row = in.isEmpty() ? null : at.get(in.get().name());
                if (row != null) {
                    List<Source> more = new ArrayList<>(rows.get(row).sources());
                    more.add(s);
                    rows.set(row, new Row(in, more));
                } else {
                    in.ifPresent(g -> at.put(g.name(), rows.size()));
                    rows.add(new Row(in, List.of(s)));
                }
            }
        }
        return rows;
    }

    /** What is taken as one with a source: all of the outermost folded group, or it alone. */
    public List<Source> together(Source source, Set<String> folded) {
        return foldedAround(source, folded).map(g -> members(g.name())).orElse(List.of(source));
    }

    /** Sources of one inner group stand where the first of them does. */
    private static int order(List<Source> part, Source s) {
        for (int i = 0; i < part.size(); i++) {
            if (part.get(i).group().equals(s.group())) {
                return i;
            }
        }
        return part.size();
    }

    /** The outermost folded group around a source. */
    private Optional<Group> foldedAround(Source s, Set<String> folded) {
        return around(s).reversed().stream().filter(g -> folded.contains(g.name())).findFirst();
    }
}
