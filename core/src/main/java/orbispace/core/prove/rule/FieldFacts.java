package orbispace.core.prove.rule;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import orbispace.core.design.Design;
import orbispace.core.design.Leads;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Purpose;
import orbispace.core.design.Purposes;
import orbispace.core.design.Return;
import orbispace.core.design.Source;
import orbispace.core.hearing.Borders;
import orbispace.core.intake.HitClock;
import orbispace.core.material.Hits;
import orbispace.core.material.Phrases;
import orbispace.core.material.StemFacts;
import orbispace.core.plan.ThrowConflict;
import orbispace.core.prove.stem.SharedSound;

/**
 * What findings about a whole design are drawn from.
 *
 * @param design the design
 * @param stems what is known of its stems, by source id; may lack some
 * @param returns what was measured of its returns, by letter; may lack some
 * @param pairs stems that share sound
 * @param conflicts what is to be said of throws
 */
public record FieldFacts(
        Design design,
        Map<String, StemFacts> stems,
        Map<String, ReturnFacts> returns,
        List<SharedSound> pairs,
        List<ThrowConflict> conflicts) {
    /** Keeps its own collections. */
    public FieldFacts {
        stems = Map.copyOf(stems);
        returns = Map.copyOf(returns);
        pairs = List.copyOf(pairs);
        conflicts = List.copyOf(conflicts);
    }

    /** By which borders the states of wets are told. */
    Borders borders() {
        return design.aims().hearing().borders();
    }

    Optional<ReturnFacts> of(Return r) {
        return Optional.ofNullable(returns.get(r.id()));
    }

    /** The phrases of who leads the song, where it leads. */
    Optional<Phrases> phrases() {
        return lead().flatMap(this::phrases);
    }

    private Optional<Phrases> phrases(Source s) {
        return Optional.ofNullable(stems.get(s.id()))
                .flatMap(StemFacts::phrases)
                .filter(p -> p.spans().size() > 1);
    }

    /** The phrases in whose gaps the repeats of an echo have to end: those of its sender. */
    Optional<Phrases> phrases(Return r) {
        return Purposes.loudestSender(design, r)
                .flatMap(this::phrases)
                .or(() -> takesLead(r) ? phrases() : Optional.empty());
    }

    Optional<Source> lead() {
        return Leads.main(design);
    }

    /** What a return is for. */
    Purpose purpose(Return r) {
        return Purposes.of(design, r);
    }

    /** Whether who leads the song is sent to a return. */
    boolean takesLead(Return r) {
        return lead().isPresent() && r.sends().containsKey(lead().get().id());
    }

    /** The median time between the hits of what strikes and is sent to a return. */
    Optional<Double> hitSeconds(Return r) {
        List<Source> sent =
                design.sources().stream().filter(s -> r.sends().containsKey(s.id())).toList();
        return HitClock.of(sent, this::hits)
                .flatMap(this::hits)
                .filter(h -> h.hits().size() > 2)
                .map(h -> h.intervalSeconds(0.5));
    }

    private Optional<Hits> hits(Source s) {
        return Optional.ofNullable(stems.get(s.id())).flatMap(StemFacts::hits);
    }

    double seconds(Return r, MusicalTime time) {
        return time.seconds(design.song().clock(), r.timedAtBar());
    }

    /** The decay of a return whose space is a tail; empty for any other. */
    static Optional<Double> decay(Return r) {
        return r.space().traits().decaySeconds().stream().boxed().findFirst();
    }

    /** Whether a gate ends a return's tail, so that its decay does not. */
    static boolean isGated(Return r) {
        return r.gate() != null;
    }
}
