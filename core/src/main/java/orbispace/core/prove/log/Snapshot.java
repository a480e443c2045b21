package orbispace.core.prove.log;

import java.time.Instant;
import orbispace.core.design.Design;

/**
 * A whole design, frozen.
 *
 * @param name what it is called; single within a logbook
 * @param note what its engineer says of it, may be empty
 * @param made when
 * @param design the design
 * @param measures what was measured of it then
 */
public record Snapshot(
        String name, String note, Instant made, Design design, LogMeasures measures) {
    private static final int MOST_NAME = 80;

    /** Checks the name. */
    public Snapshot {
        name = name.strip();
        if (name.isEmpty() || name.length() > MOST_NAME) {
            throw new IllegalArgumentException(
                    "a snapshot needs a name of 1 to " + MOST_NAME + " characters");
        }
    }
}
