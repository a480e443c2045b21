package orbispace.app;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;

/** A clock that is set by hand. */
public final class HandClock extends Clock {
    private long millis = Instant.parse("2026-11-14T12:00:00Z").toEpochMilli();

    /** Lets time pass. */
    public void pass(double seconds) {
        millis += (long) (1000 * seconds);
    }

    @Override
    public ZoneId getZone() {
        return ZoneOffset.UTC;
    }

    @Override
    public Clock withZone(ZoneId zone) {
        return this;
    }

    @Override
    public Instant instant() {
        return Instant.ofEpochMilli(millis);
    }
}
