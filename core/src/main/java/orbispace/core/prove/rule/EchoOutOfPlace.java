package orbispace.core.prove.rule;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Space;
import orbispace.core.prove.Finding;
import orbispace.core.prove.Remedy;
import orbispace.core.prove.Severity;
import orbispace.core.words.Wording;

/** An echo that does not feed the space that its source lives in. */
final class EchoOutOfPlace implements FieldRule {
    @Override
    public List<Finding> find(FieldFacts facts) {
        List<Finding> found = new ArrayList<>();
        for (Return r : facts.design().returns()) {
            if (r.space() instanceof Space.Echo && facts.takesLead(r)) {
                Optional<Return> home = home(facts);
                home.filter(h -> !h.feeds().containsKey(r.id()))
                        .filter(h -> !r.feeds().containsKey(h.id()))
                        .ifPresent(h -> found.add(finding(facts, r, h)));
            }
        }
        return found;
    }

    /** The space that the lead is sent to most. */
    private static Optional<Return> home(FieldFacts facts) {
        return facts.design().returns().stream()
                .filter(r -> FieldFacts.decay(r).isPresent() && !FieldFacts.isGated(r))
                .filter(facts::takesLead)
                .max(Comparator.comparingDouble(r -> r.levelDb() + send(facts, r)));
    }

    private static double send(FieldFacts facts, Return r) {
        return facts.lead().map(s -> r.sendDb(s.id()).orElse(-90)).orElse(-90.0);
    }

    private static Finding finding(FieldFacts facts, Return echo, Return home) {
        double level = send(facts, home);
        return new Finding(
                "echo-out-of-place",
                Severity.KNOW,
                echo.id(),
                "stands alone",
                Wording.text(
                        "%s repeats %s, which lives in %s, but does not enter it.",
                        echo.name(), facts.lead().map(s -> s.name()).orElse(""), home.name()),
                "Repeats outside the space of their source stand before it like a second singer.",
                List.of(
                        new Remedy(
                                Wording.text(
                                        "feed %s into %s at %.1f dB", echo.id(), home.id(), level),
                                new ReturnEdit.Feed(home.id(), echo.id(), level))));
    }
}
