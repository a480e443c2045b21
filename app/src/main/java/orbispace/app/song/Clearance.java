package orbispace.app.song;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import orbispace.core.clear.DuckCourse;
import orbispace.core.clear.PairView;
import orbispace.core.clear.Proposal;
import orbispace.core.clear.ReturnCost;
import orbispace.core.clear.ShortCopy;
import orbispace.core.clear.SongCourse;
import orbispace.core.design.Design;
import orbispace.core.design.Source;
import orbispace.core.hearing.WetState;
import orbispace.core.measure.Widening;
import orbispace.core.time.Span;

/**
 * How one source stands against the returns over a stretch of the song.
 *
 * @param design the field that was measured
 * @param source the source that must stay clear
 * @param span the stretch
 * @param pairs each return by its letter
 * @param opens what each return makes wider of the mix, by letter
 * @param before returns whose pair was another in the field before, as it was
 * @param proposals remedies for the returns by their letters, best bargain first
 * @param song the whole song bar by bar; nothing if it was not asked for
 * @param costs what each return takes of the mix; none if it was not asked for
 * @param copies returns that are short copies of the source, by letter
 * @param ducks what the duckers do, by letter
 * @param estimated whether the loudness of the whole mix was no more than estimated
 */
public record Clearance(
        Design design,
        Source source,
        Span span,
        Map<String, PairView> pairs,
        Map<String, Widening> opens,
        Map<String, PairView> before,
        Map<String, List<Proposal>> proposals,
        SongCourse song,
        List<ReturnCost> costs,
        Map<String, ShortCopy> copies,
        Map<String, DuckCourse> ducks,
        boolean estimated) {
    /** Keeps its own maps. */
    public Clearance {
        pairs = Map.copyOf(pairs);
        opens = Map.copyOf(opens);
        before = Map.copyOf(before);
        proposals = Map.copyOf(proposals);
        costs = List.copyOf(costs);
        copies = Map.copyOf(copies);
        ducks = Map.copyOf(ducks);
    }

    /** Whether it is of a field and a stretch. */
    public boolean isOf(Design other, Span stretch) {
        return design.equals(other) && span.equals(stretch);
    }

    /** What all returns together leave of the source in each bar; -1 where it rests. */
    public List<OptionalDouble> presencePerBar() {
        return song.presencePerBar();
    }

    /** The same with remedies. */
    public Clearance withProposals(Map<String, List<Proposal>> found) {
        return new Clearance(
                design, source, span, pairs, opens, before, found, song, costs, copies, ducks,
                estimated);
    }

    /** The same with what was measured over the whole song. */
    public Clearance withSong(SongCourse course, List<ReturnCost> found) {
        return new Clearance(
                design, source, span, pairs, opens, before, proposals, course, found, copies, ducks,
                estimated);
    }

    /** One return's pair, if it was measured. */
    public Optional<PairView> pair(String returnId) {
        return Optional.ofNullable(pairs.get(returnId));
    }

    /** How much a return is noticed, by its loudness or by its width, if it was measured. */
    public Optional<WetState> state(String returnId) {
        WetState width = opens(returnId).state();
        return pair(returnId).map(p -> p.cover().state().or(width));
    }

    /** What a return makes wider of the mix. */
    public Widening opens(String returnId) {
        return opens.getOrDefault(returnId, Widening.NONE);
    }

    /** What a return takes of the mix, if it was measured. */
    public Optional<ReturnCost> cost(String returnId) {
        return costs.stream().filter(c -> c.returnId().equals(returnId)).findFirst();
    }
}
