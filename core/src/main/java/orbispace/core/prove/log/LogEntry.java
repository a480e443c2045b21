package orbispace.core.prove.log;

import java.time.Instant;
import java.util.Optional;

/**
 * A line of the log: a change that stayed for a while, or a note.
 *
 * @param when it was made
 * @param what what changed, or what was noted
 * @param from what it was, may be empty
 * @param to what it became, may be empty
 * @param why the reason, of a proposal or in the engineer's words; may be empty
 * @param before what was measured before it
 * @param after what was measured after it
 */
public record LogEntry(
        Instant when,
        String what,
        String from,
        String to,
        String why,
        LogMeasures before,
        LogMeasures after) {
    /** Begins what is noted of a finding that was accepted; it is from what was the evidence. */
    public static final String ACCEPTED = "accepted: ";

    /** The finding that this says was accepted; empty for anything else. */
    public Optional<String> accepted() {
        return what.startsWith(ACCEPTED)
                ? Optional.of(what.substring(ACCEPTED.length()))
                : Optional.empty();
    }

    /** A note without a change. */
    public static LogEntry note(Instant when, String text) {
        return new LogEntry(when, text, "", "", "", LogMeasures.NONE, LogMeasures.NONE);
    }

    /** The same with a word of the engineer's added to its reason. */
    public LogEntry because(String word) {
        String more = why.isEmpty() ? word : why + "; " + word;
        return new LogEntry(when, what, from, to, more, before, after);
    }

    /** Whether it has a text in any of its words, whatever the case. */
    public boolean has(String text) {
        String all =
                (what + '\n' + from + '\n' + to + '\n' + why).toLowerCase(java.util.Locale.ROOT);
        return all.contains(text.strip().toLowerCase(java.util.Locale.ROOT));
    }
}
