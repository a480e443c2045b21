package orbispace.core.draft;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import orbispace.core.design.Return;

/**
 * A whole field for a song.
 *
 * @param name what it is, in words
 * @param idea how it works, in one line
 * @param returns its returns
 * @param reasons why each return's times are what they are, by its letter
 */
public record FieldDraft(
        String name, String idea, List<Return> returns, Map<String, String> reasons) {
    /** Keeps its own collections. */
    public FieldDraft {
        returns = List.copyOf(returns);
        reasons = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(reasons));
    }

    /** The same draft with its returns at other levels. */
    public FieldDraft withReturns(List<Return> others) {
        return new FieldDraft(name, idea, others, reasons);
    }
}
