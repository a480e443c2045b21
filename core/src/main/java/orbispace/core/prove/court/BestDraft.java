package orbispace.core.prove.court;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import orbispace.core.prove.Severity;
import orbispace.core.words.Wording;

/**
 * Which of several drafts serves the material best: the one with fewest findings to act on or weigh
 * and states missed; of those that are alike in this the one that keeps most of the lead in its
 * worst phrase, to the percent; of those the one with fewest returns; of those the first.
 *
 * @param passed the best
 * @param rule why it is, in words with this song's values
 */
public record BestDraft(Passed passed, String rule) {
    /** The best of some drafts; empty for none. */
    public static Optional<BestDraft> of(List<Passed> drafts) {
        return drafts.stream()
                .filter(p -> !p.verdicts().isEmpty())
                .min(
                        Comparator.comparingLong(BestDraft::faults)
                                .thenComparingLong(p -> -percent(p))
                                .thenComparingInt(p -> p.verdicts().size()))
                .map(p -> new BestDraft(p, rule(p, drafts)));
    }

    private static long faults(Passed p) {
        return p.left(Severity.ACT) + p.left(Severity.WEIGH) + p.missed() + (p.cleared() ? 0 : 1);
    }

    private static long percent(Passed p) {
        return Math.round(100 * p.worstPhrase());
    }

    private static String rule(Passed best, List<Passed> drafts) {
        boolean alone = drafts.stream().filter(p -> faults(p) == faults(best)).count() == 1;
        String first =
                Wording.format(
                        "%d findings left and states missed, the fewest of %d drafts",
                        faults(best), drafts.size());
        return alone
                ? first
                : first
                        + Wording.format(
                                "; of those alike it keeps most of the lead in its worst phrase,"
                                        + " %d %%, with %d returns",
                                percent(best), best.verdicts().size());
    }
}
