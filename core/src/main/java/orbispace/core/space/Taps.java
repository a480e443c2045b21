package orbispace.core.space;

/**
 * The taps of an impulse response at one rate.
 *
 * @param paths two (left, right) or four (left to left, left to right, right to left, right to
 *     right) of equal length
 */
@SuppressWarnings("ArrayRecordComponent") // Never leaves this package.
record Taps(float[][] paths) {}
