package orbispace.core.prove.rule;

import java.util.ArrayList;
import java.util.List;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Space;
import orbispace.core.prove.Finding;
import orbispace.core.prove.Remedy;
import orbispace.core.prove.Severity;
import orbispace.core.time.SongClock;
import orbispace.core.words.Wording;

/** An echo near a note value but not on it: neither locked nor apart. */
final class EchoOffGrid implements FieldRule {
    private static final double LEAST_PERCENT = 3;
    private static final double MOST_PERCENT = 12;
    private static final double LEAST_MILLIS = 80;

    @Override
    public List<Finding> find(FieldFacts facts) {
        List<Finding> found = new ArrayList<>();
        for (Return r : facts.design().returns()) {
            if (!(r.space() instanceof Space.Echo echo)) {
                continue;
            }
            double millis = 1000 * facts.seconds(r, echo.time());
            int bar = r.timedAtBar();
            SongClock.Nearest near = facts.design().song().clock().nearest(millis, bar);
            double off = Math.abs(near.offsetPercent());
            if (millis >= LEAST_MILLIS && off >= LEAST_PERCENT && off <= MOST_PERCENT) {
                MusicalTime note = new MusicalTime.Note(near.value(), 0);
                found.add(
                        new Finding(
                                "echo-off-grid",
                                Severity.WEIGH,
                                r.id(),
                                "off the grid",
                                Wording.text(
                                        "%s repeats every %.0f ms, %.1f %% off %s (%.0f ms).",
                                        r.name(), millis, off, near.value().label(), near.millis()),
                                "Between 3 and 12 % off, repeats sound like a mistake in time:"
                                        + " neither with the beat nor apart from it.",
                                List.of(
                                        new Remedy(
                                                "lock to " + near.value().label(),
                                                new ReturnEdit.EchoTime(r.id(), note, bar)))));
            }
        }
        return found;
    }
}
