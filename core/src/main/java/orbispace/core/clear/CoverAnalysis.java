package orbispace.core.clear;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import orbispace.core.audio.Decibels;
import orbispace.core.design.Design;
import orbispace.core.design.HearingLevel;
import orbispace.core.design.Return;
import orbispace.core.design.Source;
import orbispace.core.hearing.Borders;
import orbispace.core.hearing.Ear;
import orbispace.core.hearing.Excitation;
import orbispace.core.hearing.Passages;
import orbispace.core.hearing.WetState;
import orbispace.core.material.GateKey;
import orbispace.core.measure.Widening;
import orbispace.core.measure.WidthCurve;
import orbispace.core.render.Job;
import orbispace.core.render.Renderer;
import orbispace.core.time.Span;

/**
 * Measures what returns do to dry sources in a rendered song, over all of it or a stretch. The
 * listening level is frozen when it is made, so that a fader does not shift the scale. All times
 * are those of the song. Safe for use by several threads.
 */
public final class CoverAnalysis {
    private static final double AFTER_SECONDS = 0.5;
    private static final int COARSE = 2;

    private final HeardSong song;
    private final Openings openings;
    private final Ear ear;
    private final double roomPower;
    private final Borders borders;

    private CoverAnalysis(Renderer renderer, Ear ear, double roomPower, Borders borders) {
        this.song = new HeardSong(renderer, ear);
        openings = new Openings(renderer);
        this.ear = ear;
        this.roomPower = roomPower;
        this.borders = borders;
    }

    /**
     * An analysis of a song at the usual listening level.
     *
     * @param mixLufs loudness of the mix that is heard at the listening level
     * @param roomPower noise of the room per band
     */
    public CoverAnalysis(Renderer renderer, double mixLufs, double roomPower) {
        this(renderer, ear(renderer, Ear.LISTENING_DB - mixLufs), roomPower, Borders.MODEL);
    }

    /**
     * An analysis of a song as somebody hears it.
     *
     * @param mixLufs loudness of the mix that is heard at the listening level
     */
    public CoverAnalysis(Renderer renderer, double mixLufs, HearingLevel hearing) {
        this(
                renderer,
                ear(renderer, hearing.levelDbSpl() - mixLufs),
                hearing.roomPower(),
                hearing.borders());
    }

    private static Ear ear(Renderer renderer, double fullScaleDb) {
        return new Ear(renderer.material().sampleRateHz(), fullScaleDb);
    }

    /**
     * The same at every second frame of the ear: twice as fast, with shares within a few hundredths
     * of themselves. At every fourth, short spaces would seem louder by a third, since what masks
     * them is missed.
     */
    public CoverAnalysis coarse() {
        return new CoverAnalysis(renderer(), ear.every(COARSE), roomPower, borders);
    }

    /**
     * An analysis of a stretch alone, which renders no more than that and a run-up in which the
     * tails of what came before arise.
     *
     * @param runUpSeconds how long returns may ring
     */
    public CoverAnalysis window(Span span, double runUpSeconds) {
        return new CoverAnalysis(
                renderer()
                        .window(
                                span.startSeconds() - runUpSeconds,
                                span.endSeconds() + AFTER_SECONDS),
                ear,
                roomPower,
                borders);
    }

    /** Frames per second of all that it answers. */
    public double framesPerSecond() {
        return ear.framesPerSecond();
    }

    /** The frame of its excitations at a time of the song. */
    int frameAt(double seconds) {
        return (int) Math.round((seconds - startSeconds()) * ear.framesPerSecond());
    }

    /** Where it begins in the song. */
    double startSeconds() {
        return renderer().firstFrame() / renderer().material().sampleRateHz();
    }

    /** What renders the sounds that it hears. */
    public Renderer renderer() {
        return song.renderer();
    }

    /**
     * One pair over a stretch of the song.
     *
     * @param source the dry source that must stay clear
     * @param phrases where the source speaks, in seconds of the song
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
        List<Source> layers = design.layersOf(source);
        Excitation wet = song.wets(design, wets, job);
        List<Return> others = new ArrayList<>(design.returns());
        others.removeAll(wets);
        Excitation rest = song.wets(design, others, job);
        job.check();
        return cut(
                song.part(design, layers),
                wet,
                rest.plus(song.sourcesBut(design, layers)),
                phrases,
                span);
    }

    /** Mean loudness of all dry sources together over a stretch, in sones. */
    public double drySones(Design design, Span span) {
        Excitation sum = slice(song.sourcesBut(design, List.of()), span);
        return Arrays.stream(sum.sones()).average().orElse(0);
    }

    /** The song as it is heard, part by part. */
    HeardSong song() {
        return song;
    }

    /** The ear that hears it. */
    public Ear ear() {
        return ear;
    }

    /** A stretch of what was heard of the whole song. */
    Excitation slice(Excitation whole, Span span) {
        return whole.slice(frameAt(span.startSeconds()), frameAt(span.endSeconds()));
    }

    /** The short copy that a return makes of a source, if it is one. */
    public Optional<ShortCopy> shortCopy(Design design, Source source, Return r) {
        return ShortCopy.of(design, source, r, renderer().material().responses());
    }

    /** What each return takes of the mix. */
    public List<ReturnCost> costs(Design design, Job job) {
        return song.costs(design, job);
    }

    /** What a return makes wider of the mix in a stretch. */
    public Widening opens(Design design, Return r, Span span, Job job) {
        return openings.now(design, r, span, job);
    }

    /** What a return would make wider over its level, and what mono would lose. */
    public WidthCurve widthCurve(Design design, Return r, Span span, Job job) {
        return openings.curve(design, r, span, job);
    }

    /** The whole song, bar by bar. */
    public SongCourse course(
            Design design, Source source, List<Span> phrases, double songSeconds, Job job) {
        PairView view = field(design, source, phrases, new Span(0, songSeconds), job);
        Excitation wet = song.wets(design, design.returns(), job);
        return SongCourse.of(
                design,
                songSeconds,
                view,
                Density.of(wet, song.sourcesBut(design, List.of()), roomPower));
    }

    /** Noise of the room per band. */
    public double roomPower() {
        return roomPower;
    }

    /** Where the states of a wet begin. */
    public Borders borders() {
        return borders;
    }

    /** What a question asks about. */
    PairView view(Question q, Job job) {
        List<Return> wets = q.together() ? q.design().returns() : List.of(q.ret());
        return view(q.design(), q.source(), wets, q.phrases().spans(), q.span(), job);
    }

    /**
     * How a source stands; the low share is that of the return in question. Its width is not asked,
     * since that takes as long as all else: {@link #told}.
     */
    public Standing standing(Question q, Job job) {
        PairView view = view(q, job);
        double low = spectrum(q.design(), q.ret(), job).share();
        return new Standing(view.cover(), view.sibilanceDb(), low);
    }

    /** The same with what the width says of one return, as it is to be told. */
    public Standing told(Question q, Standing s, Job job) {
        // What is obvious by its loudness need not be asked.
        return q.together() || s.cover().state() == WetState.OBVIOUS
                ? s
                : new Standing(
                        s.cover(),
                        s.sibilanceDb(),
                        s.lowShare(),
                        opens(q.design(), q.ret(), q.span(), job).state());
    }

    Excitation others(Question q, Job job) {
        List<Return> others =
                q.design().returns().stream().filter(r -> !r.id().equals(q.returnId())).toList();
        return song.wets(q.design(), others, job);
    }

    /** The same with the return's wet given instead of rendered, such as under another ducker. */
    PairView withWet(Question q, Excitation wet, Job job) {
        Excitation rest = others(q, job);
        List<Source> layers = q.design().layersOf(q.source());
        Excitation dry = song.part(q.design(), layers);
        Excitation sources = song.sourcesBut(q.design(), layers);
        return q.together()
                ? cut(dry, wet.plus(rest), sources, q.phrases().spans(), q.span())
                : cut(dry, wet, rest.plus(sources), q.phrases().spans(), q.span());
    }

    /** The spectrum of a return before its ducker, kept. */
    LowShare spectrum(Design design, Return r, Job job) {
        return song.spectrum(design, r, job);
    }

    /** What would open a gate for the hits of a source. */
    Optional<GateKey> gateKey(Source source) {
        return song.gateKey(source);
    }

    /** How a question's source stands with its return alone louder by so many dB than it is. */
    public PairView louder(Question q, double db, Job job) {
        return withWet(q.alone(), wet(q.design(), q.ret(), job).times(Decibels.toPower(db)), job);
    }

    private PairView cut(
            Excitation dry, Excitation wet, Excitation rest, List<Span> phrases, Span span) {
        return within(slice(dry, span), slice(wet, span), slice(rest, span), phrases, span);
    }

    /** A pair whose sounds are given for no more than the stretch. */
    PairView within(
            Excitation dry, Excitation wet, Excitation rest, List<Span> phrases, Span span) {
        Passages passages = PairView.passages(dry, phrases, span);
        return PairView.of(dry, wet, rest, roomPower, passages).by(borders);
    }

    /** A return's excitation. */
    Excitation wet(Design design, Return r, Job job) {
        return song.wet(design, r, job);
    }
}
