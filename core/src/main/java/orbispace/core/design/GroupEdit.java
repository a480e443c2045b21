package orbispace.core.design;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.UnaryOperator;
import org.jspecify.annotations.Nullable;

/**
 * A change of a group or of many sources at once. Each source keeps what it has of its own: the
 * distance of its fader, pan and sends from those of the group.
 */
public sealed interface GroupEdit extends Edit {
    /** The fader of a group. */
    record Fader(String group, double db) implements GroupEdit {}

    /** How far a group leans to a side, -0.95 to 0.95. */
    record Lean(String group, double lean) implements GroupEdit {}

    /** A group's send; null takes all its members out of the return. */
    record SendLevel(String group, String returnId, @Nullable Double levelDb)
            implements GroupEdit {}

    /** The send of some sources, each keeping its distance; null takes them out of the return. */
    record SendTogether(Set<String> sourceIds, String returnId, @Nullable Double levelDb)
            implements GroupEdit {
        /** Keeps its own set. */
        public SendTogether {
            sourceIds = Set.copyOf(sourceIds);
        }
    }

    /** The faders of some sources, moved by as much. */
    record FadeTogether(Set<String> sourceIds, double byDb) implements GroupEdit {
        /** Keeps its own set. */
        public FadeTogether {
            sourceIds = Set.copyOf(sourceIds);
        }
    }

    /** Another name. */
    record Named(String group, String name) implements GroupEdit {}

    /** A group laid into another; empty for none. */
    record Within(String group, String outer) implements GroupEdit {}

    /** A group that is no more; its members stay where they are heard. */
    record Dissolve(String group) implements GroupEdit {}

    /** Sources that join a group, which is made if there is none of the name; empty for none. */
    record Join(Set<String> sourceIds, String group) implements GroupEdit {
        /** Keeps its own set. */
        public Join {
            sourceIds = Set.copyOf(sourceIds);
        }
    }

    /** Sources that get the sends of another. */
    record SendLike(Set<String> sourceIds, String likeId) implements GroupEdit {
        /** Keeps its own set. */
        public SendLike {
            sourceIds = Set.copyOf(sourceIds);
        }
    }

    @Override
    default Design applyTo(Design design) {
        return switch (this) {
            case Fader e -> faded(design, Groups.of(design).require(e.group), e.db);
            case Lean e -> leaned(design, Groups.of(design).require(e.group), e.lean);
            case SendLevel e -> {
                Groups groups = Groups.of(design);
                groups.require(e.group);
                yield sent(design, groups.members(e.group), e.returnId, e.levelDb);
            }
            case SendTogether e -> sent(design, chosen(design, e.sourceIds), e.returnId, e.levelDb);
            case FadeTogether e ->
                    design.withSources(
                            design.sources().stream()
                                    .map(s ->
                                            e.sourceIds.contains(s.id())
                                                    ? s.withGain(s.gainDb() + e.byDb)
                                                    : s)
                                    .toList());
            case Named e -> named(design, e);
            case Within e -> laid(design, e);
            case Dissolve e -> dissolved(design, e.group);
            case Join e -> joined(design, e);
            case SendLike e -> like(design, e);
        };
    }

    @Override
    default String subject() {
        return switch (this) {
            case Fader e -> "fader of group " + e.group;
            case Lean e -> "lean of group " + e.group;
            case SendLevel e -> "sends of group " + e.group + " into " + e.returnId;
            case SendTogether e -> e.sourceIds.size() + " sends into " + e.returnId;
            case FadeTogether e -> "faders of " + e.sourceIds.size() + " stems";
            case Named e -> "name of group " + e.group;
            case Within e ->
                    e.outer.isEmpty()
                            ? "group " + e.group + " by itself"
                            : "group " + e.group + " into " + e.outer;
            case Dissolve e -> "dissolve group " + e.group;
            case Join e -> e.group.isEmpty() ? "leave the group" : "join group " + e.group;
            case SendLike e -> "send like " + e.likeId;
        };
    }

    private static Design faded(Design design, Group group, double db) {
        double more = db - group.faderDb();
        return changed(design, group, s -> s.withGain(s.gainDb() + more))
                .withGroup(group.withFader(db));
    }

    private static Design leaned(Design design, Group group, double lean) {
        Group other = group.withLean(lean);
        Groups groups = Groups.of(design);
        UnaryOperator<Source> moved =
                s -> {
                    List<Group> outside = new ArrayList<>(groups.around(s));
                    outside.subList(0, outside.indexOf(group) + 1).clear();
                    double pan = s.pan();
                    for (int i = outside.size() - 1; i >= 0; i--) {
                        pan = outside.get(i).upright(pan);
                    }
                    pan = other.leaning(group.upright(pan));
                    for (Group outer : outside) {
                        pan = outer.leaning(pan);
                    }
                    return s.withPan(Math.clamp(pan, -1, 1));
                };
        return changed(design, group, moved).withGroup(other);
    }

    private static Design changed(Design design, Group group, UnaryOperator<Source> change) {
        Set<String> members = ids(Groups.of(design).members(group.name()));
        return design.withSources(
                design.sources().stream()
                        .map(s -> members.contains(s.id()) ? change.apply(s) : s)
                        .toList());
    }

    private static Set<String> ids(List<Source> sources) {
        Set<String> ids = new HashSet<>();
        sources.forEach(s -> ids.add(s.id()));
        return ids;
    }

    private static List<Source> chosen(Design design, Set<String> ids) {
        return design.sources().stream().filter(s -> ids.contains(s.id())).toList();
    }

    private static Design sent(
            Design design, List<Source> members, String returnId, @Nullable Double levelDb) {
        Return r = design.requireReturn(returnId);
        OptionalDouble before = Groups.sendDb(members, r);
        Map<String, Send> sends = new TreeMap<>(r.sends());
        for (Source s : members) {
            Send send = sends.get(s.id());
            if (levelDb == null) {
                sends.remove(s.id());
            } else if (before.isEmpty()) {
                sends.put(s.id(), Send.of(levelDb));
            } else if (send != null) {
                double level = send.levelDb() + levelDb - before.getAsDouble();
                sends.put(s.id(), send.withLevel(level));
            }
        }
        return design.withReturn(r.withSends(sends));
    }

    private static Design named(Design design, Named e) {
        Groups groups = Groups.of(design);
        Group group = groups.require(e.group);
        if (!e.name.equals(e.group) && groups.find(e.name).isPresent()) {
            throw new IllegalArgumentException("there is a group \"" + e.name + "\" already");
        }
        List<Group> renamed = new ArrayList<>();
        for (Group g : groups.all()) {
            Group same = g.name().equals(e.group) ? group.called(e.name) : g;
            renamed.add(same.within().equals(e.group) ? same.in(e.name) : same);
        }
        return design.regrouped(
                design.sources().stream()
                        .map(s -> s.group().equals(e.group) ? s.withGroup(e.name) : s)
                        .toList(),
                renamed,
                key -> key.equals(e.group) ? e.name : key);
    }

    private static Design laid(Design design, Within e) {
        Groups groups = Groups.of(design);
        Group group = groups.require(e.group).in(e.outer);
        if (!e.outer.isEmpty() && !groups.inside(e.group).isEmpty()) {
            throw new IllegalArgumentException(
                    "group \"" + e.group + "\" holds groups itself; groups hold groups one deep");
        }
        Design known =
                e.outer.isEmpty()
                        ? design
                        : design.withGroup(groups.find(e.outer).orElse(Group.plain(e.outer)));
        return known.withGroup(group);
    }

    private static Design dissolved(Design design, String name) {
        Groups groups = Groups.of(design);
        Group group = groups.require(name);
        List<Group> left = new ArrayList<>();
        for (Group g : design.groups()) {
            if (!g.name().equals(name)) {
                left.add(g.within().equals(name) ? g.in(group.within()) : g);
            }
        }
        List<Source> sources =
                design.sources().stream()
                        .map(s -> s.group().equals(name) ? s.withGroup(group.within()) : s)
                        .toList();
        // What the group keyed is keyed by its first source from now on.
        String first = groups.members(name).stream().map(Source::id).findFirst().orElse("");
        return design.regrouped(sources, left, key -> key.equals(name) ? first : key);
    }

    private static Design joined(Design design, Join e) {
        Groups groups = Groups.of(design);
        List<Return> returns = new ArrayList<>();
        for (Return r : design.returns()) {
            Map<String, Send> sends = new TreeMap<>(r.sends());
            OptionalDouble level =
                    e.group.isEmpty() ? OptionalDouble.empty() : groups.sendDb(e.group, r);
            if (level.isPresent()) {
                e.sourceIds.forEach(id -> sends.putIfAbsent(id, Send.of(level.getAsDouble())));
            }
            returns.add(sends.equals(r.sends()) ? r : r.withSends(sends));
        }
        List<Source> sources =
                design.sources().stream()
                        .map(s -> e.sourceIds.contains(s.id()) ? s.withGroup(e.group) : s)
                        .toList();
        return new SourcesEdit(sources, "").applyTo(design.withReturns(returns));
    }

    private static Design like(Design design, SendLike e) {
        List<Return> returns = new ArrayList<>();
        for (Return r : design.returns()) {
            Send send = r.sends().get(e.likeId);
            Map<String, Send> sends = new TreeMap<>(r.sends());
            for (String id : e.sourceIds) {
                if (send == null && !id.equals(e.likeId)) {
                    sends.remove(id);
                } else if (send != null) {
                    sends.put(id, send);
                }
            }
            returns.add(sends.equals(r.sends()) ? r : r.withSends(sends));
        }
        return design.withReturns(returns);
    }
}
