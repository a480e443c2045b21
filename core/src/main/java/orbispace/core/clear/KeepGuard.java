package orbispace.core.clear;

import java.util.Optional;
import orbispace.core.design.Kept;
import orbispace.core.hearing.Cover;

/**
 * Guards what is marked to be kept of a return: no proposal passes that loses more than a little.
 */
final class KeepGuard {
    private KeepGuard() {}

    /** What was heard of a return in a stretch. */
    static Kept heard(Question q, Cover c) {
        return new Kept(q.span(), c.wetShare(), c.wetShareInGaps());
    }

    /** Whether a proposal leaves what must not be lost of its return. */
    static boolean lets(Question q, Proposal p) {
        Optional<Kept> kept = Optional.ofNullable(q.design().aims().kept().get(q.returnId()));
        return kept.map(k -> k.in(q.span(), heard(q, p.before())))
                .map(k -> k.allows(p.after().wetShare(), p.after().wetShareInGaps()))
                .orElse(true);
    }
}
