package orbispace.core.clear;

import java.util.List;
import java.util.Optional;
import java.util.function.DoubleFunction;
import orbispace.core.audio.Audio;
import orbispace.core.audio.Decibels;
import orbispace.core.audio.Quantile;
import orbispace.core.design.Duck;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Source;
import orbispace.core.dynamics.Ducker;
import orbispace.core.dynamics.KeyPeaks;
import orbispace.core.hearing.Excitation;
import orbispace.core.material.Phrases;
import orbispace.core.render.ChainWorks;
import orbispace.core.render.Job;
import orbispace.core.time.Span;

/**
 * A ducker keyed by the source. Its range is found by bisection on kept excitations: ducking by g
 * multiplies them by g squared.
 */
final class DuckRule implements RemedyRule {
    private static final double MOST_DB = 18;
    private static final double STEP_DB = 0.5;
    private static final double BACK_WITHIN_DB = 3;
    private static final double LEAST_HOLD_MILLIS = 60;
    private static final int BLOCK = 4096;

    @Override
    public RemedyKind kind() {
        return RemedyKind.DUCK;
    }

    @Override
    public Optional<Candidate> find(
            Question q, Standing now, Targets targets, CoverAnalysis analysis, Job job) {
        Duck old = q.ret().duck();
        boolean another = old != null && !old.keySource().equals(q.source().id());
        if (now.uncovers(targets) || another || q.phrases().spans().isEmpty()) {
            return Optional.empty();
        }
        Excitation open =
                analysis.beforeDucker(q.design(), q.ret(), job)
                        .times(Decibels.toPower(q.ret().levelDb()));
        Duck whole = draft(q.source(), q.phrases(), MOST_DB);
        float[] peaks = peaks(analysis, q.source());
        DoubleFunction<Standing> at =
                db -> {
                    job.check();
                    float[] gains = gains(analysis, peaks, whole.withRange(db), open.frames());
                    PairView view = analysis.withWet(q, open.times(gains), job);
                    return new Standing(view.cover(), now.sibilanceDb(), now.lowShare());
                };
        double high =
                Reach.least(old == null ? 0 : old.rangeDb(), MOST_DB, STEP_DB / 2, at, targets);
        double range = Math.min(MOST_DB, Math.ceil(high / STEP_DB) * STEP_DB);
        if (old != null && range <= old.rangeDb()) {
            return Optional.empty();
        }
        Duck duck = draft(q.source(), q.phrases(), range);
        return Optional.of(
                Candidate.of(
                                kind(),
                                new ReturnEdit.Ducking(q.returnId(), duck),
                                Candidate.text(
                                        "Duck %.1f dB, release %.0f ms",
                                        range, duck.releaseMillis()),
                                why(q, now, targets))
                        .costingDuck(range - (old == null ? 0 : old.rangeDb())));
    }

    private static String why(Question q, Standing now, Targets targets) {
        return Candidate.text(
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
    static Duck draft(Source source, Phrases phrases, double rangeDb) {
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
        double threshold = Math.clamp(phrases.splitDb() + source.gainDb() + 3, -80, -6);
        return new Duck(
                source.id(),
                rangeDb,
                threshold,
                8,
                6,
                5,
                Math.rint(hold),
                Math.rint(release / 10) * 10);
    }

    /** The key as the ducker hears it, one peak per step of the song. */
    private static float[] peaks(CoverAnalysis analysis, Source source) {
        Audio audio = analysis.renderer().material().audio().get(source.id());
        if (audio == null) {
            return new float[0];
        }
        float gain = (float) Decibels.toAmplitude(source.gainDb()) / 2;
        KeyPeaks follower = new KeyPeaks(List.of(), BLOCK);
        float[] peaks = new float[audio.frames() / KeyPeaks.STEP + 1];
        float[] key = new float[BLOCK];
        int step = 0;
        for (int at = 0; at < audio.frames(); at += BLOCK) {
            int n = Math.min(BLOCK, audio.frames() - at);
            for (int i = 0; i < n; i++) {
                key[i] = gain * (audio.channel(0)[at + i] + audio.channel(1)[at + i]);
            }
            follower.process(key, 0, n);
            System.arraycopy(follower.steps(), 0, peaks, step, follower.count());
            step += follower.count();
        }
        return java.util.Arrays.copyOf(peaks, step);
    }

    /** Mean power gain of a ducker under each excitation frame, which is centred at its place. */
    static float[] gains(CoverAnalysis analysis, Source source, Duck duck, int frames) {
        return gains(analysis, peaks(analysis, source), duck, frames);
    }

    private static float[] gains(CoverAnalysis analysis, float[] peaks, Duck duck, int frames) {
        double rate = analysis.renderer().material().sampleRateHz();
        float[] curve = new Ducker(ChainWorks.ducker(duck), rate).curve(peaks, peaks.length);
        double steps = rate / analysis.framesPerSecond() / KeyPeaks.STEP;
        float[] power = new float[frames];
        for (int f = 0; f < frames; f++) {
            int from = (int) Math.max(0, (f - 0.5) * steps);
            int to = (int) Math.min(curve.length, (f + 0.5) * steps + 1);
            double sum = 0;
            for (int s = from; s < to; s++) {
                sum += curve[s] * curve[s];
            }
            power[f] = to > from ? (float) (sum / (to - from)) : 1;
        }
        return power;
    }
}
