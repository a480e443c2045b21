package orbispace.core.render;

import java.util.concurrent.CancellationException;

/** How a long computation reports, and how it is stopped. */
public interface Job {
    /** Nobody listens and nobody stops it. */
    Job QUIET =
            new Job() {
                @Override
                public void report(double share) {}

                @Override
                public boolean cancelled() {
                    return false;
                }
            };

    /** Takes how much is done, 0 to 1. */
    void report(double share);

    /** Whether the result is no longer wanted. */
    boolean cancelled();

    /**
     * Stops here if the result is no longer wanted.
     *
     * @throws CancellationException if so
     */
    default void check() {
        if (cancelled()) {
            throw new CancellationException("no longer wanted");
        }
    }
}
