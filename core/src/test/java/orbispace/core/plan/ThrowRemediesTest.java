package orbispace.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import orbispace.core.Signals;
import orbispace.core.clear.CoverAnalysis;
import orbispace.core.design.Design;
import orbispace.core.design.Fields;
import orbispace.core.design.PlanCell;
import orbispace.core.design.Role;
import orbispace.core.design.Section;
import orbispace.core.design.SectionKind;
import orbispace.core.design.SectionPlan;
import orbispace.core.design.Song;
import orbispace.core.design.Source;
import orbispace.core.design.Throw;
import orbispace.core.material.Phrases;
import orbispace.core.render.Job;
import orbispace.core.render.Renderer;
import orbispace.core.render.SongMaterial;
import orbispace.core.render.StageCache;
import orbispace.core.time.SongClock;
import orbispace.core.time.Span;
import org.junit.jupiter.api.Test;

/** A voice that sings 1.2 s of every 2 s, thrown to an echo and living in a hall. */
class ThrowRemediesTest {
    private static final double RATE = 48000;
    private static final double SECONDS = 9;
    private static final Source VOICE = Fields.source("voice", Role.LEAD);

    private static Phrases phrases() {
        List<Span> spans = new ArrayList<>();
        List<Span> inner = new ArrayList<>();
        for (int i = 0; i < 4; i++) {
            spans.add(new Span(2 * i, 2 * i + 1.2));
            inner.add(new Span(2 * i + 0.5, 2 * i + 0.55));
        }
        return Phrases.found(spans, inner, new Phrases.Levels(-90, -50, -20));
    }

    private static CoverAnalysis analysis() {
        float[] voice = Signals.noise(0.1, 200, 6000, SECONDS, RATE, 1);
        for (int i = 0; i < voice.length; i++) {
            voice[i] *= i / RATE % 2 < 1.2 ? 1 : 0;
        }
        SongMaterial material = new SongMaterial(Map.of("voice", Signals.mono(RATE, voice)), RATE);
        return new CoverAnalysis(
                new Renderer(material, material.frames(), new StageCache(1L << 27)), -20, 10);
    }

    private static Design design(SectionPlan first, SectionPlan second, double feedback) {
        Song song =
                new Song(
                        "Tide",
                        RATE,
                        SongClock.constant(120, 4, 4),
                        List.of(
                                new Section("Wet", 1, 2, SectionKind.OTHER, first),
                                new Section("Dry", 3, 2, SectionKind.OTHER, second)));
        return new Design(
                song,
                List.of(VOICE),
                List.of(
                        Fields.hall("B", 4, Map.of("voice", 0.0)).withLevel(0),
                        Fields.echo("C", "1/4", feedback, Map.of()).withLevel(0)));
    }

    private static ThrowStanding standing(double feedback) {
        Throw t = Throw.of("t1", "voice", "C", 1.5, 2.4, 6);
        Design d = design(SectionPlan.NONE, SectionPlan.NONE, feedback).withThrown(List.of(t));
        CoverAnalysis analysis = analysis();
        return ThrowRemedies.measure(
                        analysis,
                        orbispace.core.render.Responses.NONE,
                        d,
                        t,
                        phrases(),
                        SECONDS,
                        Job.QUIET)
                .orElseThrow();
    }

    @Test
    void repeatsUnderTheNextPhraseCostItsPresenceAndEachRemedyGivesSomeBack() {
        ThrowStanding loose = standing(0.8);
        double kept = loose.kept().orElseThrow();
        assertThat(kept).isLessThan(0.9);
        assertThat(loose.without().orElseThrow()).isCloseTo(1, within(1e-6));
        assertThat(loose.remedies())
                .extracting(ThrowRemedy::words)
                .contains(
                        "Fit the repeats to the gap",
                        "A single repeat",
                        "Shut it when the phrase begins",
                        "Throw it 3 dB softer");
        for (ThrowRemedy r : loose.remedies()) {
            assertThat(r.kept()).as(r.words()).isGreaterThan(kept);
        }
        ThrowRemedy shut =
                loose.remedies().stream()
                        .filter(r -> r.words().startsWith("Shut"))
                        .findFirst()
                        .orElseThrow();
        // The ear still holds a little of what has just ended.
        assertThat(shut.kept()).isGreaterThan(0.93);
        assertThat(shut.repeats()).isLessThan(loose.course().arrivals().size());
        assertThat(loose.remedies().getFirst().kept())
                .isGreaterThanOrEqualTo(loose.remedies().getLast().kept());
    }

    @Test
    void aThrowThatStaysInItsGapNeedsNothing() {
        ThrowStanding tight = standing(0.0);
        assertThat(tight.course().runningOn()).isZero();
        assertThat(tight.kept()).isEmpty();
        assertThat(tight.remedies()).isEmpty();
    }

    @Test
    void aLongTailCarriedIntoADrierSectionIsToldAndOneThatIsCutIsNot() {
        PlanCell drier = PlanCell.PLAIN.withLevel(-30);
        CoverAnalysis analysis = analysis();
        List<BoundaryClash> clashes = clashes(analysis, SectionPlan.NONE.withCell("B", drier));
        assertThat(clashes).hasSize(1);
        BoundaryClash clash = clashes.getFirst();
        assertThat(clash.section().name()).isEqualTo("Dry");
        assertThat(clash.returnId()).isEqualTo("B");
        assertThat(clash.kept()).isLessThan(clash.keptIfCut() - 0.02);
        assertThat(
                        clashes(
                                analysis,
                                SectionPlan.NONE.withCell("B", drier.withEdge(PlanCell.Edge.CUT))))
                .isEmpty();
        assertThat(clashes(analysis, SectionPlan.NONE)).isEmpty();
    }

    private static List<BoundaryClash> clashes(CoverAnalysis analysis, SectionPlan dry) {
        return clashes(analysis, dry, phrases().spans());
    }

    private static List<BoundaryClash> clashes(
            CoverAnalysis analysis, SectionPlan dry, List<Span> sung) {
        return BoundaryClash.of(
                analysis, design(SectionPlan.NONE, dry, 0.2), VOICE, sung, Job.QUIET);
    }

    @Test
    void whatIsSungForAFifthOfASecondInTheFirstTwoOfASectionIsJudged() {
        CoverAnalysis analysis = analysis();
        SectionPlan drier = SectionPlan.NONE.withCell("B", PlanCell.PLAIN.withLevel(-30));
        assertThat(clashes(analysis, drier, List.of(new Span(4, 4.21)))).hasSize(1);
        assertThat(clashes(analysis, drier, List.of(new Span(4, 4.19)))).isEmpty();
        // Only what lies within the section counts, and only its first two seconds.
        assertThat(clashes(analysis, drier, List.of(new Span(3, 4.19)))).isEmpty();
        assertThat(clashes(analysis, drier, List.of(new Span(5.81, 7)))).isEmpty();
        assertThat(clashes(analysis, drier, List.of(new Span(6.1, 7)))).isEmpty();
    }

    @Test
    void aSectionIsDrierIfAReturnIsMuteInItAndNotIfItIsLouder() {
        CoverAnalysis analysis = analysis();
        PlanCell plain = PlanCell.PLAIN;
        assertThat(clashes(analysis, SectionPlan.NONE.withCell("B", plain.withMuted(true))))
                .hasSize(1);
        assertThat(clashes(analysis, SectionPlan.NONE.withCell("B", plain.withLevel(3)))).isEmpty();
    }
}
