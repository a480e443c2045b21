package orbispace.app.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import orbispace.app.Songs;
import orbispace.app.session.RecentProjects;
import orbispace.core.design.Design;
import orbispace.core.design.FieldEdit;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.prove.Finding;
import orbispace.core.prove.Severity;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What each screen says to do next follows what was measured, and is silent otherwise. */
class NextStepTest {
    @TempDir Path folder;

    private final UiLoop ui = new UiLoop();
    private final Desk desk = new Desk(ui, RecentProjects.inMemory(), Songs.facts());

    @AfterEach
    void close() {
        desk.close();
    }

    private void settle() throws InterruptedException {
        ui.until(() ->
                desk.frame().measured().clearance().get() != null && !desk.frame().jobs().busy());
    }

    @Test
    void itFollowsWhatIsMeasuredOfTheSong() throws IOException, InterruptedException {
        assertThat(desk.song().next()).startsWith("Bring the stems");
        assertThat(List.of(desk.orbit().next(), desk.clear().next(), desk.sheet().next()))
                .containsOnly("");
        desk.frame().opening().open(Songs.write(folder));
        settle();
        assertThat(desk.song().next()).doesNotContain("Bring");
        Design design = desk.frame().design().get();
        Return a = design.requireReturn("A");
        desk.frame().edit(new ReturnEdit.Level("A", 12));
        settle();
        assertThat(desk.clear().next())
                .startsWith(a.name() + " leaves ")
                .endsWith(" is asked: press Solve.");
        desk.frame().edit(new ReturnEdit.Level("A", -80));
        settle();
        assertThat(desk.clear().next()).doesNotContain(a.name());
        assertThat(desk.orbit().next()).startsWith(a.name() + " is hidden here");
        a.sends()
                .keySet()
                .forEach(id -> desk.frame().edit(new ReturnEdit.SendLevel("A", id, null)));
        assertThat(desk.orbit().next())
                .isEqualTo(a.name() + " gets nothing: send something into it.");
        for (Return r : design.returns()) {
            desk.frame().edit(new FieldEdit.Remove(r.id()));
        }
        assertThat(desk.orbit().next()).startsWith("There is no space yet");
    }

    @Test
    void theFirstFindingIsSaidAndNothingWhereAllIsOnlyWorthKnowing() {
        Design none = desk.frame().design().get();
        Finding act = finding(Severity.ACT);
        Finding know = finding(Severity.KNOW);
        assertThat(NextStep.prove(none, List.of(know, act), false, true))
                .isEqualTo("First: clipped.");
        assertThat(NextStep.prove(none, List.of(know), true, true)).isEmpty();
        assertThat(NextStep.prove(none, List.of(know), false, true)).contains("try blind");
        assertThat(NextStep.prove(none, List.of(), false, false)).isEmpty();
        assertThat(NextStep.sheet(List.of(act, act))).isEqualTo("2 findings to act on are open.");
        assertThat(NextStep.sheet(List.of(act))).isEqualTo("1 finding to act on is open.");
        assertThat(NextStep.sheet(List.of(know))).isEmpty();
        assertThat(NextStep.plan(none, List.of())).isEmpty();
    }

    private static Finding finding(Severity severity) {
        return new Finding("clip", severity, "", "clipped", "evidence", "why", List.of());
    }
}
