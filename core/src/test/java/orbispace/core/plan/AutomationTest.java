package orbispace.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import orbispace.core.Signals;
import orbispace.core.design.Design;
import orbispace.core.design.Fields;
import orbispace.core.design.PlanCell;
import orbispace.core.design.Role;
import orbispace.core.design.Section;
import orbispace.core.design.SectionKind;
import orbispace.core.design.SectionPlan;
import orbispace.core.design.Song;
import orbispace.core.design.SourceCell;
import orbispace.core.design.Throw;
import orbispace.core.render.SongMaterial;
import orbispace.core.time.SongClock;
import org.junit.jupiter.api.Test;

class AutomationTest {
    private static final double RATE = 48000;

    private static Design design(SectionPlan second) {
        return new Design(
                new Song(
                        "Tide",
                        RATE,
                        SongClock.constant(120, 4, 4),
                        List.of(
                                new Section("Verse", 1, 2, SectionKind.VERSE),
                                new Section("Chorus", 3, 2, SectionKind.CHORUS, second))),
                List.of(Fields.source("voice", Role.LEAD)),
                List.of(Fields.hall("A", 1, Map.of("voice", -8.0)).withLevel(-10)));
    }

    @Test
    void whatStandsStillHasNoLane() {
        assertThat(Automation.of(design(SectionPlan.NONE)).lanes()).isEmpty();
    }

    @Test
    void aLevelMovesFromItsOwnByItsOffsetWithinItsRampAtTheSection() {
        PlanCell cell = PlanCell.PLAIN.withLevel(6).withEdge(PlanCell.Edge.FADED).withRamp(2);
        var lanes = Automation.of(design(SectionPlan.NONE.withCell("A", cell))).lanes();
        // What enters goes back to where it was after the end of the last section.
        assertThat(lanes).hasSize(2);
        Automation.Lane lane = lanes.getLast();
        assertThat(lane.name()).startsWith("A ").endsWith(" level");
        assertThat(lane.returnId()).isEqualTo("A");
        assertThat(lane.sourceId()).isEmpty();
        List<Automation.Point> points = lane.points();
        assertThat(points.getFirst().value()).isCloseTo(-10, within(1e-6));
        assertThat(points.getLast().value()).isCloseTo(-4, within(1e-6));
        for (Automation.Point p : points) {
            assertThat(p.beat()).isCloseTo(2 * p.seconds(), within(1e-6));
        }
        double begins =
                points.stream()
                        .filter(p -> p.value() < -9.999)
                        .mapToDouble(Automation.Point::seconds)
                        .max()
                        .orElseThrow();
        double ends =
                points.stream()
                        .filter(p -> p.value() > -4.001)
                        .mapToDouble(Automation.Point::seconds)
                        .min()
                        .orElseThrow();
        // Two beats are a second, and bar 3 begins at 4 s.
        assertThat(ends - begins).isCloseTo(1, within(0.01));
        assertThat(begins).isLessThanOrEqualTo(4.001);
        assertThat(ends).isGreaterThanOrEqualTo(3.999);
    }

    @Test
    void aMutedSectionGoesToTheLevelThatStandsForSilence() {
        var muted =
                SectionPlan.NONE.withCell(
                        "A", PlanCell.PLAIN.withMuted(true).withEdge(PlanCell.Edge.CUT));
        var points =
                Automation.of(design(muted)).lanes().stream()
                        .flatMap(l -> l.points().stream())
                        .toList();
        assertThat(points).anyMatch(p -> p.value() == Automation.SILENT_DB);
        assertThat(points).allMatch(p -> p.value() >= Automation.SILENT_DB);
    }

    @Test
    void aSendMovesOnALaneOfItsOwnAndAThrowOpensIt() {
        Design thrown =
                design(SectionPlan.NONE)
                        .withThrown(List.of(Throw.of("t1", "voice", "A", 1, 2, -4)));
        var lanes = Automation.of(thrown).lanes();
        assertThat(lanes).hasSize(1);
        Automation.Lane lane = lanes.getFirst();
        assertThat(lane.sourceId()).isEqualTo("voice");
        assertThat(lane.name()).startsWith("voice to A ");
        // Where nothing is thrown the send stands as it is set.
        assertThat(lane.points().getFirst().value()).isCloseTo(-8, within(1e-4));
        assertThat(lane.points()).anyMatch(p -> p.value() > -7.9);
    }

    @Test
    void aThrownWordIsCutOutOfAStemThatIsElseSilent() {
        Design thrown =
                design(SectionPlan.NONE)
                        .withThrown(
                                List.of(
                                        Throw.of("t1", "voice", "A", 1, 2, -4),
                                        Throw.of("t2", "gone", "A", 1, 2, -4)));
        float[] ones = new float[(int) (4 * RATE)];
        java.util.Arrays.fill(ones, 0.5f);
        List<ThrownWords.Word> words =
                ThrownWords.of(
                        thrown, new SongMaterial(Map.of("voice", Signals.mono(RATE, ones)), RATE));
        assertThat(words).hasSize(1);
        float[] word = words.getFirst().audio().channel(0);
        assertThat(word).hasSize(ones.length);
        assertThat(word[(int) (0.75 * RATE)]).isEqualTo(0.5f);
        assertThat(word[(int) (0.4 * RATE)]).isZero();
        assertThat(word[(int) (1.2 * RATE)]).isZero();
    }

    @Test
    void decayAndWidthStepWhereASectionBegins() {
        PlanCell cell = PlanCell.PLAIN.withDecay(2).withWidth(0.5);
        var lanes = Automation.of(design(SectionPlan.NONE.withCell("A", cell))).lanes();
        Automation.Lane decay = lane(lanes, Automation.Quantity.DECAY);
        assertThat(decay.name()).startsWith("A ").endsWith(" decay");
        assertThat(decay.points())
                .startsWith(
                        new Automation.Point(0, 0, 1),
                        new Automation.Point(4, 8, 1),
                        new Automation.Point(4, 8, 2));
        Automation.Lane width = lane(lanes, Automation.Quantity.WIDTH);
        assertThat(width.points().get(0).value()).isEqualTo(100);
        assertThat(width.points().get(2).value()).isEqualTo(50);
        assertThat(lanes).noneMatch(l -> l.quantity() == Automation.Quantity.PREDELAY);
        assertThat(Automation.Quantity.DECAY.share(20)).isEqualTo(1);
        assertThat(Automation.Quantity.DECAY.share(Math.sqrt(2))).isCloseTo(0.5, within(1e-9));
        assertThat(Automation.Quantity.WIDTH.share(50)).isEqualTo(0.25);
    }

    @Test
    void aSourceThatMovesHasLanesOfItsOwnAfterAllOthers() {
        SourceCell cell = new SourceCell(-6, 0.5, 0.5, 0);
        SectionPlan plan =
                SectionPlan.NONE
                        .withSource("voice", cell)
                        .withCell("A", PlanCell.PLAIN.withDecay(2));
        var lanes = Automation.of(design(plan)).lanes();
        List<Automation.Lane> own = lanes.subList(lanes.size() - 3, lanes.size());
        assertThat(own).allMatch(l -> l.sourceId().equals("voice") && l.returnId().isEmpty());
        assertThat(own).extracting(l -> l.points().getLast().seconds()).allMatch(s -> s > 4);
        double[] here = own.stream().mapToDouble(l -> at(l, 5)).toArray();
        double fader = design(plan).sources().getFirst().gainDb();
        double pan = design(plan).sources().getFirst().pan();
        assertThat(here[0]).isCloseTo(fader - 6, within(1e-3));
        assertThat(here[1]).isCloseTo(100 * Math.min(1, pan + 0.5), within(1e-3));
        assertThat(here[2]).isCloseTo(50, within(1e-3));
    }

    private static double at(Automation.Lane lane, double seconds) {
        return lane.points().stream()
                .filter(p -> p.seconds() <= seconds)
                .toList()
                .getLast()
                .value();
    }

    private static Automation.Lane lane(List<Automation.Lane> lanes, Automation.Quantity q) {
        return lanes.stream().filter(l -> l.quantity() == q).findFirst().orElseThrow();
    }
}
