package orbispace.app.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import orbispace.core.ears.DailyWalk;
import orbispace.core.ears.LessonKind;
import org.junit.jupiter.api.Test;

class WalkingTest {
    private final Watch watch = new Watch();
    private final Walking walking = new Walking(watch);

    private static final List<DailyWalk.Stop> STOPS =
            List.of(
                    new DailyWalk.Stop("A", LessonKind.LEVEL, Optional.empty()),
                    new DailyWalk.Stop("B", LessonKind.DECAY, Optional.empty()),
                    new DailyWalk.Stop("A", LessonKind.DRIVE, Optional.empty()));

    /** A clock that is turned by hand. */
    private static final class Watch extends Clock {
        private Instant now = Instant.EPOCH;

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
            return now;
        }

        void goes(double seconds) {
            now = now.plus(Duration.ofMillis(Math.round(1000 * seconds)));
        }
    }

    @Test
    void oneAfterAnotherUntilNoneIsLeft() {
        assertThat(walking.stop()).isZero();
        walking.begin(STOPS);
        for (int i = 0; i < STOPS.size(); i++) {
            assertThat(walking.next()).contains(STOPS.get(i));
            assertThat(walking.stop()).isEqualTo(i + 1);
            watch.goes(70);
        }
        assertThat(walking.next()).isEmpty();
        assertThat(walking.stop()).isZero();
        assertThat(walking.late()).isFalse();
    }

    @Test
    void afterFourMinutesItEndsWhereverItIs() {
        walking.begin(STOPS);
        assertThat(walking.next()).isPresent();
        watch.goes(239);
        assertThat(walking.late()).isFalse();
        assertThat(walking.next()).isPresent();
        watch.goes(2);
        assertThat(walking.late()).isTrue();
        assertThat(walking.next()).isEmpty();
        assertThat(walking.stop()).isZero();
    }

    @Test
    void oneThatWasGivenUpCountsAnew() {
        walking.begin(STOPS);
        walking.next();
        watch.goes(500);
        walking.begin(STOPS);
        assertThat(walking.late()).isFalse();
        assertThat(walking.next()).contains(STOPS.getFirst());
        walking.end();
        assertThat(walking.next()).isEmpty();
    }
}
