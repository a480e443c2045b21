package orbispace.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import orbispace.core.Signals;
import orbispace.core.clear.CoverAnalysis;
import orbispace.core.design.Design;
import orbispace.core.design.Fields;
import orbispace.core.design.PlanCell;
import orbispace.core.design.Purpose;
import orbispace.core.design.Return;
import orbispace.core.design.Role;
import orbispace.core.design.Section;
import orbispace.core.design.SectionPlan;
import orbispace.core.design.Song;
import orbispace.core.design.Width;
import orbispace.core.render.Job;
import orbispace.core.render.Renderer;
import orbispace.core.render.SongMaterial;
import orbispace.core.render.StageCache;
import orbispace.core.time.SongClock;
import org.junit.jupiter.api.Test;

/** Four sections of two seconds: bare, full, fuller, and one in which only the bed plays. */
class HoldTest {
    private static final double RATE = 24000;
    private static final double SECONDS = 8;

    private static Design design(SectionPlan plan) {
        List<Section> sections = new ArrayList<>();
        for (int i = 0; i < 4; i++) {
            sections.add(
                    new Section("S" + i, i + 1, 1, orbispace.core.design.SectionKind.OTHER, plan));
        }
        return new Design(
                new Song("Tide", RATE, SongClock.constant(120, 4, 4), sections),
                List.of(
                        Fields.source("voice", Role.LEAD),
                        Fields.source("chime", Role.HITS),
                        Fields.source("bed", Role.HARMONY_BED)),
                List.of(
                        Fields.hall("A", 0.4, Map.of("voice", 2.0)),
                        Fields.hall("B", 0.3, Map.of("chime", 0.0))));
    }

    private static CoverAnalysis analysis() {
        float[] bed = Signals.noise(0.01, 80, 9000, SECONDS, RATE, 2);
        float[] voice = Signals.noise(0.01, 200, 6000, SECONDS, RATE, 1);
        float[] chime = Signals.noise(0.01, 2000, 6000, SECONDS, RATE, 3);
        for (int i = 0; i < bed.length; i++) {
            double t = i / RATE;
            bed[i] *= t < 2 ? 0.2f : t < 4 ? 0.6f : 1;
            voice[i] *= t < 6 && t % 1 < 0.6 ? 1 : 0;
            chime[i] *= t < 1 ? 1 : 0;
        }
        SongMaterial material =
                new SongMaterial(
                        Map.of(
                                "voice", Signals.mono(RATE, voice),
                                "chime", Signals.mono(RATE, chime),
                                "bed", Signals.mono(RATE, bed)),
                        RATE);
        return new CoverAnalysis(
                new Renderer(material, material.frames(), new StageCache(1L << 27)), -20, 10);
    }

    private static List<Double> shares(CoverAnalysis analysis, Design design, String id) {
        return Objects.requireNonNull(Hold.shares(analysis, design, Job.QUIET).get(id));
    }

    @Test
    void sharesThatAreHeardGoToTheirMedianInTenthsOfADecibelAndTheRestIsLeftAlone() {
        CoverAnalysis analysis = analysis();
        Design planned = design(SectionPlan.NONE.withCell("A", PlanCell.PLAIN.withLevel(-5)));
        Design flat = design(SectionPlan.NONE.withCell("A", PlanCell.PLAIN.withLevel(0)));
        List<Double> were = shares(analysis, flat, "A");
        assertThat(were.get(3)).isLessThan(1e-4);
        assertThat(were.subList(0, 3)).isSortedAccordingTo((a, b) -> Double.compare(b, a));
        List<Double> reported = new ArrayList<>();
        Design held =
                planned.withSong(
                        Hold.of(
                                analysis,
                                planned,
                                new Job() {
                                    @Override
                                    public void report(double part) {
                                        reported.add(part);
                                    }

                                    @Override
                                    public boolean cancelled() {
                                        return false;
                                    }
                                }));
        assertThat(reported).hasSize(3).last().isEqualTo(1.0);
        assertThat(reported.getFirst()).isCloseTo(1 / 3.0, within(1e-9));
        List<Double> are = shares(analysis, held, "A");
        for (int s = 0; s < 3; s++) {
            // Levels go by tenths of a decibel, and half of one is 1.2 % of power in each section.
            assertThat(are.get(s) / were.get(1)).as("section " + s).isCloseTo(1, within(0.027));
            PlanCell cell = held.song().sections().get(s).plan().cell("A");
            assertThat(10 * cell.levelDb()).isCloseTo(Math.rint(10 * cell.levelDb()), within(1e-9));
            assertThat(cell.edge()).isEqualTo(PlanCell.Edge.FADED);
            assertThat(cell.rampBeats()).isEqualTo(0.5);
        }
        assertThat(held.song().sections().get(0).plan().cell("A").levelDb()).isNegative();
        assertThat(held.song().sections().get(1).plan().cell("A").levelDb())
                .isCloseTo(0, within(0.11));
        assertThat(held.song().sections().get(2).plan().cell("A").levelDb()).isPositive();
        assertThat(held.song().sections().get(3).plan().cell("A").levelDb()).isZero();
        // Heard in one section alone, there is nothing to hold.
        assertThat(held.song().sections().getFirst().plan().cell("B").isPlain()).isTrue();
    }

    @Test
    void densityIsTheLoudnessOfAllThatIsDryInEachSection() {
        List<Double> dense = Hold.density(analysis(), design(SectionPlan.NONE));
        assertThat(dense).hasSize(4);
        assertThat(dense.get(2)).isGreaterThan(dense.get(1)).isGreaterThan(dense.get(3));
    }

    @Test
    void whatNobodyHearsBeforeAndAfterIsLeftAlone() {
        CoverAnalysis analysis = analysis();
        Design plain = design(SectionPlan.NONE);
        Design faint = plain.withReturn(plain.requireReturn("A").withLevel(-12));
        List<Double> were = shares(analysis, faint, "A");
        assertThat(were.get(0)).isBetween(1e-4, 0.007);
        Song held = Hold.of(analysis, faint, Job.QUIET);
        assertThat(held.sections()).allMatch(s -> s.plan().cell("A").levelDb() == 0);
        // All that is dry stands in the middle: even so little opens it, but for a mono space.
        assertThat(hidden(analysis, faint)).doesNotContain("A");
        Return mono = faint.requireReturn("A");
        Return narrow = mono.withChain(mono.chain().withWidth(new Width(0, 20)));
        assertThat(hidden(analysis, faint.withReturn(narrow))).contains("A");
        assertThat(hidden(analysis, plain)).doesNotContain("A");
    }

    private static Set<String> hidden(CoverAnalysis analysis, Design d) {
        return Hold.hidden(
                Hold.states(analysis, d, Hold.shares(analysis, d, Job.QUIET), Job.QUIET));
    }

    @Test
    void anEffectIsNotHeld() {
        Design plain = design(SectionPlan.NONE);
        Design effect = plain.withAims(plain.aims().purposed("A", Purpose.EFFECT));
        Song held = Hold.of(analysis(), effect, Job.QUIET);
        assertThat(held.sections()).allMatch(s -> s.plan().cell("A").levelDb() == 0);
    }
}
