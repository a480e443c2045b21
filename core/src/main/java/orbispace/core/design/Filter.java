package orbispace.core.design;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * A filter slot of a chain.
 *
 * @param highPass lows removed below it, or null for none
 * @param lowPass highs removed above it, or null for none
 * @param bands bells and shelves, two at most
 */
public record Filter(@Nullable Corner highPass, @Nullable Corner lowPass, List<Band> bands) {
    /** How many bands there can be. */
    public static final int MOST_BANDS = 2;

    /** A slot that changes nothing. */
    public static final Filter OPEN = new Filter(null, null);

    /** Bells nearer to each other than this, as a ratio of logarithms, are the same one. */
    private static final double NEAR = 0.3;

    /** Two corners and no band. */
    public Filter(@Nullable Corner highPass, @Nullable Corner lowPass) {
        this(highPass, lowPass, List.of());
    }

    /** Keeps its own list. */
    public Filter {
        bands = List.copyOf(bands);
        Ranges.require("number of bands", bands.size(), 0, MOST_BANDS);
    }

    /** What a band does. */
    public enum Kind {
        /** Around its centre. */
        BELL("bell"),
        /** All that lies below it. */
        LOW_SHELF("low shelf"),
        /** All that lies above it. */
        HIGH_SHELF("high shelf");

        private final String label;

        Kind(String label) {
            this.label = label;
        }

        /** Its name. */
        public String label() {
            return label;
        }
    }

    /**
     * A bell or a shelf.
     *
     * @param kind what it does
     * @param hz its centre, or where a shelf has half its gain, 20 to 20,000
     * @param gainDb -24 (cut) to 12 (lift)
     * @param octaves how wide a bell is, between the points of half its gain, 0.2 to 4; a shelf
     *     takes none of it
     */
    public record Band(Kind kind, double hz, double gainDb, double octaves) {
        /** Checks the ranges. */
        public Band {
            BandKnob.Trait.AT.require(hz);
            BandKnob.Trait.BY.require(gainDb);
            BandKnob.Trait.WIDE.require(octaves);
        }

        /** A bell that turns down. */
        public static Band dip(double hz, double depthDb, double octaves) {
            return new Band(Kind.BELL, hz, -depthDb, octaves);
        }

        /** How far down it turns; less than 0 for a lift. */
        public double depthDb() {
            return -gainDb;
        }

        /** The quality factor of a bell of this width. */
        public double q() {
            return q(octaves);
        }

        /** The quality factor of a bell so many octaves wide. */
        static double q(double octaves) {
            return 1 / (2 * Math.sinh(Math.log(2) / 2 * octaves));
        }

        private boolean isNear(double other) {
            return kind == Kind.BELL && Math.abs(Math.log(hz / other)) <= NEAR;
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
        return new Filter(corner, lowPass, bands);
    }

    /** The same slot with another low-pass. */
    public Filter withLowPass(@Nullable Corner corner) {
        return new Filter(highPass, corner, bands);
    }

    /** The same slot with other bands. */
    public Filter withBands(List<Band> other) {
        return new Filter(highPass, lowPass, other);
    }

    /** The same slot with another band in a place, or without the one there; it must exist. */
    public Filter withBand(int index, @Nullable Band other) {
        List<Band> now = new ArrayList<>(bands);
        if (other == null) {
            now.remove(index);
        } else {
            now.set(index, other);
        }
        return withBands(now);
    }

    /** The bell at a frequency, within a few semitones. */
    public Optional<Band> bellAt(double hz) {
        return bands.stream().filter(b -> b.isNear(hz)).findFirst();
    }

    /** Whether a bell at a frequency can be set: it is there, or there is room for it. */
    public boolean hasRoomFor(double hz) {
        return bellAt(hz).isPresent() || bands.size() < MOST_BANDS;
    }

    /** The same slot with a bell in the place of the one at its frequency, or beside the others. */
    public Filter withBell(Band bell) {
        List<Band> now = new ArrayList<>(bands);
        Optional<Band> old = bellAt(bell.hz());
        if (old.isPresent()) {
            now.set(now.indexOf(old.get()), bell);
        } else {
            now.add(bell);
        }
        return withBands(now);
    }
}
