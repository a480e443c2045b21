package orbispace.core.clear;

import java.util.Optional;
import orbispace.core.design.MusicalTime;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Setting;
import orbispace.core.design.Space;
import orbispace.core.design.Targets;
import orbispace.core.render.Job;
import orbispace.core.time.Fit;
import orbispace.core.words.Wording;

/**
 * Shorter tails and later beginnings. A decay decides the gaps; a shorter one at the same energy
 * would put more of it inside the words, so its level goes down with it. A predelay helps a little.
 */
final class TimeRules {
    private static final double GAP_DOWN_DB = 30;
    private static final double SHORTER = 0.7;
    private static final double LEAST_DECAY = 0.3;
    private static final double PREDELAY_STEP_MILLIS = 25;
    private static final double MOST_PREDELAY_MILLIS = 90;

    private TimeRules() {}

    private static double predelay(Question q) {
        return q.ret().predelay().seconds(q.design().song().clock(), q.ret().timedAtBar());
    }

    /** The tail runs into the next phrase, or covers this one. */
    static final class Decay implements RemedyRule {
        @Override
        public Setting kind() {
            return Setting.DECAY;
        }

        @Override
        public Optional<Candidate> find(
                Question q, Standing now, Targets targets, CoverAnalysis analysis, Job job) {
            double gap = q.phrases().gapSeconds(0.5);
            if (now.uncovers(targets) || !(q.ret().space() instanceof Space.Reverb reverb)) {
                return Optional.empty();
            }
            double decay = reverb.decaySeconds();
            double start = predelay(q);
            double allowed =
                    gap > start + 0.1 ? Fit.decayThatClears(gap, start, GAP_DOWN_DB) : decay;
            boolean runsOn = decay > 1.02 * allowed;
            double wanted = runsOn ? allowed : Math.max(LEAST_DECAY, SHORTER * decay);
            double rounded = Math.floor(20 * wanted + 1e-6) / 20;
            if (rounded >= decay || rounded < LEAST_DECAY) {
                return Optional.empty();
            }
            boolean levelLocked = q.design().aims().lockedOf(q.returnId()).contains(Setting.LEVEL);
            String why =
                    runsOn
                            ? Wording.format(
                                    "60 \u00d7 (%.2f s gap \u2212 %.0f ms) / 30 dB = %.2f s is 30"
                                            + " dB down when %s returns",
                                    gap, 1000 * start, allowed, q.source().name())
                            : Wording.format(
                                    "a tail of %.2f s still covers the words after those that made"
                                            + " it",
                                    decay);
            return Optional.of(shortened(q, decay, rounded, levelLocked, why));
        }

        private Candidate shortened(
                Question q, double decay, double rounded, boolean levelLocked, String why) {
            return Candidate.of(
                            kind(),
                            levelLocked
                                    ? new ReturnEdit.Decay(q.returnId(), rounded)
                                    : ReturnEdit.Shorten.of(q.ret(), rounded),
                            Wording.format(
                                    "Decay %.2f to %.2f s%s",
                                    decay, rounded, levelLocked ? "" : ", its beginning as loud"),
                            why)
                    .costingDecay(1 - rounded / decay);
        }
    }

    /** The space answers on top of the words. */
    static final class Predelay implements RemedyRule {
        @Override
        public Setting kind() {
            return Setting.PREDELAY;
        }

        @Override
        public Optional<Candidate> find(
                Question q, Standing now, Targets targets, CoverAnalysis analysis, Job job) {
            double millis = 1000 * predelay(q);
            double later = Math.rint(millis + PREDELAY_STEP_MILLIS);
            boolean space =
                    q.ret().space() instanceof Space.Reverb
                            || q.ret().space() instanceof Space.Convolution;
            if (now.uncovers(targets) || !space || later > MOST_PREDELAY_MILLIS) {
                return Optional.empty();
            }
            return Optional.of(
                    Candidate.of(
                            kind(),
                            new ReturnEdit.Predelay(
                                    q.returnId(),
                                    new MusicalTime.Millis(later),
                                    q.ret().timedAtBar()),
                            Wording.format("Predelay %.0f to %.0f ms", millis, later),
                            "more of each word is out before its space answers"));
        }
    }
}
