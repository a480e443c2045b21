/**
 * The engines of a return: what makes one sound into a space or an echo.
 *
 * <p>Start at {@link orbispace.core.space.Engine}. Uses {@code signal} and what lies below it.
 */
@org.jspecify.annotations.NullMarked
package orbispace.core.space;
