package orbispace.core.render;

import java.util.HashSet;
import java.util.Set;
import java.util.function.UnaryOperator;
import orbispace.core.words.Wording;

/**
 * Which sources and returns are heard by themselves, and which are not heard at all.
 *
 * @param soloed ids of the sources heard with the rest turned down; empty for none
 * @param muted ids of the sources that are not heard, nor what they are sent to
 * @param soloedReturns letters of the returns heard with the other returns turned down
 * @param mutedReturns letters of the returns that are not heard
 */
public record ListeningSet(
        Set<String> soloed,
        Set<String> muted,
        Set<String> soloedReturns,
        Set<String> mutedReturns) {
    /** Everything is heard. */
    public static final ListeningSet ALL = new ListeningSet(Set.of(), Set.of(), Set.of(), Set.of());

    /** Keeps sets of its own. */
    public ListeningSet {
        soloed = Set.copyOf(soloed);
        muted = Set.copyOf(muted);
        soloedReturns = Set.copyOf(soloedReturns);
        mutedReturns = Set.copyOf(mutedReturns);
    }

    /** Whether everything is heard. */
    public boolean isAll() {
        return equals(ALL);
    }

    /** Sources soloed as well, or no longer. */
    public ListeningSet solo(Set<String> ids, boolean in) {
        return new ListeningSet(turned(soloed, ids, in), muted, soloedReturns, mutedReturns);
    }

    /** Sources muted as well, or no longer. */
    public ListeningSet mute(Set<String> ids, boolean in) {
        return new ListeningSet(soloed, turned(muted, ids, in), soloedReturns, mutedReturns);
    }

    /** A return soloed as well, or no longer. */
    public ListeningSet soloReturn(String id, boolean in) {
        return new ListeningSet(soloed, muted, turned(soloedReturns, Set.of(id), in), mutedReturns);
    }

    /** A return muted as well, or no longer. */
    public ListeningSet muteReturn(String id, boolean in) {
        return new ListeningSet(soloed, muted, soloedReturns, turned(mutedReturns, Set.of(id), in));
    }

    private static Set<String> turned(Set<String> from, Set<String> ids, boolean in) {
        Set<String> now = new HashSet<>(from);
        if (in) {
            now.addAll(ids);
        } else {
            now.removeAll(ids);
        }
        return now;
    }

    /** Whom it lets hear, in a few words; names of sources by their ids. */
    public String words(UnaryOperator<String> names) {
        StringBuilder words = new StringBuilder();
        add(words, "solo", named(soloed, names));
        add(words, "mute", named(muted, names));
        add(words, "solo", soloedReturns);
        add(words, "mute", mutedReturns);
        return words.isEmpty() ? "all" : words.toString();
    }

    private static Set<String> named(Set<String> ids, UnaryOperator<String> names) {
        return ids.stream().map(names).collect(java.util.stream.Collectors.toUnmodifiableSet());
    }

    private static void add(StringBuilder words, String verb, Set<String> of) {
        if (!of.isEmpty()) {
            words.append(words.isEmpty() ? "" : "; ");
            words.append(
                    Wording.text("%s %s", verb, String.join(", ", of.stream().sorted().toList())));
        }
    }
}
