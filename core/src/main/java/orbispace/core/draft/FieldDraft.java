package orbispace.core.draft;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import orbispace.core.design.Design;
import orbispace.core.design.Purpose;
import orbispace.core.design.Return;

/**
 * A whole field for a song.
 *
 * @param school how it is laid out; empty for one that was kept elsewhere
 * @param name what it is, in words
 * @param idea how it works, in one line, and what is sent nowhere
 * @param returns its returns
 * @param reasons why each return's times are what they are, by its letter
 * @param purposes what each return is for, by its letter
 * @param ducked by how many dB returns give way to the words of the lead, by letter
 */
public record FieldDraft(
        Optional<School> school,
        String name,
        String idea,
        List<Return> returns,
        Map<String, String> reasons,
        Map<String, Purpose> purposes,
        Map<String, Double> ducked) {
    /** Keeps its own collections. */
    public FieldDraft {
        returns = List.copyOf(returns);
        reasons = Collections.unmodifiableMap(new LinkedHashMap<>(reasons));
        purposes = Map.copyOf(purposes);
        ducked = Map.copyOf(ducked);
    }

    /** A draft of a school. */
    FieldDraft(
            School school,
            String idea,
            List<Return> returns,
            Map<String, String> reasons,
            Map<String, Purpose> purposes,
            Map<String, Double> ducked) {
        this(Optional.of(school), school.title(), idea, returns, reasons, purposes, ducked);
    }

    /** The same draft with its returns at other levels. */
    public FieldDraft withReturns(List<Return> others) {
        return new FieldDraft(school, name, idea, others, reasons, purposes, ducked);
    }

    /** The same, saying which returns it was begun with that it has no more. */
    public FieldDraft without(List<String> leftOut) {
        return saying(leftOut.isEmpty() ? "" : " Left out: " + String.join("; ", leftOut) + ".");
    }

    /** The same, saying more of itself. */
    public FieldDraft saying(String more) {
        return new FieldDraft(school, name, idea + more, returns, reasons, purposes, ducked);
    }

    /** The letters that its returns would have if none were left out, by those they have. */
    public Map<String, String> inOrder() {
        Map<String, String> letters = new LinkedHashMap<>();
        for (Return r : returns) {
            letters.put(r.id(), String.valueOf((char) ('A' + letters.size())));
        }
        return letters;
    }

    /** The same with other letters of its returns. */
    public FieldDraft lettered(Map<String, String> letters) {
        return new FieldDraft(
                school,
                name,
                idea,
                returns.stream()
                        .map(r -> r.called(letters.getOrDefault(r.id(), r.id()), r.name()))
                        .toList(),
                lettered(reasons, letters),
                lettered(purposes, letters),
                lettered(ducked, letters));
    }

    /** What is known by letter, by the letters that returns have instead. */
    public static <V> Map<String, V> lettered(Map<String, V> known, Map<String, String> letters) {
        Map<String, V> renamed = new LinkedHashMap<>();
        letters.forEach((is, will) -> {
            V of = known.get(is);
            if (of != null) {
                renamed.put(will, of);
            }
        });
        return renamed;
    }

    /** A song with this field, and with what its returns are for. */
    public Design laidOn(Design song) {
        Design with = song.withReturns(returns);
        return with.withAims(with.aims().purposed(purposes));
    }
}
