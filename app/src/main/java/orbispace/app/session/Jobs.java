package orbispace.app.session;

import java.util.HashMap;
import java.util.Map;
import java.util.concurrent.CancellationException;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.Executor;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.function.Consumer;
import javafx.beans.property.DoubleProperty;
import javafx.beans.property.ReadOnlyDoubleProperty;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.SimpleDoubleProperty;
import javafx.beans.property.SimpleStringProperty;
import javafx.beans.property.StringProperty;
import orbispace.core.render.Job;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Work in the background. A job replaces an unfinished one of the same name; results and failures
 * come back on the interface thread.
 */
public final class Jobs {
    private static final Logger LOG = LoggerFactory.getLogger(Jobs.class);

    private final Executor interfaceThread;
    private final ExecutorService workers =
            Executors.newFixedThreadPool(
                    2,
                    task -> {
                        Thread thread = new Thread(task, "orbispace-work");
                        thread.setDaemon(true);
                        thread.setPriority(Thread.NORM_PRIORITY - 1);
                        return thread;
                    });
    private final Map<String, AtomicBoolean> running = new HashMap<>();
    private final StringProperty busyWith = new SimpleStringProperty("");
    private final DoubleProperty progress = new SimpleDoubleProperty(0);

    /** Jobs whose results are handed to the interface thread. */
    public Jobs(Executor interfaceThread) {
        this.interfaceThread = interfaceThread;
    }

    /** Something to compute. */
    @FunctionalInterface
    public interface Work<T> {
        /** Computes it, off the interface thread. */
        T run(Job job) throws Exception;
    }

    /** What is being done, in words; empty when nothing is. */
    public ReadOnlyStringProperty busyWith() {
        return busyWith;
    }

    /** How much of it is done, 0 to 1. */
    public ReadOnlyDoubleProperty progress() {
        return progress;
    }

    /** True while anything is unfinished. */
    public boolean busy() {
        return !running.isEmpty();
    }

    /**
     * Starts a job; call on the interface thread. Nothing starts once this is closed.
     *
     * @param name a job of the same name that is not finished is cancelled
     * @param words what it does, for people
     * @param done takes the result on the interface thread
     * @param failed takes the failure on the interface thread
     */
    public <T> void start(
            String name, String words, Work<T> work, Consumer<T> done, Consumer<Exception> failed) {
        cancel(name);
        if (workers.isShutdown()) {
            return;
        }
        AtomicBoolean cancelled = new AtomicBoolean();
        running.put(name, cancelled);
        busyWith.set(words);
        progress.set(0);
        Job job = job(cancelled);
        workers.execute(() -> {
            try {
                job.check();
                T result = work.run(job);
                interfaceThread.execute(() -> finish(name, cancelled, () -> done.accept(result)));
            } catch (CancellationException e) {
                interfaceThread.execute(() -> finish(name, cancelled, () -> {}));
            } catch (Exception e) {
                LOG.debug("{} failed", name, e);
                interfaceThread.execute(() -> finish(name, cancelled, () -> failed.accept(e)));
            } catch (OutOfMemoryError e) {
                Exception said =
                        new IllegalStateException(
                                words
                                        + ": the memory is full; close other songs or take fewer"
                                        + " stems");
                interfaceThread.execute(() -> finish(name, cancelled, () -> failed.accept(said)));
            }
        });
    }

    /**
     * Does something on the interface thread after a pause, unless it is cancelled or asked for
     * again meanwhile; counts as a job until then.
     *
     * @param name a wait or job of the same name is cancelled
     * @param pauseMillis how long to wait
     * @param then what to do
     */
    public void after(String name, long pauseMillis, Runnable then) {
        cancel(name);
        AtomicBoolean cancelled = new AtomicBoolean();
        running.put(name, cancelled);
        CompletableFuture.delayedExecutor(pauseMillis, TimeUnit.MILLISECONDS, interfaceThread)
                .execute(() -> finish(name, cancelled, then));
    }

    /** Does something on the interface thread after a pause that counts as no work. */
    void quietly(long pauseMillis, Runnable then) {
        CompletableFuture.delayedExecutor(pauseMillis, TimeUnit.MILLISECONDS, interfaceThread)
                .execute(() -> {
                    if (!workers.isShutdown()) {
                        then.run();
                    }
                });
    }

    /** Does something on the interface thread, unless a job is cancelled until then. */
    void later(Job job, Runnable then) {
        interfaceThread.execute(() -> {
            if (!job.cancelled()) {
                then.run();
            }
        });
    }

    /** Whether a job or a pause of a name is unfinished. */
    boolean awaits(String name) {
        return running.containsKey(name);
    }

    /** Stops a job, if it runs. */
    public void cancel(String name) {
        AtomicBoolean token = running.remove(name);
        if (token != null) {
            token.set(true);
            if (running.isEmpty()) {
                busyWith.set("");
            }
        }
    }

    /** Stops everything that runs. */
    public void cancelAll() {
        java.util.List.copyOf(running.keySet()).forEach(this::cancel);
    }

    private void finish(String name, AtomicBoolean token, Runnable then) {
        if (token.get()) {
            return;
        }
        running.remove(name);
        if (running.isEmpty()) {
            busyWith.set("");
        }
        then.run();
    }

    private Job job(AtomicBoolean cancelled) {
        return new Job() {
            @Override
            public void report(double share) {
                interfaceThread.execute(() -> progress.set(share));
            }

            @Override
            public boolean cancelled() {
                return cancelled.get();
            }
        };
    }

    /** Stops everything for good. */
    public void close() {
        running.values().forEach(token -> token.set(true));
        workers.shutdownNow();
    }
}
