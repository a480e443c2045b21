package orbispace.core.prove.rule;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import orbispace.core.audio.Decibels;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Width;
import orbispace.core.measure.StereoReport;
import orbispace.core.prove.Brings;
import orbispace.core.prove.Finding;
import orbispace.core.prove.Remedy;
import orbispace.core.prove.Severity;
import orbispace.core.words.Wording;

/** A return that folding to mono costs more than unrelated channels would. */
final class MonoLoss implements FieldRule {
    private static final double MOST_DB = 4.5;
    private static final double NOTCH_DB = 9;
    private static final double VOICE_FROM_HZ = 200;
    private static final double VOICE_TO_HZ = 4500;
    private static final double NARROWER = 0.7;

    @Override
    public List<Finding> find(FieldFacts facts) {
        List<Finding> found = new ArrayList<>();
        for (Return r : facts.design().returns()) {
            if (facts.of(r).isEmpty() || !facts.of(r).get().sounds()) {
                continue;
            }
            StereoReport stereo = facts.of(r).get().stereo();
            OptionalDouble loss = stereo.monoFoldLossDb();
            // Channels that cancel altogether have no loss in dB: nothing is left.
            double whole =
                    loss.orElse(stereo.correlation().orElse(1) < -0.99 ? Double.MAX_VALUE : 0);
            List<StereoReport.Band> notches =
                    stereo.bands().stream()
                            .filter(b ->
                                    b.centreHz() >= VOICE_FROM_HZ && b.centreHz() <= VOICE_TO_HZ)
                            .filter(b -> b.monoFoldLossDb().orElse(0) > NOTCH_DB)
                            .toList();
            if (whole > MOST_DB) {
                Finding lost = finding(r, "mono-loss", evidence(r, whole));
                found.add(whole < Double.MAX_VALUE ? lost.bringing(less(r, whole)) : lost);
            } else if (!notches.isEmpty()) {
                found.add(
                        finding(
                                r,
                                "mono-notch",
                                Wording.text(
                                        "Folded to mono, %s loses %.0f dB around %.0f Hz.",
                                        r.name(),
                                        notches.getFirst().monoFoldLossDb().orElse(0),
                                        notches.getFirst().centreHz())));
            }
        }
        return found;
    }

    /** What is lost is the side: the narrower it is, the less. */
    private static Brings less(Return r, double lossDb) {
        double side = Decibels.toPower(lossDb) - 1;
        double factor = factor(r) / r.chain().width().factor();
        double then = Decibels.ofPower(1 + side * factor * factor);
        return new Brings(lossDb - then, "dB less lost in mono", 0.5);
    }

    private static double factor(Return r) {
        return Math.rint(100 * NARROWER * r.chain().width().factor()) / 100;
    }

    private static String evidence(Return r, double loss) {
        return loss == Double.MAX_VALUE
                ? "Folded to mono, nothing of " + r.name() + " is left."
                : Wording.text("Folded to mono, %s loses %.1f dB.", r.name(), loss);
    }

    private static Finding finding(Return r, String rule, String evidence) {
        double factor = factor(r);
        Width narrower = r.chain().width().withFactor(factor);
        return new Finding(
                rule,
                Severity.WEIGH,
                r.id(),
                "lost in mono",
                evidence,
                "Unrelated channels lose 3 dB; what loses more fights itself, and is gone on one"
                        + " loudspeaker.",
                List.of(
                        new Remedy(
                                Wording.text("width %.0f %%", 100 * factor),
                                new ReturnEdit.Widening(r.id(), narrower))));
    }
}
