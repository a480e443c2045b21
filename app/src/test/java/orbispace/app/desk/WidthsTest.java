package orbispace.app.desk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Objects;
import orbispace.app.Songs;
import orbispace.app.session.RecentProjects;
import orbispace.core.clear.PlaceCost;
import orbispace.core.design.AimsEdit;
import orbispace.core.design.Purpose;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.measure.WidthCurve;
import orbispace.core.render.HeardThrough;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What became wider, what opens, and what is left elsewhere, while one looks at it. */
class WidthsTest {
    @TempDir Path folder;

    private final UiLoop ui = new UiLoop();
    private final Desk desk = new Desk(ui, RecentProjects.inMemory(), Songs.facts());
    private final Widths widths = desk.prove().widths();

    @BeforeEach
    void open() throws IOException, InterruptedException {
        desk.frame().opening().open(Songs.write(folder));
        settle();
    }

    @AfterEach
    void close() {
        desk.close();
    }

    private void settle() throws InterruptedException {
        ui.until(() ->
                desk.frame().measured().clearance().get() != null && !desk.frame().jobs().busy());
    }

    private Widths.Known known() {
        return Objects.requireNonNull(widths.known().get());
    }

    @Test
    void nothingIsMeasuredUnlessOneLooksAndThenWhatBecameWider() throws InterruptedException {
        assertThat(widths.known().get()).isNull();
        widths.wanted().set(true);
        settle();
        assertThat(known().of()).isEqualTo(Proving.MIX);
        assertThat(known().wider().degrees()).isZero();
        assertThat(widths.became()).isEmpty();
        desk.frame().edit(new ReturnEdit.Level("A", 6));
        settle();
        assertThat(known().wider().degrees()).isGreaterThan(3);
        assertThat(widths.became()).isEqualTo(known().wider().words()).contains("wider");
        widths.of().set("lead-voice");
        settle();
        assertThat(known().wider().degrees()).isGreaterThan(3);
        // What became of the mix is known still, whatever is looked at.
        assertThat(widths.became()).contains("wider");
        widths.wanted().set(false);
        assertThat(widths.known().get()).isNull();
    }

    @Test
    void aWidenerIsBroughtToTheBestLevelOfItsCurveAndASpaceIsNot() throws InterruptedException {
        widths.wanted().set(true);
        widths.of().set("A");
        settle();
        assertThat(known().curve()).isPresent();
        assertThat(known().bestDb()).isEmpty();
        Return a = desk.frame().design().get().requireReturn("A");
        desk.frame()
                .edit(
                        new AimsEdit(
                                desk.frame().design().get().aims().purposed("A", Purpose.WIDTH),
                                "width"));
        settle();
        WidthCurve.Point best = known().curve().orElseThrow().best().orElseThrow();
        assertThat(known().bestDb().orElseThrow()).isCloseTo(a.levelDb() + best.db(), within(1e-9));
        double degrees = best.opens().degrees();
        widths.takeBest();
        assertThat(desk.frame().design().get().requireReturn("A").levelDb())
                .isCloseTo(a.levelDb() + best.db(), within(1e-9));
        settle();
        assertThat(known().wider().degrees()).isCloseTo(degrees, within(1 + 0.08 * degrees));
    }

    @Test
    void whatIsLeftElsewhereIsMeasuredInEveryPlace() throws InterruptedException {
        Elsewhere elsewhere = desk.prove().elsewhere();
        assertThat(elsewhere.known().get()).isNull();
        elsewhere.wanted().set(true);
        settle();
        Elsewhere.Known there = Objects.requireNonNull(elsewhere.known().get());
        List<PlaceCost> costs = Objects.requireNonNull(there.costs().get("A"));
        assertThat(costs).extracting(PlaceCost::place).containsExactly(HeardThrough.values());
        double kept =
                Objects.requireNonNull(desk.frame().measured().clearance().get())
                        .pair("A")
                        .orElseThrow()
                        .cover()
                        .presenceKept()
                        .orElseThrow();
        assertThat(costs.getFirst().presenceKept().orElseThrow()).isCloseTo(kept, within(0.01));
        elsewhere.wanted().set(false);
        assertThat(elsewhere.known().get()).isNull();
    }
}
