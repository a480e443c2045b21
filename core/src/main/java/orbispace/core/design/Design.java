package orbispace.core.design;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import orbispace.core.time.Span;

/**
 * The whole spatial field of a song, immutable.
 *
 * @param song title, time and form
 * @param sources the dry stems in order
 * @param returns the spaces in order of their letters
 * @param aims what is wanted of it; what names no source or return of it is forgotten
 * @param thrown stretches of sources that are sent to a return at a level of their own; one may
 *     name a source or return that is gone, and is kept until it is taken away
 * @param groups those that say more than the names by which sources belong together ({@link Groups}
 *     knows all)
 * @param wet what returns pass together on their way to the mix
 */
public record Design(
        Song song,
        List<Source> sources,
        List<Return> returns,
        Aims aims,
        List<Throw> thrown,
        List<Group> groups,
        WetBuses wet) {
    /** A field of which nothing in particular is wanted. */
    public Design(Song song, List<Source> sources, List<Return> returns) {
        this(song, sources, returns, Aims.NONE);
    }

    /** A field without throws. */
    public Design(Song song, List<Source> sources, List<Return> returns, Aims aims) {
        this(song, sources, returns, aims, List.of());
    }

    /** A field whose groups have nothing of their own. */
    public Design(
            Song song, List<Source> sources, List<Return> returns, Aims aims, List<Throw> thrown) {
        this(song, sources, returns, aims, thrown, List.of());
    }

    /** A field whose returns pass nothing together. */
    public Design(
            Song song,
            List<Source> sources,
            List<Return> returns,
            Aims aims,
            List<Throw> thrown,
            List<Group> groups) {
        this(song, sources, returns, aims, thrown, groups, WetBuses.PLAIN);
    }

    /** Checks that ids are single and that sends and keys name sources that exist. */
    public Design {
        sources = List.copyOf(sources);
        returns = List.copyOf(returns);
        groups = List.copyOf(groups);
        Groups known = Groups.of(sources, groups);
        Set<String> sourceIds = new HashSet<>();
        for (Source source : sources) {
            requireNew(sourceIds.add(source.id()), "source", source.id());
        }
        if (returns.size() > FieldEdit.LETTERS.length()) {
            throw new IllegalArgumentException(
                    "a field has at most " + FieldEdit.LETTERS.length() + " returns");
        }
        Set<String> returnIds = new HashSet<>();
        for (Return r : returns) {
            requireNew(returnIds.add(r.id()), "return", r.id());
            r.sends().keySet().forEach(id -> requireKnown(sourceIds, id, "send into " + r.id()));
            if (r.duck() != null) {
                requireKey(sources, known, r.duck().keySource(), "ducker of " + r.id());
            }
            requireKey(sources, known, r.gate() == null ? "" : r.gate().key(), "gate of " + r.id());
            for (Send send : r.sends().values()) {
                String key = send.gate() == null ? "" : send.gate().key();
                requireKey(sources, known, key, "gate of a send into " + r.id());
            }
        }
        Feeds.ordered(returns);
        aims = aims.within(sources, returns);
        thrown = List.copyOf(thrown);
        Set<String> throwIds = new HashSet<>();
        thrown.forEach(t -> requireNew(throwIds.add(t.id()), "throw", t.id()));
        song = Leads.known(planned(song, returnIds, sourceIds), sourceIds);
    }

    /** The plan of what is there; what was planned for a return that is gone is forgotten. */
    private static Song planned(Song song, Set<String> returnIds, Set<String> sourceIds) {
        if (song.sections().stream().allMatch(s -> s.plan().isPlain())) {
            return song;
        }
        return song.withSections(
                song.sections().stream()
                        .map(s -> s.withPlan(s.plan().within(returnIds, sourceIds)))
                        .toList());
    }

    private static void requireKey(List<Source> sources, Groups groups, String key, String where) {
        boolean open = key.isEmpty() || key.equals(Leads.KEY);
        if (!open && keySources(sources, groups, key).isEmpty()) {
            throw new IllegalArgumentException(
                    where + " names the source \"" + key + "\", which does not exist");
        }
    }

    /**
     * The sources that a key means: one by its id, all of a group and those that it holds, or
     * whoever leads ({@link Leads#KEY}).
     */
    public List<Source> keySources(String key) {
        List<Source> named = keySources(sources, Groups.of(this), key);
        return named.isEmpty() && key.equals(Leads.KEY) ? Leads.key(this) : named;
    }

    /**
     * Where in the song the sources of a key are meant, in order: of whoever leads where they do;
     * empty for a key whose sources are meant everywhere.
     */
    public Map<String, List<Span>> keySpans(String key) {
        boolean named =
                !key.equals(Leads.KEY) || !keySources(sources, Groups.of(this), key).isEmpty();
        return named ? Map.of() : Leads.spans(this);
    }

    private static List<Source> keySources(List<Source> sources, Groups groups, String key) {
        List<Source> one = sources.stream().filter(s -> s.id().equals(key)).toList();
        return one.isEmpty() ? groups.members(key) : one;
    }

    private static void requireNew(boolean isNew, String what, String id) {
        if (!isNew) {
            throw new IllegalArgumentException("two " + what + "s are called \"" + id + "\"");
        }
    }

    private static void requireKnown(Set<String> ids, String id, String where) {
        if (!ids.contains(id)) {
            throw new IllegalArgumentException(
                    where + " names the source \"" + id + "\", which does not exist");
        }
    }

    /** The return with an id. */
    public Optional<Return> findReturn(String id) {
        return returns.stream().filter(r -> r.id().equals(id)).findFirst();
    }

    /** The source with an id. */
    public Optional<Source> findSource(String id) {
        return sources.stream().filter(s -> s.id().equals(id)).findFirst();
    }

    /** The return with an id that is known to exist. */
    public Return requireReturn(String id) {
        return findReturn(id)
                .orElseThrow(
                        () -> new IllegalArgumentException("there is no return \"" + id + "\""));
    }

    /** The layers of the part that a source belongs to: its group, or it alone. */
    public List<Source> layersOf(Source source) {
        return source.group().isEmpty()
                ? List.of(source)
                : sources.stream().filter(s -> s.group().equals(source.group())).toList();
    }

    /** The sources of a role, in order. */
    public List<Source> sourcesOf(Role role) {
        return sources.stream().filter(s -> s.role() == role).toList();
    }

    /** The same design with a return replaced by one of the same id. */
    public Design withReturn(Return changed) {
        requireReturn(changed.id());
        return new Design(
                song,
                sources,
                returns.stream().map(r -> r.id().equals(changed.id()) ? changed : r).toList(),
                aims,
                thrown,
                groups,
                wet);
    }

    /** The same song with other returns. */
    public Design withReturns(List<Return> other) {
        return new Design(song, sources, other, aims, thrown, groups, wet);
    }

    /** The same field over other sources. */
    public Design withSources(List<Source> other) {
        return new Design(song, other, returns, aims, thrown, groups, wet);
    }

    /** The same field of another song. */
    public Design withSong(Song other) {
        return new Design(other, sources, returns, aims, thrown, groups, wet);
    }

    /** The same field with other aims. */
    public Design withAims(Aims other) {
        return new Design(song, sources, returns, other, thrown, groups, wet);
    }

    /** The same field with other throws. */
    public Design withThrown(List<Throw> other) {
        return new Design(song, sources, returns, aims, other, groups, wet);
    }

    /** The same field whose returns pass something else together. */
    public Design withWet(WetBuses other) {
        return new Design(song, sources, returns, aims, thrown, groups, other);
    }

    /** The same field with other groups. */
    public Design withGroups(List<Group> other) {
        return new Design(song, sources, returns, aims, thrown, other, wet);
    }

    /** The same field with a group that is new or takes the place of the one of its name. */
    public Design withGroup(Group group) {
        List<Group> other = new ArrayList<>(groups);
        other.removeIf(g -> g.name().equals(group.name()));
        other.add(group);
        return withGroups(other);
    }

    /** The same field over sources in other groups, by name what keys duckers and gates. */
    Design regrouped(List<Source> others, List<Group> other, UnaryOperator<String> key) {
        return new Design(
                song,
                others,
                returns.stream().map(r -> r.keyedBy(key)).toList(),
                aims,
                thrown,
                other,
                wet);
    }

    /** The same field where no source moves from section to section, though its fader may. */
    public Design standing() {
        return withSong(
                song.withSections(
                        song.sections().stream()
                                .map(s -> s.withPlan(s.plan().standing()))
                                .toList()));
    }

    /** The same field as it is without plan and throws. */
    public Design unplanned() {
        boolean planned = song.sections().stream().anyMatch(s -> !s.plan().isPlain());
        if (!planned && thrown.isEmpty()) {
            return this;
        }
        return withSong(
                        song.withSections(
                                song.sections().stream()
                                        .map(s -> s.withPlan(SectionPlan.NONE))
                                        .toList()))
                .withThrown(List.of());
    }

    /** Throws that name a source or a return that is not there, and so are not heard. */
    public List<Throw> lostThrows() {
        return thrown.stream()
                .filter(t ->
                        findSource(t.sourceId()).isEmpty() || findReturn(t.returnId()).isEmpty())
                .toList();
    }
}
