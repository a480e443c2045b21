package orbispace.core.space;

/**
 * How a reverb begins and whether its tail stands still.
 *
 * @param density how much sooner its echoes are dense than the kind's own, 0.25 to 4
 * @param buildUpSeconds over how long it comes to its level at size 1, 0 to 0.2
 * @param movementSeconds how far its sides sway in time, 0 for a still tail, to 0.0003
 * @param distance how far the senders stand in it, re the kind's own place, 0.25 to 2; it moves
 *     clear walls, which a near sender hears later and softer, and nothing where there are none
 */
public record ReverbCharacter(
        double density, double buildUpSeconds, double movementSeconds, double distance) {
    /** Checks the ranges. */
    public ReverbCharacter {
        EngineSettings.require("density", density, 0.25, 4);
        EngineSettings.require("build-up", buildUpSeconds, 0, 0.2);
        EngineSettings.require("movement", movementSeconds, 0, 0.0003);
        EngineSettings.require("distance", distance, 0.25, 2);
    }

    /** The character that a kind has of itself. */
    public static ReverbCharacter of(ReverbKind kind) {
        return new ReverbCharacter(1, kind.buildUpSeconds(), 0, 1);
    }

    /** The same with another density. */
    public ReverbCharacter withDensity(double other) {
        return new ReverbCharacter(other, buildUpSeconds, movementSeconds, distance);
    }

    /** The same coming to its level over another time. */
    public ReverbCharacter withBuildUp(double seconds) {
        return new ReverbCharacter(density, seconds, movementSeconds, distance);
    }

    /** The same swaying otherwise. */
    public ReverbCharacter withMovement(double seconds) {
        return new ReverbCharacter(density, buildUpSeconds, seconds, distance);
    }

    /** The same with the senders at another place. */
    public ReverbCharacter withDistance(double other) {
        return new ReverbCharacter(density, buildUpSeconds, movementSeconds, other);
    }
}
