package orbispace.core.prove.rule;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import orbispace.core.design.Return;
import orbispace.core.design.SongEdit;
import orbispace.core.hearing.WetState;
import orbispace.core.plan.PlanTemplate;
import orbispace.core.prove.Finding;
import orbispace.core.prove.Remedy;
import orbispace.core.prove.Severity;
import orbispace.core.words.Wording;

/** A song of several sections whose field is the same throughout. */
final class NothingChanges implements FieldRule {
    private static final int SECTIONS = 3;

    @Override
    public List<Finding> find(FieldFacts facts) {
        var sections = facts.design().song().sections();
        boolean plain = sections.stream().allMatch(s -> s.plan().isPlain());
        if (sections.size() < SECTIONS || facts.design().returns().isEmpty() || !plain) {
            return List.of();
        }
        return List.of(
                new Finding(
                        "nothing-changes",
                        Severity.KNOW,
                        "",
                        "one field throughout",
                        Wording.text(
                                "None of %d sections changes level, decay or mute of any return.",
                                sections.size()),
                        "A field that never moves is half a design; a chorus may open up, or close"
                                + " in.",
                        List.of(
                                new Remedy(
                                        "open up for the choruses",
                                        new SongEdit(
                                                PlanTemplate.OPEN_UP.applyTo(
                                                        facts.design(), hidden(facts)),
                                                "plan")),
                                new Remedy(
                                        "close in for the choruses",
                                        new SongEdit(
                                                PlanTemplate.CLOSE_IN.applyTo(
                                                        facts.design(), hidden(facts)),
                                                "plan")))));
    }

    private static Set<String> hidden(FieldFacts facts) {
        return facts.design().returns().stream()
                .filter(r ->
                        facts.of(r)
                                .flatMap(known -> known.state(facts.borders()))
                                .equals(Optional.of(WetState.HIDDEN)))
                .map(Return::id)
                .collect(Collectors.toSet());
    }
}
