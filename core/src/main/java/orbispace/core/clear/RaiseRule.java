package orbispace.core.clear;

import java.util.Optional;
import java.util.OptionalDouble;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Setting;
import orbispace.core.design.Targets;
import orbispace.core.hearing.WetState;
import orbispace.core.render.Job;
import orbispace.core.words.Wording;

/** Turns a return up that is noticed less than asked, as far as its source stays uncovered. */
final class RaiseRule implements RemedyRule {
    @Override
    public Setting kind() {
        return Setting.LEVEL;
    }

    @Override
    public Optional<Candidate> find(
            Question q, Standing now, Targets targets, CoverAnalysis analysis, Job job) {
        WetState state = now.cover().state();
        boolean quiet = state.compareTo(targets.state()) < 0 && !targets.accepts(state);
        if (!quiet || !now.uncovers(targets) || q.together()) {
            return Optional.empty();
        }
        OptionalDouble level = ShareLevel.aiming(analysis, q, targets.state(), job);
        if (level.isEmpty() || level.getAsDouble() <= q.ret().levelDb()) {
            return Optional.empty();
        }
        return Optional.of(
                Candidate.of(
                        kind(),
                        new ReturnEdit.Level(q.returnId(), level.getAsDouble()),
                        "Return "
                                + Candidate.level(q.ret().levelDb())
                                + " to "
                                + Candidate.level(level.getAsDouble())
                                + " dB",
                        Wording.format(
                                "its share of the loudness is %.1f %%; %s was asked",
                                100 * now.cover().wetShare(), targets.state().label())));
    }
}
