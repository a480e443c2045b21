package orbispace.app.session;

import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicReference;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Writes one thing after another in the background; what was asked for last replaces what has not
 * begun.
 */
final class StateKeeper {
    private static final Logger LOG = LoggerFactory.getLogger(StateKeeper.class);
    private static final int LONGEST_CLOSE_SECONDS = 5;

    private final ExecutorService executor =
            Executors.newSingleThreadExecutor(task -> {
                Thread thread = new Thread(task, "orbispace-state");
                thread.setDaemon(true);
                return thread;
            });
    private final AtomicReference<@Nullable Work> next = new AtomicReference<>();

    /** Something to write. */
    @FunctionalInterface
    interface Work {
        /** Writes it. */
        void run() throws Exception;
    }

    void run(Work work) {
        if (next.getAndSet(work) == null && !executor.isShutdown()) {
            executor.execute(this::runNext);
        }
    }

    private void runNext() {
        Work work = next.getAndSet(null);
        try {
            if (work != null) {
                work.run();
            }
        } catch (Exception e) {
            LOG.debug("the state could not be kept", e);
        }
    }

    void close() {
        executor.shutdown();
        try {
            if (!executor.awaitTermination(LONGEST_CLOSE_SECONDS, TimeUnit.SECONDS)) {
                LOG.debug("the state was still being written");
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }
}
