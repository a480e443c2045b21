package orbispace.core.clear;

import java.util.List;
import orbispace.core.audio.Quantile;
import orbispace.core.design.Duck;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Setting;
import orbispace.core.time.Span;
import orbispace.core.words.Wording;

/** Changes of a ducker that is heard at work. */
final class DuckTimes {
    private static final double HOLD_SHARE = 0.9;
    private static final double LEAST_RELEASE_MILLIS = 300;

    private DuckTimes() {}

    private static Duck duck(Return r) {
        return java.util.Objects.requireNonNull(r.duck());
    }

    /**
     * A hold that bridges nearly all rests between syllables, and a release that takes its time.
     */
    static Candidate calmer(Return r, List<Span> innerGaps) {
        Duck old = duck(r);
        double longest = Quantile.of(innerGaps.stream().map(Span::seconds).toList(), HOLD_SHARE);
        double hold = Math.min(2000, Math.rint(Math.max(1000 * longest, old.holdMillis() + 60)));
        double release = Math.max(LEAST_RELEASE_MILLIS, 2 * old.releaseMillis());
        Duck duck = old.withTimes(hold, Math.min(5000, release));
        return Candidate.of(
                Setting.DUCK,
                new ReturnEdit.Ducking(r.id(), duck),
                Wording.format("Duck hold %.0f ms, release %.0f ms", hold, duck.releaseMillis()),
                "it stays down between syllables and comes back once, after the phrase");
    }

    /** Half as deep. */
    static Candidate shallower(Return r) {
        double range = Math.max(1, duck(r).rangeDb() / 2);
        return Candidate.of(
                Setting.DUCK,
                new ReturnEdit.Ducking(r.id(), duck(r).withRange(range)),
                Wording.format("Duck %.1f to %.1f dB", duck(r).rangeDb(), range),
                "half as deep, half as much to hear");
    }
}
