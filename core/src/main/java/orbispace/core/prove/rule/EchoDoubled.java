package orbispace.core.prove.rule;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Source;
import orbispace.core.design.Space;
import orbispace.core.material.PrintedEcho;
import orbispace.core.material.StemFacts;
import orbispace.core.prove.Finding;
import orbispace.core.prove.Remedy;
import orbispace.core.prove.Severity;
import orbispace.core.words.Wording;

/** A stem with an echo printed into it that is sent to an echo of nearly the same time. */
final class EchoDoubled implements FieldRule {
    /** Within so much of each other two repeats are one that stumbles. */
    private static final double NEAR_SECONDS = 0.06;

    /** And closer than this they are one. */
    private static final double SAME_SECONDS = 0.005;

    @Override
    public List<Finding> find(FieldFacts facts) {
        List<Finding> found = new ArrayList<>();
        for (Source s : facts.design().sources()) {
            Optional<PrintedEcho> echo =
                    Optional.ofNullable(facts.stems().get(s.id())).flatMap(StemFacts::echo);
            for (Return r : facts.design().returns()) {
                if (echo.isPresent()
                        && r.sends().containsKey(s.id())
                        && r.space() instanceof Space.Echo of) {
                    double own = facts.seconds(r, of.time());
                    double apart = Math.abs(own - echo.get().seconds());
                    if (apart > SAME_SECONDS && apart < NEAR_SECONDS) {
                        found.add(finding(s, r, echo.get(), own));
                    }
                }
            }
        }
        return found;
    }

    private static Finding finding(Source s, Return r, PrintedEcho echo, double own) {
        double millis = 1000 * echo.seconds();
        return new Finding(
                "echo-doubled",
                Severity.WEIGH,
                r.id(),
                "echo doubled",
                Wording.text(
                        "%s holds an echo of %.0f ms, %.0f dB under it, and %s repeats it after"
                                + " %.0f ms.",
                        s.name(), millis, echo.underDb(), r.name(), 1000 * own),
                "Two repeats this near are heard as one that stumbles.",
                List.of(
                        new Remedy(
                                Wording.text("take over %.0f ms", millis),
                                new ReturnEdit.EchoTime(
                                        r.id(), new MusicalTime.Millis(millis), r.timedAtBar())),
                        new Remedy(
                                "do not send it", new ReturnEdit.SendLevel(r.id(), s.id(), null))));
    }
}
