package orbispace.core.prove.rule;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import orbispace.core.design.FieldEdit;
import orbispace.core.design.Purposes;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Targets;
import orbispace.core.hearing.WetState;
import orbispace.core.prove.Brings;
import orbispace.core.prove.Finding;
import orbispace.core.prove.Remedy;
import orbispace.core.prove.Severity;
import orbispace.core.words.Wording;

/** A return that nobody hears, or one that stands out where it should only be felt. */
final class WrongState implements FieldRule {
    private static final double DOWN_DB = 4;

    @Override
    public List<Finding> find(FieldFacts facts) {
        List<Finding> found = new ArrayList<>();
        for (Return r : facts.design().returns()) {
            Optional<ReturnFacts> known = facts.of(r);
            if (known.isEmpty() || known.get().wetShare().isEmpty()) {
                continue;
            }
            double share = known.get().wetShare().getAsDouble();
            // A short copy combs at levels that the hearing model calls hidden.
            if (WetState.of(share) == WetState.HIDDEN
                    && !facts.purpose(r).mayBeHidden()
                    && known.get().copies().isEmpty()) {
                double aim = asked(facts, r).aimShare();
                found.add(
                        known.get().opens().state() == WetState.HIDDEN
                                ? hidden(r, share, aim, known.get().askedLevelDb())
                                : wide(r, share, aim, known.get()));
            }
            WetState asked = asked(facts, r);
            if (asked == WetState.FELT && WetState.of(share) == WetState.OBVIOUS) {
                found.add(obvious(r, share, known.get().askedLevelDb()));
            }
        }
        return found;
    }

    private static WetState asked(FieldFacts facts, Return r) {
        return Purposes.judge(facts.design(), r, facts.lead())
                .map(s -> Targets.asked(facts.design(), s, r).state())
                .orElse(WetState.FELT);
    }

    /** Half a point of the loudness is just worth a press. */
    private static Brings share(double more) {
        String which = more > 0 ? "more" : "less";
        return new Brings(100 * Math.abs(more), "% " + which + " of the loudness", 0.5);
    }

    private static Finding hidden(Return r, double share, double aim, OptionalDouble asked) {
        List<Remedy> remedies = new ArrayList<>();
        asked.ifPresent(db -> remedies.add(level(r, db)));
        remedies.add(new Remedy("take it out", new FieldEdit.Remove(r.id())));
        String evidence =
                Wording.text(
                        "%s has %.2f %% of the loudness; under 0.7 %% it is not missed when muted.",
                        r.name(), 100 * share);
        Finding found =
                new Finding(
                        "hidden",
                        Severity.WEIGH,
                        r.id(),
                        "not heard",
                        asked.isPresent()
                                ? evidence
                                : evidence
                                        + " No level of the return alone makes it heard as asked.",
                        "What is not heard still takes headroom and attention: bring it up or take"
                                + " it out.",
                        remedies);
        return asked.isPresent() ? found.bringing(share(aim - share)) : found;
    }

    /** What opens the mix is noticed, but a space or an echo was asked for. */
    private static Finding wide(Return r, double share, double aim, ReturnFacts facts) {
        OptionalDouble asked = facts.askedLevelDb();
        Finding found =
                new Finding(
                        "width-alone",
                        Severity.WEIGH,
                        r.id(),
                        "noticed by its width alone",
                        Wording.text(
                                "%s has %.2f %% of the loudness and makes the mix %s.",
                                r.name(), 100 * share, facts.opens().words()),
                        "Muted, it would be missed as width, not as a space or an echo.",
                        asked.isPresent() ? List.of(level(r, asked.getAsDouble())) : List.of());
        return asked.isPresent() ? found.bringing(share(aim - share)) : found;
    }

    /** The level that the ear line finds, so that one press is enough. */
    private static Remedy level(Return r, double db) {
        return new Remedy(Wording.text("level %.1f dB", db), new ReturnEdit.Level(r.id(), db));
    }

    private static Finding obvious(Return r, double share, OptionalDouble asked) {
        double softer = asked.orElse(Math.max(-90, r.levelDb() - DOWN_DB));
        Finding found =
                new Finding(
                        "too-obvious",
                        Severity.WEIGH,
                        r.id(),
                        "too obvious",
                        Wording.text(
                                "%s has %.0f %% of the loudness where felt, up to 3 %%, is asked.",
                                r.name(), 100 * share),
                        "A space that is noticed takes the listener out of the song, unless that is"
                                + " meant.",
                        List.of(level(r, softer)));
        return asked.isPresent() ? found.bringing(share(WetState.FELT.aimShare() - share)) : found;
    }
}
