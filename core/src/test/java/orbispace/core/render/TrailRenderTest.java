package orbispace.core.render;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import orbispace.core.Signals;
import orbispace.core.audio.Audio;
import orbispace.core.design.Chain;
import orbispace.core.design.Design;
import orbispace.core.design.Fields;
import orbispace.core.design.Filter;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Return;
import orbispace.core.design.Role;
import orbispace.core.design.Section;
import orbispace.core.design.SectionKind;
import orbispace.core.design.SectionPlan;
import orbispace.core.design.Song;
import orbispace.core.design.Throw;
import orbispace.core.design.Trail;
import orbispace.core.time.MetreMap;
import orbispace.core.time.SongClock;
import orbispace.core.time.TempoMap;
import org.junit.jupiter.api.Test;

/** Clicks thrown to an echo, two bars at 120 bpm and then some at 90. */
class TrailRenderTest {
    private static final double RATE = 48000;
    private static final int SECOND_BAR_FRAME = (int) (2 * RATE);
    private static final int SLOW_BAR_FRAME = (int) (4 * RATE);
    private static final SongClock CLOCK =
            new SongClock(
                    TempoMap.of(List.of(TempoMap.Change.step(0, 120), TempoMap.Change.step(8, 90))),
                    MetreMap.constant(4, 4));
    private static final SongMaterial CLICKS =
            new SongMaterial(Map.of("voice", Signals.mono(RATE, clicks())), RATE);

    private static float[] clicks() {
        float[] x = new float[(int) (9 * RATE)];
        x[SECOND_BAR_FRAME + 100] = 1;
        x[SLOW_BAR_FRAME + 100] = 1;
        return x;
    }

    private static Return open(Return r) {
        Chain c = r.chain();
        return r.withChain(c.withFilterIn(Filter.OPEN).withFilterOut(Filter.OPEN)).withLevel(0);
    }

    private static Design design(Trail trail) {
        List<Section> sections =
                List.of(
                        new Section("Fast", 1, 2, SectionKind.OTHER, SectionPlan.NONE),
                        new Section("Slow", 3, 2, SectionKind.OTHER, SectionPlan.NONE));
        Return hall = open(Fields.hall("A", 0.6, Map.of("voice", -6.0)));
        Return echo = open(Fields.echo("B", "1/4", 0.5, Map.of()));
        return new Design(
                        new Song("Trails", RATE, CLOCK, sections),
                        List.of(Fields.source("voice", Role.LEAD)),
                        List.of(hall, echo))
                .withThrown(
                        List.of(
                                Throw.of("t1", "voice", "B", 4, 5, 0)
                                        .withFades(1, 1)
                                        .withTrail(trail),
                                Throw.of("t2", "voice", "B", 8, 9, 0)
                                        .withFades(1, 1)
                                        .withTrail(trail)));
    }

    private static Trail eighths() {
        return Trail.AS_RETURN.withTime(new MusicalTime.Note(Fields.note("1/8"), 0));
    }

    private static Audio wet(Design design, String id) {
        return new Renderer(CLICKS, CLICKS.frames(), new StageCache(0))
                .wet(design, design.requireReturn(id), Job.QUIET);
    }

    private static int peak(float[] x, int from, int to) {
        int at = from;
        for (int i = from; i < to; i++) {
            at = Math.abs(x[i]) > Math.abs(x[at]) ? i : at;
        }
        return at;
    }

    private static double energy(Audio a, int from, int to) {
        return a.slice(from, to).meanSquare();
    }

    @Test
    void repeatsTakeTheTempoOfTheirOwnBarToTheSample() {
        float[] left = wet(design(eighths().withSides(Trail.Sides.STAY)), "B").channel(0);
        int fast = (int) (0.25 * RATE);
        int slow = (int) Math.round(60.0 / 90 / 2 * RATE);
        for (int k = 1; k <= 2; k++) {
            int first = SECOND_BAR_FRAME + 100 + k * fast;
            assertThat(peak(left, first - 600, first + 600)).isCloseTo(first, within(k));
            int second = SLOW_BAR_FRAME + 100 + k * slow;
            assertThat(peak(left, second - 600, second + 600)).isCloseTo(second, within(k));
        }
        assertThat(energy(wet(design(eighths()), "B"), 0, SECOND_BAR_FRAME + 100 + fast - 600))
                .isZero();
    }

    @Test
    void aSingleRepeatIsOneAndATrailFalls() {
        Audio single = wet(design(eighths().withFeedback(0.0)), "B");
        int second = SECOND_BAR_FRAME + 100 + (int) (0.5 * RATE);
        assertThat(energy(single, second - 2000, second + 2000)).isLessThan(1e-12);
        float[] half =
                wet(design(eighths().withSides(Trail.Sides.STAY).withFeedback(0.4)), "B")
                        .channel(0);
        float[] more =
                wet(design(eighths().withSides(Trail.Sides.STAY).withFeedback(0.8)), "B")
                        .channel(0);
        double ratio =
                half[peak(half, second - 50, second + 50)]
                        / more[peak(more, second - 50, second + 50)];
        assertThat(ratio).isCloseTo(0.5, within(0.02));
    }

    @Test
    void repeatsAlternateOrStay() {
        Audio sides = wet(design(eighths().withSides(Trail.Sides.ALTERNATE)), "B");
        int first = SECOND_BAR_FRAME + 100 + (int) (0.25 * RATE);
        int second = first + (int) (0.25 * RATE);
        assertThat(Math.abs(sides.channel(0)[first]))
                .isGreaterThan(10 * Math.abs(sides.channel(1)[first]));
        assertThat(Math.abs(sides.channel(1)[peak(sides.channel(1), second - 20, second + 20)]))
                .isGreaterThan(10 * Math.abs(sides.channel(0)[second]));
        Audio stay = wet(design(eighths().withSides(Trail.Sides.STAY)), "B");
        for (int i = first - 50; i < second + 50; i++) {
            assertThat(stay.channel(0)[i]).isEqualTo(stay.channel(1)[i]);
        }
    }

    @Test
    void aTrailIsShutWhereItIsToldTo() {
        Audio shut = wet(design(eighths().withFeedback(0.8).until(6.0)), "B");
        assertThat(energy(shut, (int) (2.7 * RATE), (int) (2.9 * RATE))).isPositive();
        assertThat(energy(shut, (int) (3 * RATE), SLOW_BAR_FRAME + 100)).isZero();
    }

    @Test
    void aTrailLivesInTheSpacesOfItsSource() {
        Design alone = design(eighths().withFeedback(0.0));
        Design fed = design(eighths().withFeedback(0.0).withFeed(0.0));
        int repeat = SECOND_BAR_FRAME + 100 + (int) (0.25 * RATE);
        Audio dryHall = wet(alone, "A");
        Audio fedHall = wet(fed, "A");
        for (int i = 0; i < repeat - 700; i++) {
            assertThat(fedHall.channel(0)[i]).isCloseTo(dryHall.channel(0)[i], within(1e-8f));
        }
        // The word itself enters the hall at the same send: its repeat, as loud, makes as much.
        double word = energy(dryHall, SECOND_BAR_FRAME, SECOND_BAR_FRAME + (int) (0.25 * RATE));
        double both = energy(fedHall, repeat - 100, repeat + (int) (0.25 * RATE) - 100);
        double before = energy(dryHall, repeat - 100, repeat + (int) (0.25 * RATE) - 100);
        assertThat(10 * Math.log10((both - before) / word)).isCloseTo(0, within(3.0));
    }

    @Test
    void anOwnFilterIsHeardAndTheReturnItselfIsLeftAlone() {
        Filter dull = Filter.OPEN.withLowPass(new Filter.Corner(500, 4));
        Design plain = design(eighths().withFeedback(0.0));
        Design filtered = design(eighths().withFeedback(0.0).withFilter(dull));
        int repeat = SECOND_BAR_FRAME + 100 + (int) (0.25 * RATE);
        assertThat(energy(wet(filtered, "B"), repeat - 100, repeat + 2000))
                .isLessThan(0.1 * energy(wet(plain, "B"), repeat - 100, repeat + 2000));
        assertThat(wet(filtered, "A").channel(0)).isEqualTo(wet(plain, "A").channel(0));
    }

    @Test
    void whatIsPlayedIsWhatIsPrinted() {
        Trail trail = eighths().withFeedback(0.6).withFeed(-3.0).withSides(Trail.Sides.ALTERNATE);
        Design design = design(trail.until(7.0));
        Audio mix =
                new Renderer(CLICKS, CLICKS.frames(), new StageCache(0))
                        .render(design, Job.QUIET)
                        .mix();
        LiveMix live =
                new LiveMix(LiveSettings.of(design, CLICKS, LiveSettings.Hearing.PLAIN), 512);
        float[] left = new float[512];
        float[] right = new float[512];
        for (int at = 0; at + 512 < 7 * RATE; at += 512) {
            live.process(at, left, right, 512);
            for (int i = 0; i < 512; i++) {
                assertThat(left[i]).isCloseTo(mix.channel(0)[at + i], within(3e-5f));
            }
        }
    }

    @Test
    void aTrailLeftAsTheReturnChangesNothing() {
        Design plain = design(Trail.AS_RETURN);
        assertThat(new ChainWorks(plain, CLICKS.responses()).of(plain.requireReturn("B")).trails())
                .isEmpty();
        assertThat(new TrailReturns(plain).whole()).isSameAs(plain);
    }
}
