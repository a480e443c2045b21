package orbispace.core.design;

/**
 * One source in one section: how it differs there from what it is otherwise.
 *
 * @param faderDb offset of its fader, -60 to 24
 * @param panBy how far it moves to the right, -2 to 2; it goes no further than to the very side
 * @param widthScale factor on the difference of its two channels, 0 to 2; a stem of one channel has
 *     none
 * @param rampBeats how long it takes to become so from the section's beginning on, in quarter
 *     notes, 0 to 256
 */
public record SourceCell(double faderDb, double panBy, double widthScale, double rampBeats) {
    /** Nothing differs. */
    public static final SourceCell PLAIN = new SourceCell(0, 0, 1, 0);

    /** Checks the ranges; nothing of minus nothing. */
    public SourceCell {
        faderDb += 0.0;
        panBy += 0.0;
        Ranges.require("fader offset of a source", faderDb, -60, 24);
        Ranges.require("pan offset of a source", panBy, -2, 2);
        Ranges.require("width scale of a source", widthScale, 0, 2);
        Ranges.require("ramp of a source", rampBeats, 0, 256);
    }

    /** Whether nothing differs. */
    public boolean isPlain() {
        return equals(PLAIN);
    }

    /** Where a source stands here that stands at a pan elsewhere. */
    public double pan(double elsewhere) {
        return Math.clamp(elsewhere + panBy, -1, 1);
    }

    /** The same at another level. */
    public SourceCell withFader(double other) {
        return new SourceCell(other, panBy, widthScale, rampBeats);
    }

    /** The same at another place. */
    public SourceCell withPan(double other) {
        return new SourceCell(faderDb, other, widthScale, rampBeats);
    }

    /** The same with another width. */
    public SourceCell withWidth(double other) {
        return new SourceCell(faderDb, panBy, other, rampBeats);
    }

    /** The same, reached sooner or later. */
    public SourceCell withRamp(double other) {
        return new SourceCell(faderDb, panBy, widthScale, other);
    }
}
