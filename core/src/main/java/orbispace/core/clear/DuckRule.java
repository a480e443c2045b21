package orbispace.core.clear;

import java.util.Optional;
import java.util.function.DoubleFunction;
import orbispace.core.audio.Decibels;
import orbispace.core.audio.Quantile;
import orbispace.core.design.Duck;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Setting;
import orbispace.core.design.Source;
import orbispace.core.design.Targets;
import orbispace.core.dynamics.DuckBand;
import orbispace.core.hearing.Excitation;
import orbispace.core.material.Phrases;
import orbispace.core.render.Job;
import orbispace.core.time.Span;
import orbispace.core.words.Wording;
import org.jspecify.annotations.Nullable;

/**
 * A ducker keyed by the source. Its range is found by bisection on kept excitations: ducking by g
 * multiplies them by g squared.
 */
public final class DuckRule implements RemedyRule {
    private static final double MOST_DB = 18;
    private static final double STEP_DB = 0.5;
    private static final double BACK_WITHIN_DB = 3;
    private static final double LEAST_HOLD_MILLIS = 60;

    /** Parts speaking from resting in stems of a usual level, where none was measured. */
    private static final double UNKNOWN_SPLIT_DB = -60;

    private final boolean inKeyBand;

    /** A ducker that acts everywhere, or only where the key is heard. */
    DuckRule(boolean inKeyBand) {
        this.inKeyBand = inKeyBand;
    }

    @Override
    public Setting kind() {
        return Setting.DUCK;
    }

    /** How a source stands with a return under another ducker. */
    private static Standing under(
            Duck tried,
            Question q,
            Excitation open,
            Standing now,
            CoverAnalysis analysis,
            Job job) {
        job.check();
        float[] gains = DuckGains.of(analysis, q.design(), q.returnId(), tried, open.frames());
        PairView view = analysis.withWet(q, DuckGains.under(open, tried, gains), job);
        return new Standing(view.cover(), now.sibilanceDb(), now.lowShare(), now.opens());
    }

    @Override
    public Optional<Candidate> find(
            Question q, Standing now, Targets targets, CoverAnalysis analysis, Job job) {
        Duck old = q.ret().duck();
        if (now.uncovers(targets) || !fits(old, q) || q.phrases().spans().isEmpty()) {
            return Optional.empty();
        }
        Excitation open =
                analysis.song()
                        .beforeDucker(q.design(), q.ret(), job)
                        .times(Decibels.toPower(q.ret().levelDb()));
        DuckBand band = inKeyBand ? Speaking.band(analysis, q) : null;
        Duck whole = draft(q, MOST_DB).withBand(band);
        DoubleFunction<Standing> at = db -> under(whole.withRange(db), q, open, now, analysis, job);
        // Where the band does not suffice, all of it must give way.
        if (inKeyBand && !at.apply(MOST_DB).uncovers(targets)) {
            return Optional.empty();
        }
        double high =
                Reach.least(old == null ? 0 : old.rangeDb(), MOST_DB, STEP_DB / 2, at, targets);
        double range = Math.min(MOST_DB, Math.ceil(high / STEP_DB) * STEP_DB);
        if (old != null && range <= old.rangeDb()) {
            return Optional.empty();
        }
        Duck duck = draft(q, range).withBand(band);
        double share = band == null ? 1 : KeyBand.share(band);
        return Optional.of(
                Candidate.of(
                                kind(),
                                new ReturnEdit.Ducking(q.returnId(), duck),
                                Wording.format(
                                        "Duck %.1f dB%s, release %.0f ms",
                                        range, where(band), duck.releaseMillis()),
                                why(q, now, targets))
                        .costingDuck(share * (range - (old == null ? 0 : old.rangeDb()))));
    }

    /** One that another key turns, or that acts elsewhere, is left to whoever made it. */
    private boolean fits(@Nullable Duck old, Question q) {
        boolean itsKey =
                old != null
                        && (old.keySource().equals(key(q))
                                || old.keySource().equals(q.source().id()));
        return old == null || (itsKey && (old.band() != null) == inKeyBand);
    }

    static String where(@Nullable DuckBand band) {
        return band == null
                ? ""
                : Wording.format(" from %.0f to %.0f Hz", band.lowHz(), band.highHz());
    }

    /** The part that the source belongs to, if it has several layers. */
    private static String key(Question q) {
        return q.design().layersOf(q.source()).size() > 1 ? q.source().group() : q.source().id();
    }

    private static String why(Question q, Standing now, Targets targets) {
        return Wording.format(
                "%s keeps %.0f %% of its loudness here, %.0f %% in its worst phrase; asked are %.0f"
                        + " and %.0f %%. Back within 3 dB by half of its median gap of %.2f s",
                q.source().name(),
                100 * now.cover().presenceKept().orElse(1),
                100 * now.cover().worstPhrase().orElse(1),
                100 * targets.presence(),
                100 * targets.worstPhrase(),
                q.phrases().gapSeconds(0.5));
    }

    /**
     * A ducker whose hold bridges three quarters of the rests between syllables and whose tail is
     * back within 3 dB by half of the median gap.
     */
    public static Duck draft(Question q, double rangeDb) {
        Source source = q.source();
        Phrases phrases = q.phrases();
        double hold =
                Math.max(
                        LEAST_HOLD_MILLIS,
                        1000
                                * Quantile.of(
                                        phrases.innerGaps().stream().map(Span::seconds).toList(),
                                        0.75));
        double halfGap = 1000 * Math.max(0.3, phrases.gapSeconds(0.5)) / 2;
        double turns = Math.max(1, Math.log(rangeDb / BACK_WITHIN_DB));
        double release = Math.clamp((halfGap - hold) / turns, 60, 1200);
        double split = phrases.levels().map(Phrases.Levels::splitDb).orElse(UNKNOWN_SPLIT_DB);
        double threshold = Math.clamp(split + source.gainDb() + 3, -80, -6);
        return new Duck(
                key(q), rangeDb, threshold, 8, 6, 5, Math.rint(hold), Math.rint(release / 10) * 10);
    }
}
