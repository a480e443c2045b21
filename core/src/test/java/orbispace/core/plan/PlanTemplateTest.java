package orbispace.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Set;
import orbispace.core.Signals;
import orbispace.core.clear.CoverAnalysis;
import orbispace.core.design.Design;
import orbispace.core.design.Fields;
import orbispace.core.design.PlanCell;
import orbispace.core.design.Purpose;
import orbispace.core.design.Role;
import orbispace.core.design.Section;
import orbispace.core.design.SectionKind;
import orbispace.core.design.Song;
import orbispace.core.render.Job;
import orbispace.core.render.Renderer;
import orbispace.core.render.SongMaterial;
import orbispace.core.render.StageCache;
import orbispace.core.time.SongClock;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

class PlanTemplateTest {
    private static final double RATE = 48000;

    private static Design design() {
        return new Design(
                new Song(
                        "Tide",
                        RATE,
                        SongClock.constant(120, 4, 4),
                        List.of(
                                new Section("Verse", 1, 2, SectionKind.VERSE),
                                new Section("Chorus", 3, 2, SectionKind.CHORUS),
                                new Section("Bridge", 5, 2, SectionKind.BRIDGE))),
                List.of(Fields.source("voice", Role.LEAD), Fields.source("bed", Role.HARMONY_BED)),
                List.of(
                        Fields.hall("A", 0.6, Map.of("voice", -8.0)),
                        Fields.hall("B", 1.4, Map.of("voice", -8.0)),
                        Fields.echo("C", "1/8.", 0.3, Map.of("voice", -12.0))));
    }

    private static PlanCell cell(Song song, int section, String id) {
        return song.sections().get(section).plan().cell(id);
    }

    @Test
    void openingUpBringsTheLongSpacesIntoTheChorusAndClosingInTakesThemOut() {
        Song open = PlanTemplate.OPEN_UP.applyTo(design());
        assertThat(cell(open, 0, "A").isPlain()).isTrue();
        assertThat(cell(open, 1, "A").isPlain()).isTrue();
        assertThat(cell(open, 1, "B").levelDb()).isGreaterThan(cell(open, 0, "B").levelDb());
        assertThat(cell(open, 1, "B").decayScale()).isGreaterThan(1);
        assertThat(cell(open, 0, "C").levelDb()).isNegative();
        assertThat(cell(open, 2, "B").isPlain()).isTrue();
        Song closed = PlanTemplate.CLOSE_IN.applyTo(design().withSong(open));
        assertThat(cell(closed, 1, "B").levelDb()).isLessThan(cell(closed, 0, "B").levelDb());
        assertThat(cell(closed, 1, "B").decayScale()).isLessThan(1);
        assertThat(cell(closed, 2, "B").isPlain()).isTrue();
    }

    @Test
    void whatNobodyHearsAndWhatIsAnEffectStaysAsItIs() {
        Song open = PlanTemplate.OPEN_UP.applyTo(design(), Set.of("B"));
        assertThat(cell(open, 1, "B").isPlain()).isTrue();
        assertThat(cell(open, 1, "C").isPlain()).isFalse();
        Design effect = design().withAims(design().aims().purposed("C", Purpose.EFFECT));
        Song other = PlanTemplate.OPEN_UP.applyTo(effect);
        assertThat(cell(other, 1, "C").isPlain()).isTrue();
        assertThat(cell(other, 1, "B").isPlain()).isFalse();
    }

    @Test
    void theStepsAreThoseOfTheTable() {
        Object[][] table = {
            {SectionKind.CHORUS, 2.0, 1.15, -4.0, 0.85},
            {SectionKind.VERSE, -4.0, 0.85, 2.0, 1.15},
            {SectionKind.INTRO, -4.0, 0.85, 2.0, 1.15},
            {SectionKind.LIFT, -1.0, 1.0, 1.0, 1.0},
            {SectionKind.SOLO, 0.0, 1.0, 0.0, 1.0}
        };
        for (Object[] row : table) {
            Section section = new Section("Part", 1, 2, (SectionKind) row[0]);
            Design one = design().withSong(design().song().withSections(List.of(section)));
            PlanCell open = cell(PlanTemplate.OPEN_UP.applyTo(one), 0, "B");
            PlanCell closed = cell(PlanTemplate.CLOSE_IN.applyTo(one), 0, "B");
            assertThat(List.of(open.levelDb(), open.decayScale(), closed.levelDb()))
                    .as("%s", row[0])
                    .containsExactly((Double) row[1], (Double) row[2], (Double) row[3]);
            assertThat(closed.decayScale()).isEqualTo((Double) row[4]);
            assertThat(open.rampBeats()).isEqualTo(open.levelDb() == 0 ? 0 : 1);
        }
    }

    @Test
    void aTailIsLongFromTheMiddleOfAllOnAndAGatedOneNever() {
        Design of =
                new Design(
                        design().song(),
                        design().sources(),
                        List.of(
                                Fields.hall("A", 0.5, Map.of()),
                                Fields.hall("B", 2, Map.of()),
                                Fields.hall("C", 1, Map.of()),
                                Fields.hall("D", 0.99, Map.of())));
        assertThat(of.returns().stream().map(r -> PlanTemplate.isLong(of, r)))
                .containsExactly(false, true, true, false);
        Design alone = new Design(of.song(), of.sources(), List.of(of.requireReturn("A")));
        assertThat(PlanTemplate.isLong(alone, alone.requireReturn("A"))).isTrue();
    }

    /** A bed that comes in loud with the second section covers what was heard in the first. */
    private static SongMaterial thickening() {
        float[] bed = Signals.noise(0.01, 80, 9000, 12.5, RATE, 2);
        for (int i = 0; i < bed.length; i++) {
            double t = i / RATE;
            bed[i] *= t < 4 ? 0.2f : t < 8 ? 0.6f : 0.35f;
        }
        float[] voice = Signals.noise(0.01, 200, 6000, 12.5, RATE, 1);
        for (int i = 0; i < voice.length; i++) {
            voice[i] *= i / RATE % 2 < 1.2 ? 1 : 1e-4f;
        }
        return new SongMaterial(
                Map.of("voice", Signals.mono(RATE, voice), "bed", Signals.mono(RATE, bed)), RATE);
    }

    private static double spread(List<Double> shares) {
        double most = shares.stream().mapToDouble(x -> x).max().orElseThrow();
        double least = shares.stream().mapToDouble(x -> x).min().orElseThrow();
        return most / least;
    }

    @Test
    @Tag("sweep")
    void holdingKeepsEachReturnAsAudibleThroughAllSections() {
        SongMaterial material = thickening();
        Renderer renderer = new Renderer(material, material.frames(), new StageCache(1L << 28));
        CoverAnalysis analysis = new CoverAnalysis(renderer, -20, 10);
        // Loud enough to be felt in the middle section: what is hidden is not held.
        Design fixed =
                design().withReturns(
                                design().returns().stream()
                                        .map(r -> r.withLevel(r.levelDb() + 5))
                                        .toList());
        Map<String, List<Double>> before = Hold.shares(analysis, fixed, Job.QUIET);
        Design held = fixed.withSong(Hold.of(analysis, fixed, Job.QUIET));
        Map<String, List<Double>> after = Hold.shares(analysis, held, Job.QUIET);
        for (String id : List.of("A", "B", "C")) {
            List<Double> were = java.util.Objects.requireNonNull(before.get(id));
            List<Double> are = java.util.Objects.requireNonNull(after.get(id));
            assertThat(spread(were)).as("fixed " + id).isGreaterThan(1.5);
            assertThat(spread(are)).as("held " + id).isLessThan(1.15);
            double median = were.stream().sorted().toList().get(1);
            assertThat(are).allSatisfy(x -> assertThat(x / median).isCloseTo(1, within(0.08)));
        }
        assertThat(cell(held.song(), 1, "B").levelDb())
                .isGreaterThan(cell(held.song(), 0, "B").levelDb());
        Design again = fixed.withSong(Hold.of(analysis, held, Job.QUIET));
        for (int s = 0; s < 3; s++) {
            assertThat(cell(again.song(), s, "B").levelDb())
                    .isCloseTo(cell(held.song(), s, "B").levelDb(), within(0.3));
        }
    }
}
