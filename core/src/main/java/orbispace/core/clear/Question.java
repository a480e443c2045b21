package orbispace.core.clear;

import orbispace.core.design.Design;
import orbispace.core.design.Return;
import orbispace.core.design.Source;
import orbispace.core.material.Phrases;
import orbispace.core.time.Span;

/**
 * What is asked: how a source stands against a return over a stretch of a song.
 *
 * @param design the field
 * @param source the dry source that must stay clear
 * @param returnId letter of the return that may be changed
 * @param phrases where the source speaks, in seconds of the song
 * @param span the stretch
 * @param together whether the source is judged against all returns at once
 */
public record Question(
        Design design,
        Source source,
        String returnId,
        Phrases phrases,
        Span span,
        boolean together) {

    /** The return. */
    public Return ret() {
        return design.requireReturn(returnId);
    }

    /** The same of another field. */
    public Question of(Design other) {
        return new Question(other, source, returnId, phrases, span, together);
    }

    /** The same over another stretch. */
    public Question over(Span other) {
        return new Question(design, source, returnId, phrases, other, together);
    }

    /** The same against the one return alone. */
    public Question alone() {
        return new Question(design, source, returnId, phrases, span, false);
    }

    /** The same of another return. */
    public Question about(String otherReturnId) {
        return new Question(design, source, otherReturnId, phrases, span, together);
    }
}
