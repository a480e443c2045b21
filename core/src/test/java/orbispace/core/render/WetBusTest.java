package orbispace.core.render;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import orbispace.core.Signals;
import orbispace.core.audio.Audio;
import orbispace.core.design.Design;
import orbispace.core.design.Duck;
import orbispace.core.design.Fields;
import orbispace.core.design.Filter;
import orbispace.core.design.Purpose;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Role;
import orbispace.core.design.Throw;
import orbispace.core.design.Trail;
import orbispace.core.design.WetBus;
import orbispace.core.design.WetEdit;
import org.junit.jupiter.api.Test;

/** An echo that feeds a hall; both pass what belongs to their purpose, then what all wet does. */
class WetBusTest {
    private static final double RATE = 24000;
    private static final int BLOCK = 256;
    private static final SongMaterial SONG =
            new SongMaterial(
                    Map.of(
                            "voice",
                            Signals.mono(RATE, Signals.noise(0.1, 100, 8000, 4, RATE, 1)),
                            "pad",
                            Audio.of(
                                    RATE,
                                    Signals.noise(0.1, 100, 5000, 4, RATE, 2),
                                    Signals.noise(0.1, 100, 5000, 4, RATE, 3))),
                    RATE);
    private static final WetBus DARK =
            new WetBus(
                    -6,
                    Filter.OPEN
                            .withHighPass(new Filter.Corner(200, 2))
                            .withLowPass(new Filter.Corner(3000, 4)),
                    0.5);

    private static Design design() {
        Return hall =
                Fields.hall("A", 1.5, Map.of("pad", -3.0))
                        .withFeeds(Map.of("B", -3.0))
                        .withDuck(new Duck("voice", 8, -40, 4, 0, 5, 0, 80));
        return new Design(
                Fields.song(120, RATE),
                List.of(
                        Fields.source("voice", Role.LEAD).withPan(0.4),
                        Fields.source("pad", Role.HARMONY_BED)),
                List.of(hall, Fields.echo("B", "1/8", 0.4, Map.of("voice", -2.0))));
    }

    private static Design with(Optional<Purpose> purpose, WetBus bus) {
        return new WetEdit(purpose, bus, "wet").applyTo(design());
    }

    private static Renderer renderer() {
        return new Renderer(SONG, SONG.frames(), new StageCache(0));
    }

    private static Audio wet(Design design, String id) {
        return renderer().wet(design, design.requireReturn(id), Job.QUIET);
    }

    /** Filter, width and level, each as its definition says. */
    private static Audio passed(Audio sound, WetBus bus) {
        float[] left = sound.channel(0).clone();
        float[] right = sound.channel(1).clone();
        Block block = new Block(left, right);
        Stage filter = Stage.of(Timeline.of(new StageSettings.Filtering(bus.filter())), RATE);
        for (int at = 0; at < left.length; at += BLOCK) {
            filter.process(block, at, Math.min(left.length, at + BLOCK));
        }
        double gain = Math.pow(10, bus.trimDb() / 20);
        for (int i = 0; i < left.length; i++) {
            double middle = gain * (left[i] + right[i]) / 2;
            double side = gain * bus.width() * (left[i] - right[i]) / 2;
            left[i] = (float) (middle + side);
            right[i] = (float) (middle - side);
        }
        return Audio.of(RATE, left, right);
    }

    private static double differenceDb(Audio a, Audio b) {
        return 10 * Math.log10(a.plus(b, -1).meanSquare() / a.meanSquare() + 1e-30);
    }

    @Test
    void allWetPassesItsFilterTrimAndWidthAsOneSound() {
        Design d = with(Optional.empty(), DARK);
        Audio apart = wet(design(), "A").plus(wet(design(), "B"), 1);
        Audio together = wet(d, "A").plus(wet(d, "B"), 1);
        assertThat(differenceDb(passed(apart, DARK), together)).isLessThan(-100);
        assertThat(differenceDb(apart, together)).isGreaterThan(-10);
        Audio mix = renderer().render(d, Job.QUIET).mix();
        Audio sum = renderer().dryMix(d).plus(together, 1);
        assertThat(differenceDb(mix, sum)).isLessThan(-100);
    }

    @Test
    void aPurposePassesBeforeAllAndLeavesTheOthersAlone() {
        Design far = with(Optional.of(Purpose.FAR), DARK);
        assertThat(differenceDb(passed(wet(design(), "A"), DARK), wet(far, "A"))).isLessThan(-100);
        assertThat(wet(far, "B").channel(0)).isEqualTo(wet(design(), "B").channel(0));
        WetBus half = WetBus.PLAIN.withWidth(0.5).withTrim(-3);
        Design both = far.withWet(far.wet().with(Optional.empty(), half));
        assertThat(differenceDb(passed(wet(far, "A"), half), wet(both, "A"))).isLessThan(-100);
    }

    @Test
    void whatOneReturnFeedsIntoAnotherDoesNotPassIt() {
        Design silent = with(Optional.of(Purpose.ECHO), WetBus.PLAIN.withTrim(-60));
        Design dark = with(Optional.of(Purpose.ECHO), DARK);
        assertThat(wet(dark, "A").channel(0)).isEqualTo(wet(design(), "A").channel(0));
        assertThat(wet(silent, "A").channel(0)).isEqualTo(wet(design(), "A").channel(0));
        double level = 10 * Math.log10(wet(silent, "B").meanSquare());
        assertThat(level)
                .isCloseTo(10 * Math.log10(wet(design(), "B").meanSquare()) - 60, within(0.01));
        Return hall = design().requireReturn("A");
        assertThat(ImpulseResponse.recipe(silent, hall, Responses.NONE))
                .isEqualTo(ImpulseResponse.recipe(design(), hall, Responses.NONE));
    }

    @Test
    void aTrailPassesWhatItsReturnDoes() {
        Throw word =
                Throw.of("t", "voice", "B", 1, 2, 0).withTrail(Trail.AS_RETURN.withFeedback(0.7));
        Design plain = design().withThrown(List.of(word));
        Design dark = plain.withWet(plain.wet().with(Optional.of(Purpose.ECHO), DARK));
        assertThat(differenceDb(passed(wet(plain, "B"), DARK), wet(dark, "B"))).isLessThan(-100);
    }

    @Test
    void whatIsJudgedBeforeTheDuckerHasPassedItToo() {
        Design d = with(Optional.empty(), DARK);
        Return hall = d.requireReturn("A");
        Renderer renderer = renderer();
        Audio plain = renderer.beforeDucker(renderer.chain(design(), hall), Job.QUIET);
        Audio passed = renderer.beforeDucker(renderer.chain(d, hall), Job.QUIET);
        assertThat(differenceDb(passed(plain, DARK), passed)).isLessThan(-100);
        assertThat(renderer.chain(d, hall).beforeDucker())
                .isNotEqualTo(renderer.chain(design(), hall).beforeDucker());
    }

    @Test
    void whatIsHeardIsWhatIsPrintedAndChangesGoOver() {
        Design echo = with(Optional.of(Purpose.ECHO), DARK);
        Design d = new WetEdit(Optional.empty(), DARK.withWidth(1.5), "wet").applyTo(echo);
        LiveMix whole = new LiveMix(LiveSettings.of(d, SONG, LiveSettings.Hearing.PLAIN), BLOCK);
        LiveMix changed =
                new LiveMix(LiveSettings.of(design(), SONG, LiveSettings.Hearing.PLAIN), BLOCK);
        LiveSettings then = LiveSettings.of(d, SONG, LiveSettings.Hearing.PLAIN);
        assertThat(changed.takes(then)).isTrue();
        Audio printed = renderer().render(d, Job.QUIET).mix();
        double[] heard = new double[2];
        double late = 0;
        float[][] l = new float[4][BLOCK];
        for (int at = 0; at + BLOCK <= SONG.frames(); at += BLOCK) {
            if (at == 100 * BLOCK) {
                changed.set(then);
            }
            whole.process(at, l[0], l[1], BLOCK);
            changed.process(at, l[2], l[3], BLOCK);
            for (int i = 0; i < BLOCK; i++) {
                for (int c = 0; c < 2; c++) {
                    float wanted = printed.channel(c)[at + i];
                    heard[0] += Math.pow(l[c][i] - wanted, 2);
                    heard[1] += Math.pow(wanted, 2);
                    late = at < 150 * BLOCK ? 0 : Math.max(late, Math.abs(l[2 + c][i] - wanted));
                }
            }
        }
        assertThat(10 * Math.log10(heard[0] / heard[1] + 1e-30)).isLessThan(-90);
        assertThat(late).isLessThan(1e-3);
    }

    @Test
    void returnsWhosePurposeWasGuessedAreForItOnceItIsSet() {
        Design far = with(Optional.of(Purpose.FAR), DARK);
        assertThat(far.aims().purposes()).containsEntry("A", Purpose.FAR).hasSize(1);
        assertThat(with(Optional.empty(), DARK).aims().purposes()).isEmpty();
        assertThat(new WetEdit(Optional.of(Purpose.FAR), DARK, "trim").subject())
                .isEqualTo("trim of all of far space");
        WetBus turned = DARK.with(design().song(), new ReturnEdit.Level("wet", -9));
        assertThat(turned).isEqualTo(DARK.withTrim(-9));
        assertThatThrownBy(() -> DARK.withTrim(13))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("trim");
    }
}
