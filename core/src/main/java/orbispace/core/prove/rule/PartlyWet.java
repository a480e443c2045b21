package orbispace.core.prove.rule;

import java.util.ArrayList;
import java.util.List;
import orbispace.core.design.Purpose;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Space;
import orbispace.core.prove.Finding;
import orbispace.core.prove.Remedy;
import orbispace.core.prove.Severity;
import orbispace.core.words.Wording;

/** A response that holds the dry sound itself, so that sending raises the source. */
final class PartlyWet implements FieldRule {
    private static final double MOST_SHARE = 0.2;
    private static final double TRIM_MILLIS = 2;

    @Override
    public boolean holdsFor(Purpose purpose) {
        return true;
    }

    @Override
    public List<Finding> find(FieldFacts facts) {
        List<Finding> found = new ArrayList<>();
        for (Return r : facts.design().returns()) {
            double direct = facts.of(r).map(ReturnFacts::directShare).orElse(0.0);
            if (r.space() instanceof Space.Convolution c && direct > MOST_SHARE) {
                Space trimmed =
                        new Space.Convolution(
                                c.file(),
                                c.startMillis() + TRIM_MILLIS,
                                c.keepMillis(),
                                c.lowScale(),
                                c.midScale(),
                                c.highScale());
                found.add(
                        new Finding(
                                "partly-wet",
                                Severity.ACT,
                                r.id(),
                                "partly wet",
                                Wording.text(
                                        "%.0f %% of what %s makes comes within 2 ms of the dry"
                                                + " sound.",
                                        100 * direct, r.name()),
                                "A return that holds the dry sound raises the source with every"
                                        + " send, and combs with it.",
                                List.of(
                                        new Remedy(
                                                "start the response 2 ms later",
                                                new ReturnEdit.Spatial(
                                                        r.id(), trimmed, "start")))));
            }
        }
        return found;
    }
}
