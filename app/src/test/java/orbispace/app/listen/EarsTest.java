package orbispace.app.listen;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import orbispace.app.HandClock;
import orbispace.app.Songs;
import orbispace.app.desk.Desk;
import orbispace.app.desk.UiLoop;
import orbispace.app.session.RecentProjects;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;

class EarsTest {
    private final RecentProjects kept = RecentProjects.inMemory();
    private final HandClock clock = new HandClock();
    private final Desk desk = new Desk(new UiLoop(), kept, Songs.facts());
    private Ears ears = open();

    private Ears open() {
        return new Ears(desk.frame().transport(), desk.frame().measured().mix(), kept, clock);
    }

    private void listen(double seconds) {
        desk.frame().transport().playing().set(true);
        clock.pass(seconds);
        desk.frame().transport().playing().set(false);
    }

    @AfterEach
    void close() {
        desk.close();
    }

    @Test
    void theDaysListeningIsKnownAtTheNextStartAndForgottenTheNextDay() {
        ears.read(85);
        listen(1800);
        assertThat(ears.exposure().get().seconds()).isEqualTo(1800);
        assertThat(ears.exposure().get().dose()).isCloseTo(1800 / (8 * 3600.0), within(1e-9));
        clock.pass(60);
        ears = open();
        assertThat(ears.exposure().get().seconds()).isEqualTo(1800);
        assertThat(ears.exposure().get().sinceRestSeconds()).isEqualTo(1800);
        assertThat(ears.exposure().get().offsetDb()).isPresent();
        clock.pass(900);
        ears = open();
        assertThat(ears.exposure().get().sinceRestSeconds()).isZero();
        clock.pass(24 * 3600);
        ears = open();
        assertThat(ears.exposure().get().seconds()).isZero();
        kept.remember("ears-today", "2026-11-15 nonsense 1 2 3 4");
        assertThat(open().exposure().get().seconds()).isZero();
    }

    @Test
    void whatIsJudgedLateIsToBeJudgedAgainRested() {
        assertThat(ears.judged("the blind trial")).isEmpty();
        listen(3700);
        assertThat(ears.judged("the blind trial").orElseThrow())
                .isEqualTo("judged after 61 min without a rest");
        ears.judged("the blind trial");
        assertThat(ears.late()).containsExactly("the blind trial");
        ears.rested();
        assertThat(ears.judged("snapshot Ebb")).isEmpty();
        assertThat(ears.late()).containsExactly("the blind trial");
        ears.judgedAgain();
        assertThat(ears.late()).isEmpty();
    }

    @Test
    void whoDoesNotWantToBeToldIsNotToldAtTheNextStartEither() {
        ears.told().set(false);
        assertThat(open().told().get()).isFalse();
        ears.told().set(true);
        assertThat(open().told().get()).isTrue();
    }
}
