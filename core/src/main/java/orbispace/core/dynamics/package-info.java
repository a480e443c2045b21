/**
 * Gain that follows a level: the ducker and its gain computer.
 *
 * <p>Start at {@link orbispace.core.dynamics.Ducker}. Uses {@code signal} and what lies below it.
 */
@org.jspecify.annotations.NullMarked
package orbispace.core.dynamics;
