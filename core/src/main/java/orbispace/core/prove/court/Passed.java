package orbispace.core.prove.court;

import java.util.List;
import java.util.Optional;
import orbispace.core.design.Design;
import orbispace.core.draft.FieldDraft;
import orbispace.core.draft.School;
import orbispace.core.prove.Finding;
import orbispace.core.prove.Severity;

/**
 * A draft that stood before the court.
 *
 * @param draft the field with its returns as they stand in the end
 * @param design the song with it
 * @param verdicts what became of each return
 * @param leftOut how many returns the draft was begun with and has no more
 * @param left findings about its returns that are left
 * @param presence share of its loudness that the lead keeps beside all returns; of several leads
 *     the least; 1 where nothing leads
 * @param worstPhrase the same in the worst phrase
 * @param cleared whether that is as much as is asked of every lead
 * @param leanDb how far all returns together lean to a side, in dB
 */
public record Passed(
        FieldDraft draft,
        Design design,
        List<Verdict> verdicts,
        int leftOut,
        List<Finding> left,
        double presence,
        double worstPhrase,
        boolean cleared,
        double leanDb) {
    /** Keeps its own lists. */
    public Passed {
        verdicts = List.copyOf(verdicts);
        left = List.copyOf(left);
    }

    /** Its school; empty for a field that was kept elsewhere. */
    public Optional<School> school() {
        return draft.school();
    }

    /** How many findings of a severity are left. */
    public long left(Severity severity) {
        return left.stream().filter(f -> f.severity() == severity).count();
    }

    /** How many returns are not noticed as much as asked, or were left out for that. */
    public long missed() {
        return leftOut + verdicts.stream().filter(v -> !v.met()).count();
    }
}
