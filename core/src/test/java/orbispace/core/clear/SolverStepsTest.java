package orbispace.core.clear;

import static orbispace.core.clear.TriedReturn.ANALYSIS;
import static orbispace.core.clear.TriedReturn.COVERED;
import static orbispace.core.clear.TriedReturn.hall;
import static orbispace.core.clear.TriedReturn.question;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import orbispace.core.design.Aims;
import orbispace.core.design.Design;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Setting;
import orbispace.core.design.Targets;
import orbispace.core.hearing.Cover;
import orbispace.core.hearing.Excitation;
import orbispace.core.hearing.HearingModel;
import orbispace.core.hearing.WetState;
import orbispace.core.render.Job;
import orbispace.core.time.Span;
import org.junit.jupiter.api.Test;

/** How a solver goes: which step it takes, when it stops, and what it says of the end. */
class SolverStepsTest {
    private static final class Heard implements Job {
        final List<Double> reports = new ArrayList<>();

        @Override
        public void report(double share) {
            reports.add(share);
        }

        @Override
        public boolean cancelled() {
            return false;
        }
    }

    private static Question covered() {
        return question(hall(2).withLevel(6), Aims.NONE);
    }

    private static String reached(Standing after) {
        Cover c = after.cover();
        return "presence %.0f %%, worst phrase %.0f %%, %s"
                .formatted(
                        100 * c.presenceKept().orElseThrow(),
                        100 * c.worstPhrase().orElseThrow(),
                        after.stateWords());
    }

    @Test
    void aWayEndsInWordsOfWhatWasReached() {
        Heard job = new Heard();
        Solution s = new Solver(new RemedyFinder(ANALYSIS, Targets.LEAD)).solve(covered(), job);
        assertThat(s.steps()).isNotEmpty();
        assertThat(s.met()).isTrue();
        assertThat(s.words()).isEqualTo("Reached: " + reached(s.after()) + ".");
        List<Double> tenths = new ArrayList<>();
        for (int i = 1; i <= s.steps().size(); i++) {
            tenths.add(i / 10.0);
        }
        assertThat(job.reports).isEqualTo(tenths);
        Solution again =
                new Solver(new RemedyFinder(ANALYSIS, Targets.LEAD))
                        .solve(covered().of(s.design()), Job.QUIET);
        assertThat(again.words()).isEqualTo("Clear as it is: " + reached(s.after()) + ".");
    }

    @Test
    void eachStepIsTheBestBargainUnlessOneSettlesAll() {
        RemedyFinder finder = new RemedyFinder(ANALYSIS, Targets.LEAD);
        Solution s = new Solver(finder).solve(covered(), Job.QUIET);
        Design at = covered().design();
        for (Proposal step : s.steps()) {
            List<Proposal> open = finder.quick().propose(covered().of(at), Job.QUIET);
            assertThat(open)
                    .isSortedAccordingTo(
                            Comparator.comparingDouble((Proposal p) -> p.bargain(Targets.LEAD))
                                    .reversed());
            Optional<Proposal> settling =
                    open.stream().filter(p -> p.settles(Targets.LEAD)).findFirst();
            assertThat(step.edit()).isEqualTo(settling.orElse(open.getFirst()).edit());
            at = step.edit().applyTo(at);
        }
    }

    @Test
    void whatIsOutOfReachStopsWithWhatIsMissed() {
        Targets never = Targets.LEAD_INTIMATE.withPresence(1).withState(WetState.OBVIOUS);
        Solution s = new Solver(new RemedyFinder(ANALYSIS, never)).solve(covered(), Job.QUIET);
        assertThat(s.met()).isFalse();
        assertThat(s.steps()).hasSizeLessThanOrEqualTo(10);
        String end =
                s.steps().size() == 10
                        ? "It stopped after 10 steps; ask again to go on."
                        : "Nothing brings it nearer.";
        assertThat(s.words())
                .isEqualTo(
                        "Not all can be met; the best reachable is "
                                + reached(s.after())
                                + ": "
                                + String.join(", ", s.after().misses(never))
                                + ". "
                                + end);
        Aims locked = Aims.NONE.locking("A", Setting.LEVEL, true);
        Solution less =
                new Solver(new RemedyFinder(ANALYSIS, never))
                        .solve(question(hall(2).withLevel(6), locked), Job.QUIET);
        assertThat(less.words())
                .endsWith("Nothing that is neither barred nor locked brings it nearer.");
    }

    @Test
    void aRemedyIsRenderedWithWhatItTakesAway() {
        Question q = covered();
        Standing now = ANALYSIS.standing(q, Job.QUIET);
        Candidate c =
                Candidate.of(Setting.LEVEL, new ReturnEdit.Level("A", 0), "down", "because")
                        .costingLevel(6);
        Proposal p = RemedyFinder.rendered(ANALYSIS, q, now, c, Job.QUIET);
        assertThat(p.standingAfter())
                .isEqualTo(ANALYSIS.standing(q.of(c.edit().applyTo(q.design())), Job.QUIET));
        assertThat(p.cost().levelDb()).isEqualTo(6);
        // A tail in the rests goes down by what its return goes down.
        assertThat(p.cost().bloomDb()).isCloseTo(6, within(0.05));
    }

    @Test
    void aSongIsToldBarByBarFromItsFirst() {
        Question q = covered();
        SongCourse course =
                ANALYSIS.course(q.design(), q.source(), q.phrases().spans(), 3, Job.QUIET);
        PairView view =
                ANALYSIS.field(
                        q.design(), q.source(), q.phrases().spans(), new Span(0, 3), Job.QUIET);
        int two = (int) (2 * ANALYSIS.framesPerSecond());
        int three = (int) (3 * ANALYSIS.framesPerSecond());
        assertThat(course.presencePerBar())
                .containsExactly(
                        view.meter().keptBetween(0, two), view.meter().keptBetween(two, three));
        assertThat(course.densityPerBar()).hasSize(2).allMatch(d -> d > 0 && d < 1);
    }

    @Test
    void cellsWithoutWetAreNotHeard() {
        Excitation none = Excitation.none(5, 100);
        HeardCells cells = HeardCells.of(none, none, 10);
        assertThat(cells.frames()).isEqualTo(5);
        for (int b = 0; b < HearingModel.BANDS; b++) {
            assertThat(cells.at(4, b)).isZero();
        }
        assertThat(cells.standsOut(0, 0)).isInfinite();
        Question q = covered();
        HeardCells wet = HeardCells.of(ANALYSIS, q, Job.QUIET);
        double loudest = 0;
        for (int f = 0; f < wet.frames(); f++) {
            for (int b = 0; b < HearingModel.BANDS; b++) {
                loudest = Math.max(loudest, wet.at(f, b));
            }
        }
        assertThat(wet.standsOut(0, 0)).isBetween(0.1 * loudest, 0.5 * loudest);
    }

    @Test
    void whatIsDryIsAsLoudAsItsExcitation() {
        Question q = covered();
        double first = ANALYSIS.drySones(q.design(), new Span(0, 1));
        double rest = ANALYSIS.drySones(q.design(), new Span(1.3, 1.9));
        assertThat(rest).isLessThan(0.02 * first);
        Design louder =
                new Design(
                        q.design().song(), List.of(q.source().withGain(10)), q.design().returns());
        // Ten decibels more are about twice as loud.
        assertThat(ANALYSIS.drySones(louder, new Span(0, 1)) / first).isBetween(1.6, 2.2);
    }

    @Test
    void aDuckerActsWithItsKeyAndOnlyThen() {
        Question q = covered();
        orbispace.core.design.Duck duck = DuckRule.draft(q, 12);
        float[] power = DuckGains.of(ANALYSIS, q.design(), "A", duck, 260);
        int voice = ANALYSIS.frameAt(0.5);
        int rest = ANALYSIS.frameAt(1.95);
        assertThat(10 * Math.log10(power[voice])).isCloseTo(-12, within(0.3));
        assertThat(10 * Math.log10(power[rest])).isGreaterThan(-3);
        Design ducked = new ReturnEdit.Ducking("A", duck).applyTo(q.design());
        assertThat(DuckCourse.of(ANALYSIS, q.of(ducked)).orElseThrow().opens()).isTrue();
        assertThat(COVERED.uncovers(Targets.LEAD)).isFalse();
    }
}
