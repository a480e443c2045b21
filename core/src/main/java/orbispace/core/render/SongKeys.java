package orbispace.core.render;

import java.util.Arrays;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Supplier;
import orbispace.core.audio.Audio;
import orbispace.core.dynamics.Gate;
import orbispace.core.dynamics.KeyPeaks;

/**
 * The peaks of keys over the whole song and the gains of gates of sends, each followed once however
 * many gates, duckers and sends use it. Safe for use by several threads.
 */
final class SongKeys {
    private static final int BLOCK_FRAMES = 8192;
    private static final int MOST_KEPT = 64;

    private final SongMaterial material;
    private final int frames;
    private final int firstFrame;
    private final Map<StageSettings.Key, float[]> kept = new ConcurrentHashMap<>();
    private final Map<StageSettings.Gating, float[]> gains = new ConcurrentHashMap<>();

    /**
     * The keys of a song or of a stretch of it.
     *
     * @param firstFrame where in the song the material begins
     */
    SongKeys(SongMaterial material, int frames, int firstFrame) {
        this.material = material;
        this.frames = frames;
        this.firstFrame = firstFrame;
    }

    /** One peak per step of the song, with some silence behind its end. */
    float[] peaks(StageSettings.Key key, Job job) {
        return kept(kept, key, () -> follow(key, job));
    }

    /**
     * The gain of a gate with a key that is not its own sound, as {@link ControlGain#curve} gives
     * it.
     */
    float[] gains(StageSettings.Gating gating, Job job) {
        StageSettings.Key key = java.util.Objects.requireNonNull(gating.key());
        return kept(
                gains,
                gating,
                () -> {
                    Gate gate = new Gate(gating.settings(), material.sampleRateHz());
                    return gate.curve(peaks(key, job), frames / KeyPeaks.STEP + 1);
                });
    }

    private static <K> float[] kept(Map<K, float[]> kept, K key, Supplier<float[]> made) {
        float[] known = kept.get(key);
        if (known != null) {
            return known;
        }
        float[] followed = made.get();
        if (kept.size() >= MOST_KEPT) {
            kept.clear();
        }
        kept.put(key, followed);
        return followed;
    }

    private float[] follow(StageSettings.Key key, Job job) {
        KeyPeaks follower =
                new KeyPeaks(
                        key.sections(material.sampleRateHz()),
                        BLOCK_FRAMES,
                        material.sampleRateHz());
        float[] peaks = new float[frames / KeyPeaks.STEP + 64];
        Arrays.fill(peaks, KeyPeaks.SILENT_DB);
        float[] middle = new float[BLOCK_FRAMES];
        float[] side = new float[BLOCK_FRAMES];
        Block read = new Block(new float[BLOCK_FRAMES], new float[BLOCK_FRAMES]);
        int step = 0;
        for (int at = 0; at < frames; at += BLOCK_FRAMES) {
            job.check();
            int n = Math.min(BLOCK_FRAMES, frames - at);
            Arrays.fill(middle, 0);
            Arrays.fill(side, 0);
            for (Map.Entry<String, Double> part : key.gains().entrySet()) {
                Audio source = material.audio().get(part.getKey());
                if (source != null) {
                    source.read(at, n, read.left, read.right);
                    Mixdown.multiply(read, n, key.fader(part.getKey()), firstFrame + at);
                    key.window(part.getKey())
                            .add(
                                    part.getValue().floatValue(),
                                    read.left,
                                    read.right,
                                    firstFrame + at,
                                    n,
                                    middle,
                                    side);
                }
            }
            follower.process(middle, side, 0, n);
            System.arraycopy(follower.steps(), 0, peaks, step, follower.count());
            step += follower.count();
        }
        return peaks;
    }
}
