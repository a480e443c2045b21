package orbispace.app.view.frame;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.concurrent.atomic.AtomicInteger;
import javafx.application.Platform;
import javafx.beans.property.SimpleBooleanProperty;
import orbispace.app.view.WindowCase;
import org.junit.jupiter.api.Test;

/** The clock runs with the pictures while something plays and hardly at all while nothing does. */
class PlayClockTest extends WindowCase {
    private static int after(AtomicInteger ticks, long millis) throws InterruptedException {
        int before = ticks.get();
        Thread.sleep(millis);
        return ticks.get() - before;
    }

    @Test
    void aWindowThatWaitsTicksAFewTimesASecond() throws InterruptedException {
        SimpleBooleanProperty playing = new SimpleBooleanProperty();
        AtomicInteger ticks = new AtomicInteger();
        try (PlayClock clock = new PlayClock(playing, ticks::incrementAndGet)) {
            robot.interact(clock::start);
            until(() -> ticks.get() > 1);
            assertThat(after(ticks, 2000)).isBetween(1, 20);
            robot.interact(() -> playing.set(true));
            until(() -> {
                Platform.requestNextPulse();
                return ticks.get() > 60;
            });
            robot.interact(() -> playing.set(false));
            assertThat(after(ticks, 2000)).isBetween(1, 20);
        }
        drawn();
        assertThat(after(ticks, 700)).isZero();
    }
}
