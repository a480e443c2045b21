package orbispace.core.design;

import java.util.OptionalDouble;

/**
 * How loud one listens, and how quiet the room is: what the hearing model takes as given.
 *
 * @param levelDbSpl sound pressure level of the whole mix where one sits, 50 to 100
 * @param roomDb noise of the room in each band of the ear, 0 to 50 dB re 20 uPa; empty for none
 */
public record HearingLevel(double levelDbSpl, OptionalDouble roomDb) {
    /** A control room at a level at which one can work for hours. */
    public static final HearingLevel USUAL = new HearingLevel(78, OptionalDouble.of(10));

    /** Checks the ranges. */
    public HearingLevel {
        Ranges.require("listening level", levelDbSpl, 50, 100);
        roomDb.ifPresent(db -> Ranges.require("room noise", db, 0, 50));
    }

    /** The room's noise as power in each band. */
    public double roomPower() {
        return roomDb.isPresent() ? Math.pow(10, roomDb.getAsDouble() / 10) : 0;
    }
}
