package orbispace.core.measure;

import java.util.OptionalDouble;

/**
 * Loudness of a programme. Values that its length or level does not allow are empty.
 *
 * @param integratedLufs with absolute and relative gate
 * @param momentaryMaxLufs loudest 400 ms
 * @param shortTermMaxLufs loudest 3 s
 * @param rangeLu loudness range
 * @param truePeakDbtp highest value between the samples too; empty for digital silence
 * @param samplePeakDbfs highest sample; empty for digital silence
 */
public record Loudness(
        OptionalDouble integratedLufs,
        OptionalDouble momentaryMaxLufs,
        OptionalDouble shortTermMaxLufs,
        OptionalDouble rangeLu,
        OptionalDouble truePeakDbtp,
        OptionalDouble samplePeakDbfs) {}
