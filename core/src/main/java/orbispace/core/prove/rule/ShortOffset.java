package orbispace.core.prove.rule;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import orbispace.core.audio.Decibels;
import orbispace.core.clear.ShortCopy;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Source;
import orbispace.core.prove.Brings;
import orbispace.core.prove.Finding;
import orbispace.core.prove.Remedy;
import orbispace.core.prove.Severity;
import orbispace.core.words.Wording;

/** A return that is a short copy of its source and combs with it. */
final class ShortOffset implements FieldRule {
    private static final double AUDIBLE_RIPPLE_DB = 3;
    private static final double SOFTER_DB = 8;

    @Override
    public List<Finding> find(FieldFacts facts) {
        List<Finding> found = new ArrayList<>();
        for (Return r : facts.design().returns()) {
            Map<String, ShortCopy> copies = facts.of(r).map(ReturnFacts::copies).orElse(Map.of());
            for (Source s : facts.design().sources()) {
                ShortCopy copy = copies.get(s.id());
                if (copy != null && copy.rippleDb() >= AUDIBLE_RIPPLE_DB) {
                    found.add(finding(r, s, copy));
                }
            }
        }
        return found;
    }

    private static Finding finding(Return r, Source s, ShortCopy copy) {
        double softer = Math.max(-90, r.levelDb() - SOFTER_DB);
        double ratio = Decibels.toAmplitude(copy.rippleDb());
        double second = (ratio - 1) / (ratio + 1);
        Brings left = Brings.ripple(second * Decibels.toAmplitude(softer - r.levelDb()));
        return new Finding(
                        "short-offset",
                        Severity.WEIGH,
                        r.id(),
                        "combs",
                        Wording.text(
                                "%s is a copy of %s %.1f ms later: notches from %.0f Hz on, %.1f dB"
                                        + " deep.",
                                r.name(),
                                s.name(),
                                copy.millis(),
                                copy.firstNotchHz(),
                                copy.rippleDb()),
                        "A copy within 35 ms in the same place colours its source instead of"
                                + " placing it.",
                        List.of(
                                new Remedy(
                                        Wording.text("level %.1f dB", softer),
                                        new ReturnEdit.Level(r.id(), softer))))
                .bringing(Brings.lessRipple(copy.rippleDb() - left.amount()));
    }
}
