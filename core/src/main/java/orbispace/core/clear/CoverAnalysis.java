package orbispace.core.clear;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Supplier;
import orbispace.core.audio.Audio;
import orbispace.core.audio.Decibels;
import orbispace.core.design.Design;
import orbispace.core.design.Return;
import orbispace.core.design.Source;
import orbispace.core.hearing.Ear;
import orbispace.core.hearing.Excitation;
import orbispace.core.hearing.Passages;
import orbispace.core.material.Phrases;
import orbispace.core.render.ChainSettings;
import orbispace.core.render.Job;
import orbispace.core.render.Renderer;
import orbispace.core.time.Span;

/**
 * Measures what returns do to dry sources in a rendered song, over the whole of it or one section.
 *
 * <p>Excitations are kept by what made them, so that a changed return is analysed alone. The
 * listening level is frozen when the analysis is made, so that a fader does not shift the scale.
 * Safe for use by several threads.
 */
public final class CoverAnalysis {
    private static final int MOST_EXCITATIONS = 64;
    private static final double LEAST_PART_SECONDS = 0.5;

    private final Renderer renderer;
    private final Ear ear;
    private final double roomPower;
    private final Map<Object, Excitation> kept = few();
    private final Map<Object, LowShare> spectra = few();

    /**
     * An analysis of a song.
     *
     * @param renderer renders it
     * @param mixLufs loudness of the mix that is heard at the listening level
     * @param roomPower noise of the room per band
     */
    public CoverAnalysis(Renderer renderer, double mixLufs, double roomPower) {
        this.renderer = renderer;
        this.ear = new Ear(renderer.material().sampleRateHz(), Ear.fullScaleDb(mixLufs));
        this.roomPower = roomPower;
    }

    private static <V> Map<Object, V> few() {
        return new LinkedHashMap<>(16, 0.75f, true) {
            @Override
            protected boolean removeEldestEntry(Map.Entry<Object, V> eldest) {
                return size() > MOST_EXCITATIONS;
            }
        };
    }

    /** Frames per second of all that it answers. */
    public double framesPerSecond() {
        return ear.framesPerSecond();
    }

    Renderer renderer() {
        return renderer;
    }

    /**
     * One pair over a stretch of the song.
     *
     * @param design the field
     * @param source the dry source that must stay clear
     * @param ret the return
     * @param phrases where the source speaks, in seconds of the song
     * @param span the stretch
     */
    public PairView pair(
            Design design, Source source, Return ret, List<Span> phrases, Span span, Job job) {
        return view(design, source, List.of(ret), phrases, span, job);
    }

    /** One source against all returns together. */
    public PairView field(Design design, Source source, List<Span> phrases, Span span, Job job) {
        return view(design, source, design.returns(), phrases, span, job);
    }

    private PairView view(
            Design design,
            Source source,
            List<Return> wets,
            List<Span> phrases,
            Span span,
            Job job) {
        Excitation wet = sumOfReturns(design, wets, job);
        List<Return> others = new ArrayList<>(design.returns());
        others.removeAll(wets);
        Excitation rest = sumOfReturns(design, others, job);
        job.check();
        return cut(part(design, source), wet, rest.plus(others(design, source)), phrases, span);
    }

    /**
     * What all returns together leave of a source in each bar of the song, 0 to 1; -1 where it
     * rests.
     */
    public List<Double> presencePerBar(
            Design design, Source source, List<Span> phrases, double songSeconds, Job job) {
        PairView view = field(design, source, phrases, new Span(0, songSeconds), job);
        List<Double> bars = new ArrayList<>();
        int bar = 1;
        double from = design.song().clock().secondsOfBar(1);
        while (from < songSeconds) {
            double to = Math.min(songSeconds, design.song().clock().secondsOfBar(++bar));
            bars.add(
                    view.meter()
                            .keptBetween(
                                    (int) Math.max(0, from * ear.framesPerSecond()),
                                    (int) (to * ear.framesPerSecond()))
                            .orElse(-1));
            from = to;
        }
        return bars;
    }

    /** Mean loudness of all dry sources together over a stretch, in sones. */
    double drySones(Design design, Span span) {
        Excitation sum = Excitation.none(ear.framesOf(renderer.frames()), ear.framesPerSecond());
        for (Source s : design.sources()) {
            sum = sum.plus(dry(s));
        }
        int from = (int) Math.round(span.startSeconds() * ear.framesPerSecond());
        int to = (int) Math.round(span.endSeconds() * ear.framesPerSecond());
        return java.util.Arrays.stream(sum.slice(from, to).sones()).average().orElse(0);
    }

    /** The short copy that a return makes of a source, if it is one. */
    public java.util.Optional<ShortCopy> shortCopy(Design design, Source source, Return r) {
        return ShortCopy.of(design, source, r, renderer.material().responses());
    }

    /** What each return takes of the mix. */
    public List<ReturnCost> costs(Design design, Job job) {
        return ReturnCost.of(renderer.render(design, job));
    }

    /** What a question asks about. */
    PairView view(Question q, Job job) {
        List<Return> wets = q.together() ? q.design().returns() : List.of(q.ret());
        return view(q.design(), q.source(), wets, q.phrases().spans(), q.span(), job);
    }

    /** How a source stands; the low share is that of the return in question. */
    Standing standing(Question q, Job job) {
        PairView view = view(q, job);
        double low = spectrum(q.design(), q.ret(), job).share();
        return new Standing(view.cover(), view.sibilanceDb(), low);
    }

    /** The same with the return's wet given instead of rendered, such as under another ducker. */
    PairView withWet(Question q, Excitation wet, Job job) {
        List<Return> others = new ArrayList<>(q.design().returns());
        others.removeIf(r -> r.id().equals(q.returnId()));
        Excitation rest = sumOfReturns(q.design(), others, job);
        Excitation dry = part(q.design(), q.source());
        Excitation sources = others(q.design(), q.source());
        return q.together()
                ? cut(dry, wet.plus(rest), sources, q.phrases().spans(), q.span())
                : cut(dry, wet, rest.plus(sources), q.phrases().spans(), q.span());
    }

    /** The spectrum of a return before its ducker, kept. */
    LowShare spectrum(Design design, Return r, Job job) {
        ChainSettings chain = renderer.chain(design, r);
        Object key = chain.upTo(ChainSettings.DUCKER);
        LowShare known;
        synchronized (spectra) {
            known = spectra.get(key);
        }
        if (known == null) {
            known = new LowShare(renderer.after(chain, ChainSettings.DUCKER, job));
            synchronized (spectra) {
                spectra.put(key, known);
            }
        }
        return known;
    }

    /**
     * One pair with the return at another level: the excitation is scaled instead of rendered anew.
     */
    public PairView atLevel(
            Design design,
            Source source,
            Return ret,
            double levelDb,
            List<Span> phrases,
            Span span,
            Job job) {
        Design even = design.withReturn(ret.withLevel(0));
        Excitation wet = wet(even, even.requireReturn(ret.id()), job);
        Question q =
                new Question(
                        design,
                        source,
                        ret.id(),
                        new Phrases(phrases, List.of(), 0, 0, 0),
                        span,
                        false);
        return withWet(q, wet.times(Decibels.toPower(levelDb)), job);
    }

    /** All layers of the part that a source belongs to, heard as one. */
    private Excitation part(Design design, Source source) {
        List<Source> layers = design.layersOf(source);
        return layers.size() == 1
                ? dry(source)
                : known(
                        layers.stream().map(CoverAnalysis::level).toList(),
                        () -> renderer.dry(layers));
    }

    private Excitation others(Design design, Source source) {
        List<Source> layers = design.layersOf(source);
        Excitation sum = Excitation.none(ear.framesOf(renderer.frames()), ear.framesPerSecond());
        for (Source s : design.sources()) {
            sum = layers.contains(s) ? sum : sum.plus(dry(s));
        }
        return sum;
    }

    private PairView cut(
            Excitation dry, Excitation wet, Excitation rest, List<Span> phrases, Span span) {
        int from = (int) Math.round(span.startSeconds() * ear.framesPerSecond());
        int to = (int) Math.round(span.endSeconds() * ear.framesPerSecond());
        Excitation part = dry.slice(from, to);
        List<Span> inside = new ArrayList<>();
        for (Span phrase : phrases) {
            double begins = Math.max(phrase.startSeconds(), span.startSeconds());
            double ends = Math.min(phrase.endSeconds(), span.endSeconds());
            // The first breath of a phrase that belongs to the next section is no phrase of this.
            if (ends - begins >= Math.min(LEAST_PART_SECONDS, phrase.seconds() / 2)) {
                inside.add(new Span(begins - span.startSeconds(), ends - span.startSeconds()));
            }
        }
        // One that has no phrases, such as a drum, speaks where it is loud.
        Passages passages =
                phrases.isEmpty()
                        ? Passages.ofLoudness(part)
                        : Passages.ofPhrases(inside, part.frames(), ear.framesPerSecond());
        return PairView.of(part, wet.slice(from, to), rest.slice(from, to), roomPower, passages);
    }

    private Excitation sumOfReturns(Design design, List<Return> returns, Job job) {
        Excitation sum = Excitation.none(ear.framesOf(renderer.frames()), ear.framesPerSecond());
        for (Return r : returns) {
            job.check();
            sum = sum.plus(wet(design, r, job));
        }
        return sum;
    }

    /** The excitation of a return. */
    Excitation wet(Design design, Return r, Job job) {
        ChainSettings chain = renderer.chain(design, r);
        return known(chain, () -> renderer.wet(design, r, job));
    }

    /** The excitation of a return before its ducker and level. */
    Excitation beforeDucker(Design design, Return r, Job job) {
        ChainSettings chain = renderer.chain(design, r);
        return known(
                List.of("before ducker", chain.upTo(ChainSettings.DUCKER)),
                () -> renderer.after(chain, ChainSettings.DUCKER, job));
    }

    private Excitation dry(Source source) {
        return known(level(source), () -> renderer.dry(source));
    }

    private static List<Object> level(Source source) {
        return List.of(source.id(), source.gainDb(), source.pan());
    }

    private Excitation known(Object key, Supplier<Audio> sound) {
        synchronized (kept) {
            Excitation found = kept.get(key);
            if (found != null) {
                return found;
            }
        }
        Excitation made = ear.hear(sound.get());
        synchronized (kept) {
            kept.put(key, made);
        }
        return made;
    }
}
