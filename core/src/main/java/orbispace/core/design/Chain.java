package orbispace.core.design;

import org.jspecify.annotations.Nullable;

/**
 * What a send passes on its way: filter, drive, predelay, space, gate, filter, ducker, width. The
 * drive stands before the predelay or after the space.
 *
 * @param filterIn before the space
 * @param drive a soft curve, or null for none
 * @param predelay before the space
 * @param space what makes the wet sound
 * @param gate behind the space, or null for none
 * @param filterOut behind the gate
 * @param duck behind the filter, or null for none
 * @param width at the end
 */
public record Chain(
        Filter filterIn,
        @Nullable Drive drive,
        MusicalTime predelay,
        Space space,
        @Nullable Gate gate,
        Filter filterOut,
        @Nullable Duck duck,
        Width width) {

    /** A chain of a space alone. */
    public static Chain of(Space space) {
        return new Chain(
                Filter.OPEN,
                null,
                new MusicalTime.Millis(0),
                space,
                null,
                Filter.OPEN,
                null,
                Width.PLAIN);
    }

    /** The same chain with another filter before the space. */
    public Chain withFilterIn(Filter other) {
        return new Chain(other, drive, predelay, space, gate, filterOut, duck, width);
    }

    /** The same chain with another drive. */
    public Chain withDrive(@Nullable Drive other) {
        return new Chain(filterIn, other, predelay, space, gate, filterOut, duck, width);
    }

    /** The same chain with another predelay. */
    public Chain withPredelay(MusicalTime other) {
        return new Chain(filterIn, drive, other, space, gate, filterOut, duck, width);
    }

    /** The same chain with another space. */
    public Chain withSpace(Space other) {
        return new Chain(filterIn, drive, predelay, other, gate, filterOut, duck, width);
    }

    /** The same chain with another gate. */
    public Chain withGate(@Nullable Gate other) {
        return new Chain(filterIn, drive, predelay, space, other, filterOut, duck, width);
    }

    /** The same chain with another filter after the space. */
    public Chain withFilterOut(Filter other) {
        return new Chain(filterIn, drive, predelay, space, gate, other, duck, width);
    }

    /** The same chain with another ducker. */
    public Chain withDuck(@Nullable Duck other) {
        return new Chain(filterIn, drive, predelay, space, gate, filterOut, other, width);
    }

    /** The same chain with another width. */
    public Chain withWidth(Width other) {
        return new Chain(filterIn, drive, predelay, space, gate, filterOut, duck, other);
    }
}
