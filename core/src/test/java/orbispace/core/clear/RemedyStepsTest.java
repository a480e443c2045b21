package orbispace.core.clear;

import static orbispace.core.clear.TriedReturn.ANALYSIS;
import static orbispace.core.clear.TriedReturn.CLEAR;
import static orbispace.core.clear.TriedReturn.COVERED;
import static orbispace.core.clear.TriedReturn.PHRASES;
import static orbispace.core.clear.TriedReturn.corner;
import static orbispace.core.clear.TriedReturn.covered;
import static orbispace.core.clear.TriedReturn.ducked;
import static orbispace.core.clear.TriedReturn.echo;
import static orbispace.core.clear.TriedReturn.evidence;
import static orbispace.core.clear.TriedReturn.filtered;
import static orbispace.core.clear.TriedReturn.found;
import static orbispace.core.clear.TriedReturn.hall;
import static orbispace.core.clear.TriedReturn.question;
import static orbispace.core.clear.TriedReturn.ret;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Objects;
import java.util.OptionalDouble;
import orbispace.core.design.Aims;
import orbispace.core.design.Chain;
import orbispace.core.design.Duck;
import orbispace.core.design.Filter;
import orbispace.core.design.Gate;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Setting;
import orbispace.core.design.Space;
import orbispace.core.design.Targets;
import orbispace.core.design.Width;
import orbispace.core.dynamics.DuckBand;
import orbispace.core.hearing.Cover;
import orbispace.core.hearing.WetState;
import orbispace.core.render.Job;
import orbispace.core.space.CopiesSettings;
import orbispace.core.space.GatedSettings;
import orbispace.core.time.Span;
import org.junit.jupiter.api.Test;

/** By how much each remedy changes a return, what it says and what it costs, worked out by hand. */
class RemedyStepsTest {
    @Test
    void aHighPassGoesUpByHalfAnOctaveToTens() {
        Candidate open = EarAnswers.highPass(evidence(hall(1)));
        assertThat(corner(open, true)).isEqualTo(new Filter.Corner(180, 2));
        assertThat(open.change()).isEqualTo("High-pass at 180 Hz");
        assertThat(open.octaves()).isEqualTo(0.5);
        Filter set = new Filter(new Filter.Corner(300, 4), null);
        assertThat(corner(EarAnswers.highPass(evidence(filtered(set))), true))
                .isEqualTo(new Filter.Corner(420, 4));
        Filter most = new Filter(new Filter.Corner(400, 4), null);
        assertThat(corner(EarAnswers.highPass(evidence(filtered(most))), true).hz()).isEqualTo(500);
    }

    @Test
    void aLowPassComesDownByItsFactorToHundreds() {
        Candidate open = EarAnswers.lowPass(evidence(hall(1)), 0.7);
        assertThat(corner(open, false)).isEqualTo(new Filter.Corner(6300, 2));
        assertThat(open.change()).isEqualTo("Low-pass at 6.3 kHz");
        assertThat(open.octaves()).isCloseTo(0.5146, within(1e-4));
        Filter set = new Filter(null, new Filter.Corner(4000, 4));
        assertThat(corner(EarAnswers.lowPass(evidence(filtered(set)), 0.7), false))
                .isEqualTo(new Filter.Corner(2800, 4));
        Candidate before = EarAnswers.lowPassBefore(evidence(hall(1)));
        assertThat(((ReturnEdit.FilterIn) before.edit()).filter().lowPass())
                .isEqualTo(new Filter.Corner(5000, 2));
        assertThat(before.octaves()).isEqualTo(1);
        Candidate dip = EarAnswers.dip(evidence(hall(1)), 400);
        assertThat(((ReturnEdit.FilterOut) dip.edit()).filter().bands().getFirst())
                .isEqualTo(Filter.Band.dip(400, 3, 1));
        assertThat(dip.octaves()).isEqualTo(0.5);
        assertThat(dip.change()).isEqualTo("Dip 400 Hz by 3 dB, 1 octave wide");
    }

    @Test
    void levelsAndPredelaysMoveByTheirSteps() {
        Candidate less = EarAnswers.level(evidence(hall(1)), -2);
        assertThat(less.change()).isEqualTo("Return −3.0 to −5.0 dB");
        assertThat(less.why()).isEqualTo("less of all of it");
        assertThat(less.levelDb()).isEqualTo(2);
        Candidate more = EarAnswers.level(evidence(hall(1)), 0);
        assertThat(more.why()).isEqualTo("more of all of it");
        assertThat(more.levelDb()).isZero();
        assertThat(EarAnswers.level(evidence(hall(1)), 60).change()).endsWith("to 24.0 dB");
        assertThat(EarAnswers.level(evidence(hall(1)), -99).change()).endsWith("to −90.0 dB");
        Candidate later = EarAnswers.predelay(evidence(hall(1)), 45.4);
        assertThat(later.change()).isEqualTo("Predelay 20 to 45 ms");
        assertThat(((ReturnEdit.Predelay) later.edit()).time())
                .isEqualTo(new MusicalTime.Millis(45));
        assertThat(later.octaves() + later.duckDb() + later.levelDb() + later.decayShare())
                .isZero();
    }

    @Test
    void aTailIsShortenedToTwentiethsOfASecond() {
        Candidate c = EarAnswers.shorter(evidence(hall(1.2)), 0.7).orElseThrow();
        assertThat(c.change()).isEqualTo("Decay 1.20 to 0.80 s, its beginning as loud");
        assertThat(c.decayShare()).isCloseTo(1 / 3.0, within(1e-9));
        assertThat(c.edit()).isInstanceOf(ReturnEdit.Shorten.class);
        assertThat(EarAnswers.shorter(evidence(hall(0.12)), 0.7).orElseThrow().change())
                .startsWith("Decay 0.12 to 0.10 s");
        Aims locked = Aims.NONE.locking("A", Setting.LEVEL, true);
        EarEvidence e = new EarEvidence(question(hall(1.2), locked), ANALYSIS, Job.QUIET);
        Candidate alone = EarAnswers.shorter(e, 0.7).orElseThrow();
        assertThat(alone.change()).isEqualTo("Decay 1.20 to 0.80 s");
        assertThat(alone.edit()).isEqualTo(new ReturnEdit.Decay("A", 0.8));
        Return echo = ret(Chain.of(echo(0.5)));
        assertThat(EarAnswers.shorter(evidence(echo), 0.7)).isEmpty();
    }

    @Test
    void repeatsEndInTheRest() {
        // Two whole repeats of half a second in a second of rest: 10^(-30 / 40).
        Candidate c = EarAnswers.fewerRepeats(evidence(ret(Chain.of(echo(0.5))))).orElseThrow();
        assertThat(c.change()).isEqualTo("Feedback 50 to 17 %");
        assertThat(c.decayShare()).isCloseTo(1 - 0.17 / 0.5, within(1e-9));
        assertThat(EarAnswers.fewerRepeats(evidence(ret(Chain.of(echo(0.17)))))).isEmpty();
        assertThat(EarAnswers.fewerRepeats(evidence(hall(1)))).isEmpty();
    }

    @Test
    void whatCancelsInMonoIsMadeNarrower() {
        Return wide = ret(hall(1).chain().withWidth(new Width(0.5, 120)));
        Candidate c = EarAnswers.narrower(evidence(wide));
        assertThat(c.change()).isEqualTo("Width to 30 %");
        assertThat(((ReturnEdit.Widening) c.edit()).width()).isEqualTo(new Width(0.3, 120));
        Return wider = ret(hall(1).chain().withWidth(new Width(1.5, 0)));
        assertThat(EarAnswers.narrower(evidence(wider)).change()).isEqualTo("Width to 60 %");
        Space copies =
                new Space.Copies(
                        List.of(
                                new CopiesSettings.Voice(0.012, 0, -1),
                                new CopiesSettings.Voice(0.015, 0, 1)),
                        150,
                        true);
        assertThat(EarAnswers.narrower(evidence(ret(Chain.of(copies)))).change())
                .isEqualTo("Copies without their centre");
        EarRow combs = MovementWords.phasey(evidence(ret(Chain.of(copies))));
        assertThat(combs.evidence())
                .isEqualTo("a copy 12 ms behind the dry makes notches at odd multiples of 42 Hz");
        assertThat(combs.lowHz()).isCloseTo(500 / 12.0, within(1e-9));
        assertThat(combs.highHz()).isCloseTo(2000 / 12.0, within(1e-9));
    }

    @Test
    void wallsCloseMoreSlowly() {
        for (double[] times : new double[][] {{40, 160}, {20, 120}}) {
            Gate gate =
                    new Gate(
                            "voice",
                            Filter.OPEN,
                            -40,
                            4,
                            120,
                            1,
                            40,
                            times[0],
                            new MusicalTime.Millis(200));
            Candidate c =
                    EarAnswers.softer(evidence(ret(hall(1).chain().withGate(gate)))).orElseThrow();
            assertThat(c.change())
                    .isEqualTo("Gate release %.0f to %.0f ms".formatted(times[0], times[1]));
            Gate set = Objects.requireNonNull(((ReturnEdit.Gating) c.edit()).gate());
            assertThat(set.holdMillis()).isEqualTo(40);
        }
        Space wall =
                new Space.Gated(GatedSettings.Envelope.FLAT, new MusicalTime.Millis(300), 20, 6000);
        assertThat(EarAnswers.softer(evidence(ret(Chain.of(wall)))).orElseThrow().change())
                .isEqualTo("Fall 20 to 120 ms");
        assertThat(EarAnswers.softer(evidence(hall(1)))).isEmpty();
    }

    @Test
    void aDuckerIsCalmedByTheLongestOfNineInTenRests() {
        List<Span> rests = PHRASES.innerGaps();
        // Nine tenths between 20 and 100 ms are 92; 10 + 60 are less.
        assertThat(DuckTimes.calmer(ducked(10, 100, 8), rests).change())
                .isEqualTo("Duck hold 92 ms, release 300 ms");
        assertThat(DuckTimes.calmer(ducked(60, 200, 8), rests).change())
                .isEqualTo("Duck hold 120 ms, release 400 ms");
        assertThat(DuckTimes.calmer(ducked(1980, 4000, 8), rests).change())
                .isEqualTo("Duck hold 2000 ms, release 5000 ms");
        assertThat(DuckTimes.shallower(ducked(10, 100, 8)).change())
                .isEqualTo("Duck 8.0 to 4.0 dB");
        assertThat(DuckTimes.shallower(ducked(10, 100, 1.5)).change())
                .isEqualTo("Duck 1.5 to 1.0 dB");
    }

    @Test
    void aDecayIsCutToWhatTheRestAllowsOrBySevenTenths() {
        TimeRules.Decay rule = new TimeRules.Decay();
        // 60 (1 - 0.02) / 30 = 1.96 s, to the twentieth under it.
        Candidate long3 = found(rule, hall(3), COVERED).orElseThrow();
        assertThat(long3.change()).isEqualTo("Decay 3.00 to 1.95 s, its beginning as loud");
        assertThat(long3.why())
                .isEqualTo(
                        "60 × (1.00 s gap − 20 ms) / 30 dB = 1.96 s is 30 dB down when voice"
                                + " returns");
        assertThat(long3.decayShare()).isCloseTo(0.35, within(1e-9));
        Candidate short1 = found(rule, hall(1.5), COVERED).orElseThrow();
        assertThat(short1.change()).isEqualTo("Decay 1.50 to 1.05 s, its beginning as loud");
        assertThat(short1.why())
                .isEqualTo("a tail of 1.50 s still covers the words after those that made it");
        // Two hundredths over what is allowed are let pass as fitting.
        assertThat(found(rule, hall(1.99), COVERED).orElseThrow().change())
                .startsWith("Decay 1.99 to 1.35 s");
        assertThat(found(rule, hall(2.01), COVERED).orElseThrow().change())
                .startsWith("Decay 2.01 to 1.95 s");
        assertThat(found(rule, hall(0.4), COVERED).orElseThrow().change())
                .startsWith("Decay 0.40 to 0.30 s");
        assertThat(found(rule, hall(0.3), COVERED)).isEmpty();
        assertThat(found(rule, hall(3), CLEAR)).isEmpty();
        assertThat(found(rule, ret(Chain.of(echo(0.5))), COVERED)).isEmpty();
        Return late = ret(hall(1.5).chain().withPredelay(new MusicalTime.Millis(950)));
        assertThat(found(rule, late, COVERED).orElseThrow().change())
                .startsWith("Decay 1.50 to 1.05 s");
    }

    @Test
    void aPredelayGrowsByAFortiethOfASecondUpToNinetyMilliseconds() {
        TimeRules.Predelay rule = new TimeRules.Predelay();
        assertThat(found(rule, hall(1), COVERED).orElseThrow().change())
                .isEqualTo("Predelay 20 to 45 ms");
        for (double millis : new double[] {65, 66}) {
            Return r = ret(hall(1).chain().withPredelay(new MusicalTime.Millis(millis)));
            assertThat(found(rule, r, COVERED).isPresent()).isEqualTo(millis == 65);
        }
        assertThat(found(rule, hall(1), CLEAR)).isEmpty();
        assertThat(found(rule, ret(Chain.of(echo(0.5))), COVERED)).isEmpty();
    }

    @Test
    void aLowPassTakesWhatHissesAndALittleMore() {
        FilterRules.LowPass rule = new FilterRules.LowPass();
        double asked = Targets.LEAD.sibilanceDb();
        // Two poles at 6.3 kHz take 10 lg(1 + (6.7 / 6.3)^4) = 3.58 dB at 6.7 kHz; open ones 0.13.
        Candidate c =
                found(rule, hall(1).withFilterOut(Filter.OPEN), hissing(asked + 1.9)).orElseThrow();
        assertThat(c.change()).isEqualTo("Low-pass at 6.3 kHz");
        assertThat(c.octaves()).isCloseTo(Math.log(16000 / 6300.0) / Math.log(2), within(1e-9));
        // 7 kHz take 2.65 dB, 2.52 more than open.
        assertThat(
                        found(rule, hall(1).withFilterOut(Filter.OPEN), hissing(asked + 1))
                                .orElseThrow()
                                .change())
                .isEqualTo("Low-pass at 7.0 kHz");
        Return set = filtered(new Filter(null, new Filter.Corner(5000, 4)));
        // From 5 kHz with four poles: 10 lg(1 + 1.34^8) = 10.5; 4 kHz 17.9, 4.5 kHz 14.0 dB.
        assertThat(found(rule, set, hissing(asked + 1.9)).orElseThrow().change())
                .isEqualTo("Low-pass 5.0 to 4.5 kHz");
        assertThat(found(rule, set, hissing(asked + 2.1)).orElseThrow().change())
                .isEqualTo("Low-pass 5.0 to 4.0 kHz");
        assertThat(found(rule, set, hissing(asked + 60)).orElseThrow().change())
                .isEqualTo("Low-pass 5.0 to 3.0 kHz");
        assertThat(found(rule, set, hissing(asked + 0.4))).isEmpty();
        assertThat(found(rule, set, hissing(3)).orElseThrow().why())
                .startsWith("between 5 and 9 kHz the return lies 3.0 dB over the dry");
        assertThat(found(rule, set, hissing(-3)).orElseThrow().why())
                .startsWith("between 5 and 9 kHz the return lies 3.0 dB under the dry");
    }

    private static Standing hissing(double db) {
        return covered(OptionalDouble.of(db), 0.01);
    }

    @Test
    void aHighPassLeavesNoMoreLowsThanAreAsked() {
        FilterRules.HighPass rule = new FilterRules.HighPass();
        Standing low = covered(OptionalDouble.of(-30), 0.37);
        Candidate c = found(rule, hall(1).withFilterOut(Filter.OPEN), low).orElseThrow();
        Filter.Corner set = corner(c, true);
        LowShare spectrum =
                ANALYSIS.spectrum(
                        question(hall(1).withFilterOut(Filter.OPEN), Aims.NONE).design(),
                        hall(1).withFilterOut(Filter.OPEN),
                        Job.QUIET);
        assertThat(spectrum.shareThrough(set, null)).isLessThanOrEqualTo(Targets.LEAD.lowShare());
        assertThat(c.change()).isEqualTo("High-pass at %.0f Hz".formatted(set.hz()));
        assertThat(c.octaves()).isCloseTo(Math.log(set.hz() / 40) / Math.log(2), within(1e-9));
        assertThat(c.why())
                .isEqualTo(
                        "37 %% of this return lies under 250 Hz; %.0f %% is enough for it"
                                .formatted(100 * Targets.LEAD.lowShare()));
        Return most = filtered(new Filter(new Filter.Corner(400, 2), null));
        assertThat(found(rule, most, low)).isEmpty();
        assertThat(found(rule, hall(1), covered(OptionalDouble.empty(), Targets.LEAD.lowShare())))
                .isEmpty();
    }

    private static Proposal proposal(ReturnEdit edit, double duckDb) {
        return new Proposal(
                Setting.LEVEL,
                edit,
                "all",
                "why",
                COVERED,
                CLEAR,
                new Proposal.Cost(0, duckDb, 0, 0, 0));
    }

    @Test
    void halfOfARemedyIsHalfOfItsWayAndOfItsCost() {
        Return r = hall(1);
        Candidate level =
                Candidate.halved(proposal(new ReturnEdit.Level("A", -8), 0), r).orElseThrow();
        assertThat(level.change()).isEqualTo("Return −3.0 to −5.5 dB");
        assertThat(level.levelDb()).isEqualTo(2.5);
        assertThat(Candidate.halved(proposal(new ReturnEdit.Level("A", -2), 0), r)).isEmpty();
        assertThat(Candidate.halved(proposal(new ReturnEdit.Level("A", -3), 0), r)).isEmpty();
        Duck whole = new Duck("voice", 9, -50, 8, 6, 5, 60, 200);
        Candidate duck =
                Candidate.halved(proposal(new ReturnEdit.Ducking("A", whole), 6), r).orElseThrow();
        assertThat(duck.change()).isEqualTo("Duck 4.5 dB, release 200 ms");
        assertThat(duck.duckDb()).isCloseTo(3, within(1e-9));
        Candidate deeper =
                Candidate.halved(
                                proposal(new ReturnEdit.Ducking("A", whole), 6), ducked(60, 200, 5))
                        .orElseThrow();
        assertThat(deeper.change()).isEqualTo("Duck 7.0 dB, release 200 ms");
        assertThat(deeper.duckDb()).isCloseTo(3, within(1e-9));
        assertThat(
                        Candidate.halved(
                                proposal(new ReturnEdit.Ducking("A", whole), 6),
                                ducked(60, 200, 9)))
                .isEmpty();
        assertThat(Candidate.halved(proposal(new ReturnEdit.Decay("A", 1), 0), r)).isEmpty();
        assertThat(DuckRule.where(new DuckBand(300, 3000))).isEqualTo(" from 300 to 3000 Hz");
    }

    @Test
    void costsWeighAgainstEachOther() {
        Proposal.Cost cost = new Proposal.Cost(0.5, 6, 3, 0.25, 2);
        assertThat(cost.total()).isCloseTo(0.5 + 2 + 1.5 + 1 + 1, within(1e-12));
        assertThat(new Proposal.Cost(0, 0, 0, 0, -9).total()).isZero();
        Proposal p = proposal(new ReturnEdit.Level("A", -8), 6);
        assertThat(p.presenceGain()).isCloseTo(0.29, within(1e-12));
        double gain = COVERED.shortfall(Targets.LEAD) - CLEAR.shortfall(Targets.LEAD);
        assertThat(p.bargain(Targets.LEAD)).isCloseTo(gain / 2.3, within(1e-12));
        assertThat(p.settles(Targets.LEAD)).isTrue();
        Proposal back = new Proposal(p.kind(), p.edit(), "", "", CLEAR, CLEAR, p.cost());
        assertThat(back.settles(Targets.LEAD)).isFalse();
    }

    @Test
    void aDuckerSwingsWhenItLetsGoByThreeAndTakesBack() {
        Span phrase = new Span(0, 2);
        // Ten frames a second: down, up by 3.1, down to within 1 of the lowest, up again by 2.9.
        float[] db = {0, -9, -9, -5.9f, -5.9f, -8.5f, -9, -6.1f, -9, -9};
        assertThat(DuckCourse.swings(db, phrase, 0, 10)).isEqualTo(1);
        float[] more = {0, -9, -9, -5.9f, -8.5f, -5.4f, -9, -9, -9, -9};
        assertThat(DuckCourse.swings(more, phrase, 0, 10)).isEqualTo(2);
        float[] half = {0, -9, -9, -5.9f, -7.5f, -5.4f, -9, -9, -9, -9};
        assertThat(DuckCourse.swings(half, phrase, 0, 10)).isEqualTo(1);
        assertThat(DuckCourse.swings(more, new Span(0.4, 2), 0.4, 10)).isEqualTo(2);
        assertThat(DuckCourse.swings(more, new Span(0.5, 1), 0, 10)).isZero();
    }

    @Test
    void aDuckerOpensWhereItIsBackWithinThreeInARest() {
        float[] db = {-9, -9, -9, -3.1f, -9, -9, -2.9f, -9, -9, -9};
        List<Span> first = List.of(new Span(0.1, 0.5));
        List<Span> both = List.of(new Span(0.1, 0.5), new Span(0.5, 0.8));
        Span span = new Span(0, 1);
        assertThat(DuckCourse.opens(db, first, span, 10)).isFalse();
        assertThat(DuckCourse.opens(db, both, span, 10)).isTrue();
        // A rest of under a quarter of a second is none, and where there is none all is well.
        assertThat(DuckCourse.opens(db, List.of(new Span(0.1, 0.34)), span, 10)).isTrue();
        assertThat(DuckCourse.opens(db, List.of(new Span(1.1, 1.5)), new Span(1, 2), 10)).isFalse();
    }

    @Test
    void placeWordsTellTheTimeAndTheShare() {
        EarEvidence e = evidence(hall(1));
        double share = 100 * e.standing.cover().wetShare();
        EarRow far = PlaceWords.tooFar(e);
        assertThat(far.evidence())
                .isEqualTo(
                        ("the space answers after 20 ms and has %.1f %% of the loudness (%s);"
                                        + " within 25 ms it moves the source back")
                                .formatted(share, e.standing.cover().state().label()));
        boolean loud = e.standing.cover().state().compareTo(WetState.HEARD) >= 0;
        assertThat(far.supported()).isEqualTo(loud);
        assertThat(far.answers().getFirst().change()).isEqualTo("Predelay 20 to 45 ms");
        Return later = ret(hall(1).chain().withPredelay(new MusicalTime.Millis(25)));
        assertThat(PlaceWords.tooFar(evidence(later)).supported()).isFalse();
        EarRow near = PlaceWords.tooNear(e);
        assertThat(near.evidence())
                .startsWith(
                        "the wet has %.2f %% of the loudness and is %s; where it is hidden, under 0.7 %%"
                                .formatted(share, e.standing.stateWords()));
        assertThat(List.of(far.lowHz(), far.highHz(), near.lowHz(), near.highHz()))
                .containsOnly(0.0);
    }

    @Test
    void coverIsToldInPercent() {
        EarEvidence e = evidence(hall(1));
        Cover c = e.standing.cover();
        EarRow washed = ColourWords.washed(e, Targets.LEAD, ANALYSIS, Job.QUIET);
        assertThat(washed.evidence())
                .isEqualTo(
                        ("voice keeps %.0f %% of its loudness, %.0f %% in its worst phrase; %.0f %%"
                                        + " of its important cells clash")
                                .formatted(
                                        100 * c.presenceKept().orElseThrow(),
                                        100 * c.worstPhrase().orElseThrow(),
                                        100 * c.clashArea()));
        EarRow share = ColourWords.share(e, 250, 600, 0.25);
        assertThat(share.evidence())
                .isEqualTo(
                        ("%.0f %% of this return lies between 250 and 600 Hz; from 25 %% on it is"
                                        + " heard as such")
                                .formatted(100 * e.spectrum.shareBetween(250, 600)));
    }
}
