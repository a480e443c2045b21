/**
 * Numbers and strange texts as people read them.
 *
 * <p>Start at {@link orbispace.core.words.Wording}. Uses no other package.
 */
@NullMarked
package orbispace.core.words;

import org.jspecify.annotations.NullMarked;
