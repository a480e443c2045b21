package orbispace.core.render;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Collectors;
import orbispace.core.audio.Audio;
import orbispace.core.audio.Decibels;
import orbispace.core.audio.Pan;
import orbispace.core.design.Design;
import orbispace.core.design.Return;
import orbispace.core.design.Source;
import orbispace.core.dynamics.Gate;
import orbispace.core.dynamics.KeyPeaks;
import orbispace.core.space.WholeConvolution;

/**
 * Renders whole songs: sends, chains, returns and mix, stereo, aligned to the sources.
 *
 * <p>The sound after each stage is cached, so that a changed number renders again only what follows
 * it. Returns are rendered side by side. Safe for use by several threads.
 */
public final class Renderer {
    private static final int BLOCK_FRAMES = 8192;

    private final SongMaterial material;
    private final int frames;
    private final StageCache cache;
    private final SongKeys keys;

    /**
     * A renderer of a song.
     *
     * @param material the dry stems
     * @param frames how long the result is, which may be longer than the stems
     * @param cache keeps what was rendered
     */
    public Renderer(SongMaterial material, int frames, StageCache cache) {
        this.material = material;
        this.frames = frames;
        this.cache = cache;
        this.keys = new SongKeys(material, frames);
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

    /** The sound of one return, at its level. */
    public Audio wet(Design design, Return r, Job job) {
        ChainSettings chain = chain(design, r);
        return after(chain, chain.stages().size(), job);
    }

    /** A return of a design worked out over this song's responses. */
    public ChainSettings chain(Design design, Return r) {
        return new ChainWorks(design, material.responses()).of(r);
    }

    /** The sound of a return after its first {@code stages} stages. */
    public Audio after(ChainSettings chain, int stages, Job job) {
        ChainSettings key = chain.upTo(stages);
        if (stages > 0 && chain.stages().get(stages - 1).passesAll()) {
            return after(chain, stages - 1, job);
        }
        Optional<Audio> known = cache.find(key);
        if (known.isPresent()) {
            return known.get();
        }
        Audio made = stages == 0 ? sendMix(chain, job) : run(chain, stages, job);
        cache.keep(key, made);
        return made;
    }

    private Audio run(ChainSettings chain, int stages, Job job) {
        Audio in = after(chain, stages - 1, job);
        Timeline timeline = chain.stages().get(stages - 1);
        int late = timeline.latencyFrames();
        float[] left = Arrays.copyOf(in.channel(0), frames + late);
        float[] right = Arrays.copyOf(in.channel(1), frames + late);
        if (timeline.steady()
                && timeline.first() instanceof StageSettings.Spatial s
                && WholeConvolution.serves(s.settings())) {
            WholeConvolution.process(
                    s.settings(), material.sampleRateHz(), left, right, () -> !job.cancelled());
            job.check();
        } else {
            process(timeline, new Block(left, right), job);
        }
        return Audio.of(
                material.sampleRateHz(),
                late == 0 ? left : Arrays.copyOfRange(left, late, frames + late),
                late == 0 ? right : Arrays.copyOfRange(right, late, frames + late));
    }

    private void process(Timeline timeline, Block block, Job job) {
        double rate = material.sampleRateHz();
        Stage stage = Stage.of(timeline.first(), rate);
        StageSettings.Key key = timeline.first().key();
        if (key != null && !key.own()) {
            block.peaks = keys.peaks(key, job);
        }
        int end = block.left.length;
        int at = 0;
        while (at < end) {
            job.check();
            if (at > 0 && timeline.nextChange(at - 1) == at) {
                stage.apply(
                        StageTuning.of(
                                timeline.steps().get(timeline.indexAt(at)).settings(), rate));
            }
            int to = Math.min(Math.min(end, at + BLOCK_FRAMES), timeline.nextChange(at));
            block.firstStep = at / KeyPeaks.STEP;
            stage.process(block, at, to);
            at = to;
        }
    }

    private Audio sendMix(ChainSettings chain, Job job) {
        float[] left = new float[frames];
        float[] right = new float[frames];
        chain.sends()
                .forEach((id, send) -> {
                    Audio source = material.audio().get(id);
                    if (source != null) {
                        add(left, right, source, send, job);
                    }
                });
        chain.feeds()
                .values()
                .forEach(feed ->
                        Mixdown.add(
                                left,
                                right,
                                after(feed.chain(), feed.chain().stages().size(), job),
                                feed.gain()));
        return Audio.of(material.sampleRateHz(), left, right);
    }

    private void add(
            float[] left, float[] right, Audio source, ChainSettings.SendGain send, Job job) {
        StageSettings.Gating gate = send.gate();
        if (gate == null || gate.key() == null) {
            Mixdown.addPanned(left, right, source, send.gain(), send.pan());
            return;
        }
        Block part = new Block(new float[BLOCK_FRAMES], new float[BLOCK_FRAMES]);
        part.peaks = keys.peaks(gate.key(), job);
        Gate state = new Gate(gate.settings(), material.sampleRateHz());
        int end = Math.min(frames, source.frames());
        for (int at = 0; at < end; at += BLOCK_FRAMES) {
            job.check();
            int n = Math.min(BLOCK_FRAMES, end - at);
            Mixdown.copyPanned(part, source, at, n, send.gain(), send.pan());
            state.process(part.peaks, at / KeyPeaks.STEP, part.left, part.right, 0, n);
            Mixdown.add(left, right, part, at, n);
        }
    }

    /** All sources at their faders and pans. */
    public Audio dryMix(Design design) {
        return dry(design.sources());
    }

    /** One source at its fader and pan. */
    public Audio dry(Source source) {
        return dry(List.of(source));
    }

    /** Some sources together, each at its fader and pan. */
    public Audio dry(List<Source> sources) {
        float[] left = new float[frames];
        float[] right = new float[frames];
        for (Source s : sources) {
            Audio source = material.audio().get(s.id());
            if (source != null) {
                Mixdown.addPanned(left, right, source, Decibels.toAmplitude(s.gainDb()), s.pan());
            }
        }
        return Audio.of(material.sampleRateHz(), left, right);
    }

    /** Left factor of a sound of one or two channels at a pan position. */
    static double leftGain(Audio audio, double pan) {
        return audio.channelCount() == 1 ? Pan.left(pan) : Pan.balanceLeft(pan);
    }

    /** Right factor of a sound of one or two channels at a pan position. */
    static double rightGain(Audio audio, double pan) {
        return audio.channelCount() == 1 ? Pan.right(pan) : Pan.balanceRight(pan);
    }
}
