package orbispace.app.desk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Path;
import java.util.Objects;
import orbispace.app.Songs;
import orbispace.app.session.RecentProjects;
import orbispace.core.design.Design;
import orbispace.core.design.FieldEdit;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.ears.Belief;
import orbispace.core.ears.LessonKind;
import orbispace.core.prove.compare.BlindTrial;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class BeliefsTest {
    @TempDir Path folder;

    private final UiLoop ui = new UiLoop();
    private final Desk desk = new Desk(ui, RecentProjects.inMemory(), Songs.facts());
    private final OwnEars own = desk.prove().ownEars();
    private final Beliefs beliefs = own.beliefs();

    @BeforeEach
    void open() throws IOException, InterruptedException {
        desk.frame().opening().open(Songs.write(folder));
        ui.until(() ->
                desk.frame().measured().clearance().get() != null && !desk.frame().jobs().busy());
    }

    @AfterEach
    void close() {
        desk.close();
    }

    private Design design() {
        return desk.frame().design().get();
    }

    private BeliefState state() {
        return Objects.requireNonNull(beliefs.state().get());
    }

    private BlindSound sound() {
        return own.heard().orElseThrow();
    }

    /** A return that a belief can be tried on; one is added where a song has too few. */
    private Return having(Belief belief) throws InterruptedException {
        if (belief == Belief.ONE_SPACE) {
            Return a = design().requireReturn("A");
            Return other =
                    new Return(
                            "Z", "Room", a.sends(), a.feeds(), a.chain(), a.levelDb(), a.timing());
            desk.frame().edit(new FieldEdit.Add(other, 0));
            ui.until(() -> !desk.frame().jobs().busy());
        }
        return design().returns().stream()
                .filter(r -> belief.two(design(), r).isPresent())
                .findFirst()
                .orElseThrow();
    }

    @ParameterizedTest
    @EnumSource(Belief.class)
    void bothAreTheTwoThatAreNamedAndEquallyLoud(Belief belief) throws InterruptedException {
        Return r = having(belief);
        Design before = design();
        beliefs.begin(belief, r);
        assertThat(own.heard()).isEmpty();
        ui.until(() -> state().ready());
        Belief.Two two = belief.two(design(), r).orElseThrow();
        boolean which = belief.asks() == BlindTrial.Kind.WHICH;
        if (which) {
            assertThat(sound().design()).isEqualTo(beliefs.hiddenIsA() ? two.a() : two.b());
        }
        beliefs.hear(true);
        BlindSound first = sound();
        beliefs.hear(false);
        BlindSound second = sound();
        boolean inOrder = which || beliefs.hiddenIsA();
        assertThat(first.design()).isEqualTo(inOrder ? two.a() : two.b());
        assertThat(second.design()).isEqualTo(inOrder ? two.b() : two.a());
        assertThat(Loud.lufs(desk, first)).isCloseTo(Loud.lufs(desk, second), within(0.1));
        assertThat(design()).isEqualTo(before);
    }

    @Test
    void aTrialIsToldAtItsEndAndLogged() throws InterruptedException {
        beliefs.begin(Belief.LONGER, having(Belief.LONGER));
        ui.until(() -> state().ready());
        for (int i = 0; i < Belief.ROUNDS; i++) {
            assertThat(state().result()).isEmpty();
            assertThat(state().words()).isEmpty();
            assertThat(state().answered()).isEqualTo(i);
            assertThat(state().hears()).isNull();
            beliefs.answer(beliefs.hiddenIsA());
        }
        assertThat(state().words()).contains("12 of 12 right", "The difference was heard");
        assertThat(own.heard()).isEmpty();
        assertThat(desk.prove().log().book().get().entries().getLast().what())
                .startsWith("Belief on trial, \u201ca tail a tenth longer is not heard\u201d")
                .contains("12 of 12 right", "Hidden/said and seconds");
        beliefs.answer(true);
        assertThat(state().answered()).isEqualTo(Belief.ROUNDS);
    }

    @Test
    void oneThingIsHeardBlindAtATime() throws InterruptedException {
        Return r = having(Belief.LONGER);
        beliefs.begin(Belief.LONGER, r);
        ui.until(() -> state().ready());
        own.lessons().begin(LessonKind.LEVEL, r);
        assertThat(beliefs.state().get()).isNull();
        beliefs.begin(Belief.LONGER, r);
        assertThat(own.lessons().state().get()).isNull();
        desk.prove().proving().beginTrial(BlindTrial.Kind.WHICH, 8);
        assertThat(beliefs.state().get()).isNull();
        assertThat(desk.prove().proving().trial().get()).isNotNull();
        own.lessons().begin(LessonKind.LEVEL, r);
        assertThat(desk.prove().proving().trial().get()).isNull();
        ui.until(() -> own.heard().isPresent());
    }

    @Test
    void aChangeOfTheSongEndsATrialAndWhatAReturnLacksIsSaid() throws InterruptedException {
        Return r = having(Belief.LONGER);
        beliefs.begin(Belief.LONGER, r);
        ui.until(() -> state().ready());
        desk.frame().edit(new ReturnEdit.Level(r.id(), -9));
        assertThat(beliefs.state().get()).isNull();
        assertThat(desk.frame().problem().get()).contains("The trial has ended");
        beliefs.begin(Belief.ON_THE_GRID, r);
        assertThat(beliefs.state().get()).isNull();
        assertThat(desk.frame().problem().get()).contains("nothing for this trial");
    }
}
