package orbispace.core.clear;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.SplittableRandom;
import orbispace.core.Signals;
import orbispace.core.design.Aims;
import orbispace.core.design.Chain;
import orbispace.core.design.Design;
import orbispace.core.design.Duck;
import orbispace.core.design.Fields;
import orbispace.core.design.Filter;
import orbispace.core.design.HearingLevel;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Role;
import orbispace.core.design.Send;
import orbispace.core.design.Setting;
import orbispace.core.design.Space;
import orbispace.core.design.Targets;
import orbispace.core.hearing.HearingModel;
import orbispace.core.hearing.WetState;
import orbispace.core.material.PhraseFinder;
import orbispace.core.material.Phrases;
import orbispace.core.measure.LoudnessMeter;
import orbispace.core.render.Job;
import orbispace.core.render.Renderer;
import orbispace.core.render.Responses;
import orbispace.core.render.SongMaterial;
import orbispace.core.render.StageCache;
import orbispace.core.space.CopiesSettings;
import orbispace.core.space.ReverbKind;
import orbispace.core.time.Span;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

class SolverTest {
    /** Half the usual rate, at which most of what is judged here is the same. */
    private static final double RATE = 24000;

    private static final double SECONDS = 9;
    private static final Span ALL = new Span(0, SECONDS);
    private static final SongMaterial MATERIAL = material(RATE);
    private static final Phrases PHRASES =
            PhraseFinder.find(java.util.Objects.requireNonNull(MATERIAL.audio().get("voice")));

    /** Two seconds of voice-like noise, one of rest, over a bed and a low thump. */
    private static SongMaterial material(double rate) {
        float[] voice = Signals.noise(0.01, 200, 8000, SECONDS, rate, 1);
        for (int i = 0; i < voice.length; i++) {
            voice[i] *= i / rate % 3 < 2 ? 1 : 1e-4f;
        }
        return new SongMaterial(
                Map.of(
                        "voice", Signals.mono(rate, voice),
                        "bed", Signals.mono(rate, Signals.noise(2e-4, 60, 2000, SECONDS, rate, 2))),
                rate);
    }

    private static Design design(Return... returns) {
        return new Design(
                Fields.song(120, RATE),
                List.of(Fields.source("voice", Role.LEAD), Fields.source("bed", Role.HARMONY_BED)),
                List.of(returns));
    }

    private static Return hall(String id, double decay, double levelDb) {
        return Fields.hall(id, decay, Map.of("voice", -6.0, "bed", -8.0))
                .withFilterOut(Filter.OPEN)
                .withLevel(levelDb);
    }

    private static CoverAnalysis analysis() {
        return new CoverAnalysis(renderer(), -20, 10);
    }

    private static Renderer renderer() {
        return new Renderer(MATERIAL, MATERIAL.frames(), new StageCache(1L << 28));
    }

    private static Question question(Design design, String id) {
        return new Question(design, design.sources().getFirst(), id, PHRASES, ALL, false);
    }

    private static Solution solve(Design design, Targets targets, Set<Setting> barred) {
        return new Solver(new RemedyFinder(analysis(), targets, barred))
                .solve(question(design, "A"), Job.QUIET);
    }

    private static double presence(Standing s) {
        return s.cover().presenceKept().orElseThrow();
    }

    @Test
    void aCoveredVoiceIsUncoveredAtAStatedCostAndTheHallStaysFelt() {
        Solution s = solve(design(hall("A", 1.8, -4)), Targets.LEAD, Set.of());
        assertThat(presence(s.before())).isLessThan(0.85);
        assertThat(presence(s.after())).isGreaterThanOrEqualTo(0.85);
        assertThat(s.after().cover().worstPhrase().orElseThrow()).isGreaterThanOrEqualTo(0.80);
        assertThat(s.after().cover().state()).isNotEqualTo(WetState.HIDDEN);
        assertThat(s.after().cover().bloomDb()).isPresent();
        assertThat(s.steps()).isNotEmpty().allMatch(p -> p.cost().total() > 0);
        assertThat(s.words()).startsWith("Reached");
    }

    @Test
    void aFieldThatIsClearIsLeftAsItIs() {
        Design clear =
                design(
                        hall("A", 1.2, -15)
                                .withFilterOut(
                                        new Filter(
                                                new Filter.Corner(200, 2),
                                                new Filter.Corner(5000, 2))));
        Solution s = solve(clear, Targets.LEAD, Set.of());
        assertThat(s.steps()).isEmpty();
        assertThat(s.design()).isEqualTo(clear);
        assertThat(s.met()).isTrue();
    }

    @Test
    void barredRemediesAreNeverTaken() {
        Design covered = design(hall("A", 1.8, -4));
        for (Setting kind : List.of(Setting.DUCK, Setting.LEVEL)) {
            Solution s = solve(covered, Targets.LEAD, EnumSet.of(kind));
            assertThat(s.steps()).noneMatch(p -> p.kind() == kind);
            assertThat(presence(s.after())).isGreaterThanOrEqualTo(0.85);
        }
        Solution none = solve(covered, Targets.LEAD, EnumSet.allOf(Setting.class));
        assertThat(none.steps()).isEmpty();
        assertThat(none.met()).isFalse();
    }

    @Test
    void whatCannotBeMetIsSaidWithTheBestReachable() {
        Targets heardAndUncovered = Targets.LEAD_INTIMATE.withState(WetState.OBVIOUS);
        Solution s =
                solve(
                        design(hall("A", 0.5, -4)),
                        heardAndUncovered.withPresence(0.995),
                        EnumSet.of(Setting.LEVEL, Setting.DUCK));
        assertThat(s.met()).isFalse();
        assertThat(s.words()).contains("best reachable", "where 100 was asked");
    }

    @Test
    void aHissingReturnGetsALowPass() {
        SongMaterial bright = material(48000);
        Design narrow =
                design(
                        hall("A", 1.5, -5)
                                .withSpace(new Space.Reverb(ReverbKind.HALL, 1.5, 1, 2, 1)));
        Design wide = new Design(Fields.song(120, 48000), narrow.sources(), narrow.returns());
        CoverAnalysis analysis =
                new CoverAnalysis(
                        new Renderer(bright, bright.frames(), new StageCache(1L << 28)), -20, 10);
        Set<Setting> barred = EnumSet.of(Setting.DUCK, Setting.LEVEL);
        Solution s =
                new Solver(new RemedyFinder(analysis, Targets.LEAD, barred))
                        .solve(question(wide, "A"), Job.QUIET);
        Filter filter = s.design().requireReturn("A").filterOut();
        assertThat(s.before().sibilanceDb().orElseThrow())
                .isGreaterThan(Targets.LEAD.sibilanceDb());
        assertThat(filter.lowPass()).isNotNull();
        assertThat(s.after().sibilanceDb().orElseThrow())
                .isLessThanOrEqualTo(Targets.LEAD.sibilanceDb() + 0.5);
    }

    @Test
    @Tag("sweep")
    void allReturnsTogetherLeaveTheVoiceItsPresence() {
        Design covered = design(hall("A", 1.8, -6), hall("B", 0.7, -5), hall("C", 2.6, -7));
        Solution s =
                new Solver(new RemedyFinder(analysis(), Targets.LEAD))
                        .solveField(question(covered, "A"), Job.QUIET);
        assertThat(presence(s.before())).isLessThan(0.75);
        assertThat(presence(s.after())).isGreaterThanOrEqualTo(0.85);
        // The short hall was not heard before and is not raised for it; that is said.
        assertThat(s.words())
                .contains(
                        "A heard by its width",
                        "B hidden by its loudness alone where felt was asked");
    }

    @Test
    @Tag("sweep")
    void fiftyPromisesForRandomDesignsHappen() {
        SplittableRandom random = new SplittableRandom(5);
        CoverAnalysis promising = analysis();
        CoverAnalysis happening = analysis();
        int promises = 0;
        while (promises < 50) {
            Return r =
                    hall("A", 0.4 + 2.4 * random.nextDouble(), -10 + 10 * random.nextDouble())
                            .withPredelay(new MusicalTime.Millis(60 * random.nextDouble()));
            Design design = design(r);
            List<Proposal> open =
                    new RemedyFinder(promising, Targets.LEAD)
                            .quick()
                            .propose(question(design, "A"), Job.QUIET);
            for (Proposal p : open) {
                Standing happened =
                        happening.standing(question(p.edit().applyTo(design), "A"), Job.QUIET);
                assertThat(presence(happened))
                        .as(p.change())
                        .isCloseTo(p.after().presenceKept().orElseThrow(), within(0.005));
                promises++;
            }
        }
    }

    @Test
    void cureByDuckingFilteringAndShorteningStandSideBySideWithCosts() {
        Design design = design(hall("A", 2.6, -4));
        List<Proposal> open =
                new RemedyFinder(analysis(), Targets.LEAD)
                        .propose(question(design, "A"), Job.QUIET);
        assertThat(open)
                .extracting(Proposal::kind)
                .contains(Setting.DUCK, Setting.LEVEL, Setting.DECAY, Setting.LOW_PASS);
        assertThat(open)
                .isSortedAccordingTo(
                        java.util.Comparator.comparingDouble(
                                        (Proposal p) -> p.bargain(Targets.LEAD))
                                .reversed());
        for (Proposal p : open) {
            // What it says to bring is what measuring anew finds, and worth a press.
            double brings =
                    analysis().standing(question(design, "A"), Job.QUIET).shortfall(Targets.LEAD)
                            - analysis()
                                    .standing(question(p.edit().applyTo(design), "A"), Job.QUIET)
                                    .shortfall(Targets.LEAD);
            assertThat(p.gain(Targets.LEAD)).as(p.change()).isCloseTo(brings, within(0.05));
            assertThat(brings).as(p.change()).isGreaterThan(0.5);
            assertThat(p.why()).isNotEmpty();
        }
    }

    @Test
    void aDipGoesWhereTheClashIsNarrow() {
        float[] voice = new float[(int) (SECONDS * RATE)];
        for (int i = 0; i < voice.length; i++) {
            for (int k = 0; k < 24 && i / RATE % 3 < 2; k++) {
                voice[i] +=
                        (float)
                                (0.02
                                        * Math.sin(
                                                2 * Math.PI * (700 + 17.3 * k) * i / RATE + k * k));
            }
        }
        SongMaterial narrow = new SongMaterial(Map.of("voice", Signals.mono(RATE, voice)), RATE);
        Phrases phrases =
                PhraseFinder.find(java.util.Objects.requireNonNull(narrow.audio().get("voice")));
        CoverAnalysis analysis =
                new CoverAnalysis(
                        new Renderer(narrow, narrow.frames(), new StageCache(1L << 28)), -20, 10);
        Design design =
                new Design(
                        Fields.song(120, RATE),
                        List.of(Fields.source("voice", Role.LEAD)),
                        List.of(Fields.hall("A", 1.5, Map.of("voice", 0.0))));
        Question q = new Question(design, design.sources().getFirst(), "A", phrases, ALL, false);
        Proposal dip =
                new RemedyFinder(analysis, Targets.LEAD)
                        .propose(q, Job.QUIET).stream()
                                .filter(p -> p.kind() == Setting.DIP)
                                .findFirst()
                                .orElseThrow();
        Filter.Band set = ((ReturnEdit.FilterOut) dip.edit()).filter().bands().getFirst();
        assertThat(set.hz()).isBetween(650.0, 1200.0);
        Standing dipped =
                analysis.standing(
                        new Question(
                                dip.edit().applyTo(design), q.source(), "A", phrases, ALL, false),
                        Job.QUIET);
        double gained = presence(dipped) - presence(analysis.standing(q, Job.QUIET));
        assertThat(dip.presenceGain()).isCloseTo(gained, within(5e-4)).isGreaterThan(0.01);
    }

    @Test
    void theCostOfAReturnIsWhatTheMixHasMoreWithIt() {
        Design design = design(hall("A", 1.8, -4));
        var rendering = renderer().render(design, Job.QUIET);
        ReturnCost cost = ReturnCost.of(rendering).getFirst();
        double with = LoudnessMeter.measure(rendering.mix()).integratedLufs().orElseThrow();
        double dry = LoudnessMeter.measure(rendering.dry()).integratedLufs().orElseThrow();
        assertThat(cost.loudnessLu()).isCloseTo(with - dry, within(0.01));
        assertThat(cost.bandShares().stream().mapToDouble(x -> x).sum()).isBetween(0.9, 1.0);
    }

    @Test
    void targetsGoByRoleAndByWhatIsSent() {
        Design d =
                new Design(
                        Fields.song(120, RATE),
                        List.of(
                                Fields.source("voice", Role.LEAD),
                                Fields.source("drum", Role.HITS)),
                        List.of(
                                Fields.hall("A", 1, Map.of("voice", -6.0)),
                                Fields.hall("B", 1, Map.of("drum", -6.0)),
                                Fields.echo("C", "1/4", 0.3, Map.of("voice", -6.0))));
        var voice = d.sources().getFirst();
        assertThat(Targets.of(d, voice, d.requireReturn("A"))).isEqualTo(Targets.LEAD);
        assertThat(Targets.of(d, voice, d.requireReturn("B")).lowShare()).isGreaterThan(0.5);
        assertThat(Targets.of(d, voice, d.requireReturn("C")).state()).isEqualTo(WetState.FELT);
        assertThat(Targets.of(d, voice, d.requireReturn("B")).state()).isEqualTo(WetState.HEARD);
        assertThat(Targets.of(d, d.sources().getLast(), d.requireReturn("A")).presence())
                .isEqualTo(0.70);
        assertThat(d.requireReturn("C").space()).isInstanceOf(Space.Echo.class);
    }

    @Test
    void theEarLineIsObviousAboveAndFeltBelowOnEitherPhrase() {
        float[] bed = Signals.noise(0.003, 60, 6000, SECONDS, RATE, 2);
        for (int i = 0; i < bed.length; i++) {
            bed[i] *= i / RATE < 3 ? 1 : 0.03f;
        }
        SongMaterial dense =
                new SongMaterial(
                        Map.of(
                                "voice",
                                java.util.Objects.requireNonNull(MATERIAL.audio().get("voice")),
                                "bed",
                                Signals.mono(RATE, bed)),
                        RATE);
        CoverAnalysis analysis =
                new CoverAnalysis(
                        new Renderer(dense, dense.frames(), new StageCache(1L << 28)), -20, 10);
        Design design = design(hall("A", 1.5, -10));
        EarLine line = EarLine.of(analysis, question(design, "A"), Job.QUIET).orElseThrow();
        assertThat(line.loudest().phrase().startSeconds()).isLessThan(1);
        assertThat(line.sparsest().phrase().startSeconds()).isGreaterThan(2.5);
        for (EarLine.Answer a : List.of(line.loudest(), line.sparsest())) {
            assertThat(a.obviousDb()).isGreaterThan(a.feltDb());
            Design felt = new ReturnEdit.Level("A", a.feltDb()).applyTo(design);
            WetState state =
                    analysis.pair(
                                    felt,
                                    felt.sources().getFirst(),
                                    felt.requireReturn("A"),
                                    PHRASES.spans(),
                                    a.phrase(),
                                    Job.QUIET)
                            .cover()
                            .state();
            assertThat(state).isEqualTo(WetState.FELT);
        }
        assertThat(line.loudest().feltDb()).isGreaterThan(line.sparsest().feltDb());
    }

    @Test
    void aShortCopyIsToldByItsNotches() {
        Space copies =
                new Space.Copies(
                        List.of(
                                new CopiesSettings.Voice(0.010, 0, 0),
                                new CopiesSettings.Voice(0.010, 0, 0)),
                        20,
                        true);
        Return r =
                new Return(
                        "A",
                        "Copies",
                        Map.of("voice", Send.of(-20)),
                        Map.of(),
                        Chain.of(copies),
                        0,
                        new Return.Timing(1, false));
        Design design = design(r);
        ShortCopy copy =
                ShortCopy.of(design, design.sources().getFirst(), r, Responses.NONE).orElseThrow();
        assertThat(copy.millis()).isCloseTo(10, within(0.6));
        assertThat(copy.firstNotchHz()).isCloseTo(50, within(3.0));
        // Two copies of half the energy each, 20 dB down, add to 0.1 sqrt(2) of the dry.
        assertThat(copy.rippleDb())
                .isCloseTo(20 * Math.log10((1 + 0.1414) / (1 - 0.1414)), within(0.05));
        Return louder = r.withSends(Map.of("voice", Send.of(-6)));
        assertThat(
                        ShortCopy.of(design, design.sources().getFirst(), louder, Responses.NONE)
                                .orElseThrow()
                                .rippleDb())
                .isGreaterThan(copy.rippleDb() + 3);
        Design hall = design(hall("A", 1.2, -10));
        assertThat(
                        ShortCopy.of(
                                hall,
                                hall.sources().getFirst(),
                                hall.requireReturn("A"),
                                Responses.NONE))
                .isEmpty();
    }

    @Test
    void whatIsLockedOnAReturnIsNeverTouched() {
        Design covered = design(hall("A", 1.8, -4));
        Design locked =
                new Design(
                        covered.song(),
                        covered.sources(),
                        covered.returns(),
                        Aims.NONE
                                .locking("A", Setting.DUCK, true)
                                .locking("A", Setting.LEVEL, true));
        Solution s = solve(locked, Targets.LEAD, Set.of());
        assertThat(s.steps())
                .isNotEmpty()
                .noneMatch(p -> p.kind() == Setting.DUCK || p.kind() == Setting.LEVEL);
        assertThat(s.design().requireReturn("A").levelDb()).isEqualTo(-4);
        Design other =
                new Design(
                        covered.song(),
                        covered.sources(),
                        covered.returns(),
                        Aims.NONE
                                .locking("A", Setting.DUCK, true)
                                .locking("A", Setting.DUCK, false));
        assertThat(solve(other, Targets.LEAD, Set.of()).steps())
                .isEqualTo(solve(covered, Targets.LEAD, Set.of()).steps());
    }

    @Test
    void aDuckerInTheKeysBandClearsAsWellAndSparesTheRest() {
        Design covered = design(hall("A", 1.8, -4));
        List<Proposal> ducks =
                new RemedyFinder(analysis(), Targets.LEAD)
                        .propose(question(covered, "A"), Job.QUIET).stream()
                                .filter(p -> p.kind() == Setting.DUCK)
                                .toList();
        assertThat(ducks).hasSize(2);
        for (Proposal p : ducks) {
            assertThat(presence(p.standingAfter())).isGreaterThanOrEqualTo(0.845);
            var duck = ((ReturnEdit.Ducking) p.edit()).duck();
            var band = java.util.Objects.requireNonNull(duck).band();
            if (band != null) {
                assertThat(band.lowHz()).isBetween(150.0, 1200.0);
                assertThat(band.highHz()).isBetween(2000.0, 9000.0);
                assertThat(p.cost().duckDb()).isLessThan(duck.rangeDb());
                assertThat(p.change()).contains(" Hz");
            }
        }
    }

    @Test
    void aSectionRenderedAloneMeasuresLikeTheSong() {
        Design design = design(hall("A", 1.2, -4));
        Span part = new Span(4.5, 7.5);
        Question q = new Question(design, design.sources().getFirst(), "A", PHRASES, part, false);
        CoverAnalysis song = analysis();
        CoverAnalysis window = song.window(part, 2.5);
        Standing whole = song.standing(q, Job.QUIET);
        Standing alone = window.standing(q, Job.QUIET);
        assertThat(presence(alone)).isCloseTo(presence(whole), within(0.005));
        assertThat(alone.cover().wetShare()).isCloseTo(whole.cover().wetShare(), within(0.001));
        assertThat(alone.cover().bloomDb().orElseThrow())
                .isCloseTo(whole.cover().bloomDb().orElseThrow(), within(0.3));
        assertThat(window.renderer().frames()).isLessThan(song.renderer().frames());
        Duck duck = new Duck("voice", 9, -50, 20, 3, 5, 100, 150);
        Question ducked = q.of(new ReturnEdit.Ducking("A", duck).applyTo(design));
        DuckCourse one = DuckCourse.of(song, ducked).orElseThrow();
        DuckCourse two = DuckCourse.of(window, ducked).orElseThrow();
        assertThat(two.frames()).isEqualTo(one.frames());
        for (int f = 0; f < one.frames(); f += 10) {
            assertThat(two.gainDb(f)).isCloseTo(one.gainDb(f), within(0.2));
        }
    }

    @Test
    void aimsOfAPairReplaceTheDefaultsOfItsRole() {
        Design plain = design(hall("A", 1.8, -4));
        Targets washed = Targets.WASHED.withBloom(-25);
        Design asked =
                new Design(
                        plain.song(),
                        plain.sources(),
                        plain.returns(),
                        Aims.NONE.wanting("voice", "A", washed).wanting("ghost", "A", washed));
        assertThat(asked.aims().wanted()).hasSize(1);
        assertThat(Targets.asked(asked, asked.sources().getFirst(), asked.requireReturn("A")))
                .isEqualTo(washed);
        Solution s =
                new Solver(new RemedyFinder(analysis(), Targets.LEAD))
                        .solveField(question(asked, "A"), Job.QUIET);
        Solution strict =
                new Solver(new RemedyFinder(analysis(), Targets.LEAD))
                        .solveField(question(plain, "A"), Job.QUIET);
        assertThat(strict.steps()).isNotEmpty();
        assertThat(s.steps()).isNotEqualTo(strict.steps());
    }

    private static HearingLevel at(double dbSpl) {
        return new HearingLevel(dbSpl, OptionalDouble.of(20));
    }

    @Test
    void louderListeningHearsMoreOfTheTail() {
        Question q = question(design(hall("A", 1.2, -20)), "A");
        double soft =
                new CoverAnalysis(renderer(), -20, at(60))
                        .standing(q, Job.QUIET)
                        .cover()
                        .wetShare();
        double loud =
                new CoverAnalysis(renderer(), -20, at(86))
                        .standing(q, Job.QUIET)
                        .cover()
                        .wetShare();
        assertThat(loud).isGreaterThan(soft);
    }

    @Test
    void anEarWordMarksTheCellsInWhichTheReturnIsHeard() {
        Question q = question(design(hall("A", 1.8, 2)), "A");
        Diagnosis d =
                new EarTable(analysis())
                        .diagnose(
                                orbispace.core.clear.EarWord.WASHED_OUT,
                                q,
                                Targets.LEAD,
                                Job.QUIET);
        assertThat(d.supported()).isTrue();
        double least = d.cells().standsOut(d.lowHz(), d.highHz());
        int marked = 0;
        for (int f = 0; f < d.cells().frames(); f++) {
            for (int b = 0; b < HearingModel.BANDS; b++) {
                boolean in = HeardCells.isIn(b, d.lowHz(), d.highHz());
                marked += in && d.cells().at(f, b) >= least ? 1 : 0;
            }
        }
        assertThat(marked).isBetween(10, d.cells().frames() * HearingModel.BANDS / 3);
        assertThat(List.of(d.lowHz(), d.highHz())).containsExactly(250.0, 4000.0);
        assertThat(d.cells().frames())
                .isCloseTo((int) (SECONDS * d.cells().framesPerSecond()), within(2));
    }
}
