/**
 * Measures how wet returns cover dry sources, and proposes remedies with rendered before and after.
 *
 * <p>Start at {@link orbispace.core.clear.CoverAnalysis}.
 */
@org.jspecify.annotations.NullMarked
package orbispace.core.clear;
