package orbispace.core.prove.rule;

import java.util.ArrayList;
import java.util.List;
import orbispace.core.design.Purpose;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Send;
import orbispace.core.design.Source;
import orbispace.core.prove.Finding;
import orbispace.core.prove.Remedy;
import orbispace.core.prove.Severity;
import orbispace.core.words.Wording;

/** A send taken before the fader of a source that is turned down. */
final class PreFaderLeft implements FieldRule {
    private static final double DOWN_DB = -12;

    @Override
    public boolean holdsFor(Purpose purpose) {
        return true;
    }

    @Override
    public List<Finding> find(FieldFacts facts) {
        List<Finding> found = new ArrayList<>();
        for (Return r : facts.design().returns()) {
            for (Source s : facts.design().sources()) {
                Send send = r.sends().get(s.id());
                if (send != null && send.preFader() && s.gainDb() <= DOWN_DB) {
                    found.add(finding(r, s, send));
                }
            }
        }
        return found;
    }

    private static Finding finding(Return r, Source s, Send send) {
        return new Finding(
                "pre-fader-left",
                Severity.WEIGH,
                r.id(),
                "wet without dry",
                Wording.text(
                        "%s is turned down to %.1f dB, but %s still takes it before its fader at"
                                + " %.1f dB.",
                        s.name(), s.gainDb(), r.name(), send.levelDb()),
                "What was turned down is still heard in its space, as if from another room.",
                List.of(
                        new Remedy(
                                "send it behind its fader",
                                new ReturnEdit.Sending(r.id(), s.id(), send.withPreFader(false)))));
    }
}
