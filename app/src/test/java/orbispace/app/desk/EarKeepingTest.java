package orbispace.app.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import orbispace.app.AdasLessons;
import orbispace.app.Songs;
import orbispace.app.session.RecentProjects;
import orbispace.core.ears.BriefRounds;
import orbispace.core.ears.DailyWalk;
import orbispace.core.ears.EarPlace;
import orbispace.core.ears.LessonKind;
import orbispace.core.ears.TakenLesson;
import orbispace.core.hearing.Borders;
import orbispace.files.FileProblem;
import orbispace.files.project.EarsFile;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class EarKeepingTest {
    @TempDir Path folder;

    private final UiLoop ui = new UiLoop();
    private final Desk desk = new Desk(ui, RecentProjects.inMemory(), Songs.facts());
    private final OwnEars own = desk.prove().ownEars();
    private final EarKeeping keeping = own.keeping();
    private Path file = Path.of("");
    private Path project = Path.of("");

    @BeforeEach
    void open() throws IOException, InterruptedException {
        project = Songs.write(folder);
        desk.frame().opening().open(project);
        idle();
        file = folder.resolve("mine" + EarsFile.SUFFIX);
        keeping.keepIn(file);
        keeping.listens("Ada");
    }

    @AfterEach
    void close() {
        desk.close();
    }

    private void idle() throws InterruptedException {
        ui.until(() ->
                desk.frame().measured().clearance().get() != null && !desk.frame().jobs().busy());
    }

    @Test
    void ownBordersActOnlyWhenAskedAndOnePressGoesBackToTheLastByte()
            throws IOException, InterruptedException, FileProblem {
        EarsFile.write(file, AdasLessons.of(12, -5));
        keeping.read();
        idle();
        assertThat(keeping.telling()).isEqualTo(12);
        assertThat(keeping.used()).isEqualTo(Borders.MODEL);
        var before = desk.frame().design().get();
        desk.frame().opening().save(project);
        idle();
        byte[] saved = Files.readAllBytes(project);
        keeping.use();
        assertThat(keeping.used().offsetDb()).isEqualTo(-2.25);
        assertThat(keeping.used().words()).contains("ears of Ada, headphones");
        idle();
        desk.frame().opening().save(project);
        idle();
        assertThat(Files.readString(project)).contains("\"borders\"");
        keeping.leave();
        assertThat(desk.frame().design().get()).isEqualTo(before);
        idle();
        desk.frame().opening().save(project);
        idle();
        assertThat(design(Files.readAllBytes(project))).isEqualTo(design(saved));
    }

    /** What stands in a project but its log, in which judging by one's ears is noted. */
    private static String design(byte[] project) {
        String text = new String(project, java.nio.charset.StandardCharsets.UTF_8);
        int log = text.indexOf("\"log\"");
        return log < 0 ? text : text.substring(0, log);
    }

    @Test
    void withTooFewLessonsNothingIsUsed() throws InterruptedException, FileProblem {
        EarsFile.write(file, AdasLessons.of(11, -5));
        keeping.read();
        idle();
        var before = desk.frame().design().get();
        keeping.use();
        assertThat(desk.frame().design().get()).isEqualTo(before);
        keeping.listensAt(EarPlace.LOUDSPEAKERS);
        assertThat(keeping.mine()).isEmpty();
    }

    @Test
    void aWalkIsThreeShortLessonsOfDifferentKinds() throws InterruptedException, FileProblem {
        own.lessons().walk();
        List<LessonKind> kinds = new ArrayList<>();
        for (int stop = 1; stop <= DailyWalk.LESSONS; stop++) {
            int at = stop;
            ui.until(() -> state().stop() == at && state().ready());
            assertThat(state().most()).isEqualTo(BriefRounds.MOST_ANSWERS);
            kinds.add(state().kind());
            for (int i = 0; i < BriefRounds.MOST_ANSWERS; i++) {
                int round = i + 1;
                ui.until(() -> state().ready() && state().round() == round);
                own.lessons().answer(own.lessons().firstHasMore());
            }
        }
        ui.until(() -> !desk.frame().jobs().busy());
        assertThat(Set.copyOf(kinds)).hasSize(DailyWalk.LESSONS);
        assertThat(own.heard()).isEmpty();
        List<TakenLesson> kept = EarsFile.read(file);
        assertThat(kept).extracting(TakenLesson::kind).containsExactlyInAnyOrderElementsOf(kinds);
        assertThat(kept).allMatch(l -> l.predicted().isPresent());
        assertThat(keeping.mine()).hasSize(DailyWalk.LESSONS);
        // Short lessons do not tell of borders.
        assertThat(keeping.telling()).isZero();
    }

    private LessonState state() {
        return Objects.requireNonNull(own.lessons().state().get());
    }
}
