package orbispace.app.desk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Objects;
import java.util.Random;
import orbispace.app.Songs;
import orbispace.app.session.RecentProjects;
import orbispace.core.audio.Decibels;
import orbispace.core.clear.PartMatch;
import orbispace.core.design.Design;
import orbispace.core.design.Duck;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.ears.EarPlace;
import orbispace.core.ears.LessonKind;
import orbispace.core.ears.Outcome;
import orbispace.core.ears.TakenLesson;
import orbispace.core.render.Job;
import orbispace.core.time.Span;
import orbispace.files.FileProblem;
import orbispace.files.project.EarsFile;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class LessonsTest {
    @TempDir Path folder;

    private final UiLoop ui = new UiLoop();
    private final Desk desk = new Desk(ui, RecentProjects.inMemory(), Songs.facts());
    private final Lessons lessons = desk.prove().ownEars().lessons();
    private final EarKeeping keeping = desk.prove().ownEars().keeping();

    @BeforeEach
    void open() throws IOException, InterruptedException {
        desk.frame().opening().open(Songs.write(folder));
        ui.until(() ->
                desk.frame().measured().clearance().get() != null && !desk.frame().jobs().busy());
        keeping.keepIn(folder.resolve("mine" + EarsFile.SUFFIX));
    }

    @AfterEach
    void close() {
        desk.close();
    }

    private Design design() {
        return desk.frame().design().get();
    }

    private Return hall() {
        return design().requireReturn("A");
    }

    private LessonState state() {
        return Objects.requireNonNull(lessons.state().get());
    }

    private BlindSound heard(boolean first) {
        lessons.hear(first);
        assertThat(state().hearsFirst()).isEqualTo(first);
        return lessons.heard().orElseThrow();
    }

    private static double level(BlindSound heard) {
        return heard.design().requireReturn("A").levelDb();
    }

    @Test
    void aLessonFindsWhatAnEarTellsAndKeepsItInTheEngineersFile()
            throws InterruptedException, FileProblem {
        Design before = design();
        assertThat(keeping.listens(" ")).isFalse();
        assertThat(keeping.listens("Ada")).isTrue();
        lessons.begin(LessonKind.LEVEL, hall());
        ui.until(() -> state().ready());
        assertThat(desk.frame().transport().playing().get()).isTrue();
        Random luck = new Random(3);
        int rounds = 0;
        while (state().taken().isEmpty()) {
            ui.until(() -> state().ready());
            rounds++;
            assertThat(state().round()).isEqualTo(rounds);
            double more = level(heard(true)) - level(heard(false));
            assertThat(Math.min(level(heard(true)), level(heard(false))))
                    .isEqualTo(hall().levelDb());
            // This ear tells a decibel and guesses below.
            lessons.answer(Math.abs(more) > 1 ? more > 0 : luck.nextBoolean());
        }
        ui.until(() -> !desk.frame().jobs().busy());
        TakenLesson taken = state().taken().orElseThrow();
        assertThat(taken.outcome()).isInstanceOf(Outcome.Heard.class);
        assertThat(((Outcome.Heard) taken.outcome()).difference()).isBetween(0.5, 2.0);
        assertThat(lessons.heard()).isEmpty();
        ui.until(() -> !desk.frame().jobs().busy());
        assertThat(EarsFile.read(folder.resolve("mine" + EarsFile.SUFFIX))).containsExactly(taken);
        assertThat(taken.engineer()).isEqualTo("Ada");
        assertThat(design()).isEqualTo(before);
        assertThat(desk.frame().editor().dirty().get()).isFalse();
        lessons.begin(LessonKind.LEVEL, hall());
        ui.until(() -> state().ready());
        for (int i = 0; i < 6 && state().taken().isEmpty(); i++) {
            lessons.answer(!lessons.firstHasMore());
        }
        assertThat(state().taken().orElseThrow().outcome()).isInstanceOf(Outcome.NotHeard.class);
        ui.until(() -> !desk.frame().jobs().busy());
        assertThat(EarsFile.read(folder.resolve("mine" + EarsFile.SUFFIX))).hasSize(2);
    }

    /** A return that has something of a kind; a ducker is put in for a lesson about it. */
    private Return having(LessonKind kind) throws InterruptedException {
        if (kind == LessonKind.DUCKING) {
            desk.frame()
                    .edit(
                            new ReturnEdit.Ducking(
                                    "A", new Duck("lead-voice", 6, -30, 4, 6, 10, 100, 200)));
            ui.until(() -> !desk.frame().jobs().busy());
        }
        return design().returns().stream()
                .filter(r -> kind.greatest(r).isPresent())
                .findFirst()
                .orElseThrow();
    }

    @ParameterizedTest
    @EnumSource(value = LessonKind.class, mode = EnumSource.Mode.EXCLUDE, names = "LEVEL")
    void bothSoundsAreEquallyLoudBeginQuietlyAndDifferByWhatIsSaid(LessonKind kind)
            throws InterruptedException {
        Return r = having(kind);
        lessons.begin(kind, r);
        ui.until(() -> state().ready());
        BlindSound first = heard(true);
        BlindSound second = heard(false);
        BlindSound more = lessons.firstHasMore() ? first : second;
        BlindSound asItIs = lessons.firstHasMore() ? second : first;
        assertThat(asItIs.design()).isEqualTo(design());
        double by = lessons.difference();
        assertThat(by).isPositive().isLessThanOrEqualTo(kind.greatest(r).orElseThrow() / 2);
        assertThat(more.design()).isEqualTo(kind.edit(design(), r, by).applyTo(design()));
        assertThat(more.design()).isNotEqualTo(design());
        assertThat(Loud.lufs(desk, more)).isCloseTo(Loud.lufs(desk, asItIs), within(0.1));
        assertThat(Math.max(more.gainDb(), asItIs.gainDb())).isEqualTo(-16);
        lessons.answer(true);
        ui.until(() -> state().ready());
        assertThat(Math.max(heard(true).gainDb(), heard(false).gainDb())).isEqualTo(-12);
    }

    @Test
    void bothSoundsCanBeMatchedByWhatTheReturnTakes() throws InterruptedException {
        lessons.byPart(true);
        lessons.begin(LessonKind.DECAY, hall());
        ui.until(() -> state().ready());
        BlindSound first = heard(true);
        BlindSound second = heard(false);
        BlindSound more = lessons.firstHasMore() ? first : second;
        BlindSound asItIs = lessons.firstHasMore() ? second : first;
        assertThat(more.factors().keySet()).isEqualTo(hall().sends().keySet());
        assertThat(more.gainDb()).isEqualTo(-16);
        Span span = desk.frame().span();
        PartMatch.Gains gains =
                PartMatch.between(
                        desk.frame().measured().analysis(design(), span).orElseThrow().get(),
                        design(),
                        more.design(),
                        hall().sends().keySet(),
                        span,
                        Job.QUIET);
        assertThat(gains.reached()).isTrue();
        assertThat(more.factors().values())
                .allMatch(f -> Math.abs(f - Decibels.toAmplitude(gains.afterDb())) < 1e-9);
        assertThat(asItIs.factors().values())
                .allMatch(f -> Math.abs(f - Decibels.toAmplitude(gains.beforeDb())) < 1e-9);
    }

    @Test
    void aLessonBeginsOverWhatWasFoundLast() throws InterruptedException, FileProblem {
        TakenLesson last =
                new TakenLesson(
                        java.time.LocalDate.of(2026, 11, 30),
                        "Ada",
                        EarPlace.HEADPHONES,
                        new TakenLesson.Subject(design().song().title(), "", hall().name()),
                        LessonKind.LEVEL,
                        new Outcome.Heard(0.5, 0.4, 0.6, 33));
        EarsFile.write(folder.resolve("mine" + EarsFile.SUFFIX), java.util.List.of(last));
        keeping.listens("Ada");
        keeping.read();
        ui.until(() -> !keeping.mine().isEmpty());
        lessons.begin(LessonKind.LEVEL, hall());
        ui.until(() -> state().ready());
        assertThat(lessons.difference()).isCloseTo(0.5 * Math.pow(2, 2.5), within(1e-9));
        lessons.begin(LessonKind.DECAY, hall());
        ui.until(() -> state().ready());
        assertThat(lessons.difference()).isNotCloseTo(0.5 * Math.pow(2, 2.5), within(1e-3));
    }

    @Test
    void aChangeOfTheSongEndsALessonAndWhatAReturnLacksIsSaid() throws InterruptedException {
        lessons.begin(LessonKind.ECHO_TIME, hall());
        assertThat(lessons.state().get()).isNull();
        assertThat(desk.frame().problem().get()).contains("nothing for a lesson in echo time");
        lessons.begin(LessonKind.LEVEL, hall());
        ui.until(() -> state().ready());
        lessons.answer(lessons.firstHasMore());
        desk.frame().edit(new ReturnEdit.Level("A", -9));
        assertThat(lessons.state().get()).isNull();
        assertThat(lessons.heard()).isEmpty();
        assertThat(desk.frame().problem().get()).contains("The lesson has ended");
        lessons.begin(LessonKind.LEVEL, hall());
        assertThat(lessons.state().get()).isNotNull();
        var sections = design().song().sections();
        var chosen = desk.frame().selection().section();
        chosen.set(sections.getFirst().equals(chosen.get()) ? null : sections.getFirst());
        assertThat(lessons.state().get()).isNull();
        assertThat(desk.frame().problem().get()).contains("another section was chosen");
        assertThat(Files.exists(folder.resolve("mine" + EarsFile.SUFFIX))).isFalse();
    }
}
