package orbispace.app.song;

import orbispace.core.words.Wording;

/** What to say when the memory is full, and the way on. */
public final class FullMemory {
    private FullMemory() {}

    /** One line. */
    public static String words() {
        double gigabytes = Runtime.getRuntime().maxMemory() / 1e9;
        return Wording.format(
                "the memory is full (%.1f GB are given); start with ORBISPACE_MEMORY=%dg or more,"
                        + " or take fewer or shorter stems",
                gigabytes, Math.max(2, Math.round(2 * gigabytes)));
    }
}
