package orbispace.app.desk;

import java.util.concurrent.Executor;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.function.BooleanSupplier;

/** Stands in for the interface thread: runs what was handed to it while a test waits. */
public final class UiLoop implements Executor {
    private final LinkedBlockingQueue<Runnable> queue = new LinkedBlockingQueue<>();

    @Override
    public void execute(Runnable task) {
        queue.add(task);
    }

    /** Runs what waits. */
    public void drain() {
        for (Runnable task = queue.poll(); task != null; task = queue.poll()) {
            task.run();
        }
    }

    /** Runs tasks until a condition holds; fails after five minutes. */
    public void until(BooleanSupplier done) throws InterruptedException {
        long end = System.nanoTime() + TimeUnit.SECONDS.toNanos(300);
        while (!done.getAsBoolean()) {
            Runnable task = queue.poll(50, TimeUnit.MILLISECONDS);
            if (task != null) {
                task.run();
            }
            if (System.nanoTime() > end) {
                throw new AssertionError("waited in vain");
            }
        }
    }
}
