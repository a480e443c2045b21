package orbispace.core.draft;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import orbispace.core.design.Chain;
import orbispace.core.design.Purpose;
import orbispace.core.design.Return;
import orbispace.core.design.Send;

/** A field as its returns are added one after another. */
final class FieldBuilder {
    private final int bar;
    private final List<Return> returns = new ArrayList<>();
    private final Map<String, String> reasons = new LinkedHashMap<>();
    private final Map<String, Purpose> purposes = new LinkedHashMap<>();
    private final Map<String, Double> ducked = new LinkedHashMap<>();

    /**
     * A field without returns.
     *
     * @param bar whose tempo note values take
     */
    FieldBuilder(int bar) {
        this.bar = bar;
    }

    /** Adds a return if anything is sent into it. */
    void add(
            String name,
            Purpose purpose,
            Map<String, Send> sends,
            Chain chain,
            double levelDb,
            String why) {
        if (!sends.isEmpty()) {
            String id = String.valueOf((char) ('A' + returns.size()));
            Return.Timing timing = new Return.Timing(bar, false);
            returns.add(new Return(id, name, sends, Map.of(), chain, levelDb, timing));
            reasons.put(id, why);
            purposes.put(id, purpose);
        }
    }

    /** Lets the return that was added last give way to the lead. */
    void duckLast(double db) {
        if (!returns.isEmpty()) {
            ducked.put(returns.getLast().id(), db);
        }
    }

    /** Whether a return serves a purpose. */
    boolean has(Purpose purpose) {
        return purposes.containsValue(purpose);
    }

    /** The field as it stands; {@code more} follows what is said of its school. */
    FieldDraft draft(School school, String more) {
        return new FieldDraft(school, school.idea() + more, returns, reasons, purposes, ducked);
    }
}
