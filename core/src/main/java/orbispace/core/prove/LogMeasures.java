package orbispace.core.prove;

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
    /** Nothing was measured. */
    public static final LogMeasures NONE =
            new LogMeasures(OptionalDouble.empty(), OptionalDouble.empty(), OptionalDouble.empty());
}
