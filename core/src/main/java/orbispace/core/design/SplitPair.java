package orbispace.core.design;

/**
 * Two different mono spaces apart.
 *
 * @param left the space on the left
 * @param right the space on the right
 * @param leftPlace when and where the left one begins
 * @param rightPlace when and where the right one begins
 */
public record SplitPair(Space.Reverb left, Space.Reverb right, Place leftPlace, Place rightPlace)
        implements Space {
    /**
     * When and where a space of a pair begins.
     *
     * @param laterMillis how much later than the return's predelay, 0 to 200
     * @param pan -1 (left) to 1
     */
    public record Place(double laterMillis, double pan) {
        /** Checks the ranges. */
        public Place {
            PairKnob.Trait.LATER.require(laterMillis);
            PairKnob.Trait.PAN.require(pan);
        }
    }

    /**
     * Two spaces that begin at once, as far to either side.
     *
     * @param width how far, 0 to 1
     */
    public SplitPair(Space.Reverb left, Space.Reverb right, double width) {
        this(left, right, new Place(0, -width), new Place(0, width));
        TailKnob.PAIR_SIDES.require(width);
    }

    /** How far apart the two are, 0 to 1. */
    public double width() {
        return Math.abs(rightPlace.pan - leftPlace.pan) / 2;
    }

    /** The same two as far to either side. */
    public SplitPair withWidth(double width) {
        return new SplitPair(
                left,
                right,
                new Place(leftPlace.laterMillis, -width),
                new Place(rightPlace.laterMillis, width));
    }

    /** The same with other spaces. */
    public SplitPair withSpaces(Space.Reverb onLeft, Space.Reverb onRight) {
        return new SplitPair(onLeft, onRight, leftPlace, rightPlace);
    }

    /** One of the two. */
    public Space.Reverb space(boolean onLeft) {
        return onLeft ? left : right;
    }

    /** Where one of the two begins. */
    public Place place(boolean onLeft) {
        return onLeft ? leftPlace : rightPlace;
    }

    /** The same with another one on one side. */
    public SplitPair withSpace(boolean onLeft, Space.Reverb other) {
        return onLeft ? withSpaces(other, right) : withSpaces(left, other);
    }

    /** The same with one of the two beginning elsewhere. */
    public SplitPair withPlace(boolean onLeft, Place other) {
        return onLeft
                ? new SplitPair(left, right, other, rightPlace)
                : new SplitPair(left, right, leftPlace, other);
    }
}
