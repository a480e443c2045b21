package orbispace.core.clear;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import orbispace.core.audio.Audio;
import orbispace.core.audio.Decibels;
import orbispace.core.design.Gate;
import orbispace.core.design.Return;
import orbispace.core.design.Setting;
import orbispace.core.design.Space;
import orbispace.core.hearing.WetState;
import orbispace.core.measure.DecayCurve;
import orbispace.core.measure.DecayMeter;
import orbispace.core.measure.EchoDensity;
import orbispace.core.measure.StereoReport;
import orbispace.core.render.ImpulseResponse;
import orbispace.core.render.Job;
import orbispace.core.time.Span;

/** What is measured of one question for the ear words. */
final class EarEvidence {
    private static final double FLUTTER_FROM_SECONDS = 0.08;
    private static final double FLUTTER_TO_SECONDS = 0.4;
    private static final double WALL_ENDS_DB = -3;
    private static final double SHORT_SECONDS = 0.1;
    private static final double NOTHING_LEFT_DB = -120;

    final Question question;
    final Standing standing;
    final PairView view;
    final LowShare spectrum;
    final Audio response;
    private final CoverAnalysis analysis;
    private final Job job;

    EarEvidence(Question question, CoverAnalysis analysis, Job job) {
        this.question = question;
        this.analysis = analysis;
        this.job = job;
        view = analysis.view(question, job);
        spectrum = analysis.spectrum(question.design(), question.ret(), job);
        standing =
                analysis.told(
                        question,
                        new Standing(view.cover(), view.sibilanceDb(), spectrum.share()),
                        job);
        response =
                ImpulseResponse.of(
                        question.design(),
                        question.ret(),
                        analysis.renderer().material().responses());
    }

    Return ret() {
        return question.ret();
    }

    double predelayMillis() {
        return 1000
                * ret().predelay().seconds(question.design().song().clock(), ret().timedAtBar());
    }

    double gapSeconds() {
        return question.phrases().gapSeconds(0.5);
    }

    /**
     * How far down the tail is when the median rest ends, in dB; empty if there is no rest, or if
     * nothing is left of it then.
     */
    OptionalDouble downAtGapDb() {
        if (gapSeconds() == 0 || !DecayMeter.canMeasure(response)) {
            return OptionalDouble.empty();
        }
        double level = DecayMeter.curve(response).levelDbAt(gapSeconds());
        return level < NOTHING_LEFT_DB ? OptionalDouble.empty() : OptionalDouble.of(-level);
    }

    /** How often in a second of phrases the ducker lets go and takes back by 3 dB or more. */
    double swingsPerSecond() {
        return DuckCourse.of(analysis, question).map(DuckCourse::swingsPerSecond).orElse(0.0);
    }

    List<Span> phrasesHere() {
        return question.phrases().spans().stream()
                .filter(p -> p.overlaps(question.span()))
                .toList();
    }

    /** Phrases that lose most, the worst first. */
    List<Span> worstPhrases() {
        List<Span> worst = new ArrayList<>(phrasesHere());
        worst.sort(java.util.Comparator.comparingDouble(this::keptIn));
        return worst.subList(0, Math.min(3, worst.size()));
    }

    /** Share of a phrase's loudness that is left. */
    double keptIn(Span phrase) {
        double rate = analysis.framesPerSecond();
        int first = (int) ((phrase.startSeconds() - question.span().startSeconds()) * rate);
        int last = (int) ((phrase.endSeconds() - question.span().startSeconds()) * rate);
        double sum = 0;
        int count = 0;
        for (int f = Math.max(0, first); f < Math.min(view.river().frames(), last); f++) {
            sum += view.meter().keptAt(f);
            count++;
        }
        return count == 0 ? 1 : sum / count;
    }

    /** The rests after the phrases of the stretch. */
    List<Span> gapsHere() {
        return question.phrases().gaps().stream()
                .filter(g -> g.overlaps(question.span()))
                .limit(4)
                .toList();
    }

    /**
     * Level of the wet as the next phrase begins, over the dry's mean while it speaks, in dB; empty
     * if nothing of it is left there, or no phrase begins.
     */
    OptionalDouble wetAtPhraseStartsDb() {
        double sum = 0;
        int count = 0;
        for (Span phrase : phrasesHere()) {
            double at = phrase.startSeconds() - 0.03 - question.span().startSeconds();
            int frame = (int) (at * analysis.framesPerSecond());
            if (frame > 0 && frame < view.river().frames()) {
                sum += Decibels.toPower(view.river().levelDb(frame));
                count++;
            }
        }
        return sum == 0 ? OptionalDouble.empty() : OptionalDouble.of(Decibels.ofPower(sum / count));
    }

    /** The level at which the return has a state; empty where none does. */
    OptionalDouble levelFor(WetState state) {
        return ShareLevel.aiming(analysis, question, state, job);
    }

    /** Whether a setting of the return is locked. */
    boolean locked(Setting setting) {
        return question.design().aims().lockedOf(ret().id()).contains(setting);
    }

    /** The wet's mono loss and correlation. */
    StereoReport stereo() {
        return StereoReport.of(response);
    }

    /** The shortest offset of a copy under 20 ms, in ms; empty if no copy is that near. */
    OptionalDouble shortOffsetMillis() {
        return ret().space() instanceof Space.Copies d && d.centre()
                ? d.copies().stream()
                        .mapToDouble(c -> 1000 * c.seconds())
                        .filter(ms -> ms > 0 && ms < 20)
                        .min()
                : OptionalDouble.empty();
    }

    /** Spacing of repeats that rattle, in ms; empty if none do. */
    OptionalDouble flutterMillis() {
        if (ret().space() instanceof Space.Echo e) {
            double seconds = e.time().seconds(question.design().song().clock(), ret().timedAtBar());
            return seconds < SHORT_SECONDS && e.feedback() > 0.3
                    ? OptionalDouble.of(1000 * seconds)
                    : OptionalDouble.empty();
        }
        return ret().space() instanceof Space.Reverb ? sparseMillis() : OptionalDouble.empty();
    }

    /** Mean distance of reflections if the tail is still grainy when it should be dense. */
    private OptionalDouble sparseMillis() {
        double rate = response.sampleRateHz();
        double start = predelayMillis() / 1000;
        double least = 1;
        for (double t = FLUTTER_FROM_SECONDS; t < FLUTTER_TO_SECONDS; t += 0.04) {
            int at = (int) ((start + t) * rate);
            if (at + 0.02 * rate < response.frames()) {
                least = Math.min(least, EchoDensity.at(response.channel(0), at, rate));
            }
        }
        return least < 0.5 ? OptionalDouble.of(20) : OptionalDouble.empty();
    }

    /** How loud the tail still is where something cuts it, re its beginning, in dB. */
    OptionalDouble cutDb() {
        Gate gate = ret().gate();
        if (!DecayMeter.canMeasure(response)) {
            return OptionalDouble.empty();
        }
        DecayCurve curve = DecayMeter.curve(response);
        if (gate != null && gate.length() != null && gate.releaseMillis() < 60) {
            double at = gate.length().seconds(question.design().song().clock(), ret().timedAtBar());
            return OptionalDouble.of(curve.levelDbAt(at));
        }
        return ret().space() instanceof Space.Gated g && g.fallMillis() < 40
                ? OptionalDouble.of(WALL_ENDS_DB)
                : OptionalDouble.empty();
    }
}
