/**
 * Measures of finished sound: loudness, decay, polar energy.
 *
 * <p>Start at {@link orbispace.core.measure.LoudnessMeter}. Must not depend on {@code design} or
 * anything above it.
 */
@org.jspecify.annotations.NullMarked
package orbispace.core.measure;
