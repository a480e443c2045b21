package orbispace.core.clear;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import orbispace.core.audio.Decibels;
import orbispace.core.audio.Quantile;
import orbispace.core.design.Design;
import orbispace.core.design.Duck;
import orbispace.core.design.Filter;
import orbispace.core.design.Return;
import orbispace.core.design.ReturnEdit;
import orbispace.core.design.Source;
import orbispace.core.dynamics.Ducker;
import orbispace.core.dynamics.KeyPeaks;
import orbispace.core.hearing.Cover;
import orbispace.core.hearing.Excitation;
import orbispace.core.material.Phrases;
import orbispace.core.render.ChainSettings;
import orbispace.core.render.ChainWorks;
import orbispace.core.render.Job;
import orbispace.core.time.Span;

/**
 * Finds remedies where a return covers a source: a high-pass against low wet energy, and a ducker
 * keyed by the source.
 *
 * <p>The ducker's range is found by bisection on kept excitations (ducking by g multiplies them by
 * g squared); every proposal is then really rendered and measured again. Best gain per cost comes
 * first.
 */
public final class RemedyFinder {
    private static final double[] CORNERS_HZ = {
        80, 100, 125, 160, 180, 200, 220, 250, 280, 310, 350, 400
    };
    private static final int HIGH_PASS_POLES = 2;
    private static final double MOST_DUCK_DB = 18;
    private static final double DUCK_STEP_DB = 0.5;
    private static final double BACK_WITHIN_DB = 3;
    private static final double LEAST_HOLD_MILLIS = 60;

    private final CoverAnalysis analysis;
    private final Targets targets;

    /** Remedies for these targets. */
    public RemedyFinder(CoverAnalysis analysis, Targets targets) {
        this.analysis = analysis;
        this.targets = targets;
    }

    /**
     * Proposals for one pair over a stretch, best bargain first; none where the targets are met.
     */
    public List<Proposal> propose(
            Design design, Source source, Return ret, Phrases phrases, Span span, Job job) {
        Cover before = analysis.pair(design, source, ret, phrases.spans(), span, job).cover();
        List<Proposal> proposals = new ArrayList<>();
        highPass(design, ret, job)
                .ifPresent(c ->
                        proposals.add(
                                rendered(design, source, ret, phrases, span, before, c, job)));
        job.check();
        ducker(design, source, ret, phrases, span, before, job)
                .ifPresent(c ->
                        proposals.add(
                                rendered(design, source, ret, phrases, span, before, c, job)));
        proposals.sort(Comparator.comparingDouble(RemedyFinder::bargain).reversed());
        return List.copyOf(proposals);
    }

    private static double bargain(Proposal p) {
        return p.presenceGain() / Math.max(0.1, p.cost().total());
    }

    private record Candidate(
            ReturnEdit edit, String change, String why, double octaves, double duckDb) {}

    private Proposal rendered(
            Design design,
            Source source,
            Return ret,
            Phrases phrases,
            Span span,
            Cover before,
            Candidate c,
            Job job) {
        Design changed = c.edit().applyTo(design);
        Cover after =
                analysis.pair(
                                changed,
                                source,
                                changed.requireReturn(ret.id()),
                                phrases.spans(),
                                span,
                                job)
                        .cover();
        double bloomLost = before.bloomDb().orElse(-60) - after.bloomDb().orElse(-60);
        return new Proposal(
                c.edit(),
                c.change(),
                c.why(),
                before,
                after,
                new Proposal.Cost(c.octaves(), c.duckDb(), bloomLost));
    }

    private Optional<Candidate> highPass(Design design, Return ret, Job job) {
        ChainSettings chain = analysis.renderer().chain(design, ret);
        LowShare spectrum =
                new LowShare(analysis.renderer().after(chain, ChainSettings.DUCKER, job));
        double share = spectrum.share();
        if (share <= targets.lowShare()) {
            return Optional.empty();
        }
        Filter.Corner old = ret.filterOut().highPass();
        double from = old == null ? 20 : old.hz();
        int poles = old == null ? HIGH_PASS_POLES : old.poles();
        for (double hz : CORNERS_HZ) {
            if (hz > from
                    && (spectrum.shareThrough(hz, poles) <= targets.lowShare() || hz == 400)) {
                Filter filter = ret.filterOut().withHighPass(new Filter.Corner(hz, poles));
                return Optional.of(
                        new Candidate(
                                new ReturnEdit.FilterOut(ret.id(), filter),
                                (old == null ? "High-pass at " : text("High-pass %.0f to ", from))
                                        + text("%.0f Hz", hz),
                                text(
                                        "%.0f %% of this return lies under 250 Hz; %.0f %% is"
                                                + " enough for it",
                                        100 * share, 100 * targets.lowShare()),
                                Math.log(hz / Math.max(40, from)) / Math.log(2),
                                0));
            }
        }
        return Optional.empty();
    }

    private Optional<Candidate> ducker(
            Design design,
            Source source,
            Return ret,
            Phrases phrases,
            Span span,
            Cover before,
            Job job) {
        if (before.presenceKept().isEmpty() || met(before)) {
            return Optional.empty();
        }
        Excitation open =
                analysis.beforeDucker(design, ret, job).times(Decibels.toPower(ret.levelDb()));
        Duck whole = draft(source, phrases, MOST_DUCK_DB);
        double low = 0;
        double high = MOST_DUCK_DB;
        while (high - low > DUCK_STEP_DB / 2) {
            job.check();
            double middle = (low + high) / 2;
            Excitation ducked = open.times(gains(source, whole.withRange(middle), open.frames()));
            if (met(analysis.withWet(design, source, ret, ducked, phrases.spans(), span).cover())) {
                high = middle;
            } else {
                low = middle;
            }
        }
        double range = Math.min(MOST_DUCK_DB, Math.ceil(high / DUCK_STEP_DB) * DUCK_STEP_DB);
        Duck duck = draft(source, phrases, range);
        return Optional.of(
                new Candidate(
                        new ReturnEdit.Ducking(ret.id(), duck),
                        text("Duck %.1f dB, release %.0f ms", range, duck.releaseMillis()),
                        why(source, phrases, before),
                        0,
                        range - (ret.duck() == null ? 0 : ret.duck().rangeDb())));
    }

    private String why(Source source, Phrases phrases, Cover before) {
        return text(
                "%s keeps %.0f %% of its loudness here, %.0f %% in its worst phrase; asked are %.0f"
                        + " and %.0f %%. Back within 3 dB by half of its median gap of %.2f s",
                source.name(),
                100 * before.presenceKept().orElse(1),
                100 * before.worstPhrase().orElse(1),
                100 * targets.presence(),
                100 * targets.worstPhrase(),
                phrases.gapSeconds(0.5));
    }

    private boolean met(Cover cover) {
        return cover.presenceKept().orElse(1) >= targets.presence()
                && cover.worstPhrase().orElse(1) >= targets.worstPhrase();
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

    /** Mean power gain of a ducker under each excitation frame. */
    private float[] gains(Source source, Duck duck, int frames) {
        var audio = analysis.renderer().material().audio().get(source.id());
        float[] power = new float[frames];
        java.util.Arrays.fill(power, 1);
        if (audio == null) {
            return power;
        }
        double rate = audio.sampleRateHz();
        double hop = rate / analysis.framesPerSecond();
        Ducker ducker = new Ducker(ChainWorks.ducker(duck), rate);
        float gain = (float) Decibels.toAmplitude(source.gainDb()) / 2;
        int block = (int) Math.round(hop);
        float[] key = new float[block];
        float[] ones = new float[block];
        float[] same = new float[block];
        KeyPeaks peaks = new KeyPeaks(List.of(), block);
        for (int f = 0; f + 1 < frames; f++) {
            for (int i = 0; i < block; i++) {
                int at = f * block + i;
                key[i] =
                        at < audio.frames()
                                ? gain * (audio.channel(0)[at] + audio.channel(1)[at])
                                : 0;
                ones[i] = 1;
            }
            peaks.process(key, 0, block);
            ducker.process(peaks.steps(), 0, ones, same, 0, block);
            double sum = 0;
            for (float g : ones) {
                sum += (double) g * g;
            }
            // A frame is centred at the edge of two blocks: half of each.
            power[f] = (float) ((f == 0 ? 1 : power[f]) + sum / block) / 2;
            power[f + 1] = (float) (sum / block);
        }
        return power;
    }

    private static String text(String format, Object... values) {
        return String.format(Locale.ROOT, format, values);
    }
}
