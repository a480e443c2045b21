package orbispace.core.render;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import orbispace.core.Signals;
import orbispace.core.audio.Audio;
import orbispace.core.design.Design;
import orbispace.core.design.Fields;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.PlanCell;
import orbispace.core.design.Return;
import orbispace.core.design.Role;
import orbispace.core.design.Section;
import orbispace.core.design.SectionKind;
import orbispace.core.design.SectionPlan;
import orbispace.core.design.Song;
import orbispace.core.design.Throw;
import orbispace.core.design.Trail;
import orbispace.core.time.SongClock;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Three sections of two seconds each; a steady tone into a short hall and an echo. */
class PlanRenderTest {
    private static final double RATE = 24000;
    private static final int BLOCK = 256;
    private static final SongMaterial TONE =
            new SongMaterial(
                    Map.of("voice", Signals.mono(RATE, Signals.sine(220, 0.2, 7, RATE))), RATE);

    private static Design design(SectionPlan... plans) {
        List<Section> sections = new ArrayList<>();
        for (int i = 0; i < plans.length; i++) {
            sections.add(new Section("S" + i, i + 1, 1, SectionKind.OTHER, plans[i]));
        }
        return new Design(
                new Song("Plan", RATE, SongClock.constant(120, 4, 4), sections),
                List.of(Fields.source("voice", Role.LEAD)),
                List.of(
                        Fields.hall("A", 0.5, Map.of("voice", 0.0)),
                        Fields.echo("B", "1/8", 0.3, Map.of("voice", -6.0))));
    }

    private static SectionPlan plan(String id, PlanCell cell) {
        return SectionPlan.NONE.withCell(id, cell);
    }

    private static Audio wet(Design design, String id) {
        return new Renderer(TONE, TONE.frames(), new StageCache(0))
                .wet(design, design.requireReturn(id), Job.QUIET);
    }

    private static double levelDb(Audio a, double from, double to) {
        return 10
                * Math.log10(a.slice((int) (from * RATE), (int) (to * RATE)).meanSquare() + 1e-20);
    }

    private static Design plain() {
        return design(SectionPlan.NONE, SectionPlan.NONE, SectionPlan.NONE);
    }

    @Test
    void aLevelHoldsInItsSectionAndNowhereElse() {
        PlanCell softer = PlanCell.PLAIN.withLevel(-12).withEdge(PlanCell.Edge.CUT);
        PlanCell back = PlanCell.PLAIN.withEdge(PlanCell.Edge.CUT);
        Audio plain = wet(plain(), "A");
        Audio planned = wet(design(SectionPlan.NONE, plan("A", softer), plan("A", back)), "A");
        for (int i = 0; i < 2 * RATE; i++) {
            assertThat(planned.channel(0)[i]).isEqualTo(plain.channel(0)[i]);
        }
        assertThat(levelDb(planned, 2.01, 4) - levelDb(plain, 2.01, 4))
                .isCloseTo(-12, within(0.01));
        assertThat(levelDb(planned, 4.01, 6) - levelDb(plain, 4.01, 6)).isCloseTo(0, within(0.01));
    }

    @Test
    void aLevelGoesToItsPlaceInAsManyBeatsAsWereAsked() {
        PlanCell softer = PlanCell.PLAIN.withLevel(-12).withRamp(2).withEdge(PlanCell.Edge.FADED);
        Design d = design(SectionPlan.NONE, plan("A", softer), SectionPlan.NONE);
        GainCurve out = new PlanCurves(d).output(d.requireReturn("A"));
        // Two beats at 120 bpm are a second; levels run straight in decibels.
        double[][] levels = {{2, 0}, {2.25, -3}, {2.5, -6}, {2.75, -9}, {3, -12}, {3.9, -12}};
        for (double[] l : levels) {
            assertThat(20 * Math.log10(out.at((int) (l[0] * RATE))))
                    .as("at %s s", l[0])
                    .isCloseTo(l[1], within(0.1));
        }
        PlanCell cut = softer.withEdge(PlanCell.Edge.CUT);
        Design atOnce = design(SectionPlan.NONE, plan("A", cut), SectionPlan.NONE);
        GainCurve step = new PlanCurves(atOnce).output(d.requireReturn("A"));
        assertThat(20 * Math.log10(step.at((int) (2.005 * RATE)))).isCloseTo(-12, within(0.01));
        assertThat(step.at((int) (2.0025 * RATE)))
                .isCloseTo(0.5 * (1 + Math.pow(10, -0.6)), within(0.01));
    }

    @Test
    void aTailIsCarriedFadedOrCutAsChosen() {
        PlanCell mute = PlanCell.PLAIN.withMuted(true);
        Audio carried = wet(design(SectionPlan.NONE, plan("A", mute), SectionPlan.NONE), "A");
        Audio cut =
                wet(
                        design(
                                SectionPlan.NONE,
                                plan("A", mute.withEdge(PlanCell.Edge.CUT)),
                                SectionPlan.NONE),
                        "A");
        PlanCell fading = mute.withEdge(PlanCell.Edge.FADED).withRamp(2);
        Audio faded = wet(design(SectionPlan.NONE, plan("A", fading), SectionPlan.NONE), "A");
        assertThat(levelDb(carried, 2.1, 2.2)).isBetween(-60.0, -15.0);
        assertThat(levelDb(carried, 3.5, 3.9)).isLessThan(-80);
        assertThat(levelDb(cut, 2.006, 4)).isEqualTo(-200);
        assertThat(levelDb(faded, 2.1, 2.2)).isBetween(levelDb(cut, 2.1, 2.2), -20.0);
        assertThat(levelDb(faded, 3.01, 4)).isEqualTo(-200);
        assertThat(levelDb(cut, 4.5, 6)).isGreaterThan(-30);
    }

    @Test
    void decayWidthAndSendsDifferBySection() {
        PlanCell longer = PlanCell.PLAIN.withDecay(3);
        PlanCell narrow = PlanCell.PLAIN.withWidth(0);
        Design d =
                design(
                        plan("A", narrow),
                        plan("A", longer).withSend("B", "voice", -20),
                        SectionPlan.NONE);
        Audio a = wet(d, "A");
        for (int i = (int) RATE; i < 1.9 * RATE; i++) {
            assertThat(a.channel(0)[i]).isCloseTo(a.channel(1)[i], within(1e-5f));
        }
        Audio plain = wet(plain(), "B");
        assertThat(levelDb(wet(d, "B"), 3.5, 4) - levelDb(plain, 3.5, 4))
                .isCloseTo(-20, within(0.1));
        SongMaterial click = new SongMaterial(Map.of("voice", Signals.mono(RATE, clicks())), RATE);
        Audio tails =
                new Renderer(click, click.frames(), new StageCache(0))
                        .wet(d, d.requireReturn("A"), Job.QUIET);
        assertThat(levelDb(tails, 3.6, 3.9) - levelDb(tails, 5.6, 5.9)).isGreaterThan(20);
    }

    private static float[] clicks() {
        float[] x = new float[(int) (7 * RATE)];
        x[(int) (2.5 * RATE)] = 1;
        x[(int) (4.5 * RATE)] = 1;
        return x;
    }

    @Test
    void aThrownWordStartsAndEndsOnTheSampleAndItsRepeatsFollow() {
        Return echo = Fields.echo("B", "1/8", 0.3, Map.of());
        Design d =
                new Design(plain().song(), plain().sources(), List.of(echo))
                        .withThrown(
                                List.of(Throw.of("t1", "voice", "B", 3, 4, -3).withFades(1, 1)));
        Audio b = wet(d, "B");
        int spacing = (int) (0.25 * RATE);
        int from = (int) (1.5 * RATE) + spacing;
        int to = (int) (2 * RATE) + spacing;
        for (int i = 0; i < from - 2; i++) {
            assertThat(b.channel(0)[i]).isZero();
        }
        assertThat(levelDb(b, from / RATE, from / RATE + 0.002)).isGreaterThan(-60);
        float[] tone = Signals.sine(220, 0.2, 7, RATE);
        double expected = 0;
        for (int i = (int) (1.6 * RATE); i < 1.7 * RATE; i++) {
            expected = Math.max(expected, Math.abs(tone[i]) * Math.pow(10, -3 / 20.0));
        }
        double heard = 0;
        for (int i = from + (int) (0.1 * RATE); i < from + 0.2 * RATE; i++) {
            heard = Math.max(heard, Math.max(Math.abs(b.channel(0)[i]), Math.abs(b.channel(1)[i])));
        }
        assertThat(heard).isCloseTo(expected, within(1e-4 * expected));
        assertThat(levelDb(b, to / RATE + 2, to / RATE + 2.5)).isLessThan(-60);
    }

    @Test
    void aThrowRidesOverItsPointsAndComesBackToTheSend() {
        Throw ride =
                Throw.of("t1", "voice", "B", 2, 6, 0)
                        .withRide(
                                List.of(
                                        new Throw.RidePoint(2, -20),
                                        new Throw.RidePoint(4, 0),
                                        new Throw.RidePoint(6, -20)));
        Design d = plain().withThrown(List.of(ride));
        GainCurve curve = new PlanCurves(d).send(d.requireReturn("B"), d.sources().getFirst());
        assertThat(20 * Math.log10(curve.at(0))).isCloseTo(-6, within(1e-4));
        assertThat(20 * Math.log10(curve.at((int) (2 * RATE)))).isCloseTo(0, within(0.01));
        assertThat(20 * Math.log10(curve.at((int) (1.5 * RATE)))).isCloseTo(-10, within(0.2));
        assertThat(20 * Math.log10(curve.at((int) (3.1 * RATE)))).isCloseTo(-6, within(1e-4));
    }

    @Test
    void aThrowFollowsATempoThatIsChangedAndOneWithoutItsReturnIsKeptUnheard() {
        Throw t = Throw.of("t1", "voice", "B", 4, 5, 0);
        Design d = plain().withThrown(List.of(t));
        Design slower = d.withSong(d.song().withClock(SongClock.constant(60, 4, 4)));
        GainCurve curve =
                new PlanCurves(slower).send(slower.requireReturn("B"), d.sources().getFirst());
        assertThat(20 * Math.log10(curve.at((int) (4.5 * RATE)))).isCloseTo(0, within(1e-4));
        assertThat(20 * Math.log10(curve.at((int) (2.5 * RATE)))).isCloseTo(-6, within(1e-4));
        Design gone = d.withReturns(List.of(d.requireReturn("A")));
        assertThat(gone.lostThrows()).containsExactly(t);
        assertThat(wet(gone, "A").channel(0)).isEqualTo(wet(plain(), "A").channel(0));
    }

    @Test
    void aPlanThatChangesNothingIsNoPlan() {
        Design d = design(plan("A", PlanCell.PLAIN), SectionPlan.NONE.withSend("A", "voice", 0));
        assertThat(d.song().sections()).allMatch(s -> s.plan().isPlain());
        Renderer renderer = new Renderer(TONE, TONE.frames(), new StageCache(0));
        assertThat(renderer.chain(d, d.requireReturn("A")).input().isEven()).isTrue();
        assertThat(renderer.chain(d, d.requireReturn("A")))
                .isEqualTo(renderer.chain(plain(), plain().requireReturn("A")));
    }

    /** In some of these a section asks again for a space that has rung out before. */
    @ParameterizedTest
    @ValueSource(ints = {0, 1, 6, 7, 22})
    void whatIsHeardOfAPlanIsWhatIsPrinted(int seed) {
        Design d = random(new SplittableRandom(seed));
        Audio printed =
                new Renderer(TONE, TONE.frames(), new StageCache(0)).render(d, Job.QUIET).mix();
        LiveMix mix = new LiveMix(LiveSettings.of(d, TONE, LiveSettings.Hearing.PLAIN), BLOCK);
        float[] l = new float[BLOCK];
        float[] r = new float[BLOCK];
        double difference = 0;
        double power = 0;
        for (int at = 0; at + BLOCK <= TONE.frames(); at += BLOCK) {
            mix.process(at, l, r, BLOCK);
            for (int i = 0; i < BLOCK; i++) {
                difference += Math.pow(l[i] - printed.channel(0)[at + i], 2);
                power += Math.pow(printed.channel(0)[at + i], 2);
            }
        }
        assertThat(10 * Math.log10(difference / power + 1e-30)).isLessThan(-90);
    }

    private static Design random(SplittableRandom random) {
        SectionPlan[] plans = new SectionPlan[3];
        for (int i = 0; i < plans.length; i++) {
            SectionPlan p = SectionPlan.NONE;
            for (String id : List.of("A", "B")) {
                PlanCell cell =
                        new PlanCell(
                                -random.nextInt(30),
                                0.5 + random.nextDouble(),
                                List.of(PlanCell.Tempo.values()).get(random.nextInt(3)),
                                random.nextDouble(),
                                random.nextInt(4) == 0,
                                random.nextInt(3),
                                List.of(PlanCell.Edge.values()).get(random.nextInt(3)));
                p = p.withCell(id, cell).withSend(id, "voice", -random.nextInt(12));
            }
            plans[i] = p;
        }
        double from = 1 + 8 * random.nextDouble();
        Throw thrown =
                Throw.of(
                        "t1",
                        "voice",
                        random.nextBoolean() ? "A" : "B",
                        from,
                        from + 0.2 + random.nextDouble(),
                        -random.nextInt(20));
        return design(plans).withThrown(List.of(thrown.withTrail(trail(random, from))));
    }

    private static Trail trail(SplittableRandom random, double from) {
        Trail trail = Trail.AS_RETURN;
        trail = random.nextBoolean() ? trail.withFeedback(0.8 * random.nextDouble()) : trail;
        trail = random.nextBoolean() ? trail.withFeed(-3.0) : trail;
        trail = random.nextBoolean() ? trail.until(from + 2 * random.nextDouble()) : trail;
        trail = random.nextBoolean() ? trail.withTime(new MusicalTime.Millis(170)) : trail;
        return trail.withSides(List.of(Trail.Sides.values()).get(random.nextInt(3)));
    }

    /** The tone, come and gone so slowly that it makes no corner itself. */
    private static SongMaterial soft() {
        float[] x = Signals.sine(220, 0.2, 7, RATE);
        for (int i = 0; i < x.length; i++) {
            double edge = Math.min(1, Math.min(i, x.length - 1 - i) / (0.2 * RATE));
            x[i] *= (float) (0.5 - 0.5 * Math.cos(Math.PI * edge));
        }
        return new SongMaterial(Map.of("voice", Signals.mono(RATE, x)), RATE);
    }

    @Test
    void randomPlansMakeNoClick() {
        SongMaterial soft = soft();
        for (int seed = 0; seed < Integer.getInteger("orbispace.plans", 60); seed++) {
            Design d = random(new SplittableRandom(seed));
            for (String id : List.of("A", "B")) {
                Audio planned =
                        new Renderer(soft, soft.frames(), new StageCache(0))
                                .wet(d, d.requireReturn(id), Job.QUIET);
                // Third differences see a jump of h as 3 h, the corner of a straight fade of 5 ms,
                // the fastest that a plan makes, as its slope, and the tone itself hardly.
                double corner = planned.peak() / (0.005 * RATE);
                assertThat(thirdDifference(planned))
                        .as("seed %d, %s", seed, id)
                        .isLessThan(1.1 * corner);
            }
        }
    }

    private static double thirdDifference(Audio a) {
        double most = 0;
        for (int c = 0; c < 2; c++) {
            float[] x = a.channel(c);
            for (int i = 3; i < x.length; i++) {
                most = Math.max(most, Math.abs(x[i] - 3.0 * x[i - 1] + 3.0 * x[i - 2] - x[i - 3]));
            }
        }
        return most;
    }

    private static double step(Audio a) {
        double most = 0;
        for (int c = 0; c < 2; c++) {
            float[] x = a.channel(c);
            for (int i = 1; i < x.length; i++) {
                most = Math.max(most, Math.abs(x[i] - x[i - 1]));
            }
        }
        return most;
    }

    @Test
    void aLongerHallTakesOverWhileTheTailOfTheOneBeforeRingsOn() {
        PlanCell longer = PlanCell.PLAIN.withDecay(4);
        Design d = design(SectionPlan.NONE, plan("A", longer), SectionPlan.NONE);
        Renderer renderer = new Renderer(TONE, TONE.frames(), new StageCache(0));
        Timeline space = renderer.chain(d, d.requireReturn("A")).stages().get(ChainSettings.ENGINE);
        assertThat(space.steps()).hasSize(3);
        Audio handed = wet(d, "A");
        Audio plain = wet(plain(), "A");
        assertThat(step(handed)).isLessThan(2 * step(plain));
        for (double t = 1.9; t < 4.5; t += 0.05) {
            assertThat(levelDb(handed, t, t + 0.05))
                    .as("never a hole at " + t)
                    .isGreaterThan(levelDb(plain, 1, 1.9) - 15);
        }
    }

    @Test
    void aWindowOfAPlannedSongSoundsLikeTheSong() {
        Design d =
                design(
                        SectionPlan.NONE,
                        plan("B", PlanCell.PLAIN.withLevel(-9).withEdge(PlanCell.Edge.FADED)),
                        SectionPlan.NONE);
        Audio whole = wet(d, "B");
        Renderer window = new Renderer(TONE, TONE.frames(), new StageCache(0)).window(0.5, 5);
        Audio part = window.wet(d, d.requireReturn("B"), Job.QUIET);
        int first = window.firstFrame();
        double difference = 0;
        double power = 0;
        for (int i = (int) (3 * RATE); i < 4.9 * RATE; i++) {
            difference += Math.pow(part.channel(0)[i - first] - whole.channel(0)[i], 2);
            power += Math.pow(whole.channel(0)[i], 2);
        }
        assertThat(10 * Math.log10(difference / power + 1e-30)).isLessThan(-40);
    }
}
