package orbispace.app.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import orbispace.app.HandClock;
import orbispace.core.ears.DailyWalk;
import orbispace.core.ears.LessonKind;
import org.junit.jupiter.api.Test;

class WalkingTest {
    private final HandClock watch = new HandClock();
    private final Walking walking = new Walking(watch);

    private static final List<DailyWalk.Stop> STOPS =
            List.of(
                    new DailyWalk.Stop("A", LessonKind.LEVEL, Optional.empty()),
                    new DailyWalk.Stop("B", LessonKind.DECAY, Optional.empty()),
                    new DailyWalk.Stop("A", LessonKind.DRIVE, Optional.empty()));

    @Test
    void oneAfterAnotherUntilNoneIsLeft() {
        assertThat(walking.stop()).isZero();
        walking.begin(STOPS);
        for (int i = 0; i < STOPS.size(); i++) {
            assertThat(walking.next()).contains(STOPS.get(i));
            assertThat(walking.stop()).isEqualTo(i + 1);
            watch.pass(70);
        }
        assertThat(walking.next()).isEmpty();
        assertThat(walking.stop()).isZero();
        assertThat(walking.late()).isFalse();
    }

    @Test
    void afterFourMinutesItEndsWhereverItIs() {
        walking.begin(STOPS);
        assertThat(walking.next()).isPresent();
        watch.pass(239);
        assertThat(walking.late()).isFalse();
        assertThat(walking.next()).isPresent();
        watch.pass(2);
        assertThat(walking.late()).isTrue();
        assertThat(walking.next()).isEmpty();
        assertThat(walking.stop()).isZero();
    }

    @Test
    void oneThatWasGivenUpCountsAnew() {
        walking.begin(STOPS);
        walking.next();
        watch.pass(500);
        walking.begin(STOPS);
        assertThat(walking.late()).isFalse();
        assertThat(walking.next()).contains(STOPS.getFirst());
        walking.end();
        assertThat(walking.next()).isEmpty();
    }
}
