package orbispace.app.session;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CancellationException;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.Executor;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import javafx.beans.property.DoubleProperty;
import javafx.beans.property.ReadOnlyDoubleProperty;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.SimpleDoubleProperty;
import javafx.beans.property.SimpleStringProperty;
import javafx.beans.property.StringProperty;
import orbispace.app.song.CacheFolder;
import orbispace.app.song.FullMemory;
import orbispace.core.design.Design;
import orbispace.core.render.Job;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** Work in the background. A job replaces an unfinished one of the same name. */
public final class Jobs {
    private static final Logger LOG = LoggerFactory.getLogger(Jobs.class);

    private final Executor interfaceThread;
    private final Editor editor;
    private final ExecutorService workers =
            Executors.newFixedThreadPool(
                    2,
                    task -> {
                        Thread thread = new Thread(task, "orbispace-work");
                        thread.setDaemon(true);
                        thread.setPriority(Thread.NORM_PRIORITY - 1);
                        return thread;
                    });
    private final Map<String, Running> running = new LinkedHashMap<>();
    private final StringProperty busyWith = new SimpleStringProperty("");
    private final DoubleProperty progress = new SimpleDoubleProperty(0);

    /**
     * Jobs whose results are handed to the interface thread.
     *
     * @param editor gives each job the design that it is begun for, and says what failed
     */
    public Jobs(Executor interfaceThread, Editor editor) {
        this.interfaceThread = interfaceThread;
        this.editor = editor;
    }

    /** Something to compute. */
    @FunctionalInterface
    public interface Work<T> {
        /**
         * Computes it, off the interface thread.
         *
         * @param design the design as it stood when the job was begun
         */
        T run(Job job, Design design) throws Exception;
    }

    /** Takes what was computed, on the interface thread. */
    @FunctionalInterface
    public interface Taking<T> {
        /**
         * Takes it.
         *
         * @param design the design that it was computed for; the one that stands by now may be
         *     another, so what would change it goes through {@link Editor#adopt}
         */
        void take(T found, Design design);
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
     * Starts a job of the open song, and ends with it: of one begun for another song nothing is
     * taken. Nothing starts once this is closed; a failure is said as the editor's problem.
     *
     * @param name a job of the same name that is not finished is cancelled
     * @param words what it does, for people
     * @param done takes the result on the interface thread
     */
    public <T> void start(String name, String words, Work<T> work, Taking<T> done) {
        start(name, words, work, done, editor::failed);
    }

    /** The same for a result that says by itself what it is about. */
    public <T> void start(String name, String words, Work<T> work, Consumer<T> done) {
        start(name, words, work, (found, design) -> done.accept(found), editor::failed);
    }

    /**
     * The same for a job whose failure is shown elsewhere.
     *
     * @param failed takes the failure on the interface thread
     */
    public <T> void start(
            String name, String words, Work<T> work, Taking<T> done, Consumer<Exception> failed) {
        start(name, new Running(words, true, editor.now()), work, done, failed);
    }

    /** The same for a job that goes on when another song is opened, and changes no song. */
    public <T> void startBeyondSong(
            String name, String words, Work<T> work, Consumer<T> done, Consumer<Exception> failed) {
        start(
                name,
                new Running(words, false, editor.now()),
                work,
                (found, design) -> done.accept(found),
                failed);
    }

    private <T> void start(
            String name, Running token, Work<T> work, Taking<T> done, Consumer<Exception> failed) {
        cancel(name);
        if (workers.isShutdown()) {
            return;
        }
        running.put(name, token);
        show();
        Job job = reporting(token);
        workers.execute(() -> {
            try {
                job.check();
                T result = work.run(job, token.design);
                interfaceThread.execute(() -> {
                    if (finish(name, token)) {
                        deliver(token, result, done, failed);
                    }
                });
            } catch (CancellationException e) {
                interfaceThread.execute(() -> finish(name, token));
            } catch (Throwable e) {
                Exception said = said(token.words, e);
                interfaceThread.execute(() -> {
                    if (finish(name, token)) {
                        failed.accept(said);
                    }
                });
            }
        });
    }

    /** A result that cannot be taken is a failure as well. */
    private static <T> void deliver(
            Running token, T result, Taking<T> done, Consumer<Exception> failed) {
        try {
            done.take(result, token.design);
        } catch (RuntimeException e) {
            failed.accept(said(token.words, e));
        }
    }

    /** A failure that has words for people has its own; any other is said with what was done. */
    private static Exception said(String words, Throwable e) {
        if (e instanceof Exception known && known.getMessage() != null) {
            return known;
        }
        if (e instanceof OutOfMemoryError) {
            return new IllegalStateException(words + ": " + FullMemory.words(), e);
        }
        LOG.error("{}", words, e);
        return new IllegalStateException(
                words
                        + ": ended by a fault of the program, "
                        + e
                        + "; "
                        + CacheFolder.log()
                        + " says where",
                e);
    }

    /**
     * Does something after a pause, unless it is cancelled or asked for again meanwhile; counts as
     * a job of the open song until then.
     *
     * @param name a wait or job of the same name is cancelled
     * @param pauseMillis how long to wait
     * @param then what to do
     */
    public void after(String name, long pauseMillis, Runnable then) {
        cancel(name);
        Running token = new Running("", true, editor.now());
        running.put(name, token);
        CompletableFuture.delayedExecutor(pauseMillis, TimeUnit.MILLISECONDS, interfaceThread)
                .execute(() -> {
                    if (finish(name, token)) {
                        then.run();
                    }
                });
    }

    /** Does something on the interface thread after a pause that counts as no work. */
    public void quietly(long pauseMillis, Runnable then) {
        CompletableFuture.delayedExecutor(pauseMillis, TimeUnit.MILLISECONDS, interfaceThread)
                .execute(() -> {
                    if (!workers.isShutdown()) {
                        then.run();
                    }
                });
    }

    /** Does something on the interface thread, unless a job is cancelled until then. */
    public void later(Job job, Runnable then) {
        interfaceThread.execute(() -> {
            if (!job.cancelled()) {
                then.run();
            }
        });
    }

    /** Whether one of a name is unfinished. */
    public boolean awaits(String name) {
        return running.containsKey(name);
    }

    /** Stops a job, if it runs. */
    public void cancel(String name) {
        Running token = running.remove(name);
        if (token != null) {
            token.cancelled = true;
            show();
        }
    }

    /** Stops all of them. */
    public void cancelAll() {
        List.copyOf(running.keySet()).forEach(this::cancel);
    }

    /** Another song is open: what was begun for the one before ends, and nothing of it is taken. */
    public void endSong() {
        List.copyOf(running.entrySet()).stream()
                .filter(e -> e.getValue().ofSong)
                .forEach(e -> cancel(e.getKey()));
    }

    /** Takes a job out; false if it was cancelled, or replaced. */
    private boolean finish(String name, Running token) {
        if (token.cancelled) {
            return false;
        }
        running.remove(name);
        show();
        return true;
    }

    /** Shows the job that was begun last of those that run. */
    private void show() {
        Running shown = null;
        for (Running r : running.values()) {
            shown = r.words.isEmpty() ? shown : r;
        }
        busyWith.set(shown == null ? "" : shown.words);
        progress.set(shown == null ? 0 : shown.share);
    }

    private Job reporting(Running token) {
        return new Job() {
            @Override
            public void report(double share) {
                interfaceThread.execute(() -> {
                    token.share = share;
                    show();
                });
            }

            @Override
            public boolean cancelled() {
                return token.cancelled;
            }
        };
    }

    /** Stops everything for good. */
    public void close() {
        running.values().forEach(token -> token.cancelled = true);
        workers.shutdownNow();
    }
}
