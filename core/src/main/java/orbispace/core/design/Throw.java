package orbispace.core.design;

import java.util.List;

/**
 * A stretch of one source that is sent to one return at a level of its own. It keeps to the music:
 * its edges are beats, so a tempo that is changed takes it along.
 *
 * @param id short name, letters, digits and hyphens
 * @param sourceId the source that is thrown
 * @param returnId the return that it is thrown to
 * @param fromBeat where it begins to open, in quarter notes from bar 1
 * @param toBeat where it is shut again
 * @param levelDb level of the send meanwhile, -90 to 24
 * @param fadeInMillis how long it takes to open, from the first edge on, 1 to 5,000
 * @param fadeOutMillis how long it takes to shut, up to the last edge, 1 to 5,000
 * @param ride levels on the way, joined by straight lines in dB; none for one level throughout
 * @param trail how it repeats, where otherwise than its return does
 */
public record Throw(
        String id,
        String sourceId,
        String returnId,
        double fromBeat,
        double toBeat,
        double levelDb,
        double fadeInMillis,
        double fadeOutMillis,
        List<RidePoint> ride,
        Trail trail) {
    /** The longest throw, in quarter notes. */
    public static final double MOST_BEATS = 4096;

    /** A level at a beat. */
    public record RidePoint(double beat, double levelDb) {
        /** Checks the range. */
        public RidePoint {
            Ranges.require("level of a ride", levelDb, -90, 24);
        }
    }

    /** Checks the ranges. */
    public Throw {
        Ranges.requireId("throw", id);
        Ranges.requireId("source of a throw", sourceId);
        Ranges.requireId("return of a throw", returnId);
        Ranges.require("beginning of a throw", fromBeat, -1e5, 1e6);
        if (!(toBeat > fromBeat) || toBeat - fromBeat > MOST_BEATS) {
            throw new IllegalArgumentException(
                    "throw \"" + id + "\" ends at beat " + toBeat + " and begins at " + fromBeat);
        }
        Ranges.require("level of a throw", levelDb, -90, 24);
        Ranges.require("fade of a throw", fadeInMillis, 1, 5000);
        Ranges.require("fade of a throw", fadeOutMillis, 1, 5000);
        ride = List.copyOf(ride);
        for (int i = 0; i < ride.size(); i++) {
            double before = i == 0 ? fromBeat : ride.get(i - 1).beat();
            if (ride.get(i).beat() < before || ride.get(i).beat() > toBeat) {
                throw new IllegalArgumentException(
                        "a point of the ride \"" + id + "\" lies outside it, or before another");
            }
        }
    }

    /** A throw at one level with short fades. */
    public static Throw of(
            String id,
            String sourceId,
            String returnId,
            double fromBeat,
            double toBeat,
            double levelDb) {
        return new Throw(
                id,
                sourceId,
                returnId,
                fromBeat,
                toBeat,
                levelDb,
                5,
                10,
                List.of(),
                Trail.AS_RETURN);
    }

    /** The same at another level. */
    public Throw withLevel(double db) {
        return new Throw(
                id,
                sourceId,
                returnId,
                fromBeat,
                toBeat,
                db,
                fadeInMillis,
                fadeOutMillis,
                ride,
                trail);
    }

    /** The same over another stretch; points of its ride that lie outside are left out. */
    public Throw over(double from, double to) {
        return new Throw(
                id,
                sourceId,
                returnId,
                from,
                to,
                levelDb,
                fadeInMillis,
                fadeOutMillis,
                ride.stream().filter(p -> p.beat() >= from && p.beat() <= to).toList(),
                trail);
    }

    /** The same to another return. */
    public Throw to(String otherReturnId) {
        return new Throw(
                id,
                sourceId,
                otherReturnId,
                fromBeat,
                toBeat,
                levelDb,
                fadeInMillis,
                fadeOutMillis,
                ride,
                trail);
    }

    /** The same with other fades. */
    public Throw withFades(double inMillis, double outMillis) {
        return new Throw(
                id, sourceId, returnId, fromBeat, toBeat, levelDb, inMillis, outMillis, ride,
                trail);
    }

    /** The same repeating in another way. */
    public Throw withTrail(Trail other) {
        return new Throw(
                id,
                sourceId,
                returnId,
                fromBeat,
                toBeat,
                levelDb,
                fadeInMillis,
                fadeOutMillis,
                ride,
                other);
    }

    /** The same with levels on the way. */
    public Throw withRide(List<RidePoint> other) {
        return new Throw(
                id,
                sourceId,
                returnId,
                fromBeat,
                toBeat,
                levelDb,
                fadeInMillis,
                fadeOutMillis,
                other,
                trail);
    }
}
