package orbispace.core.clear;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeMap;
import java.util.stream.DoubleStream;
import orbispace.core.audio.Decibels;
import orbispace.core.design.Design;
import orbispace.core.design.Return;
import orbispace.core.design.Source;
import orbispace.core.hearing.Excitation;
import orbispace.core.hearing.HearingModel;
import orbispace.core.render.Depth;
import orbispace.core.render.Job;
import orbispace.core.signal.Uneven;
import orbispace.core.time.Span;

/**
 * How far back sources stand as they are heard in a stretch: the partial loudness of what a source
 * makes in all returns, beside all dry sources, over that of the source itself beside everything
 * else. At distance 1 both are as loud. What is masked pushes nobody back.
 *
 * <p>Of a return a source has the share of the energy of each band that it sends; its sends moved
 * by some decibels scale that share, so that a distance is sought without rendering: on its course
 * over decibels, known every three and straight between.
 */
public final class HeardDepth {
    private static final int MOST_FRAMES = 256;
    private static final double LEAST_DB = -39;
    private static final double MOST_DB = 24;
    private static final double STEP_DB = 3;

    private final Design design;
    private final Map<String, Depth> depths;
    private final double roomPower;
    private final Map<String, NavigableMap<Double, Double>> courses = new HashMap<>();
    private final Excitation dries;
    private final Excitation all;

    /** A source and what it makes in all returns. */
    private record Heard(String id, Excitation dry, Excitation wet) {}

    private HeardDepth(
            CoverAnalysis analysis, Design design, Map<String, Depth> depths, Span span, Job job) {
        this.design = design;
        this.depths = Map.copyOf(depths);
        List<Heard> sources = new ArrayList<>();
        roomPower = design.aims().hearing().roomPower();
        HeardSong song = analysis.song();
        BitSet few = few(analysis.slice(song.silence(), span).frames());
        Map<String, Excitation> wets = new HashMap<>();
        Map<String, double[]> sent = new HashMap<>();
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
                .forEach(d ->
                        d.wetByReturn()
                                .forEach(
                                        (id, e) -> sent.merge(id, bands(e), HeardDepth::together)));
        for (Source s : design.sources()) {
            job.check();
            Depth depth = depths.get(s.id());
            if (depth == null) {
                continue;
            }
            Excitation dry = analysis.slice(song.dry(design, s), span).only(few);
            sum = sum.plus(dry);
            drySum = drySum.plus(dry);
            Excitation own = none;
            for (Map.Entry<String, List<Double>> e : depth.wetByReturn().entrySet()) {
                Excitation wet = Objects.requireNonNull(wets.get(e.getKey()));
                double[] all = Objects.requireNonNull(sent.get(e.getKey()));
                own = own.plus(wet.share(share(bands(e.getValue()), all)));
            }
            sources.add(new Heard(s.id(), dry, own));
        }
        all = sum;
        dries = drySum;
        for (Heard h : sources) {
            job.check();
            course(h).ifPresent(c -> courses.put(h.id, c));
        }
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

    private static double[] bands(List<Double> energies) {
        return energies.stream().mapToDouble(e -> e).toArray();
    }

    private static double[] together(double[] one, double[] other) {
        double[] sum = one.clone();
        for (int b = 0; b < sum.length; b++) {
            sum[b] += other[b];
        }
        return sum;
    }

    /** What one is of all in each band; where nothing is sent, what it is of all of them. */
    private static double[] share(double[] one, double[] all) {
        double whole = DoubleStream.of(all).sum();
        double overall = whole <= 0 ? 0 : DoubleStream.of(one).sum() / whole;
        double[] share = new double[one.length];
        for (int b = 0; b < share.length; b++) {
            share[b] = all[b] <= 0 ? overall : one[b] / all[b];
        }
        return share;
    }

    /** Frames all over the stretch, unevenly, lest strokes on a grid fall between them. */
    private static BitSet few(int frames) {
        BitSet few = new BitSet();
        for (int place : Uneven.places(frames, MOST_FRAMES)) {
            few.set(place);
        }
        return few;
    }

    /** The field that was heard. */
    public Design design() {
        return design;
    }

    /** What is known of a source's own energies; empty of one that was not measured. */
    public Optional<Depth> depth(String source) {
        return Optional.ofNullable(depths.get(source));
    }

    /** How far back a source stands; empty if nothing of it, or of what it is sent to, is heard. */
    public OptionalDouble distance(String source) {
        NavigableMap<Double, Double> course = courses.get(source);
        Double log = course == null ? null : course.get(0.0);
        return log == null ? OptionalDouble.empty() : OptionalDouble.of(Math.exp(log));
    }

    /**
     * By how many decibels all sends of a source have to move so that it stands at a distance:
     * between -39 and 24, or where nothing of it is heard any more.
     */
    public OptionalDouble movedFor(String source, double distance) {
        NavigableMap<Double, Double> course = courses.get(source);
        if (course == null || distance(source).isEmpty()) {
            return OptionalDouble.empty();
        }
        double wanted = Math.log(distance);
        Map.Entry<Double, Double> below = course.firstEntry();
        for (Map.Entry<Double, Double> above : course.entrySet()) {
            if (above.getValue() >= wanted) {
                double rise = above.getValue() - below.getValue();
                double share = rise > 0 ? (wanted - below.getValue()) / rise : 0;
                return OptionalDouble.of(
                        below.getKey() + share * (above.getKey() - below.getKey()));
            }
            below = above;
        }
        return OptionalDouble.of(below.getKey());
    }

    /** The logarithm of the distance by decibels of the sends, where it is heard. */
    private Optional<NavigableMap<Double, Double>> course(Heard heard) {
        NavigableMap<Double, Double> course = new TreeMap<>();
        Excitation rest = all.minus(heard.wet).minus(heard.dry);
        for (double db = LEAST_DB; db <= MOST_DB; db += STEP_DB) {
            Excitation wet = heard.wet.times(Decibels.toPower(db));
            double wetSones = sones(wet, dries);
            double drySones = sones(heard.dry, rest.plus(wet));
            if (wetSones > 0 && drySones > 0) {
                course.put(db, Math.log(wetSones / drySones));
            }
        }
        return course.isEmpty() ? Optional.empty() : Optional.of(course);
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
