package orbispace.app.session;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import orbispace.core.clear.DuckCourse;
import orbispace.core.clear.PairView;
import orbispace.core.clear.Proposal;
import orbispace.core.clear.ReturnCost;
import orbispace.core.clear.ShortCopy;
import orbispace.core.design.Design;
import orbispace.core.design.Source;
import orbispace.core.time.Span;

/**
 * How one source stands against the returns over a stretch of the song.
 *
 * @param design the field that was measured
 * @param source the source that must stay clear
 * @param span the stretch
 * @param pairs each return by its letter
 * @param proposals remedies for the returns by their letters, best bargain first
 * @param presencePerBar what all returns together leave of the source in each bar of the song, 0 to
 *     1; -1 where it rests; none if it was not asked for
 * @param costs what each return takes of the mix; none if it was not asked for
 * @param copies returns that are short copies of the source, by letter
 * @param ducks what the duckers do, by letter
 */
public record Clearance(
        Design design,
        Source source,
        Span span,
        Map<String, PairView> pairs,
        Map<String, List<Proposal>> proposals,
        List<Double> presencePerBar,
        List<ReturnCost> costs,
        Map<String, ShortCopy> copies,
        Map<String, DuckCourse> ducks) {
    /** Keeps its own maps. */
    public Clearance {
        pairs = Map.copyOf(pairs);
        proposals = Map.copyOf(proposals);
        presencePerBar = List.copyOf(presencePerBar);
        costs = List.copyOf(costs);
        copies = Map.copyOf(copies);
        ducks = Map.copyOf(ducks);
    }

    /** One return's pair, if it was measured. */
    public Optional<PairView> pair(String returnId) {
        return Optional.ofNullable(pairs.get(returnId));
    }

    /** What a return takes of the mix, if it was measured. */
    public Optional<ReturnCost> cost(String returnId) {
        return costs.stream().filter(c -> c.returnId().equals(returnId)).findFirst();
    }
}
