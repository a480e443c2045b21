package orbispace.core.render;

import java.util.Arrays;
import orbispace.core.audio.Audio;
import orbispace.core.dynamics.KeyPeaks;

/** A send on its way through a whole song, with its gate. */
final class PrintedSend {
    private static final int STEP = KeyPeaks.STEP;

    private final PrintedStand source;
    private final float[] curve;
    private final GainCurve planned;
    private final int firstFrame;

    /** Memory for frames on their way, which the sends of a bus use one after the other. */
    static final class Work {
        private final Block sound = new Block(new float[SendBus.PART], new float[SendBus.PART]);
        private final float[] gains = new float[SendBus.PART];
        private final float[] planned = new float[SendBus.PART];
    }

    PrintedSend(Audio source, ChainSettings.SendGain send, SongKeys keys, int firstFrame, Job job) {
        this.firstFrame = firstFrame;
        // A level that never changes is a plain factor.
        boolean steady = send.curve().isSteady();
        double gain = steady ? send.gain() * send.curve().gain(0) : send.gain();
        planned = steady ? GainCurve.EVEN : send.curve();
        this.source = new PrintedStand(source, gain, send.stand());
        StageSettings.Gating gating = send.gate();
        boolean open = gating == null || gating.settings() == null || gating.key() == null;
        curve = open ? new float[0] : keys.gains(java.util.Objects.requireNonNull(gating), job);
    }

    /**
     * Adds frames of the song to the front of a bus.
     *
     * @param work is written over
     * @param at the first frame, a whole number of steps
     * @param n how many, at most {@link SendBus#PART}
     */
    void add(Block bus, Work work, int at, int n) {
        int there = Math.clamp(source.frames() - at, 0, n);
        if (there == 0 || planned.isShut(firstFrame + at, n)) {
            return;
        }
        int step = at / STEP;
        int end = Math.min(curve.length - 1, (at + n + STEP - 1) / STEP);
        boolean open = curve.length == 0 || all(1, step, end);
        if (!planned.isEven()) {
            if (open) {
                Arrays.fill(work.gains, 1);
            } else {
                fill(work.gains, step, end);
            }
            planned.fill(work.planned, firstFrame + at, n);
            Mixdown.multiply(work.gains, 0, n, work.planned);
            source.read(at, there, work.sound, work.planned, firstFrame);
            addGated(work.sound.left, work.gains, there, source.leftGain(), bus.left);
            addGated(work.sound.right, work.gains, there, source.rightGain(), bus.right);
        } else if (open) {
            source.read(at, there, work.sound, work.planned, firstFrame);
            add(work.sound.left, there, source.leftGain(), bus.left);
            add(work.sound.right, there, source.rightGain(), bus.right);
        } else if (!all(0, step, end)) {
            fill(work.gains, step, end);
            source.read(at, there, work.sound, work.planned, firstFrame);
            addGated(work.sound.left, work.gains, there, source.leftGain(), bus.left);
            addGated(work.sound.right, work.gains, there, source.rightGain(), bus.right);
        }
    }

    private boolean all(float gain, int from, int to) {
        for (int s = from; s <= to; s++) {
            if (curve[s] != gain) {
                return false;
            }
        }
        return true;
    }

    /** The gain runs straight from step to step; behind the last it stays. */
    private void fill(float[] gains, int from, int to) {
        int at = 0;
        for (int s = from; s < to; s++) {
            float g = curve[s];
            float slope = (curve[s + 1] - g) / STEP;
            for (int k = 0; k < STEP && at < gains.length; k++) {
                g += slope;
                gains[at++] = g;
            }
        }
        Arrays.fill(gains, at, gains.length, curve[to]);
    }

    /** All arrays of a loop are read at one index; otherwise it would not be made parallel. */
    private static void add(float[] sound, int n, float gain, float[] into) {
        for (int k = 0; k < n; k++) {
            into[k] += gain * sound[k];
        }
    }

    private static void addGated(float[] sound, float[] gains, int n, float gain, float[] into) {
        for (int k = 0; k < n; k++) {
            into[k] += gain * gains[k] * sound[k];
        }
    }
}
