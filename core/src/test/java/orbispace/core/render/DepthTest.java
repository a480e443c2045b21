package orbispace.core.render;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Objects;
import orbispace.core.Signals;
import orbispace.core.audio.Audio;
import orbispace.core.design.Design;
import orbispace.core.design.Fields;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Role;
import orbispace.core.prove.compare.Settlement;
import org.junit.jupiter.api.Test;

class DepthTest {
    private static final double RATE = 48000;
    private static final SongMaterial MATERIAL =
            new SongMaterial(
                    Map.of(
                            "voice",
                            Signals.mono(RATE, Signals.noise(0.1, 200, 6000, 4, RATE, 1)),
                            "bed",
                            Signals.mono(RATE, Signals.noise(0.1, 200, 6000, 4, RATE, 2))),
                    RATE);

    private static Depth depth(Design design, String source) {
        return java.util.Objects.requireNonNull(
                new DepthMeter().measure(design, MATERIAL, Job.QUIET).get(source));
    }

    @Test
    void agreesWithWhatIsReallyRendered() {
        Design design = Fields.two();
        Design bedOnly = new ReturnEdit.SendLevel("A", "voice", null).applyTo(design);
        int frames = MATERIAL.frames() + (int) (3 * RATE);
        Renderer renderer = new Renderer(MATERIAL, frames, new StageCache(0));
        Audio wet = renderer.wet(bedOnly, bedOnly.requireReturn("A"), Job.QUIET);
        Audio dry = renderer.dry(bedOnly, bedOnly.findSource("bed").orElseThrow());
        double rendered = 10 * Math.log10(dry.meanSquare() / wet.meanSquare());
        assertThat(depth(bedOnly, "bed").directToReverberantDb().orElseThrow())
                .isCloseTo(rendered, within(0.5));
    }

    @Test
    void aDistanceIsReachedByMovingAllSendsAlike() {
        Design design = Fields.two();
        Depth now = depth(design, "voice");
        Map<String, Double> levels = Depth.sendsFor(design, "voice", now, 1.5);
        assertThat(levels).containsOnlyKeys("A", "B");
        Design moved = design;
        for (Map.Entry<String, Double> e : levels.entrySet()) {
            moved = new ReturnEdit.SendLevel(e.getKey(), "voice", e.getValue()).applyTo(moved);
        }
        assertThat(depth(moved, "voice").criticalDistances().orElseThrow())
                .isCloseTo(1.5, within(0.02));
        assertThat(levels.getOrDefault("A", 0.0) - levels.getOrDefault("B", 0.0))
                .isCloseTo(2, within(0.11));
    }

    @Test
    void aSendBeforeTheFaderDoesNotFollowItAndOneBehindItDoes() {
        Design open = Fields.two();
        double even = depth(open, "bed").directToReverberantDb().orElseThrow();
        Design low =
                open.withSources(
                        open.sources().stream()
                                .map(s -> s.id().equals("bed") ? s.withGain(-6) : s)
                                .toList());
        assertThat(depth(low, "bed").directToReverberantDb().orElseThrow())
                .isCloseTo(even, within(1e-9));
        Return hall = low.requireReturn("A");
        Design before =
                low.withReturn(
                        hall.withSends(
                                Map.of(
                                        "bed",
                                        Objects.requireNonNull(hall.sends().get("bed"))
                                                .withPreFader(true))));
        assertThat(depth(before, "bed").directToReverberantDb().orElseThrow())
                .isCloseTo(even - 6, within(1e-9));
    }

    @Test
    void aSourceThatIsSentNowhereHasNoDepth() {
        Design none = new ReturnEdit.SendLevel("A", "bed", null).applyTo(Fields.two());
        assertThat(depth(none, "bed").criticalDistances()).isEmpty();
        assertThat(Depth.sendsFor(none, "bed", depth(none, "bed"), 2)).isEmpty();
    }

    @Test
    void filtersBeforeAndAfterALinearSpaceSoundTheSameAndDriveTellsThemApart() {
        Return hall = Fields.hall("A", 1.2, Map.of("voice", -6.0));
        Return before = hall.withFilterIn(hall.filterOut()).withFilterOut(hall.filterIn());
        Design design =
                new Design(
                        Fields.song(120),
                        List.of(Fields.source("voice", Role.LEAD)),
                        List.of(hall));
        Renderer renderer = new Renderer(MATERIAL, MATERIAL.frames(), new StageCache(0));
        Audio after = renderer.wet(design, hall, Job.QUIET);
        Audio swapped = renderer.wet(design.withReturn(before), before, Job.QUIET);
        assertThat(Settlement.of(after, swapped).residualDb().orElse(-99)).isLessThan(-30);
        assertThat(Settlement.of(after, after).words()).contains("to the last bit");
        assertThat(Settlement.of(after, after.scaled(0)).residualDb().orElseThrow())
                .isCloseTo(0, within(1e-9));
        assertThat(Settlement.of(after, after.scaled(0)).words()).contains("Different");
    }

    @Test
    void oneMeterOverManyEditsTellsWhatANewOneTells() {
        DepthMeter kept = new DepthMeter();
        Design design = Fields.two();
        for (ReturnEdit edit :
                List.of(
                        new ReturnEdit.SendLevel("A", "voice", -3.0),
                        new ReturnEdit.Decay("A", 0.7),
                        new ReturnEdit.SendLevel("A", "voice", null),
                        new ReturnEdit.Level("B", -9))) {
            design = edit.applyTo(design);
            assertThat(kept.measure(design, MATERIAL, Job.QUIET))
                    .isEqualTo(new DepthMeter().measure(design, MATERIAL, Job.QUIET));
        }
        SongMaterial other =
                new SongMaterial(
                        Map.of(
                                "voice",
                                Signals.mono(RATE, Signals.noise(0.3, 80, 900, 2, RATE, 3))),
                        RATE);
        assertThat(kept.measure(design, other, Job.QUIET))
                .isEqualTo(new DepthMeter().measure(design, other, Job.QUIET))
                .containsOnlyKeys("voice");
    }
}
