package orbispace.core.prove.rule;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Send;
import orbispace.core.design.Source;
import orbispace.core.material.Ambience;
import orbispace.core.material.StemFacts;
import orbispace.core.prove.Finding;
import orbispace.core.prove.Remedy;
import orbispace.core.prove.Severity;
import orbispace.core.words.Wording;

/** A stem with a space printed into it that is sent on to another. */
final class AmbienceDoubled implements FieldRule {
    private static final double SOFTER_DB = 12;

    @Override
    public List<Finding> find(FieldFacts facts) {
        List<Finding> found = new ArrayList<>();
        for (Source s : facts.design().sources()) {
            Optional<Ambience> room =
                    Optional.ofNullable(facts.stems().get(s.id())).flatMap(StemFacts::ambience);
            if (room.isEmpty() && !s.wet()) {
                continue;
            }
            for (Return r : facts.design().returns()) {
                Send send = r.sends().get(s.id());
                if (send != null && FieldFacts.decay(r).isPresent()) {
                    found.add(finding(s, r, send, room));
                }
            }
        }
        return found;
    }

    private static Finding finding(Source s, Return r, Send send, Optional<Ambience> room) {
        String inside =
                room.map(a ->
                                Wording.text(
                                        "%s %s a room of %.2f s, %.0f dB under it",
                                        s.name(),
                                        a.sure() ? "holds" : "may hold",
                                        a.decaySeconds(),
                                        a.underDb()))
                        .orElse(s.name() + " is marked as wet");
        double softer = Math.max(-90, send.levelDb() - SOFTER_DB);
        return new Finding(
                "ambience-doubled",
                room.isPresent() && !room.get().sure() && !s.wet() ? Severity.KNOW : Severity.WEIGH,
                r.id(),
                "ambience doubled",
                inside + Wording.text(", and is sent to %s at %.1f dB.", r.name(), send.levelDb()),
                "A space in a space blurs both: the printed one cannot be taken out again.",
                List.of(
                        new Remedy(
                                "do not send it", new ReturnEdit.SendLevel(r.id(), s.id(), null)),
                        new Remedy(
                                Wording.text("send it at %.1f dB", softer),
                                new ReturnEdit.SendLevel(r.id(), s.id(), softer))));
    }
}
