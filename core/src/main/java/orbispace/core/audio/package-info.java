/**
 * Sampled sound and the units of level.
 *
 * <p>Start at {@link orbispace.core.audio.Audio}. Uses {@code time} only.
 */
@org.jspecify.annotations.NullMarked
package orbispace.core.audio;
