package orbispace.core.render;

import java.util.Arrays;
import orbispace.core.audio.Audio;
import orbispace.core.dynamics.Gate;
import orbispace.core.dynamics.KeyPeaks;
import org.jspecify.annotations.Nullable;

/** A send on its way through a whole song, with its gate. */
final class PrintedSend {
    private static final int PART = 8192;

    private final Audio source;
    private final float leftGain;
    private final float rightGain;
    private final @Nullable Gate gate;
    private final float[] peaks;
    private final float[] left = new float[PART];
    private final float[] right = new float[PART];

    PrintedSend(Audio source, ChainSettings.SendGain send, SongKeys keys, Job job) {
        this.source = source;
        leftGain = (float) (send.gain() * Renderer.leftGain(source, send.pan()));
        rightGain = (float) (send.gain() * Renderer.rightGain(source, send.pan()));
        StageSettings.Gating gating = send.gate();
        StageSettings.Key key = gating == null ? null : gating.key();
        gate = gating == null ? null : new Gate(gating.settings(), source.sampleRateHz());
        peaks = key == null ? new float[0] : keys.peaks(key, job);
    }

    /** Adds frames of the song to the front of a bus. */
    void add(Block bus, int at, int n) {
        for (int done = 0; done < n; done += PART) {
            part(bus, done, at + done, Math.min(PART, n - done));
        }
    }

    private void part(Block bus, int to, int at, int n) {
        int there = Math.clamp(source.frames() - at, 0, n);
        if (there == 0) {
            return;
        }
        take(source.channel(0), at, there, left, n);
        take(source.channel(1), at, there, right, n);
        if (gate != null) {
            gate.process(peaks, at / KeyPeaks.STEP, left, right, 0, n);
        }
        add(left, leftGain, bus.left, to, n);
        add(right, rightGain, bus.right, to, n);
    }

    private static void take(float[] from, int at, int there, float[] into, int n) {
        System.arraycopy(from, at, into, 0, there);
        Arrays.fill(into, there, n, 0);
    }

    /** All arrays of the loop are read at one index; otherwise it would not be made parallel. */
    private static void add(float[] x, float gain, float[] into, int to, int n) {
        if (to == 0) {
            for (int k = 0; k < n; k++) {
                into[k] += gain * x[k];
            }
            return;
        }
        for (int k = 0; k < n; k++) {
            into[to + k] += gain * x[k];
        }
    }
}
