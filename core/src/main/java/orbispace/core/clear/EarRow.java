package orbispace.core.clear;

import java.util.List;
import java.util.Optional;
import orbispace.core.time.Span;

/**
 * An answer to an ear word, before its remedies are rendered.
 *
 * @param supported whether the measures support the word
 * @param evidence what was measured, with numbers
 * @param lowHz where the band that is meant begins; 0 with the next for none
 * @param highHz where it ends
 * @param moments where it is heard
 * @param answers what could be done
 */
record EarRow(
        boolean supported,
        String evidence,
        double lowHz,
        double highHz,
        List<Span> moments,
        List<Candidate> answers) {
    static List<Candidate> present(Optional<Candidate> answer) {
        return answer.map(List::of).orElse(List.of());
    }
}
