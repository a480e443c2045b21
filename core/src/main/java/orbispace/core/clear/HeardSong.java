package orbispace.core.clear;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import orbispace.core.audio.Audio;
import orbispace.core.audio.Decibels;
import orbispace.core.design.Design;
import orbispace.core.design.Return;
import orbispace.core.design.Source;
import orbispace.core.hearing.Ear;
import orbispace.core.hearing.Excitation;
import orbispace.core.material.GateKey;
import orbispace.core.material.GateKeyFinder;
import orbispace.core.material.HitFinder;
import orbispace.core.render.ChainSettings;
import orbispace.core.render.GainCurve;
import orbispace.core.render.Job;
import orbispace.core.render.Renderer;
import orbispace.core.render.SourceCurves;

/**
 * A song, or a window of it, as the ear takes it: excitations and spectra of its sources and
 * returns, kept by what made them, so that a changed return is analysed alone. Safe for use by
 * several threads.
 */
final class HeardSong {
    private static final int MOST_KEPT = 64;
    private static final int PLAN_STEP = 64;

    /** Up to so many sources are heard each by itself. */
    private static final int ONE_BY_ONE = 24;

    private final Renderer renderer;
    private final Ear ear;
    private final Map<Object, Excitation> excitations = few();
    private final Map<Object, LowShare> spectra = few();
    private final Map<Object, List<ReturnCost>> costs = few();
    private final Map<String, Optional<GateKey>> gateKeys = new HashMap<>();

    HeardSong(Renderer renderer, Ear ear) {
        this.renderer = renderer;
        this.ear = ear;
    }

    private static <V> Map<Object, V> few() {
        return new LinkedHashMap<>(16, 0.75f, true) {
            @Override
            protected boolean removeEldestEntry(Map.Entry<Object, V> eldest) {
                return size() > MOST_KEPT;
            }
        };
    }

    Renderer renderer() {
        return renderer;
    }

    double framesPerSecond() {
        return ear.framesPerSecond();
    }

    /** Nothing, for as long as the song. */
    Excitation silence() {
        return Excitation.none(ear.framesOf(renderer.frames()), ear.framesPerSecond());
    }

    /** A source at its fader. */
    Excitation dry(Design design, Source source) {
        return part(design, List.of(source));
    }

    /** Several sources, heard as one. */
    Excitation part(Design design, List<Source> layers) {
        return heard(SourceCurves.placed(design, layers), () -> renderer.dry(design, layers));
    }

    /**
     * The sum of all sources but some. In a song of many they are heard as one sound, since each by
     * itself would take as long as all else together.
     */
    Excitation sourcesBut(Design design, List<Source> out) {
        List<Source> others = design.sources().stream().filter(s -> !out.contains(s)).toList();
        if (design.sources().size() > ONE_BY_ONE) {
            List<Object> key = List.of("as one", SourceCurves.placed(design, others));
            return heard(key, () -> renderer.dryBut(design, out));
        }
        others.parallelStream().forEach(s -> dry(design, s));
        Excitation sum = silence();
        for (Source s : others) {
            sum = sum.plus(dry(design, s));
        }
        return sum;
    }

    /** A return at its level: one at another level is the same sound, louder. */
    Excitation wet(Design design, Return r, Job job) {
        ChainSettings chain = renderer.chain(design, r);
        if (!chain.plannedLevel().isEven()) {
            return heard(chain, () -> renderer.wet(design, r, job));
        }
        Return plain = r.withLevel(0);
        Excitation at0 =
                heard(renderer.chain(design, plain), () -> renderer.wet(design, plain, job));
        return r.levelDb() == 0 ? at0 : at0.times(Decibels.toPower(r.levelDb()));
    }

    /** The sum of some returns. */
    Excitation wets(Design design, List<Return> returns, Job job) {
        hear(design, returns, job);
        Excitation sum = silence();
        for (Return r : returns) {
            job.check();
            sum = sum.plus(wet(design, r, job));
        }
        return sum;
    }

    /** Hears returns beside each other that were not heard yet. */
    private void hear(Design design, List<Return> returns, Job job) {
        returns.parallelStream()
                .forEach(r -> {
                    job.check();
                    wet(design, r, job);
                });
    }

    /** A return before its ducker and level, but with what the plan makes of its level. */
    Excitation beforeDucker(Design design, Return r, Job job) {
        ChainSettings chain = renderer.chain(design, r);
        Excitation open =
                heard(
                        List.of("before ducker", chain.beforeDucker()),
                        () -> renderer.beforeDucker(chain, job));
        GainCurve plan = chain.plannedLevel();
        if (plan.isEven()) {
            return open;
        }
        double hop = renderer.material().sampleRateHz() / ear.framesPerSecond();
        return open.times(
                FrameGains.power(
                        open.frames(),
                        hop / PLAN_STEP,
                        s -> plan.at(renderer.firstFrame() + PLAN_STEP * s)));
    }

    /** The spectrum of a return before its ducker. */
    LowShare spectrum(Design design, Return r, Job job) {
        ChainSettings chain = renderer.chain(design, r);
        return kept(
                spectra,
                chain.beforeDucker(),
                () -> new LowShare(renderer.beforeDucker(chain, job)));
    }

    /** What would open a gate for the hits of a source and not for their bleed. */
    Optional<GateKey> gateKey(Source source) {
        return kept(
                gateKeys,
                source.id(),
                () -> {
                    Audio audio = renderer.material().audio().get(source.id());
                    return audio == null
                            ? Optional.empty()
                            : GateKeyFinder.find(audio, HitFinder.find(audio));
                });
    }

    /** What each return takes of the mix. */
    List<ReturnCost> costs(Design design, Job job) {
        return kept(costs, design, () -> ReturnCost.of(renderer.render(design, job)));
    }

    private Excitation heard(Object key, Supplier<Audio> sound) {
        return kept(excitations, key, () -> ear.hear(sound.get()));
    }

    private static <K, V> V kept(Map<K, V> all, K key, Supplier<V> made) {
        synchronized (all) {
            V known = all.get(key);
            if (known != null) {
                return known;
            }
        }
        V value = made.get();
        synchronized (all) {
            all.put(key, value);
        }
        return value;
    }
}
