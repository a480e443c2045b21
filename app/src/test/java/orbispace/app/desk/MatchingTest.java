package orbispace.app.desk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Path;
import java.util.Objects;
import orbispace.app.Songs;
import orbispace.app.session.RecentProjects;
import orbispace.app.song.MixMeasure;
import orbispace.core.audio.Audio;
import orbispace.core.clear.PartMatch;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Source;
import orbispace.core.design.SourcesEdit;
import orbispace.core.measure.LoudnessMeter;
import orbispace.core.render.Renderer;
import orbispace.core.time.Span;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Before, after and the dry sources as loud as each other, by the mix or by a part. */
class MatchingTest {
    @TempDir Path folder;

    private final UiLoop ui = new UiLoop();
    private final Desk desk = new Desk(ui, RecentProjects.inMemory(), Songs.facts());

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

    private MixMeasure mix() {
        return Objects.requireNonNull(desk.frame().measured().mix().get());
    }

    @Test
    void theDrySourcesAloneAreBroughtToTheMixOverTheSection() throws InterruptedException {
        desk.frame().edit(new ReturnEdit.Level("A", 6));
        settle();
        Renderer renderer = desk.frame().measured().renderer().orElseThrow();
        Audio dry = renderer.dryMix(desk.frame().design().get());
        Span span = desk.frame().span();
        double rate = dry.sampleRateHz();
        double alone =
                LoudnessMeter.integratedLufs(
                                dry.slice(
                                        (int) Math.round(span.startSeconds() * rate),
                                        (int) Math.round(span.endSeconds() * rate)))
                        .orElseThrow();
        MixMeasure mix = mix();
        double heard = mix.pair().otherLufs().orElseThrow() + mix.matchDb(false);
        assertThat(mix.dry().truePeakDbtp().orElseThrow()).isLessThan(-3);
        assertThat(alone + mix.dryMatchDb()).isCloseTo(heard, within(0.01));
        assertThat(MixMeasure.dry(desk.frame().design().get()).returns()).isEmpty();
        desk.frame().transport().dryAlone().set(true);
        desk.frame().transport().hearingBefore().set(true);
        assertThat(desk.frame().transport().dryAlone().get()).isFalse();
    }

    @Test
    void thePairIsMatchedByAPartWhereTheWholeWouldHideIt() throws InterruptedException {
        PartMatching matching = desk.frame().matching();
        assertThat(matching.name()).isEmpty();
        desk.frame().edit(new ReturnEdit.SendLevel("A", "lead-voice", 6.0));
        settle();
        assertThat(matching.gains().get()).isNull();
        matching.part().set("lead-voice");
        settle();
        PartMatch.Gains gains = Objects.requireNonNull(matching.gains().get());
        assertThat(gains.reached()).isTrue();
        assertThat(gains.beforeDb()).isZero();
        assertThat(gains.afterDb()).isLessThan(-0.2);
        assertThat(matching.factors(false).orElseThrow())
                .containsOnlyKeys("lead-voice")
                .hasEntrySatisfying(
                        "lead-voice",
                        f ->
                                assertThat(20 * Math.log10(f))
                                        .isCloseTo(gains.afterDb(), within(0.01)));
        assertThat(matching.words(false)).contains("\u2212").endsWith(" dB");
        desk.frame().editor().undo();
        settle();
        assertThat(Objects.requireNonNull(matching.gains().get()).afterDb())
                .isCloseTo(0, within(0.02));
        matching.part().set("");
        assertThat(matching.gains().get()).isNull();
    }

    @Test
    void aPartThatNoGainMakesAsLoudIsSaidToBeUnmatched() throws InterruptedException {
        PartMatching matching = desk.frame().matching();
        Source gone =
                desk.frame().design().get().findSource("lead-voice").orElseThrow().withGain(-90);
        desk.frame().edit(SourcesEdit.of(desk.frame().design().get(), gone, "fader"));
        matching.part().set("lead-voice");
        settle();
        assertThat(matching.words(false)).isEqualTo("not matched");
        assertThat(matching.sentence()).contains("no gain makes it as loud");
        desk.frame().editor().undo();
        settle();
        assertThat(matching.words(false)).endsWith(" dB");
        assertThat(matching.sentence()).startsWith("Before and after as loud");
    }
}
