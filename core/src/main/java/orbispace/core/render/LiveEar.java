package orbispace.core.render;

import java.util.Arrays;
import orbispace.core.dynamics.KeyPeaks;

/** Listens to a key block by block. */
final class LiveEar {
    private final LiveStem[] sources;
    private final KeyWindow[] windows;
    private final Ride[] faders;
    private final int offset;
    private final float[] middle;
    private final float[] side;
    private final float[] left;
    private final float[] right;
    private final KeyPeaks peaks;
    private int phase;
    private int startPhase;

    LiveEar(LiveSettings settings, int index, LiveStem[] stems, int maxFrames) {
        LiveGraph.Ear ear = settings.graph.ears.get(index);
        sources =
                ear.sources().stream()
                        .map(id -> stems[settings.graph.sources.indexOf(id)])
                        .toArray(LiveStem[]::new);
        windows = ear.windows().toArray(KeyWindow[]::new);
        faders = Arrays.stream(settings.earFaders[index]).map(Ride::new).toArray(Ride[]::new);
        offset = ear.offset();
        middle = new float[maxFrames];
        side = new float[maxFrames];
        left = new float[maxFrames];
        right = new float[maxFrames];
        StageSettings.Key heard = new StageSettings.Key(java.util.Map.of(), ear.filter());
        peaks =
                new KeyPeaks(
                        heard.sections(settings.material.sampleRateHz()),
                        maxFrames,
                        settings.material.sampleRateHz());
    }

    /** How many frames ahead of the song it listens. */
    int offset() {
        return offset;
    }

    void listen(float[] gains, GainCurve[] curves, Playhead head, int n) {
        Arrays.fill(middle, 0, n, 0);
        Arrays.fill(side, 0, n, 0);
        for (int s = 0; s < sources.length; s++) {
            head.read(sources[s], offset, left, right);
            faders[s].apply(curves[s]);
            faders[s].process(left, right, 0, n, head.place() + offset);
            windows[s].add(gains[s], left, right, head.place() + offset, n, middle, side);
        }
        startPhase = phase;
        phase = (phase + n) % KeyPeaks.STEP;
        peaks.process(middle, side, 0, n);
    }

    float[] steps() {
        return peaks.steps();
    }

    /** Index of the first step that ends at or after a frame of the last block. */
    int firstStep(int frame) {
        return (startPhase + frame) / KeyPeaks.STEP;
    }

    void reset() {
        peaks.reset();
        for (Ride fader : faders) {
            fader.reset();
        }
        phase = 0;
        startPhase = 0;
    }
}
