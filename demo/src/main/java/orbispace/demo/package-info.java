/**
 * The demo song "Harbour at Low Tide", made by code from fixed seeds.
 *
 * <p>Start at {@link orbispace.demo.HarbourSong}. Uses the core alone.
 */
@org.jspecify.annotations.NullMarked
package orbispace.demo;
