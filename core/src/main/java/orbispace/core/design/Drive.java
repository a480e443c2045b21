package orbispace.core.design;

/**
 * A soft curve on a return.
 *
 * @param driveDb how far the sound is driven into it, 0 to 40
 * @param afterSpace true if it bends what the space made, false if what goes into it
 */
public record Drive(double driveDb, boolean afterSpace) {
    /** Checks the range. */
    public Drive {
        ChainKnob.DRIVE.require(driveDb);
    }
}
