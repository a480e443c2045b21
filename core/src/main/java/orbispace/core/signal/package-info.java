/**
 * Filters, Fourier transforms and other linear building blocks.
 *
 * <p>Start at {@link orbispace.core.signal.FilterDesign}. Uses {@code time} and {@code audio}.
 */
@org.jspecify.annotations.NullMarked
package orbispace.core.signal;
