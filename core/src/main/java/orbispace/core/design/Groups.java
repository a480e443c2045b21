package orbispace.core.design;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;

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

    /** The level at which a group is sent: that which most of its members have, the upper of two. */
    public OptionalDouble sendDb(String name, Return r) {
        Map<Double, Integer> counts = new LinkedHashMap<>();
        for (Source s : members(name)) {
            r.sendDb(s.id()).ifPresent(db -> counts.merge(db, 1, Integer::sum));
        }
        return counts.entrySet().stream()
                .max(
                        Map.Entry.<Double, Integer>comparingByValue()
                                .thenComparing(Map.Entry.comparingByKey()))
                .map(e -> OptionalDouble.of(e.getKey()))
                .orElse(OptionalDouble.empty());
    }

    /** How many members of a group are sent to a return. */
    public int sent(String name, Return r) {
        return (int) members(name).stream().filter(s -> r.sends().containsKey(s.id())).count();
    }
}
