/**
 * One sound held against another: matched pairs, blind trials, finished tracks, the mono fold.
 *
 * <p>Start at {@link orbispace.core.prove.compare.MatchedPair}.
 */
@NullMarked
package orbispace.core.prove.compare;

import org.jspecify.annotations.NullMarked;
