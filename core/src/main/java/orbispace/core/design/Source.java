package orbispace.core.design;

/**
 * A dry stem.
 *
 * @param id short name that sends and keys refer to, letters, digits and hyphens
 * @param name what people call it
 * @param file its audio file, relative to the project, or absolute if chosen elsewhere
 * @param role what it is in the song
 * @param gainDb fader, -90 to 24
 * @param pan position from -1 (left) to 1 (right)
 */
public record Source(String id, String name, String file, Role role, double gainDb, double pan) {
    /** Checks the ranges. */
    public Source {
        Ranges.requireId("source", id);
        Ranges.require("gain", gainDb, -90, 24);
        Ranges.require("pan", pan, -1, 1);
    }
}
