/**
 * A model of what is heard of one sound beside others: excitation, partial loudness, cover.
 *
 * <p>Start at {@link orbispace.core.hearing.HearingModel}. Uses {@code signal} and what lies below
 * it.
 */
@org.jspecify.annotations.NullMarked
package orbispace.core.hearing;
