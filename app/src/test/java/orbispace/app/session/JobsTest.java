package orbispace.app.session;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.CyclicBarrier;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.prefs.Preferences;
import orbispace.app.desk.UiLoop;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;

class JobsTest {
    private final UiLoop ui = new UiLoop();
    private final Jobs jobs = new Jobs(ui, new Editor());
    private final List<String> results = new ArrayList<>();
    private final List<String> failures = new ArrayList<>();

    @AfterEach
    void close() {
        jobs.close();
    }

    /** Returns once nothing that was begun before is at work any more. */
    private void bothWorkersWereFree() throws InterruptedException {
        CyclicBarrier together = new CyclicBarrier(2);
        AtomicInteger met = new AtomicInteger();
        for (String name : List.of("one", "other")) {
            jobs.start(
                    name,
                    "meets",
                    (job, d) -> together.await(),
                    (found, d) -> met.incrementAndGet(),
                    e -> failures.add(String.valueOf(e)));
        }
        ui.until(() -> met.get() == 2);
    }

    @Test
    void aNewerJobOfTheSameNameReplacesTheOlder() throws InterruptedException {
        CountDownLatch release = new CountDownLatch(1);
        jobs.start(
                "x",
                "first",
                (job, d) -> {
                    release.await();
                    job.check();
                    return "old";
                },
                (found, d) -> results.add(found),
                e -> failures.add(String.valueOf(e.getMessage())));
        jobs.start(
                "x",
                "second",
                (job, d) -> "new",
                (found, d) -> results.add(found),
                e -> failures.add(String.valueOf(e.getMessage())));
        release.countDown();
        ui.until(() -> !jobs.busy());
        bothWorkersWereFree();
        ui.drain();
        assertThat(results).containsExactly("new");
        assertThat(failures).isEmpty();
        assertThat(jobs.busyWith().get()).isEmpty();
    }

    @Test
    void failuresComeBackWithTheirWords() throws InterruptedException {
        jobs.<String>start(
                "y",
                "fails",
                (job, d) -> {
                    throw new IllegalStateException("the tide is out");
                },
                (found, d) -> results.add(found),
                e -> failures.add(String.valueOf(e.getMessage())));
        ui.until(() -> !failures.isEmpty());
        assertThat(failures).containsExactly("the tide is out");
        assertThat(results).isEmpty();
    }

    @Test
    void progressIsShownWhileItRuns() throws InterruptedException {
        jobs.start(
                "z",
                "counts",
                (job, d) -> {
                    job.report(0.5);
                    return "done";
                },
                (found, d) -> results.add(found),
                e -> failures.add(String.valueOf(e.getMessage())));
        assertThat(jobs.busyWith().get()).isEqualTo("counts");
        ui.until(() -> jobs.progress().get() == 0.5);
        ui.until(() -> !results.isEmpty());
        assertThat(jobs.busy()).isFalse();
    }

    @Test
    void aCancelledJobGivesNothing() throws InterruptedException {
        CountDownLatch release = new CountDownLatch(1);
        jobs.start(
                "w",
                "waits",
                (job, d) -> {
                    release.await();
                    return "late";
                },
                (found, d) -> results.add(found),
                e -> failures.add(String.valueOf(e.getMessage())));
        jobs.cancel("w");
        release.countDown();
        bothWorkersWereFree();
        ui.drain();
        assertThat(results).isEmpty();
        assertThat(jobs.busyWith().get()).isEmpty();
    }

    @Test
    void recentProjectsAreKeptNewestFirstWithoutRepeats() throws Exception {
        Preferences node = Preferences.userRoot().node("orbispace-test-" + System.nanoTime());
        try {
            RecentProjects recent = RecentProjects.inPreferences(node);
            for (String name : List.of("a", "b", "a", "c")) {
                recent.add(java.nio.file.Path.of(name));
            }
            assertThat(recent.list().stream().map(Object::toString)).containsExactly("c", "a", "b");
        } finally {
            node.removeNode();
        }
    }
}
