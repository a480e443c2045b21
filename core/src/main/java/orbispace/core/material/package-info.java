/**
 * What the dry stems say: phrases, gaps, hits, bleed.
 *
 * <p>Start at {@link orbispace.core.material.PhraseFinder}. Must not depend on {@code design} or
 * anything above it.
 */
@org.jspecify.annotations.NullMarked
package orbispace.core.material;
