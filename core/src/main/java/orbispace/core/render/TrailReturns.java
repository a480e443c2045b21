package orbispace.core.render;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import orbispace.core.design.Design;
import orbispace.core.design.Filter;
import orbispace.core.design.PlanCell;
import orbispace.core.design.Return;
import orbispace.core.design.Section;
import orbispace.core.design.SectionPlan;
import orbispace.core.design.Send;
import orbispace.core.design.Throw;
import orbispace.core.design.Trail;
import orbispace.core.time.SongClock;

/**
 * Thrown words that repeat in a way of their own: each gets a copy of its return that takes in
 * nothing else, with its own time, feedback, sides and filter. What the copy makes counts as the
 * return's.
 */
public final class TrailReturns {
    private final Design whole;
    private final List<Copy> copies = new ArrayList<>();

    /** A return made for one throw. */
    private record Copy(Throw thrown, Return parent, Return ret) {}

    /** The trails of a design. */
    public TrailReturns(Design design) {
        List<Throw> lost = design.lostThrows();
        List<Throw> thrown = new ArrayList<>(design.thrown());
        for (Throw t : design.thrown()) {
            if (!t.trail().isPlain() && !lost.contains(t)) {
                Copy copy = copy(design, t);
                copies.add(copy);
                thrown.set(thrown.indexOf(t), t.to(copy.ret().id()));
            }
        }
        whole = copies.isEmpty() ? design : whole(design, thrown);
    }

    private static Copy copy(Design design, Throw t) {
        Return parent = design.requireReturn(t.returnId());
        Trail trail = t.trail();
        Filter filter = trail.filter();
        String id = parent.id() + "_" + t.id();
        while (design.findReturn(id).isPresent()) {
            id += "_";
        }
        Return copy =
                parent.called(id, parent.name())
                        .withSends(Map.of())
                        .withFeeds(Map.of())
                        .withSpace(trail.over(parent.chain().space()))
                        .withFilterIn(filter == null ? parent.filterIn() : filter);
        return new Copy(
                t,
                parent,
                trail.time() == null ? copy : copy.timedAt(bar(design.song().clock(), t)));
    }

    private static int bar(SongClock clock, Throw t) {
        return Math.max(1, clock.barAtSeconds(clock.secondsAt(t.fromBeat()) + 1e-6));
    }

    private Design whole(Design design, List<Throw> thrown) {
        List<Return> returns = new ArrayList<>();
        for (Return r : design.returns()) {
            Map<String, Double> feeds = new TreeMap<>(r.feeds());
            copies.forEach(c -> feed(r, c).ifPresent(db -> feeds.put(c.ret().id(), db)));
            returns.add(r.withFeeds(feeds));
        }
        copies.forEach(c -> returns.add(c.ret()));
        List<Section> sections =
                design.song().sections().stream().map(s -> s.withPlan(plan(s.plan()))).toList();
        return design.withReturns(returns)
                .withSong(design.song().withSections(sections))
                .withThrown(thrown);
    }

    /** Copies are planned as their returns are, but keep a time of their own. */
    private SectionPlan plan(SectionPlan given) {
        SectionPlan plan = given;
        for (Copy c : copies) {
            PlanCell cell = given.cell(c.parent().id());
            boolean ownTime = c.thrown().trail().time() != null;
            plan =
                    plan.withCell(
                            c.ret().id(), ownTime ? cell.withTempo(PlanCell.Tempo.STAYS) : cell);
        }
        return plan;
    }

    /** How much of a copy enters another return: as its source does, or as its return does. */
    private static Optional<Double> feed(Return other, Copy c) {
        Send send = other.sends().get(c.thrown().sourceId());
        Double over = c.thrown().trail().feedDb();
        if (over != null && send != null && isPlace(other) && !other.id().equals(c.parent().id())) {
            return Optional.of(Math.clamp(send.levelDb() + over, -90, 24));
        }
        return Optional.ofNullable(other.feeds().get(c.parent().id()));
    }

    /** Whether a return is a place to be in, and not itself a repeat or a colour. */
    private static boolean isPlace(Return r) {
        return r.space().traits().nature().isPlace();
    }

    /** The design with the copies, in which every throw goes to its own. */
    public Design whole() {
        return whole;
    }

    /** The throw that a copy was made for; empty for any other return. */
    public Optional<Throw> thrownTo(String returnId) {
        return copies.stream()
                .filter(c -> c.ret().id().equals(returnId))
                .map(Copy::thrown)
                .findFirst();
    }

    /** The copy that was made for a throw; empty if its return does. */
    Optional<Return> madeFor(Throw t) {
        return copies.stream()
                .filter(c -> c.thrown().id().equals(t.id()))
                .map(Copy::ret)
                .findFirst();
    }

    /** The copies of a return. */
    List<Return> of(String returnId) {
        return copies.stream()
                .filter(c -> c.parent().id().equals(returnId))
                .map(c -> whole.requireReturn(c.ret().id()))
                .toList();
    }

    /** The return that a copy stands for; any other stands for itself. */
    String parentOf(String returnId) {
        return copies.stream()
                .filter(c -> c.ret().id().equals(returnId))
                .map(c -> c.parent().id())
                .findFirst()
                .orElse(returnId);
    }

    /** What is fed into a return, its copies' feeds included. */
    Map<String, Double> feeds(Return r) {
        return whole.findReturn(r.id()).map(Return::feeds).orElse(r.feeds());
    }
}
