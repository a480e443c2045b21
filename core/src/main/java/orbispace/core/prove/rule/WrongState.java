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
import orbispace.core.hearing.Borders;
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
            if (facts.borders().of(share) == WetState.HIDDEN
                    && !facts.purpose(r).mayBeHidden()
                    && known.get().copies().isEmpty()) {
                double aim = facts.borders().aim(asked(facts, r));
                found.add(
                        known.get().opens().state() == WetState.HIDDEN
                                ? hidden(facts, r, share, aim)
                                : wide(r, share, aim, known.get()));
            }
            WetState asked = asked(facts, r);
            if (asked == WetState.FELT && facts.borders().of(share) == WetState.OBVIOUS) {
                found.add(obvious(facts, r, share));
            }
        }
        return found;
    }

    private static WetState asked(FieldFacts facts, Return r) {
        return Purposes.judge(facts.design(), r, facts.lead())
                .map(s -> Targets.asked(facts.design(), s, r).state())
                .orElse(WetState.FELT);
    }

    private static OptionalDouble level(FieldFacts facts, Return r) {
        return facts.of(r).map(ReturnFacts::askedLevelDb).orElse(OptionalDouble.empty());
    }

    /** A border, with the decimals that it has: 0.7 %, 3 %. */
    private static String percent(double share) {
        double rounded = Math.rint(1000 * share) / 10;
        return Wording.number(rounded, rounded == Math.rint(rounded) ? 0 : 1) + " %";
    }

    private static String whose(FieldFacts facts) {
        Borders borders = facts.borders();
        return borders.own() ? "; " + borders.words() : "";
    }

    /** Half a point of the loudness is just worth a press. */
    private static Brings share(double more) {
        String which = more > 0 ? "more" : "less";
        return new Brings(100 * Math.abs(more), "% " + which + " of the loudness", 0.5);
    }

    private static Finding hidden(FieldFacts facts, Return r, double share, double aim) {
        OptionalDouble asked = level(facts, r);
        List<Remedy> remedies = new ArrayList<>();
        asked.ifPresent(db -> remedies.add(level(r, db)));
        remedies.add(new Remedy("take it out", new FieldEdit.Remove(r.id())));
        String evidence =
                Wording.text(
                        "%s has %.2f %% of the loudness; under %s it is not missed when muted%s.",
                        r.name(),
                        100 * share,
                        percent(facts.borders().from(WetState.FELT)),
                        whose(facts));
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

    private static Finding obvious(FieldFacts facts, Return r, double share) {
        OptionalDouble asked = level(facts, r);
        double softer = asked.orElse(Math.max(-90, r.levelDb() - DOWN_DB));
        Finding found =
                new Finding(
                        "too-obvious",
                        Severity.WEIGH,
                        r.id(),
                        "too obvious",
                        Wording.text(
                                "%s has %.0f %% of the loudness where felt, up to %s, is asked%s.",
                                r.name(),
                                100 * share,
                                percent(facts.borders().from(WetState.HEARD)),
                                whose(facts)),
                        "A space that is noticed takes the listener out of the song, unless that is"
                                + " meant.",
                        List.of(level(r, softer)));
        return asked.isPresent()
                ? found.bringing(share(facts.borders().aim(WetState.FELT) - share))
                : found;
    }
}
