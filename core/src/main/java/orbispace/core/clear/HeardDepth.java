package orbispace.core.clear;

import java.util.BitSet;
import java.util.HashMap;
import java.util.Map;
import java.util.OptionalDouble;
import orbispace.core.audio.Decibels;
import orbispace.core.design.Design;
import orbispace.core.design.Return;
import orbispace.core.design.Source;
import orbispace.core.hearing.Excitation;
import orbispace.core.hearing.HearingModel;
import orbispace.core.render.Depth;
import orbispace.core.render.Job;
import orbispace.core.time.Span;

/**
 * How far back sources stand as they are heard in a stretch: the partial loudness of what a source
 * makes in all returns, beside all dry sources, over that of the source itself beside everything
 * else. At distance 1 both are heard alike, and each doubling of the one over the other counts as
 * 10 dB, twenty of which are a factor of ten in distance. What is masked pushes nobody back.
 *
 * <p>Of a return a source has the share of its energy that it sends; its sends moved by some
 * decibels scale that share, so that a distance can be sought without rendering.
 */
public final class HeardDepth {
    private static final int MOST_FRAMES = 64;
    private static final double LEAST_DB = -60;
    private static final double MOST_DB = 40;
    private static final double STEP_DB = 0.02;

    private final Design design;
    private final double roomPower;
    private final Map<String, Heard> sources = new HashMap<>();
    private final Excitation dries;
    private final Excitation all;

    /** A source and what it makes in all returns. */
    private record Heard(Excitation dry, Excitation wet) {}

    private HeardDepth(
            CoverAnalysis analysis, Design design, Map<String, Depth> depths, Span span, Job job) {
        this.design = design;
        roomPower = design.aims().hearing().roomPower();
        HeardSong song = analysis.song();
        BitSet few = few(analysis.slice(song.silence(), span).frames());
        Map<String, Excitation> wets = new HashMap<>();
        Map<String, Double> sent = new HashMap<>();
        Excitation sum = analysis.slice(song.silence(), span).only(few);
        Excitation none = sum;
        Excitation drySum = sum;
        for (Return r : design.returns()) {
            job.check();
            Excitation wet = analysis.slice(song.wet(design, r, job), span).only(few);
            wets.put(r.id(), wet);
            sum = sum.plus(wet);
        }
        depths.values()
                .forEach(d -> d.wetByReturn().forEach((id, e) -> sent.merge(id, e, Double::sum)));
        for (Source s : design.sources()) {
            job.check();
            Depth depth = depths.get(s.id());
            if (depth == null) {
                continue;
            }
            Excitation dry = analysis.slice(song.dry(s), span).only(few);
            sum = sum.plus(dry);
            drySum = drySum.plus(dry);
            Excitation own = none;
            for (Map.Entry<String, Double> e : depth.wetByReturn().entrySet()) {
                Excitation wet = wets.get(e.getKey());
                double of = sent.getOrDefault(e.getKey(), 0.0);
                own = wet == null || of <= 0 ? own : own.plus(wet.times(e.getValue() / of));
            }
            sources.put(s.id(), new Heard(dry, own));
        }
        all = sum;
        dries = drySum;
    }

    /**
     * Hears a stretch of a song.
     *
     * @param depths what each source makes in each return
     */
    public static HeardDepth of(
            CoverAnalysis analysis, Design design, Map<String, Depth> depths, Span span, Job job) {
        return new HeardDepth(analysis, design, depths, span, job);
    }

    private static BitSet few(int frames) {
        BitSet few = new BitSet();
        int step = Math.max(1, frames / MOST_FRAMES);
        for (int f = step / 2; f < frames; f += step) {
            few.set(f);
        }
        return few;
    }

    /** The field that was heard. */
    public Design design() {
        return design;
    }

    /** How far back a source stands; empty if nothing of it, or of what it is sent to, is heard. */
    public OptionalDouble distance(String source) {
        return distance(source, 0);
    }

    /** The same with all its sends moved by so many decibels. */
    public OptionalDouble distance(String source, double byDb) {
        Heard heard = sources.get(source);
        if (heard == null) {
            return OptionalDouble.empty();
        }
        double power = Decibels.toPower(byDb);
        Excitation wet = heard.wet.times(power);
        double wetSones = sones(wet, dries);
        double drySones = sones(heard.dry, all.minus(heard.wet).minus(heard.dry).plus(wet));
        return wetSones <= 0 || drySones <= 0
                ? OptionalDouble.empty()
                : OptionalDouble.of(Math.pow(10, Math.log(wetSones / drySones) / Math.log(2) / 2));
    }

    /** By how many decibels all sends of a source have to move so that it stands at a distance. */
    public OptionalDouble movedFor(String source, double distance) {
        if (distance(source).isEmpty()) {
            return OptionalDouble.empty();
        }
        double low = LEAST_DB;
        double high = MOST_DB;
        while (high - low > STEP_DB) {
            double middle = (low + high) / 2;
            if (distance(source, middle).orElse(0) < distance) {
                low = middle;
            } else {
                high = middle;
            }
        }
        return OptionalDouble.of((low + high) / 2);
    }

    private double sones(Excitation of, Excitation beside) {
        double sum = 0;
        for (int f = 0; f < of.frames(); f++) {
            for (int b = 0; b < HearingModel.BANDS; b++) {
                sum += HearingModel.partialLoudness(b, of.at(f, b), beside.at(f, b) + roomPower);
            }
        }
        return sum;
    }
}
