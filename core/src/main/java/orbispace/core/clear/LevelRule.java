package orbispace.core.clear;

import java.util.Optional;
import java.util.function.DoubleFunction;
import orbispace.core.audio.Decibels;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Setting;
import orbispace.core.design.Targets;
import orbispace.core.hearing.Excitation;
import orbispace.core.render.Job;
import orbispace.core.words.Wording;

/** Turns the return down until the source is uncovered; does everything, and costs bloom. */
final class LevelRule implements RemedyRule {
    private static final double MOST_DB = 18;
    private static final double STEP_DB = 0.5;

    @Override
    public Setting kind() {
        return Setting.LEVEL;
    }

    @Override
    public Optional<Candidate> find(
            Question q, Standing now, Targets targets, CoverAnalysis analysis, Job job) {
        boolean loud = now.cover().state().compareTo(targets.state()) > 0;
        if (now.uncovers(targets) && !loud) {
            return Optional.empty();
        }
        Excitation wet = analysis.wet(q.design(), q.ret(), job);
        DoubleFunction<Standing> at =
                db -> {
                    job.check();
                    PairView view = analysis.withWet(q, wet.times(Decibels.toPower(-db)), job);
                    return new Standing(
                            view.cover(), now.sibilanceDb(), now.lowShare(), now.opens());
                };
        double covered =
                now.uncovers(targets) ? 0 : Reach.least(0, MOST_DB, STEP_DB / 2, at, targets);
        double noticed =
                loud
                        ? Reach.leastFor(
                                0,
                                MOST_DB,
                                STEP_DB / 2,
                                db -> at.apply(db).cover().state().compareTo(targets.state()) <= 0)
                        : 0;
        double high = Math.max(covered, noticed);
        double by = Math.min(MOST_DB, Math.ceil(high / STEP_DB) * STEP_DB);
        double level = Math.max(-90, q.ret().levelDb() - by);
        return Optional.of(
                Candidate.of(
                                kind(),
                                new ReturnEdit.Level(q.returnId(), level),
                                "Return "
                                        + Candidate.level(q.ret().levelDb())
                                        + " to "
                                        + Candidate.level(level)
                                        + " dB",
                                why(q, now, targets, loud))
                        .costingLevel(by));
    }

    private static String why(Question q, Standing now, Targets targets, boolean loud) {
        return loud
                ? Wording.format(
                        "its share of the loudness is %.1f %%; %s was asked",
                        100 * now.cover().wetShare(), targets.state().label())
                : Wording.format(
                        "%s keeps %.0f %% of its loudness; %.0f %% was asked",
                        q.source().name(),
                        100 * now.cover().presenceKept().orElse(1),
                        100 * targets.presence());
    }
}
