package orbispace.core.prove;

import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;

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
 * @param brings what the first of them gains, where that was measured
 */
public record Finding(
        String rule,
        Severity severity,
        String subject,
        String flag,
        String evidence,
        String why,
        OptionalDouble seconds,
        List<Remedy> remedies,
        Optional<Brings> brings) {
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

    /** One of which is not known what its remedy gains. */
    public Finding(
            String rule,
            Severity severity,
            String subject,
            String flag,
            String evidence,
            String why,
            OptionalDouble seconds,
            List<Remedy> remedies) {
        this(rule, severity, subject, flag, evidence, why, seconds, remedies, Optional.empty());
    }

    /**
     * Whether it is about what a word asks for; an empty word asks for all.
     *
     * @param word part of its rule, flag or evidence, its subject, or part of one of the names
     * @param names of its subject, and of the groups that hold it
     */
    public boolean isAbout(String word, Collection<String> names) {
        String asked = word.strip().toLowerCase(Locale.ROOT);
        String told = flag + " " + rule.replace('-', ' ') + " " + evidence;
        return asked.isEmpty()
                || subject.equalsIgnoreCase(asked)
                || Stream.concat(Stream.of(told), names.stream())
                        .anyMatch(t -> t.toLowerCase(Locale.ROOT).contains(asked));
    }

    /** The same with what its first remedy gains. */
    public Finding bringing(Brings gain) {
        return new Finding(
                rule, severity, subject, flag, evidence, why, seconds, remedies, Optional.of(gain));
    }
}
