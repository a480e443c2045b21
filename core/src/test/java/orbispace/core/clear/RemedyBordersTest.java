package orbispace.core.clear;

import static orbispace.core.clear.TriedReturn.ANALYSIS;
import static orbispace.core.clear.TriedReturn.CLEAR;
import static orbispace.core.clear.TriedReturn.COVERED;
import static orbispace.core.clear.TriedReturn.PHRASES;
import static orbispace.core.clear.TriedReturn.SPAN;
import static orbispace.core.clear.TriedReturn.cover;
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
import java.util.Optional;
import java.util.OptionalDouble;
import orbispace.core.Signals;
import orbispace.core.audio.Audio;
import orbispace.core.design.Aims;
import orbispace.core.design.Chain;
import orbispace.core.design.Duck;
import orbispace.core.design.Filter;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Setting;
import orbispace.core.design.Space;
import orbispace.core.design.Targets;
import orbispace.core.hearing.HearingModel;
import orbispace.core.hearing.WetState;
import orbispace.core.material.Phrases;
import orbispace.core.render.Job;
import orbispace.core.space.CopiesSettings;
import orbispace.core.time.Span;
import org.junit.jupiter.api.Test;

/** Where each remedy begins, where it ends, and every word of what it says. */
class RemedyBordersTest {
    private static PairView at(Return r, double levelDb) {
        return ANALYSIS.louder(question(r, Aims.NONE), levelDb - r.levelDb(), Job.QUIET);
    }

    private static Targets asking(double presence, double worst, WetState state) {
        return new Targets(presence, worst, 1, state, 1, 20, Targets.ANY_BLOOM);
    }

    private static Optional<Candidate> lowered(Return r, Standing now, Targets t) {
        return new LevelRule().find(question(r, Aims.NONE), now, t, ANALYSIS, Job.QUIET);
    }

    @Test
    void aReturnComesDownByNoMoreThanUncoversItsSource() {
        Standing washed = new Standing(cover(0.1, 0.1, 0.02), OptionalDouble.empty(), 0);
        Return r = ret(hall(1).chain()).withLevel(0);
        double goal = at(r, -2.2).cover().presenceKept().orElseThrow();
        Candidate c = lowered(r, washed, asking(goal, 0, WetState.FELT)).orElseThrow();
        assertThat(c.edit()).isEqualTo(new ReturnEdit.Level("A", -2.5));
        assertThat(c.change()).isEqualTo("Return 0.0 to −2.5 dB");
        assertThat(c.levelDb()).isEqualTo(2.5);
        assertThat(c.why())
                .isEqualTo(
                        "voice keeps 10 %% of its loudness; %.0f %% was asked"
                                .formatted(100 * goal));
        double near = at(r, -0.1).cover().presenceKept().orElseThrow();
        assertThat(lowered(r, washed, asking(near, 0, WetState.FELT)).orElseThrow().levelDb())
                .isEqualTo(0.5);
        assertThat(
                        lowered(r.withLevel(24), washed, asking(1, 0, WetState.FELT))
                                .orElseThrow()
                                .levelDb())
                .isBetween(16.5, 18.0);
        assertThat(lowered(r, CLEAR, asking(0.5, 0.5, WetState.FELT))).isEmpty();
    }

    @Test
    void aReturnThatIsNoticedTooMuchComesDownToItsState() {
        Return r = ret(hall(1).chain()).withLevel(0);
        Standing loud = new Standing(cover(0.99, 0.99, 0.5), OptionalDouble.empty(), 0);
        Candidate c = lowered(r, loud, asking(0.5, 0.5, WetState.FELT)).orElseThrow();
        double level = ((ReturnEdit.Level) c.edit()).levelDb();
        assertThat(at(r, level).cover().state()).isEqualTo(WetState.FELT);
        assertThat(at(r, level + 0.6).cover().state()).isGreaterThan(WetState.FELT);
        assertThat(c.why()).isEqualTo("its share of the loudness is 50.0 %; felt was asked");
        // One that is as loud as it may be within a breath needs half a decibel and no more.
        Return set = r.withLevel(level + 0.4);
        Candidate least = lowered(set, loud, asking(0.5, 0.5, WetState.FELT)).orElseThrow();
        assertThat(least.levelDb()).isEqualTo(0.5);
        Return low = r.withLevel(-80);
        assertThat(lowered(low, loud, asking(0.5, 0.5, WetState.HIDDEN)).orElseThrow().levelDb())
                .isEqualTo(0.5);
    }

    @Test
    void aReturnIsRaisedOnlyWhereItIsTooQuietAndToItsAim() {
        RaiseRule rule = new RaiseRule();
        Return r = hall(1).withLevel(-60);
        Standing hidden = new Standing(cover(0.99, 0.99, 0.0012), OptionalDouble.empty(), 0);
        Candidate c = found(rule, r, hidden).orElseThrow();
        double level = ((ReturnEdit.Level) c.edit()).levelDb();
        assertThat(at(r, level).cover().state()).isEqualTo(Targets.LEAD.state());
        assertThat(c.change()).isEqualTo("Return −60.0 to " + Candidate.level(level) + " dB");
        assertThat(c.why())
                .isEqualTo(
                        "its share of the loudness is 0.1 %; "
                                + Targets.LEAD.state().label()
                                + " was asked");
        Standing asked =
                new Standing(
                        cover(0.99, 0.99, Targets.LEAD.state().aimShare()),
                        OptionalDouble.empty(),
                        0);
        assertThat(found(rule, r, asked)).isEmpty();
        assertThat(found(rule, r.withLevel(level), hidden)).isEmpty();
        assertThat(found(rule, r.withLevel(level - 0.5), hidden)).isPresent();
        assertThat(found(rule, r, COVERED)).isEmpty();
    }

    private static Return narrow(Filter.Band... bands) {
        return filtered(
                new Filter(new Filter.Corner(400, 8), new Filter.Corner(420, 8))
                        .withBands(List.of(bands)));
    }

    @Test
    void aDipIsMadeWhereTheClashIsNarrowAndDeepensByAndBy() {
        FilterRules.Dip rule = new FilterRules.Dip();
        Return r = narrow().withLevel(10);
        Candidate c = found(rule, r, COVERED).orElseThrow();
        Filter.Band dip = ((ReturnEdit.FilterOut) c.edit()).filter().bands().getFirst();
        assertThat(dip.hz()).isBetween(280.0, 600.0);
        assertThat(dip.depthDb()).isEqualTo(3);
        assertThat(c.octaves()).isEqualTo(0.5);
        double[] clashes =
                ANALYSIS.view(question(r, Aims.NONE), Job.QUIET).meter().clashesPerBand();
        double near = 0;
        double all = 0;
        double best = 0;
        for (int at = 0; at < clashes.length; at++) {
            near = 0;
            all = 0;
            for (int b = 0; b < clashes.length; b++) {
                double ratio = HearingModel.centreHz(b) / HearingModel.centreHz(at);
                near += ratio <= Math.sqrt(2) && ratio >= Math.sqrt(0.5) ? clashes[b] : 0;
                all += clashes[b];
            }
            best = Math.max(best, near);
        }
        assertThat(c.change())
                .isEqualTo("Dip %.0f Hz by 3.0 dB, 1 octave wide".formatted(dip.hz()));
        assertThat(c.why())
                .isEqualTo(
                        "%.0f %% of what clashes lies within an octave around %.0f Hz"
                                .formatted(100 * best / all, dip.hz()));
        for (double[] step : new double[][] {{3, 4.5}, {5, 6}, {4.5, 6}}) {
            Return set = narrow(Filter.Band.dip(dip.hz(), step[0], 1)).withLevel(10);
            Candidate deeper = found(rule, set, COVERED).orElseThrow();
            Filter.Band then = ((ReturnEdit.FilterOut) deeper.edit()).filter().bands().getFirst();
            assertThat(then.depthDb()).isEqualTo(step[1]);
            assertThat(then.octaves()).isEqualTo(1);
            // What is left over clashes beside the dip that is there, within its octave.
            assertThat(then.hz() / dip.hz()).isBetween(Math.sqrt(0.5), Math.sqrt(2));
        }
        assertThat(found(rule, narrow(Filter.Band.dip(dip.hz(), 6, 1)).withLevel(10), COVERED))
                .isEmpty();
        // A second bell beside one elsewhere, and none where both are taken.
        Filter.Band elsewhere = Filter.Band.dip(2000, 3, 1);
        Candidate second = found(rule, narrow(elsewhere).withLevel(10), COVERED).orElseThrow();
        assertThat(((ReturnEdit.FilterOut) second.edit()).filter().bands())
                .hasSize(2)
                .startsWith(elsewhere);
        Filter.Band shelf = new Filter.Band(Filter.Kind.HIGH_SHELF, 6000, -3, 1);
        assertThat(found(rule, narrow(elsewhere, shelf).withLevel(10), COVERED)).isEmpty();
        assertThat(found(rule, hall(1).withFilterOut(Filter.OPEN).withLevel(10), COVERED))
                .isEmpty();
    }

    @Test
    void aHighPassThatIsSetGoesOnFromWhereItStands() {
        FilterRules.HighPass rule = new FilterRules.HighPass();
        Standing low = covered(OptionalDouble.empty(), 0.37);
        Candidate c =
                found(rule, filtered(new Filter(new Filter.Corner(100, 2), null)), low)
                        .orElseThrow();
        Filter.Corner set =
                Objects.requireNonNull(((ReturnEdit.FilterOut) c.edit()).filter().highPass());
        assertThat(set.hz()).isGreaterThan(100);
        assertThat(c.change()).isEqualTo("High-pass 100 to %.0f Hz".formatted(set.hz()));
        assertThat(c.octaves()).isCloseTo(Math.log(set.hz() / 100) / Math.log(2), within(1e-9));
    }

    @Test
    void aDuckerSaysWhatIsLostWhatIsAskedAndWhenItIsBack() {
        Return r = hall(1).withLevel(12);
        Candidate c = found(new DuckRule(false), r, COVERED).orElseThrow();
        Duck duck = Objects.requireNonNull(((ReturnEdit.Ducking) c.edit()).duck());
        assertThat(((ReturnEdit.Ducking) c.edit()).returnId()).isEqualTo("A");
        assertThat(duck).isEqualTo(DuckRule.draft(question(r, Aims.NONE), duck.rangeDb()));
        assertThat(c.change())
                .isEqualTo(
                        "Duck %.1f dB, release %.0f ms"
                                .formatted(duck.rangeDb(), duck.releaseMillis()));
        assertThat(c.duckDb()).isEqualTo(duck.rangeDb());
        assertThat(c.why())
                .isEqualTo(
                        ("voice keeps 70 %% of its loudness here, 60 %% in its worst phrase; asked"
                                        + " are %.0f and %.0f %%. Back within 3 dB by half of its"
                                        + " median gap of 1.00 s")
                                .formatted(
                                        100 * Targets.LEAD.presence(),
                                        100 * Targets.LEAD.worstPhrase()));
        Duck mine = duck.withRange(2);
        Candidate more =
                found(new DuckRule(false), ret(r.chain().withDuck(mine)).withLevel(12), COVERED)
                        .orElseThrow();
        double range = Objects.requireNonNull(((ReturnEdit.Ducking) more.edit()).duck()).rangeDb();
        assertThat(more.duckDb()).isEqualTo(range - 2);
    }

    @Test
    void aTailIsToldAgainstTheMedianRest() {
        EarEvidence e = evidence(hall(4));
        double down = e.downAtGapDb().orElseThrow();
        assertThat(down).isLessThan(30);
        EarRow row = TailWords.tooLong(e);
        assertThat(row.evidence())
                .isEqualTo(
                        "%.0f dB down when the median rest of 1.00 s ends; 30 dB leave the next phrase alone"
                                .formatted(down));
        assertThat(row.answers()).hasSize(1);
        assertThat(List.of(row.lowHz(), row.highHz())).containsOnly(0.0);
        EarRow crowd = TailWords.crowding(evidence(hall(4).withLevel(6)));
        assertThat(crowd.supported()).isTrue();
        assertThat(crowd.evidence()).endsWith("under the voice; 22 dB leave it alone");
        assertThat(crowd.answers().getLast().change()).isEqualTo("Return 6.0 to 4.0 dB");
        EarRow dead = TailWords.stopsDead(e);
        assertThat(dead.supported()).isFalse();
        assertThat(dead.answers()).isEmpty();
    }

    private static Return repeats(double millis, double feedback) {
        return ret(
                Chain.of(
                        Space.Echo.pingPong(
                                new MusicalTime.Millis(millis), feedback, 100, 8000, 0.5)));
    }

    @Test
    void repeatsRattleUnderATenthOfASecondWhenTheyGoOn() {
        EarRow row = TailWords.fluttery(evidence(repeats(40, 0.4)));
        assertThat(row.supported()).isTrue();
        assertThat(row.evidence()).isEqualTo("repeats come every 40 ms and go on: a rattle");
        assertThat(row.answers().stream().map(Candidate::change))
                .containsExactly("Feedback 40 to 20 %", "Echo time 40 to 120 ms");
        assertThat(TailWords.fluttery(evidence(repeats(40, 0.3))).supported()).isFalse();
        assertThat(TailWords.fluttery(evidence(repeats(40, 0.31))).supported()).isTrue();
        assertThat(TailWords.fluttery(evidence(repeats(99, 0.4))).supported()).isTrue();
        assertThat(TailWords.fluttery(evidence(repeats(100, 0.4))).supported()).isFalse();
    }

    @Test
    void pumpingIsToldBySwingsAndAnsweredByTimesAndRange() {
        EarRow none = MovementWords.pumping(evidence(hall(1)));
        assertThat(none.evidence()).isEqualTo("there is no ducker that could pump");
        assertThat(none.answers()).isEmpty();
        // Fast and far over its threshold: it lets go in the rests between syllables.
        EarEvidence e = evidence(ducked(0, 10, 20));
        EarRow row = MovementWords.pumping(e);
        assertThat(row.evidence())
                .isEqualTo(
                        ("within phrases the ducker lets go by 3 dB and takes back %.1f times a"
                                        + " second; from 0.8 on one hears it work")
                                .formatted(e.swingsPerSecond()));
        assertThat(row.supported()).isEqualTo(e.swingsPerSecond() > 0.8);
    }

    @Test
    void aDuckerWithoutPhrasesSwingsNeverAndRestsAreThoseOfItsStretch() {
        Question q = question(ducked(60, 200, 8), Aims.NONE);
        Question none = new Question(q.design(), q.source(), "A", Phrases.NONE, q.span(), false);
        DuckCourse course = DuckCourse.of(ANALYSIS, none).orElseThrow();
        assertThat(course.swingsPerSecond()).isZero();
        assertThat(course.opens()).isTrue();
        float[] db = {-9, -2, -2, -2, -9, -9, -9, -9, -9, -9};
        assertThat(DuckCourse.opens(db, List.of(new Span(1.1, 1.4)), new Span(1, 2), 10)).isTrue();
    }

    @Test
    void sidesThatAreUnrelatedLoseThreeInMono() {
        EarEvidence e = evidence(hall(1));
        EarRow row = MovementWords.phasey(e);
        double loss = e.stereo().monoFoldLossDb().orElseThrow();
        assertThat(row.evidence())
                .isEqualTo(
                        ("folded to mono it loses %.1f dB; sides that are unrelated lose 3, from"
                                        + " 4.5 on it is hollow")
                                .formatted(loss));
        assertThat(List.of(row.lowHz(), row.highHz())).containsOnly(0.0);
        assertThat(row.supported()).isEqualTo(loss > 4.5);
    }

    @Test
    void sibilanceIsSharpFromWhatIsAskedOn() {
        EarEvidence e = evidence(hall(1).withFilterOut(Filter.OPEN));
        double db = e.standing.sibilanceDb().orElseThrow();
        Targets just = new Targets(0.5, 0.5, 1, WetState.FELT, 1, db, Targets.ANY_BLOOM);
        assertThat(ColourWords.sharp(e, just).supported()).isFalse();
        Targets under = new Targets(0.5, 0.5, 1, WetState.FELT, 1, db - 1, Targets.ANY_BLOOM);
        EarRow row = ColourWords.sharp(e, under);
        assertThat(row.supported()).isTrue();
        assertThat(row.answers()).hasSize(2);
        assertThat(row.evidence())
                .startsWith(
                        "between 5 and 9 kHz the wet lies %.0f dB %s the dry while it speaks"
                                .formatted(Math.abs(db), db < 0 ? "under" : "over"));
        assertThat(List.of(row.lowHz(), row.highHz())).containsExactly(5000.0, 9000.0);
    }

    @Test
    void whatIsWashedIsAnsweredByADuckerOfAllALevelAndADecay() {
        EarEvidence e = evidence(hall(1).withLevel(12));
        EarRow row = ColourWords.washed(e, asking(0.9, 0.9, WetState.FELT), ANALYSIS, Job.QUIET);
        assertThat(row.supported()).isTrue();
        assertThat(row.answers().stream().map(Candidate::kind))
                .containsExactly(Setting.DUCK, Setting.LEVEL, Setting.DECAY);
        Duck duck =
                Objects.requireNonNull(
                        ((ReturnEdit.Ducking) row.answers().getFirst().edit()).duck());
        assertThat(duck.band()).isNull();
        assertThat(List.of(row.lowHz(), row.highHz())).containsExactly(250.0, 4000.0);
    }

    @Test
    void whoIsHeardIsToldBesideWhatWasAsked() {
        EarEvidence e = evidence(hall(1));
        WetState state = e.standing.cover().state();
        for (boolean over : new boolean[] {true, false}) {
            EarRow row = PlaceWords.noticed(e, asking(0.5, 0.5, state), over);
            assertThat(row.supported()).isFalse();
            assertThat(row.answers()).isEmpty();
            assertThat(row.evidence())
                    .isEqualTo(
                            "it has %.1f %% of the loudness and is %s; %s was asked"
                                    .formatted(
                                            100 * e.standing.cover().wetShare(),
                                            e.standing.stateWords(),
                                            state.label()));
            assertThat(List.of(row.lowHz(), row.highHz())).containsOnly(0.0);
        }
        assertThat(PlaceWords.noticed(e, asking(0.5, 0.5, WetState.HIDDEN), true).supported())
                .isTrue();
        assertThat(PlaceWords.noticed(e, asking(0.5, 0.5, WetState.HIDDEN), false).supported())
                .isFalse();
    }

    @Test
    void aStretchIsHeardFromWhereItIsHeardOn() {
        Return r = hall(1);
        double heard = level(r, WetState.HEARD);
        assertThat(PlaceWords.tooFar(evidence(r.withLevel(heard))).supported()).isTrue();
        assertThat(PlaceWords.tooFar(evidence(r.withLevel(heard))).answers()).hasSize(2);
        double felt = level(r, WetState.FELT);
        assertThat(PlaceWords.tooFar(evidence(r.withLevel(felt))).supported()).isFalse();
        assertThat(PlaceWords.tooFar(evidence(r.withLevel(felt))).answers()).hasSize(1);
    }

    private static double level(Return r, WetState state) {
        return ShareLevel.aiming(ANALYSIS, question(r, Aims.NONE), state, Job.QUIET).orElseThrow();
    }

    @Test
    void aLevelForAShareLiesWithinATenthUnderIt() {
        Question q = question(hall(1), Aims.NONE);
        double db = ShareLevel.of(ANALYSIS, q, 0.02, -60, 10, Job.QUIET);
        assertThat(at(hall(1), db).cover().wetShare()).isLessThan(0.02);
        assertThat(at(hall(1), db + 0.1).cover().wetShare()).isGreaterThanOrEqualTo(0.02);
        double at = level(hall(1), WetState.FELT);
        assertThat(2 * at).isEqualTo(Math.rint(2 * at));
    }

    @Test
    void aReturnIsBalancedOverPhrasesAndTheirRests() {
        Question q = question(hall(1), Aims.NONE);
        EarLine line = EarLine.of(ANALYSIS, q, Job.QUIET).orElseThrow();
        assertThat(List.of(line.loudest().phrase(), line.sparsest().phrase()))
                .containsExactlyInAnyOrder(new Span(0, 2), new Span(2, 4.5));
        for (EarLine.Answer a : List.of(line.loudest(), line.sparsest())) {
            Question over = q.over(a.phrase());
            double obvious = WetState.OBVIOUS.fromShare();
            assertThat(
                            ShareLevel.byLevel(ANALYSIS, over, Job.QUIET)
                                    .applyAsDouble(a.obviousDb() - 0.4))
                    .isLessThan(obvious);
            assertThat(
                            ShareLevel.byLevel(ANALYSIS, over, Job.QUIET)
                                    .applyAsDouble(a.obviousDb() + 0.4))
                    .isGreaterThan(obvious);
            assertThat(2 * a.feltDb()).isEqualTo(Math.rint(2 * a.feltDb()));
            assertThat(a.obviousDb()).isGreaterThan(a.feltDb());
        }
        Question soft = question(hall(1).withLevel(0), Aims.NONE).over(new Span(1.2, 1.8));
        assertThat(EarLine.of(ANALYSIS, soft, Job.QUIET)).isEmpty();
    }

    @Test
    void aPhraseIsJudgedByItsOwnFrames() {
        EarEvidence e = evidence(hall(1).withLevel(6));
        double rate = ANALYSIS.framesPerSecond();
        for (Span phrase : PHRASES.spans()) {
            double sum = 0;
            int first = (int) (phrase.startSeconds() * rate);
            int last = Math.min(e.view.river().frames(), (int) (phrase.endSeconds() * rate));
            for (int f = first; f < last; f++) {
                sum += e.view.meter().keptAt(f);
            }
            assertThat(e.keptIn(phrase)).isCloseTo(sum / (last - first), within(1e-12));
        }
        Question later = e.question.over(new Span(1.5, 3));
        EarEvidence second = new EarEvidence(later, ANALYSIS, Job.QUIET);
        assertThat(second.keptIn(new Span(2, 3))).isCloseTo(e.keptIn(new Span(2, 3)), within(0.05));
        assertThat(e.keptIn(new Span(9, 10))).isEqualTo(1);
    }

    @Test
    void partsOfPhrasesCountFromTheBeginningOfTheStretch() {
        List<Span> phrases = List.of(new Span(0, 2), new Span(3, 3.6), new Span(4, 8));
        assertThat(PairView.inside(phrases, new Span(1, 4.5)))
                .containsExactly(new Span(0, 1), new Span(2, 2.6), new Span(3, 3.5));
        assertThat(PairView.inside(phrases, new Span(1.6, 4.4))).hasSize(1);
        // Half of a phrase of 0.6 s is enough of it.
        assertThat(PairView.inside(phrases, new Span(3.25, 3.875))).hasSize(1);
        assertThat(PairView.inside(phrases, new Span(3.375, 3.875))).isEmpty();
    }

    @Test
    void lowsAreWhatLiesUnderTwoHundredAndFifty() {
        // At 51.2 kHz a window's lines lie 12.5 Hz apart, and a tone at 250 Hz lies on one: a
        // sixth of its energy is in the line under it, two thirds in its own, a sixth above.
        LowShare edge = new LowShare(tone(250, 51200, 4096));
        assertThat(edge.share()).isCloseTo(1 / 6.0, within(1e-3));
        assertThat(edge.shareBetween(250, 275)).isCloseTo(5 / 6.0, within(1e-3));
        assertThat(new LowShare(tone(250, 51200, 4095)).share()).isZero();
        LowShare high = new LowShare(tone(3000, 51200, 8192));
        assertThat(high.share()).isLessThan(1e-6);
        double through = edge.shareThrough(new Filter.Corner(250, 2), null);
        assertThat(through).isBetween(0.14, 1 / 6.0);
        assertThat(edge.shareThrough(new Filter.Corner(250, 2), new Filter.Corner(250, 2)))
                .isCloseTo(1 / 6.0, within(1e-3));
    }

    private static Audio tone(double hz, double rate, int frames) {
        float[] x = new float[frames];
        for (int i = 0; i < frames; i++) {
            x[i] = (float) (0.01 * Math.cos(2 * Math.PI * hz * i / rate));
        }
        return Signals.mono(rate, x);
    }

    @Test
    void bisectionEndsAtItsStep() {
        assertThat(Reach.leastFor(0, 8, 1, x -> true)).isEqualTo(1);
        assertThat(Reach.leastFor(0, 8, 0.9, x -> true)).isEqualTo(0.5);
        // Presence stops at 80 %: half a point less of the 85 asked is had for 5.9 dB.
        double most =
                Reach.least(
                        0,
                        18,
                        0.001,
                        db ->
                                new Standing(
                                        cover(Math.min(0.8, 0.5 + db / 20), 0.9, 0.015),
                                        OptionalDouble.empty(),
                                        0),
                        Targets.LEAD);
        assertThat(most).isCloseTo(5.9, within(0.002));
    }

    @Test
    void halfADecibelOfSibilanceIsLetPass() {
        double asked = Targets.LEAD.sibilanceDb();
        assertThat(covered(OptionalDouble.of(asked + 0.5), 0).hisses(Targets.LEAD)).isFalse();
        assertThat(covered(OptionalDouble.of(asked + 0.501), 0).hisses(Targets.LEAD)).isTrue();
        double lows = Targets.LEAD.lowShare();
        assertThat(covered(OptionalDouble.empty(), lows + 0.0024).misses(Targets.LEAD))
                .noneMatch(m -> m.startsWith("lows"));
        assertThat(covered(OptionalDouble.empty(), lows + 0.01).misses(Targets.LEAD))
                .contains(
                        "lows %.1f %% where %.0f was asked".formatted(100 * lows + 1, 100 * lows));
    }

    @Test
    void aGainOfPresenceIsThatOfWhatSpeaks() {
        Standing silent =
                new Standing(
                        new orbispace.core.hearing.Cover(
                                OptionalDouble.empty(),
                                OptionalDouble.empty(),
                                0,
                                0,
                                0,
                                OptionalDouble.empty(),
                                0),
                        OptionalDouble.empty(),
                        0);
        Proposal.Cost free = new Proposal.Cost(0, 0, 0, 0, 0);
        ReturnEdit edit = new ReturnEdit.Level("A", -8);
        Proposal p = new Proposal(Setting.LEVEL, edit, "", "", COVERED, silent, free);
        assertThat(p.presenceGain()).isCloseTo(0.3, within(1e-12));
        Proposal back = new Proposal(Setting.LEVEL, edit, "", "", silent, COVERED, free);
        assertThat(back.presenceGain()).isCloseTo(-0.3, within(1e-12));
        Question q = question(hall(1), Aims.NONE);
        assertThat(new Question(q.design(), q.source(), "A", PHRASES, SPAN, true).alone())
                .isEqualTo(q);
    }

    @Test
    void aShortCopyCombsWithItsPeakAndItsTime() {
        Space one =
                new Space.Copies(
                        List.of(
                                new CopiesSettings.Voice(0.02, 0, -1),
                                new CopiesSettings.Voice(0.025, 0, 0)),
                        20,
                        false);
        Return r = ret(Chain.of(one)).withLevel(-6);
        Question q = question(r, Aims.NONE);
        ShortCopy copy = ANALYSIS.shortCopy(q.design(), q.source(), r).orElseThrow();
        assertThat(copy.millis()).isCloseTo(20, within(0.1));
        assertThat(copy.firstNotchHz()).isCloseTo(25, within(0.2));
        Return louder = r.withLevel(-3);
        ShortCopy more = ANALYSIS.shortCopy(q.design(), q.source(), louder).orElseThrow();
        // The ripple is 20 lg((1 + g) / (1 - g)); three decibels more are 1.41 times g.
        double g = gain(copy.rippleDb());
        assertThat(20 * Math.log10(gain(more.rippleDb()) / g)).isCloseTo(3, within(0.01));
        assertThat(ANALYSIS.shortCopy(q.design(), q.source(), ret(Chain.of(echo(0.2))))).isEmpty();
        assertThat(ANALYSIS.shortCopy(q.design(), q.source(), hall(0.5))).isEmpty();
        Return loud = r.withLevel(20);
        assertThat(ANALYSIS.shortCopy(q.design(), q.source(), loud).orElseThrow().rippleDb())
                .isCloseTo(20 * Math.log10(1.999 / 0.001), within(1e-6));
    }

    private static double gain(double rippleDb) {
        double ratio = Math.pow(10, rippleDb / 20);
        return (ratio - 1) / (ratio + 1);
    }
}
