package orbispace.core.prove.log;

import java.util.OptionalDouble;

/**
 * What is noted of a design in the log.
 *
 * @param integratedLufs loudness of the mix
 * @param truePeakDbtp its true peak
 * @param presenceKept what the lead keeps of its loudness beside all returns, 0 to 1
 */
public record LogMeasures(
        OptionalDouble integratedLufs, OptionalDouble truePeakDbtp, OptionalDouble presenceKept) {
    /** Checks the ranges. */
    public LogMeasures {
        require("loudness", integratedLufs, -400, 400);
        require("true peak", truePeakDbtp, -400, 400);
        require("presence", presenceKept, 0, 1);
    }

    private static void require(String what, OptionalDouble value, double low, double high) {
        if (value.isPresent() && !(value.getAsDouble() >= low && value.getAsDouble() <= high)) {
            throw new IllegalArgumentException(
                    what + " " + value.getAsDouble() + " is outside " + low + " to " + high);
        }
    }

    /** Nothing was measured. */
    public static final LogMeasures NONE =
            new LogMeasures(OptionalDouble.empty(), OptionalDouble.empty(), OptionalDouble.empty());
}
