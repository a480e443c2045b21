package orbispace.app.session;

import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Writes files in the background, one after another in the order in which they were first asked
 * for; of one file only what was asked for last is written.
 */
public final class StateKeeper {
    private static final Logger LOG = LoggerFactory.getLogger(StateKeeper.class);
    private static final int LONGEST_CLOSE_SECONDS = 10;

    private final ExecutorService executor =
            Executors.newSingleThreadExecutor(task -> {
                Thread thread = new Thread(task, "orbispace-state");
                thread.setDaemon(true);
                return thread;
            });
    private final Map<Path, Work> waiting = new LinkedHashMap<>();
    private final Consumer<Exception> failed;

    /**
     * A keeper with nothing to do.
     *
     * @param failed told of what could not be written, on the thread that writes
     */
    public StateKeeper(Consumer<Exception> failed) {
        this.failed = failed;
    }

    /** Something to write, or to take away. */
    @FunctionalInterface
    public interface Work {
        /** Does it. */
        void run() throws Exception;
    }

    /** Does something about a file; what was asked for it and has not begun is left out. */
    public void run(Path file, Work work) {
        if (executor.isShutdown()) {
            return;
        }
        synchronized (waiting) {
            waiting.put(file, work);
        }
        executor.execute(this::runNext);
    }

    private void runNext() {
        Work work = next();
        try {
            if (work != null) {
                work.run();
            }
        } catch (Exception e) {
            LOG.warn("the state could not be kept", e);
            failed.accept(e);
        }
    }

    private @Nullable Work next() {
        synchronized (waiting) {
            var first = waiting.entrySet().iterator();
            if (!first.hasNext()) {
                return null;
            }
            Work work = first.next().getValue();
            first.remove();
            return work;
        }
    }

    /** Waits until everything is written. */
    public void close() {
        executor.shutdown();
        try {
            if (!executor.awaitTermination(LONGEST_CLOSE_SECONDS, TimeUnit.SECONDS)) {
                LOG.warn("the state was still being written");
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }
}
