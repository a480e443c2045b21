package orbispace.core.clear;

import java.util.List;
import orbispace.core.time.Span;

/**
 * What the measures say to an ear word.
 *
 * @param word the word
 * @param supported whether anything measured supports it
 * @param evidence the measure with this song's values
 * @param lowHz lower end of where it lives; 0 where it has no place in frequency
 * @param highHz upper end
 * @param moments where in the song; empty where it has no place in time
 * @param cells where the return is heard over its stretch, cell by cell
 * @param remedies changes, each really rendered, what helps most first
 */
public record Diagnosis(
        EarWord word,
        boolean supported,
        String evidence,
        double lowHz,
        double highHz,
        List<Span> moments,
        HeardCells cells,
        List<Proposal> remedies) {
    /** Keeps its own lists. */
    public Diagnosis {
        moments = List.copyOf(moments);
        remedies = List.copyOf(remedies);
    }
}
