package orbispace.core.clear;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Random;
import orbispace.core.Signals;
import orbispace.core.audio.Audio;
import orbispace.core.design.Chain;
import orbispace.core.design.Design;
import orbispace.core.design.Fields;
import orbispace.core.design.Return;
import orbispace.core.design.Role;
import orbispace.core.design.Send;
import orbispace.core.design.Song;
import orbispace.core.design.Space;
import orbispace.core.design.Targets;
import orbispace.core.hearing.Cover;
import orbispace.core.hearing.WetState;
import orbispace.core.material.Phrases;
import orbispace.core.measure.SortedCells;
import orbispace.core.render.Job;
import orbispace.core.render.Renderer;
import orbispace.core.render.Rendering;
import orbispace.core.render.SongMaterial;
import orbispace.core.render.StageCache;
import orbispace.core.space.CopiesSettings;
import orbispace.core.time.Span;
import org.junit.jupiter.api.Test;

/** Returns that open the mix, though little is heard of them by their loudness. */
class OpeningReturnsTest {
    private static final double RATE = 48000;
    private static final double SECONDS = 3;
    private static final Span SPAN = new Span(0, SECONDS);

    private static final SongMaterial MATERIAL =
            new SongMaterial(
                    Map.of(
                            "voice",
                            Signals.mono(RATE, Signals.noise(0.02, 200, 5000, SECONDS, RATE, 1)),
                            "bed",
                            Signals.mono(RATE, Signals.noise(0.01, 80, 9000, SECONDS, RATE, 2))),
                    RATE);
    private static final CoverAnalysis ANALYSIS =
            new CoverAnalysis(
                    new Renderer(MATERIAL, MATERIAL.frames(), new StageCache(1L << 27)), -20, 10);

    /** A widener of two to four copies to the sides, 8 to 45 ms late and 4 to 30 dB under. */
    private static Design widened(int seed) {
        Random random = new Random(seed);
        List<CopiesSettings.Voice> copies = new ArrayList<>();
        int count = 2 + random.nextInt(3);
        for (int c = 0; c < count; c++) {
            copies.add(
                    new CopiesSettings.Voice(
                            0.008 + 0.037 * random.nextDouble(),
                            10 * random.nextGaussian(),
                            c % 2 == 0 ? -1 : 1));
        }
        Return r =
                new Return(
                        "A",
                        "Sides",
                        Map.of("voice", Send.of(0)),
                        Map.of(),
                        Chain.of(new Space.Copies(copies, 120, true)),
                        -4 - 26 * random.nextDouble(),
                        new Return.Timing(1, false));
        return new Design(
                new Song("Quay", RATE, Fields.song(120).clock(), List.of()),
                List.of(Fields.source("voice", Role.LEAD), Fields.source("bed", Role.BACKING)),
                List.of(r));
    }

    /** What two octaves have gained at least, by the second way over all frames. */
    private static double degrees(Design design) {
        Rendering rendering = ANALYSIS.renderer().render(design, Job.QUIET);
        Audio mix = rendering.mix();
        SortedCells with = SortedCells.of(mix);
        SortedCells without = SortedCells.of(rendering.dry());
        List<Double> gained = new ArrayList<>();
        for (double hz = 62.5; hz < 20000; hz *= 2) {
            gained.add(with.degrees(hz) - without.degrees(hz));
        }
        gained.sort(Comparator.reverseOrder());
        return gained.get(1);
    }

    private static Standing standing(Design design) {
        Question q =
                new Question(design, design.sources().getFirst(), "A", Phrases.NONE, SPAN, false);
        return ANALYSIS.told(q, ANALYSIS.standing(q, Job.QUIET), Job.QUIET);
    }

    @Test
    void noneThatOpensTheMixIsCalledHidden() {
        int open = 0;
        int hiddenByLoudness = 0;
        for (int seed = 0; seed < 30; seed++) {
            Design design = widened(seed);
            double degrees = degrees(design);
            Standing standing = standing(design);
            if (degrees >= 8) {
                open++;
                assertThat(standing.state()).as("widener %d", seed).isNotEqualTo(WetState.HIDDEN);
                assertThat(standing.opens().compareTo(WetState.FELT)).isNotNegative();
                hiddenByLoudness += standing.cover().state() == WetState.HIDDEN ? 1 : 0;
            }
            assertThat(
                            ANALYSIS.opens(design, design.returns().getFirst(), SPAN, Job.QUIET)
                                    .degrees())
                    .as("widener %d", seed)
                    .isBetween(degrees - 1.5 - 0.1 * degrees, degrees + 1.5 + 0.1 * degrees);
        }
        assertThat(open).isGreaterThan(8);
        assertThat(hiddenByLoudness).isPositive();
    }

    @Test
    void anotherLevelIsAnsweredFromWhatIsKeptAsIfMeasuredAnew() {
        Design design = widened(3);
        Return r = design.returns().getFirst();
        ANALYSIS.opens(design, r, SPAN, Job.QUIET);
        for (double db : new double[] {-30, -10, 0}) {
            Return other = r.withLevel(db);
            Design at = design.withReturn(other);
            assertThat(ANALYSIS.opens(at, other, SPAN, Job.QUIET).degrees())
                    .isCloseTo(degrees(at), org.assertj.core.api.Assertions.within(1.5));
        }
    }

    @Test
    void widthMakesItNoticedWhateverIsAskedOfItsLoudness() {
        Cover faint = TriedReturn.cover(0.99, 0.99, 0.002);
        Standing soft = new Standing(faint, OptionalDouble.empty(), 0);
        Standing wide = new Standing(faint, OptionalDouble.empty(), 0, WetState.OBVIOUS);
        assertThat(soft.state()).isEqualTo(WetState.HIDDEN);
        assertThat(soft.stateWords()).isEqualTo("hidden");
        assertThat(soft.misses(Targets.LEAD)).containsExactly("hidden where felt was asked");
        assertThat(wide.state()).isEqualTo(WetState.OBVIOUS);
        assertThat(wide.stateWords()).isEqualTo("obvious by its width");
        assertThat(wide.misses(Targets.LEAD))
                .containsExactly("hidden by its loudness alone where felt was asked");
        assertThat(wide.shortfall(Targets.LEAD)).isEqualTo(soft.shortfall(Targets.LEAD));
        Standing felt =
                new Standing(
                        TriedReturn.cover(0.99, 0.99, 0.015),
                        OptionalDouble.empty(),
                        0,
                        WetState.HEARD);
        assertThat(felt.meets(Targets.LEAD)).isTrue();
        assertThat(felt.stateWords()).isEqualTo("heard by its width");
    }
}
