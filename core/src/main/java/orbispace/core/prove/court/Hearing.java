package orbispace.core.prove.court;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import orbispace.core.audio.Audio;
import orbispace.core.design.Design;
import orbispace.core.design.Edit;
import orbispace.core.design.FieldEdit;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.draft.FieldDraft;
import orbispace.core.draft.StateLevels;
import orbispace.core.prove.Finding;
import orbispace.core.prove.Severity;
import orbispace.core.words.Wording;

/**
 * One draft before the court. Levels are set so that every return is noticed as much as its purpose
 * asks; what covers the leads gives way ({@link Easing}); then the remedies of what is still found
 * are taken, and what cannot be felt beside the lead is left out. What cannot be had is said.
 */
final class Hearing {
    /** Rules of what has too little loudness to be a space or an echo. */
    private static final Set<String> NOT_FELT = Set.of("hidden", "width-alone");

    private static final int MOST_ROUNDS = 5;

    private final FieldInHand field;
    private final Easing easing;
    private final Design song;
    private final FieldDraft draft;
    private final List<String> leftOut = new ArrayList<>();

    /**
     * A hearing.
     *
     * @param field the song with the draft laid on it
     * @param song without plan and throws
     */
    Hearing(FieldInHand field, Design song, FieldDraft draft) {
        this.field = field;
        this.song = song;
        this.draft = draft;
        easing = new Easing(field);
    }

    Passed held() {
        easing.duck(draft.ducked());
        field.level();
        easing.clear();
        List<Finding> left = amend();
        FieldDraft as = draft.withReturns(field.design().returns()).without(leftOut);
        if (!leftOut.isEmpty()) {
            Map<String, String> letters = as.inOrder();
            Map<String, String> reasons = FieldDraft.lettered(field.reasons(), letters);
            as = as.lettered(letters);
            field.set(as.laidOn(song));
            field.reasons().clear();
            field.reasons().putAll(reasons);
            left = field.findings();
        }
        return passed(as, left);
    }

    /** The field at the levels of its states, otherwise as it is. */
    Passed leveled() {
        easing.duck(draft.ducked());
        field.level();
        return passed(draft.withReturns(field.design().returns()), field.findings());
    }

    private Passed passed(FieldDraft as, List<Finding> left) {
        Easing.Standings s = easing.standings();
        if (!s.clear()) {
            as =
                    as.saying(
                            Wording.format(
                                    " Nothing that can give way brings the lead over %.0f %%, %.0f"
                                            + " %% in its worst phrase.",
                                    100 * s.presence(), 100 * s.worst()));
        }
        // The same sound: what was heard of it is known.
        Design written = StateLevels.underFull(field.design());
        return new Passed(
                as.withReturns(written.returns()),
                written,
                field.verdicts(written, as),
                leftOut.size(),
                left,
                s.presence(),
                s.worst(),
                s.clear(),
                lean());
    }

    /** How far the sum of all returns leans to a side, in dB. */
    private double lean() {
        double[] power = new double[2];
        for (Return r : field.design().returns()) {
            Audio wet = field.renderer().wet(field.design(), r, field.job());
            for (int c = 0; c < 2; c++) {
                power[c] += Audio.of(wet.sampleRateHz(), wet.channel(c)).meanSquare();
            }
        }
        return power[0] <= 0 || power[1] <= 0 ? 0 : Math.abs(10 * Math.log10(power[0] / power[1]));
    }

    /** Takes remedies of what is found about the returns; what is left. */
    private List<Finding> amend() {
        List<Finding> found = field.findings();
        for (int round = 0; round < MOST_ROUNDS; round++) {
            long taken =
                    found.stream()
                            .filter(f -> f.severity() != Severity.KNOW)
                            .filter(f -> !f.remedies().isEmpty())
                            .filter(this::take)
                            .count();
            if (taken == 0) {
                break;
            }
            field.level();
            easing.clear();
            found = field.findings();
        }
        return found;
    }

    /** Takes the remedy of a finding; false if it is none for a draft. */
    private boolean take(Finding f) {
        Design design = field.design();
        Edit edit = f.remedies().getFirst().edit();
        if (NOT_FELT.contains(f.rule()) && design.returns().size() > 1) {
            // What cannot be felt beside the lead is no part of a draft.
            Return r = design.requireReturn(f.subject());
            leftOut.add(r.name() + ": " + field.reasons().getOrDefault(r.id(), Verdicts.TOO_SOFT));
            field.set(new FieldEdit.Remove(r.id()).applyTo(design));
            return true;
        }
        if (edit instanceof ReturnEdit.Level level) {
            Return r = design.requireReturn(level.returnId());
            double by = level.levelDb() - r.levelDb();
            if (by >= 0) {
                return false;
            }
            // A level that is taken down stays down: its share is lowered with it.
            field.aim(r.id(), Math.pow(10, by / 20) * field.share(r.id()));
            field.reasons().put(r.id(), f.flag() + " if it were louder");
            return true;
        }
        field.set(edit.applyTo(design));
        return true;
    }
}
