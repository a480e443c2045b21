package orbispace.core.design;

import orbispace.core.dynamics.DriveCurve;

/**
 * A curve on a return.
 *
 * @param driveDb how far the sound is driven into it, 0 to 40
 * @param afterSpace true if it bends what the space made, false if what goes into it
 * @param curve how it bends
 */
public record Drive(double driveDb, boolean afterSpace, DriveCurve curve) {
    /** Checks the range. */
    public Drive {
        ChainKnob.DRIVE.require(driveDb);
    }

    /** A soft one. */
    public Drive(double driveDb, boolean afterSpace) {
        this(driveDb, afterSpace, DriveCurve.SOFT);
    }

    /** The same by other decibels. */
    public Drive withDrive(double db) {
        return new Drive(db, afterSpace, curve);
    }

    /** The same on the other side of the space. */
    public Drive moved() {
        return new Drive(driveDb, !afterSpace, curve);
    }

    /** The same along another curve. */
    public Drive along(DriveCurve other) {
        return new Drive(driveDb, afterSpace, other);
    }
}
