package orbispace.core.design;

import java.util.OptionalDouble;
import orbispace.core.hearing.Borders;

/**
 * How loud one listens, how quiet the room is, and by whose ears it is judged: what the hearing
 * model takes as given.
 *
 * @param levelDbSpl sound pressure level of the whole mix where one sits, 50 to 100
 * @param roomDb noise of the room in each band of the ear, 0 to 50 dB re 20 uPa; empty for none
 * @param borders where the states of a wet begin
 */
public record HearingLevel(double levelDbSpl, OptionalDouble roomDb, Borders borders) {
    /** A control room at a level at which one can work for hours. */
    public static final HearingLevel USUAL = new HearingLevel(78, OptionalDouble.of(10));

    /** With the borders that the model has. */
    public HearingLevel(double levelDbSpl, OptionalDouble roomDb) {
        this(levelDbSpl, roomDb, Borders.MODEL);
    }

    /** The same at another level. */
    public HearingLevel at(double otherDbSpl) {
        return new HearingLevel(otherDbSpl, roomDb, borders);
    }

    /** The same in another room. */
    public HearingLevel in(OptionalDouble otherDb) {
        return new HearingLevel(levelDbSpl, otherDb, borders);
    }

    /** The same, judged by other ears. */
    public HearingLevel by(Borders other) {
        return new HearingLevel(levelDbSpl, roomDb, other);
    }

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
