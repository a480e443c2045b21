/**
 * What an engineer hears on their own song: lessons that make one thing differ by ever less, and
 * the difference that is still told.
 *
 * <p>Start at {@link orbispace.core.ears.Staircase}.
 */
@NullMarked
package orbispace.core.ears;

import org.jspecify.annotations.NullMarked;
