package orbispace.core.clear;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import orbispace.core.design.Design;
import orbispace.core.design.Return;
import orbispace.core.design.Send;

/** What some sources make in all returns, without what others make there. */
final class OwnWet {
    private OwnWet() {}

    /** The field in which only some sources send and throw, or only all others. */
    static Design sending(Design design, Set<String> ids, boolean these) {
        List<Return> returns = new ArrayList<>();
        for (Return r : design.returns()) {
            Map<String, Send> sends = new HashMap<>(r.sends());
            sends.keySet().removeIf(id -> ids.contains(id) != these);
            returns.add(r.withSends(sends));
        }
        return design.withReturns(returns)
                .withThrown(
                        design.thrown().stream()
                                .filter(t -> ids.contains(t.sourceId()) == these)
                                .toList());
    }
}
