package orbispace.core.design;

import org.jspecify.annotations.Nullable;

/**
 * A filter slot of a chain.
 *
 * @param highPass lows removed below it, or null for none
 * @param lowPass highs removed above it, or null for none
 * @param dip a stretch in the middle turned down, or null for none
 */
public record Filter(@Nullable Corner highPass, @Nullable Corner lowPass, @Nullable Dip dip) {
    /** A slot that changes nothing. */
    public static final Filter OPEN = new Filter(null, null);

    /** Two corners and no dip. */
    public Filter(@Nullable Corner highPass, @Nullable Corner lowPass) {
        this(highPass, lowPass, null);
    }

    /**
     * A bell that turns down.
     *
     * @param hz its centre, 20 to 20,000
     * @param depthDb how far down at the centre, 0.5 to 24
     * @param octaves how wide, between the points of half the depth, 0.2 to 4
     */
    public record Dip(double hz, double depthDb, double octaves) {
        /** Checks the ranges. */
        public Dip {
            ChainKnob.DIP_AT.require(hz);
            ChainKnob.DIP_BY.require(depthDb);
            Ranges.require("dip width", octaves, 0.2, 4);
        }

        /** The quality factor of a bell of this width. */
        public double q() {
            return q(octaves);
        }

        /** The quality factor of a bell so many octaves wide. */
        static double q(double octaves) {
            return 1 / (2 * Math.sinh(Math.log(2) / 2 * octaves));
        }
    }

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
        return new Filter(corner, lowPass, dip);
    }

    /** The same slot with another low-pass. */
    public Filter withLowPass(@Nullable Corner corner) {
        return new Filter(highPass, corner, dip);
    }

    /** The same slot with another dip. */
    public Filter withDip(@Nullable Dip other) {
        return new Filter(highPass, lowPass, other);
    }
}
