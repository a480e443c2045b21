/**
 * Findings about stems, one by one and against each other.
 *
 * <p>Start at {@link orbispace.core.prove.stem.StemFindings}. Reads measures, measures nothing
 * itself.
 */
@NullMarked
package orbispace.core.prove.stem;

import org.jspecify.annotations.NullMarked;
