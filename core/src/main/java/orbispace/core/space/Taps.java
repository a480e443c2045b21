package orbispace.core.space;

import org.jspecify.annotations.Nullable;

/** The taps of an impulse response at one rate, and how it is cut up, which is worked out once. */
final class Taps {
    private final float[][] paths;
    private @Nullable Partitions parts;
    private Partitions.@Nullable Level equal;

    /**
     * Takes taps, which must not change any more.
     *
     * @param paths two (left, right) or four (left to left, left to right, right to left, right to
     *     right) of equal length
     */
    Taps(float[][] paths) {
        this.paths = paths;
    }

    float[][] paths() {
        return paths;
    }

    /** Cut for sounds as they come. */
    synchronized Partitions parts() {
        Partitions made = parts;
        if (made == null) {
            made = Partitions.of(paths);
            parts = made;
        }
        return made;
    }

    /** Cut in equal parts for sounds that are there whole, always of the same size. */
    synchronized Partitions.Level equal(int size) {
        Partitions.Level made = equal;
        if (made == null) {
            made = Partitions.equal(paths, size);
            equal = made;
        }
        return made;
    }
}
