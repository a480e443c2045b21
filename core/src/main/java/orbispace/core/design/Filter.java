package orbispace.core.design;

import org.jspecify.annotations.Nullable;

/**
 * A filter slot of a chain.
 *
 * @param highPass lows removed below it, or null for none
 * @param lowPass highs removed above it, or null for none
 */
public record Filter(@Nullable Corner highPass, @Nullable Corner lowPass) {
    /** A slot that changes nothing. */
    public static final Filter OPEN = new Filter(null, null);

    /**
     * A Butterworth corner.
     *
     * @param hz 10 to 22,000
     * @param poles 1 to 8, 6 dB per octave each
     */
    public record Corner(double hz, int poles) {
        /** Checks the ranges. */
        public Corner {
            Ranges.require("corner", hz, 10, 22000);
            Ranges.require("poles", poles, 1, 8);
        }

        /** Steepness in dB per octave. */
        public int slopeDb() {
            return 6 * poles;
        }
    }

    /** The same slot with another high-pass. */
    public Filter withHighPass(@Nullable Corner corner) {
        return new Filter(corner, lowPass);
    }

    /** The same slot with another low-pass. */
    public Filter withLowPass(@Nullable Corner corner) {
        return new Filter(highPass, corner);
    }
}
