package orbispace.core.clear;

import java.util.Optional;
import orbispace.core.design.Duck;
import orbispace.core.design.Purpose;
import orbispace.core.design.Purposes;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Setting;
import orbispace.core.design.Targets;
import orbispace.core.dynamics.DuckBand;
import orbispace.core.render.Job;
import orbispace.core.words.Wording;

/**
 * Takes the top of a return away only while its source speaks, where a low-pass may not take it for
 * good: a space of strokes keeps its brightness between the words.
 */
final class HissDuckRule implements RemedyRule {
    private static final DuckBand HISS = new DuckBand(4500, 10_000);
    private static final double MOST_DB = 18;

    /** A first-order band takes less at its edges than in its middle. */
    private static final double AT_EDGES = 1.4;

    @Override
    public Setting kind() {
        return Setting.DUCK;
    }

    @Override
    public Optional<Candidate> find(
            Question q, Standing now, Targets targets, CoverAnalysis analysis, Job job) {
        boolean asked = !purpose(q).allows(Setting.LOW_PASS) && now.hisses(targets);
        if (!asked || q.ret().duck() != null || q.phrases().spans().isEmpty()) {
            return Optional.empty();
        }
        double range = Math.clamp(Math.ceil(AT_EDGES * now.overDb(targets)), 1, MOST_DB);
        Duck duck = DuckRule.draft(q, range).withBand(HISS);
        return Optional.of(
                Candidate.of(
                                kind(),
                                new ReturnEdit.Ducking(q.returnId(), duck),
                                Wording.format("Duck %.0f dB%s", range, DuckRule.where(HISS)),
                                Wording.format(
                                        "5 to 9 kHz of it lie %.1f dB over what was asked while %s"
                                                + " speaks; between the words it keeps its top",
                                        now.overDb(targets), q.source().name()))
                        .costingDuck(KeyBand.share(HISS) * range));
    }

    private static Purpose purpose(Question q) {
        return Purposes.of(q.design(), q.ret());
    }
}
