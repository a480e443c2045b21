/**
 * Musical time: tempo and metre maps, note values, and the arithmetic of times that must fit a
 * song.
 *
 * <p>Start at {@link orbispace.core.time.TempoMap}. Uses no other package.
 */
@org.jspecify.annotations.NullMarked
package orbispace.core.time;
