package orbispace.app.view.frame;

import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.TimeUnit;
import javafx.animation.AnimationTimer;
import javafx.application.Platform;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.value.ChangeListener;

/**
 * Ticks on the interface thread with every picture while something plays, and a few times a second
 * while nothing does, so that a window that waits costs nothing.
 */
public final class PlayClock implements AutoCloseable {
    private static final long SLOW_MILLIS = 400;

    private final ReadOnlyBooleanProperty playing;
    private final Runnable tick;
    private final ChangeListener<Boolean> turned;
    private final AnimationTimer fast;
    private final ScheduledExecutorService slow =
            Executors.newSingleThreadScheduledExecutor(task -> {
                Thread thread = new Thread(task, "orbispace-clock");
                thread.setDaemon(true);
                return thread;
            });

    /** A clock that stands until it is started. */
    public PlayClock(ReadOnlyBooleanProperty playing, Runnable tick) {
        this.playing = playing;
        this.tick = tick;
        fast =
                new AnimationTimer() {
                    @Override
                    public void handle(long now) {
                        tick.run();
                    }
                };
        turned = (o, was, is) -> turn();
    }

    /** Begins to tick. */
    public void start() {
        playing.addListener(turned);
        ScheduledFuture<?> _ =
                slow.scheduleAtFixedRate(
                        () -> Platform.runLater(this::tickSlowly),
                        SLOW_MILLIS,
                        SLOW_MILLIS,
                        TimeUnit.MILLISECONDS);
        turn();
    }

    private void tickSlowly() {
        if (!playing.get()) {
            tick.run();
        }
    }

    private void turn() {
        if (playing.get()) {
            fast.start();
        } else {
            fast.stop();
        }
    }

    /** Stands for good. */
    @Override
    public void close() {
        playing.removeListener(turned);
        fast.stop();
        slow.shutdownNow();
    }
}
