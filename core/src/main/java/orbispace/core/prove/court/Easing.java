package orbispace.core.prove.court;

import java.util.Comparator;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import orbispace.core.clear.DuckRule;
import orbispace.core.clear.Question;
import orbispace.core.clear.Standing;
import orbispace.core.design.Design;
import orbispace.core.design.Duck;
import orbispace.core.design.Leads;
import orbispace.core.design.Purposes;
import orbispace.core.design.Return;
import orbispace.core.design.Role;
import orbispace.core.design.Send;
import orbispace.core.design.Source;
import orbispace.core.design.Targets;
import orbispace.core.material.Phrases;

/**
 * Lets what covers the leads give way, step by step, until every lead keeps as much as is asked: of
 * the return that covers most, the ducker first where it sounds on between the words; then its
 * share as far as its state goes; then what is sent of the lead itself, where others fill it as
 * well; then a ducker of a short space; and in the end its share under its state.
 */
final class Easing {
    private static final double MOST_DUCK_DB = 12;

    /** A short space that gives way by more is gone between the words as well. */
    private static final double MOST_NEAR_DUCK_DB = 9;

    private static final double DUCK_STEP_DB = 3;

    /** A share is lowered by this much at a time, and not under the border of its state. */
    private static final double EASE = 0.8;

    private static final double OVER_BORDER = 1.35;
    private static final double LEAST_SHARE = 1e-4;

    /** A lead is sent so much less at a time, and at most so far under what else is sent. */
    private static final double LESS_DB = 3;

    private static final double MOST_LESS_DB = 15;
    private static final int MOST_STEPS = 48;
    private static final Targets ASKED = Targets.of(Role.LEAD);

    private final FieldInHand field;

    Easing(FieldInHand field) {
        this.field = field;
    }

    /**
     * How all leads stand beside all returns.
     *
     * @param presence the least that any keeps
     * @param worst the same in the worst phrase
     * @param clear whether all keep as much as is asked
     * @param worstOf who misses most, or comes nearest to it
     */
    record Standings(double presence, double worst, boolean clear, Optional<Leads.Led> worstOf) {}

    /** How all leads stand now. */
    Standings standings() {
        Standings all = new Standings(1, 1, true, Optional.empty());
        if (field.design().returns().isEmpty()) {
            return all;
        }
        double most = Double.NEGATIVE_INFINITY;
        String any = field.design().returns().getFirst().id();
        for (Leads.Led lead : Leads.all(field.design())) {
            Standing s = field.standing(lead, any, true);
            double misses = s.uncovered(ASKED);
            all =
                    new Standings(
                            Math.min(all.presence, s.cover().presenceKept().orElse(1)),
                            Math.min(all.worst, s.cover().worstPhrase().orElse(1)),
                            all.clear && s.uncovers(ASKED),
                            misses > most ? Optional.of(lead) : all.worstOf);
            most = Math.max(most, misses);
        }
        return all;
    }

    /** Goes on until all leads are clear, or nothing is left that could give way. */
    void clear() {
        for (int i = 0; i < MOST_STEPS; i++) {
            field.job().check();
            Standings now = standings();
            if (now.clear || now.worstOf.isEmpty()) {
                return;
            }
            Leads.Led lead = now.worstOf.get();
            Optional<Return> most = mostCovering(lead);
            if (most.isEmpty() || !ease(most.get(), lead.source())) {
                return;
            }
            field.level(most.get().id());
        }
    }

    /** Lets returns of a draft give way to the words as it says. */
    void duck(Map<String, Double> byDb) {
        byDb.forEach((id, db) -> Leads.main(field.design()).ifPresent(lead -> duck(id, lead, db)));
    }

    /** Lets a return give way a step further; false if it has given way altogether. */
    private boolean ease(Return r, Source lead) {
        double border = OVER_BORDER * field.borders().from(asked(r).state());
        double share = field.share(r.id());
        if (answersLate(r) && duckMore(r, lead, MOST_DUCK_DB)) {
            return true;
        }
        double lower = EASE * share;
        if (lower < border && share > border) {
            lower = border;
        }
        if (lower < border && (sendLess(r, lead) || duckMore(r, lead, MOST_NEAR_DUCK_DB))) {
            return true;
        }
        if (lower < border) {
            field.reasons()
                    .put(r.id(), "more of it would cover " + lead.name() + " more than is asked");
        }
        field.aim(r.id(), lower);
        return true;
    }

    private boolean duckMore(Return r, Source lead, double most) {
        double range = r.duck() == null ? 0 : r.duck().rangeDb();
        return range < most && duck(r.id(), lead, Math.min(most, range + DUCK_STEP_DB));
    }

    /** Lets a return give way to a lead, or to all of them where they take turns. */
    private boolean duck(String id, Source lead, double db) {
        Design design = field.design();
        Optional<Phrases> phrases = field.phrases(lead);
        if (phrases.isEmpty()) {
            return false;
        }
        Question q = new Question(design, lead, id, phrases.get(), field.whole(), false);
        Duck duck = DuckRule.draft(q, db);
        boolean turns = Leads.all(design).size() > 1;
        Duck keyed = turns ? duck.keyedBy(Leads.KEY, duck.thresholdDb()) : duck;
        field.set(design.withReturn(design.requireReturn(id).withDuck(keyed)));
        return true;
    }

    /** Sends a lead less into a space that others fill as well; false if that is at its end. */
    private boolean sendLess(Return r, Source lead) {
        double most =
                r.sends().entrySet().stream()
                        .filter(e -> !isOf(lead, e.getKey()))
                        .mapToDouble(e -> e.getValue().levelDb())
                        .max()
                        .orElse(Double.NaN);
        double now = r.sendDb(lead.id()).orElse(Double.NaN);
        if (!(now > most - MOST_LESS_DB)) {
            return false;
        }
        Map<String, Send> sends = new TreeMap<>(r.sends());
        sends.replaceAll(
                (id, send) -> isOf(lead, id) ? send.withLevel(send.levelDb() - LESS_DB) : send);
        field.set(field.design().withReturn(r.withSends(sends)));
        return true;
    }

    private boolean isOf(Source lead, String id) {
        return field.design().layersOf(lead).stream().anyMatch(s -> s.id().equals(id));
    }

    /** Whether a return sounds on in gaps, so that giving way in phrases is not the end of it. */
    private boolean answersLate(Return r) {
        return switch (Purposes.of(field.design(), r)) {
            case FAR, ECHO -> true;
            case NEAR, DRUMS, WIDTH, THICKENING, EFFECT -> false;
        };
    }

    private Optional<Return> mostCovering(Leads.Led lead) {
        return field.design().returns().stream()
                .filter(r -> !asked(r).equals(Targets.FREE))
                .filter(r -> field.share(r.id()) > LEAST_SHARE)
                .min(
                        Comparator.comparingDouble(r ->
                                field.standing(lead, r.id(), false)
                                        .cover()
                                        .presenceKept()
                                        .orElse(1)));
    }

    private Targets asked(Return r) {
        Design design = field.design();
        Source s = Leads.main(design).orElse(design.sources().getFirst());
        return Targets.asked(design, s, r);
    }
}
