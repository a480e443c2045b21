package orbispace.core.render;

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
        ChainSettings chain = ChainSettings.of(design, r);
        return after(chain, chain.stages().size(), job);
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
        Audio made = stages == 0 ? sendMix(chain) : run(chain, stages, job);
        cache.keep(key, made);
        return made;
    }

    private Audio run(ChainSettings chain, int stages, Job job) {
        Audio in = after(chain, stages - 1, job);
        StageSettings settings = chain.stages().get(stages - 1);
        Stage stage = Stage.of(settings, material.sampleRateHz());
        float[] left = in.channel(0).clone();
        float[] right = in.channel(1).clone();
        Block block = new Block(left, right, key(settings));
        for (int at = 0; at < frames; at += BLOCK_FRAMES) {
            job.check();
            stage.process(block, at, Math.min(frames, at + BLOCK_FRAMES));
        }
        return Audio.of(material.sampleRateHz(), left, right);
    }

    private float[] key(StageSettings settings) {
        if (!(settings instanceof StageSettings.Ducking duck)) {
            return new float[0];
        }
        Audio source = material.audio().get(duck.keySource());
        float[] key = new float[frames];
        if (source != null) {
            float gain = (float) Decibels.toAmplitude(duck.keyGainDb()) / 2;
            int n = Math.min(frames, source.frames());
            for (int i = 0; i < n; i++) {
                key[i] = gain * (source.channel(0)[i] + source.channel(1)[i]);
            }
        }
        return key;
    }

    private Audio sendMix(ChainSettings chain) {
        float[] left = new float[frames];
        float[] right = new float[frames];
        chain.sends()
                .forEach((id, send) -> {
                    Audio source = material.audio().get(id);
                    if (source != null) {
                        Mixdown.addPanned(left, right, source, send.gain(), send.pan());
                    }
                });
        return Audio.of(material.sampleRateHz(), left, right);
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
