package orbispace.app.desk;

import java.time.Clock;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import orbispace.core.ears.DailyWalk;

/** A walk of short lessons that is under way, until none is left or its time is over. */
final class Walking {
    private final Clock clock;
    private final Deque<DailyWalk.Stop> ahead = new ArrayDeque<>();
    private long began;
    private int stop;

    /** No walk yet. */
    Walking(Clock clock) {
        this.clock = clock;
    }

    /** Sets out. */
    void begin(List<DailyWalk.Stop> stops) {
        end();
        ahead.addAll(stops);
        began = clock.millis();
    }

    /** The next lesson; empty, and the walk at its end, if there is none or no time for it. */
    Optional<DailyWalk.Stop> next() {
        Optional<DailyWalk.Stop> next =
                over() ? Optional.empty() : Optional.ofNullable(ahead.poll());
        if (next.isEmpty()) {
            end();
        } else {
            stop++;
        }
        return next;
    }

    /** Which lesson is taken, counted from 1; 0 without a walk. */
    int stop() {
        return stop;
    }

    /** Whether one is under way whose time is over. */
    boolean late() {
        return stop > 0 && over();
    }

    private boolean over() {
        return clock.millis() - began > 1000 * DailyWalk.MOST_SECONDS;
    }

    void end() {
        ahead.clear();
        stop = 0;
    }
}
