package orbispace.core.render;

import java.util.Arrays;
import orbispace.core.audio.Audio;
import orbispace.core.dynamics.KeyPeaks;

/** Listens to a key block by block. */
final class LiveEar {
    private final Audio[] sources;
    private final int offset;
    private final float[] key;
    private final KeyPeaks peaks;
    private int phase;
    private int startPhase;

    LiveEar(LiveSettings settings, int index, int maxFrames) {
        LiveGraph.Ear ear = settings.graph.ears.get(index);
        sources =
                ear.sources().stream()
                        .map(id -> LiveMix.audio(settings.material, id))
                        .toArray(Audio[]::new);
        offset = ear.offset();
        key = new float[maxFrames];
        StageSettings.Key heard = new StageSettings.Key(java.util.Map.of(), ear.filter());
        peaks = new KeyPeaks(heard.sections(settings.material.sampleRateHz()), maxFrames);
    }

    /** How many frames ahead of the song it listens. */
    int offset() {
        return offset;
    }

    void listen(float[] gains, int start, int n) {
        Arrays.fill(key, 0, n, 0);
        for (int s = 0; s < sources.length; s++) {
            float[] l = sources[s].channel(0);
            float[] r = sources[s].channel(1);
            int from = start + offset;
            float g = gains[s];
            for (int i = Math.max(0, -from); i < n && from + i < l.length; i++) {
                key[i] += g * (l[from + i] + r[from + i]);
            }
        }
        startPhase = phase;
        phase = (phase + n) % KeyPeaks.STEP;
        peaks.process(key, 0, n);
    }

    float[] steps() {
        return peaks.steps();
    }

    /** Index of the first step that ends at or after a frame of the last block. */
    int firstStep(int frame) {
        return (startPhase + frame) / KeyPeaks.STEP;
    }
}
