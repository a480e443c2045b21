/**
 * Measures how wet returns cover dry sources, and proposes remedies with rendered before and after.
 *
 * <p>Start at {@link orbispace.core.clear.CoverAnalysis}. The roof of the core: nothing in it
 * depends on this package.
 */
@org.jspecify.annotations.NullMarked
package orbispace.core.clear;
