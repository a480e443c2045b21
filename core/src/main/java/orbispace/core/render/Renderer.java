package orbispace.core.render;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Collectors;
import orbispace.core.audio.Audio;
import orbispace.core.audio.Decibels;
import orbispace.core.design.Design;
import orbispace.core.design.Return;
import orbispace.core.design.Source;
import orbispace.core.space.WholeConvolution;

/**
 * Renders whole songs: sends, chains, returns and mix, stereo, aligned to the sources.
 *
 * <p>The sound after each stage is cached, so that a changed number renders again only what follows
 * it. Returns are rendered side by side. Safe for use by several threads.
 */
public final class Renderer {
    private static final int BLOCK_FRAMES = 8192;
    private static final int START_STEP = 4096;
    private static final long WINDOW_BYTES = 400_000_000;
    private static final int MANY_TIMES = 16;

    private final SongMaterial material;
    private final int frames;
    private final StageCache cache;
    private final SongKeys keys;
    private final int firstFrame;

    /**
     * A renderer of a song.
     *
     * @param material the dry stems
     * @param frames how long the result is, which may be longer than the stems
     * @param cache keeps what was rendered
     */
    public Renderer(SongMaterial material, int frames, StageCache cache) {
        this(material, frames, cache, 0);
    }

    private Renderer(SongMaterial material, int frames, StageCache cache, int firstFrame) {
        this.firstFrame = firstFrame;
        this.material = material;
        this.frames = frames;
        this.cache = cache;
        this.keys = new SongKeys(material, frames, firstFrame);
    }

    /**
     * A renderer of a stretch of the song alone, in seconds of the song and cut to what this one
     * has. It starts in silence, so a run-up must be asked for in which tails of what came before
     * arise. What it keeps, it keeps apart.
     */
    public Renderer window(double fromSeconds, double toSeconds) {
        double rate = material.sampleRateHz();
        long first = (long) (fromSeconds * rate) - firstFrame;
        int from = Math.clamp(first, 0, frames) / START_STEP * START_STEP;
        int to = Math.clamp((long) Math.ceil(toSeconds * rate) - firstFrame, from, frames);
        return new Renderer(
                material.cut(from, to), to - from, new StageCache(WINDOW_BYTES), firstFrame + from);
    }

    /** The frame of the song with which it begins. */
    public int firstFrame() {
        return firstFrame;
    }

    /** Length of what it renders, in frames. */
    public int frames() {
        return frames;
    }

    /** The dry stems. */
    public SongMaterial material() {
        return material;
    }

    /** Renders everything. */
    public Rendering render(Design design, Job job) {
        AtomicInteger done = new AtomicInteger();
        int parts = design.returns().size() + 1;
        Map<String, Audio> wets =
                design.returns().parallelStream()
                        .collect(
                                Collectors.toConcurrentMap(
                                        Return::id,
                                        r -> {
                                            Audio wet = wet(design, r, job);
                                            job.report(done.incrementAndGet() / (double) parts);
                                            return wet;
                                        }));
        Map<String, Audio> ordered = new LinkedHashMap<>();
        design.returns()
                .forEach(r ->
                        ordered.put(r.id(), java.util.Objects.requireNonNull(wets.get(r.id()))));
        Audio dry = dryMix(design);
        job.check();
        Audio mix = Mixdown.sum(dry, List.copyOf(ordered.values()));
        job.report(1);
        return new Rendering(ordered, dry, mix);
    }

    /** A sound with all returns of a design. */
    public Audio with(Audio dry, Design design, Job job) {
        return Mixdown.sum(
                dry, design.returns().parallelStream().map(r -> wet(design, r, job)).toList());
    }

    /** The sound of one return, at its level. */
    public Audio wet(Design design, Return r, Job job) {
        ChainSettings chain = chain(design, r);
        return after(chain, chain.stages().size(), job);
    }

    /** A return of a design worked out over this song's responses. */
    public ChainSettings chain(Design design, Return r) {
        return new ChainWorks(design, material.responses()).of(r);
    }

    /** Peaks in dBFS of what keys a return's ducker, one per step; none without a ducker. */
    public float[] duckPeaks(Design design, Return r, Job job) {
        StageSettings.Key key = chain(design, r).stages().get(ChainSettings.DUCKER).first().key();
        return key == null ? new float[0] : keys.peaks(key, job);
    }

    /** The sound of a return after its first {@code stages} stages, its trails included. */
    public Audio after(ChainSettings chain, int stages, Job job) {
        Audio alone = aloneAfter(chain.alone(), stages, job);
        if (chain.trails().isEmpty()) {
            return alone;
        }
        List<Audio> trails = chain.trails().stream().map(t -> aloneAfter(t, stages, job)).toList();
        return Mixdown.sum(alone, trails);
    }

    /** The sound of a return as it would be without its ducker, its width and its level. */
    public Audio beforeDucker(ChainSettings chain, Job job) {
        Audio own = after(chain, ChainSettings.DUCKER, job);
        boolean plain = chain.bus().stream().allMatch(Timeline::passesAll);
        return plain ? own : run(own, chain.bus(), job);
    }

    private Audio aloneAfter(ChainSettings chain, int stages, Job job) {
        int wanted = stages;
        while (wanted > 0 && chain.stages().get(wanted - 1).passesAll()) {
            wanted--;
        }
        int known = wanted;
        Optional<Audio> found = cache.find(chain.upTo(known));
        while (found.isEmpty() && known > 0) {
            known--;
            found = cache.find(chain.upTo(known));
        }
        if (found.isPresent() && known == wanted) {
            return found.get();
        }
        Audio sound = found.orElseGet(() -> sendMix(chain, job));
        if (known < ChainSettings.ENGINE && wanted > ChainSettings.ENGINE && whole(chain)) {
            sound = run(sound, chain.stages().subList(known, ChainSettings.ENGINE), job);
            known = ChainSettings.ENGINE;
        }
        // What is kept on the way is what a change behind the engine needs.
        for (int upTo : new int[] {ChainSettings.ENGINE + 1, wanted}) {
            if (upTo > known && upTo <= wanted) {
                sound = run(sound, chain.stages().subList(known, upTo), job);
                sound = cache.keep(chain.upTo(upTo), sound);
                known = upTo;
            }
        }
        return sound;
    }

    /** Whether the engine works on a whole song at once. */
    private static boolean whole(ChainSettings chain) {
        return chain.stages().get(ChainSettings.ENGINE).steady()
                && WholeConvolution.serves(chain.engine().settings());
    }

    /** Runs stages one behind the other over each block, so that a block stays near. */
    private Audio run(Audio in, List<Timeline> timelines, Job job) {
        double rate = material.sampleRateHz();
        int late = timelines.stream().mapToInt(Timeline::latencyFrames).sum();
        float[] left = Arrays.copyOf(in.channel(0), frames + late);
        float[] right = Arrays.copyOf(in.channel(1), frames + late);
        Block block = new Block(left, right);
        if (timelines.size() == 1
                && timelines.getFirst().steady()
                && timelines.getFirst().first() instanceof StageSettings.Spatial s
                && WholeConvolution.serves(s.settings())) {
            WholeConvolution.process(s.settings(), rate, left, right, () -> !job.cancelled());
            job.check();
        } else {
            List<PrintedStage> stages = new ArrayList<>();
            int before = 0;
            for (Timeline timeline : timelines) {
                if (!timeline.passesAll()) {
                    stages.add(new PrintedStage(timeline, rate, keys, job, before, firstFrame));
                    before += timeline.latencyFrames();
                }
            }
            for (int at = 0; at < left.length; at += BLOCK_FRAMES) {
                job.check();
                int to = Math.min(left.length, at + BLOCK_FRAMES);
                for (PrintedStage stage : stages) {
                    stage.process(block, at, to);
                }
            }
        }
        return Audio.of(
                rate,
                late == 0 ? left : Arrays.copyOfRange(left, late, frames + late),
                late == 0 ? right : Arrays.copyOfRange(right, late, frames + late));
    }

    private Audio sendMix(ChainSettings chain, Job job) {
        float[] left = new float[frames];
        float[] right = new float[frames];
        SendBus.mixAll(sends(chain, job), left, right, job);
        for (ChainSettings.FeedGain feed : chain.feeds().values()) {
            ChainSettings fed = feed.chain();
            Mixdown.add(left, right, after(fed, ChainSettings.OWN, job), feed.gain());
        }
        Mixdown.multiply(left, right, chain.input(), firstFrame);
        return Audio.of(material.sampleRateHz(), left, right);
    }

    private List<PrintedSend> sends(ChainSettings chain, Job job) {
        List<PrintedSend> sends = new ArrayList<>();
        chain.sends()
                .forEach((id, send) -> {
                    Audio source = material.audio().get(id);
                    if (source != null) {
                        sends.add(new PrintedSend(source, send, keys, firstFrame, job));
                    }
                });
        return sends;
    }

    /** All sources at their faders and pans. */
    public Audio dryMix(Design design) {
        List<Object> key = List.of("dry", SourceCurves.placed(design, design.sources()));
        return cache.find(key).orElseGet(() -> cache.keep(key, dry(design, design.sources())));
    }

    /** All sources but some. Where many are left, what is out is taken from the whole. */
    public Audio dryBut(Design design, List<Source> out) {
        List<Source> others = design.sources().stream().filter(s -> !out.contains(s)).toList();
        if (out.isEmpty()) {
            return dryMix(design);
        }
        if (others.size() <= MANY_TIMES * out.size()) {
            return dry(design, others);
        }
        Audio less = dryMix(design);
        float[] left = less.channel(0).clone();
        float[] right = less.channel(1).clone();
        Mixdown.add(left, right, dry(design, out), -1);
        return Audio.of(material.sampleRateHz(), left, right);
    }

    /** One source at its fader and pan, which may move with the sections of a design. */
    public Audio dry(Design design, Source source) {
        return dry(design, List.of(source));
    }

    /** Some sources together, each at its fader and pan, moving with the sections of a design. */
    public Audio dry(Design design, List<Source> sources) {
        SourceCurves curves = new SourceCurves(design);
        List<PrintedStand> stands = new ArrayList<>();
        for (Source s : sources) {
            Audio audio = material.audio().get(s.id());
            if (audio != null) {
                double gain = Decibels.toAmplitude(s.gainDb());
                stands.add(new PrintedStand(audio, gain, curves.of(s)));
            }
        }
        float[] left = new float[frames];
        float[] right = new float[frames];
        Mixdown.stretches(
                frames,
                (from, to) -> {
                    for (PrintedStand s : stands) {
                        Mixdown.addSource(left, right, s, firstFrame, from, to);
                    }
                });
        return Audio.of(material.sampleRateHz(), left, right);
    }
}
