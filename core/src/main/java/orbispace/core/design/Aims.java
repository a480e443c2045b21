package orbispace.core.design;

import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;

/**
 * What the engineer wants of the field beside its sound: what is asked of a source and a return,
 * what no remedy may touch, and how it is listened to.
 *
 * @param wanted what is asked of a pair, if it is not the default of the source's role
 * @param locked settings of each return, by its letter, that stay as they are
 * @param hearing listening level and room
 * @param purposes what returns are for, by letter, where that is set ({@link Purposes} guesses the
 *     others)
 * @param kept what no remedy may lose, by the letter of its return
 */
public record Aims(
        List<Wanted> wanted,
        Map<String, Set<Setting>> locked,
        HearingLevel hearing,
        Map<String, Purpose> purposes,
        Map<String, Kept> kept) {
    /** Nothing asked, nothing locked. */
    public static final Aims NONE =
            new Aims(List.of(), Map.of(), HearingLevel.USUAL, Map.of(), Map.of());

    /** What is asked of one source and one return. */
    public record Wanted(String sourceId, String returnId, Targets targets) {
        boolean isOf(String source, String ret) {
            return sourceId.equals(source) && returnId.equals(ret);
        }
    }

    /** Keeps its own collections; a return without a lock is left out. */
    public Aims {
        wanted = List.copyOf(wanted);
        Map<String, Set<Setting>> locks = new TreeMap<>();
        locked.forEach((id, settings) -> {
            if (!settings.isEmpty()) {
                locks.put(id, Collections.unmodifiableSet(EnumSet.copyOf(settings)));
            }
        });
        locked = Collections.unmodifiableMap(locks);
        kept = Collections.unmodifiableMap(new TreeMap<>(kept));
        purposes = Collections.unmodifiableMap(new TreeMap<>(purposes));
    }

    /** What is asked of a pair; empty for the default of the source's role. */
    public Optional<Targets> of(String source, String ret) {
        return wanted.stream().filter(w -> w.isOf(source, ret)).map(Wanted::targets).findFirst();
    }

    /** Settings of a return that no remedy may touch. */
    public Set<Setting> lockedOf(String returnId) {
        return locked.getOrDefault(returnId, Set.of());
    }

    /** The same, asking something else of a pair; null for the default. */
    public Aims wanting(String source, String ret, @Nullable Targets targets) {
        List<Wanted> other = new ArrayList<>(wanted);
        other.removeIf(w -> w.isOf(source, ret));
        if (targets != null) {
            other.add(new Wanted(source, ret, targets));
        }
        return new Aims(other, locked, hearing, purposes, kept);
    }

    /** The same with a setting locked or free. */
    public Aims locking(String ret, Setting setting, boolean lock) {
        Map<String, Set<Setting>> other = new TreeMap<>(locked);
        Set<Setting> of = EnumSet.noneOf(Setting.class);
        of.addAll(lockedOf(ret));
        if (lock) {
            of.add(setting);
        } else {
            of.remove(setting);
        }
        other.put(ret, of);
        return new Aims(wanted, other, hearing, purposes, kept);
    }

    /** The same with something of a return that must not be lost; null for nothing. */
    public Aims keeping(String ret, @Nullable Kept what) {
        Map<String, Kept> other = new TreeMap<>(kept);
        if (what == null) {
            other.remove(ret);
        } else {
            other.put(ret, what);
        }
        return new Aims(wanted, locked, hearing, purposes, other);
    }

    /** The same, listened to otherwise. */
    public Aims hearing(HearingLevel other) {
        return new Aims(wanted, locked, other, purposes, kept);
    }

    /** The same with a return for something else; null for what is guessed. */
    public Aims purposed(String returnId, @Nullable Purpose purpose) {
        Map<String, Purpose> other = new TreeMap<>(purposes);
        if (purpose == null) {
            other.remove(returnId);
        } else {
            other.put(returnId, purpose);
        }
        return new Aims(wanted, locked, hearing, other, kept);
    }

    /** The same with returns for what is said of each. */
    public Aims purposed(Map<String, Purpose> others) {
        Map<String, Purpose> all = new TreeMap<>(purposes);
        all.putAll(others);
        return new Aims(wanted, locked, hearing, all, kept);
    }

    /** What still has its source and its return. */
    Aims within(List<Source> sources, List<Return> returns) {
        Set<String> sourceIds = ids(sources.stream().map(Source::id).toList());
        Set<String> returnIds = ids(returns.stream().map(Return::id).toList());
        List<Wanted> asked =
                wanted.stream()
                        .filter(w ->
                                sourceIds.contains(w.sourceId) && returnIds.contains(w.returnId))
                        .toList();
        Map<String, Set<Setting>> locks = new TreeMap<>(locked);
        locks.keySet().retainAll(returnIds);
        Map<String, Purpose> of = new TreeMap<>(purposes);
        of.keySet().retainAll(returnIds);
        Map<String, Kept> stays = new TreeMap<>(kept);
        stays.keySet().retainAll(returnIds);
        return new Aims(asked, locks, hearing, of, stays);
    }

    private static Set<String> ids(List<String> ids) {
        return Set.copyOf(ids);
    }
}
