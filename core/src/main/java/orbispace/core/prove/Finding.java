package orbispace.core.prove;

import java.util.List;
import java.util.OptionalDouble;

/**
 * Something wrong or worth knowing.
 *
 * @param rule short name of the rule that found it, letters and hyphens
 * @param severity how much it matters
 * @param subject id of the source or return that it is about
 * @param flag two or three words for a flag in a picture
 * @param evidence what was measured, with numbers
 * @param why why it matters
 * @param seconds where in the song it shows first; empty if it has no place
 * @param remedies what can be done, the best first; empty if nothing in this program can
 */
public record Finding(
        String rule,
        Severity severity,
        String subject,
        String flag,
        String evidence,
        String why,
        OptionalDouble seconds,
        List<Remedy> remedies) {
    /** Keeps its own list. */
    public Finding {
        remedies = List.copyOf(remedies);
    }

    /** One that has no place in the song. */
    public Finding(
            String rule,
            Severity severity,
            String subject,
            String flag,
            String evidence,
            String why,
            List<Remedy> remedies) {
        this(rule, severity, subject, flag, evidence, why, OptionalDouble.empty(), remedies);
    }
}
