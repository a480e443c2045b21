package orbispace.core.prove.rule;

import java.util.ArrayList;
import java.util.List;
import orbispace.core.clear.DuckCourse;
import orbispace.core.design.Duck;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.prove.Finding;
import orbispace.core.prove.Remedy;
import orbispace.core.prove.Severity;
import orbispace.core.words.Wording;

/** A ducker that chatters inside phrases, or never lets its tail bloom. */
final class DuckerAtFault implements FieldRule {
    private static final double LONGER = 2;
    private static final double LEAST_HOLD_MILLIS = 80;
    private static final double SHORTER = 0.4;

    @Override
    public List<Finding> find(FieldFacts facts) {
        List<Finding> found = new ArrayList<>();
        for (Return r : facts.design().returns()) {
            Duck duck = r.duck();
            String fault =
                    facts.of(r).flatMap(ReturnFacts::ducking).map(DuckCourse::fault).orElse("");
            if (duck != null && !fault.isEmpty()) {
                found.add(finding(facts, r, duck, fault));
            }
        }
        return found;
    }

    private static Finding finding(FieldFacts facts, Return r, Duck duck, String fault) {
        boolean chatters = fault.equals("chatters");
        return new Finding(
                "ducker-" + (chatters ? "chatters" : "never-opens"),
                Severity.WEIGH,
                r.id(),
                "ducker " + fault,
                "The ducker of " + r.name() + " " + fault + evidence(facts, r, chatters),
                chatters
                        ? "A level that swings inside a phrase is heard as pumping."
                        : "A tail that stays down in every gap never blooms: lower"
                                + " the return instead.",
                List.of(chatters ? slower(r, duck) : faster(r, duck)));
    }

    private static Remedy slower(Return r, Duck duck) {
        return remedy(
                r,
                duck,
                Math.min(2000, Math.max(LEAST_HOLD_MILLIS, LONGER * duck.holdMillis())),
                Math.min(5000, Math.max(300, LONGER * duck.releaseMillis())));
    }

    private static Remedy faster(Return r, Duck duck) {
        return remedy(
                r, duck, SHORTER * duck.holdMillis(), Math.max(60, SHORTER * duck.releaseMillis()));
    }

    private static Remedy remedy(Return r, Duck duck, double hold, double release) {
        return new Remedy(
                Wording.text("hold %.0f ms, release %.0f ms", hold, release),
                new ReturnEdit.Ducking(
                        r.id(), duck.withTimes(Math.rint(hold), Math.rint(release))));
    }

    private static String evidence(FieldFacts facts, Return r, boolean chatters) {
        double swings =
                facts.of(r)
                        .flatMap(ReturnFacts::ducking)
                        .map(DuckCourse::swingsPerSecond)
                        .orElse(0.0);
        return chatters
                ? Wording.text(": %.1f swings of 3 dB a second in phrases.", swings)
                : " in the gaps of the lead.";
    }
}
