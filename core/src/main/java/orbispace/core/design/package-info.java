/**
 * The immutable model of a song's spatial field, its edits and their history.
 *
 * <p>Start at {@link orbispace.core.design.Design}. Knows nothing of rendering or measuring.
 */
@org.jspecify.annotations.NullMarked
package orbispace.core.design;
