package orbispace.core.render;

import java.util.Arrays;
import java.util.List;
import orbispace.core.audio.Audio;
import orbispace.core.design.Design;
import orbispace.core.design.Source;

/**
 * The whole field block by block, for listening: the same stages as the {@link Renderer}, so what
 * is heard is what is printed. Changes glide.
 *
 * <p>{@link #process} neither allocates nor locks. One thread processes; any thread may {@link
 * #set}. A design with other returns, other sources or other kinds of space needs a new mix.
 */
public final class LiveMix {
    private static final float GAIN_GLIDE = 1f / 512;

    private final Audio[] sources;
    private final List<List<Stage>> chains;
    private final Block[] blocks;
    private final float[][] dryGains;
    private final float[][][] sendGains;
    private final float[] returnGains;
    private final int maxFrames;
    private float outputGain;
    private float monoShare;
    private LiveSettings applied;
    private volatile LiveSettings settings;

    /** A mix at rest. */
    public LiveMix(Design design, SongMaterial material, LiveSettings settings, int maxFrames) {
        this.maxFrames = maxFrames;
        this.settings = settings;
        this.applied = settings;
        sources =
                design.sources().stream()
                        .map(Source::id)
                        .map(id ->
                                material.audio()
                                        .getOrDefault(
                                                id, Audio.silence(material.sampleRateHz(), 1, 0)))
                        .toArray(Audio[]::new);
        chains =
                design.returns().stream()
                        .map(r ->
                                Stage.chain(
                                        ChainSettings.of(design, r).stages(),
                                        material.sampleRateHz()))
                        .toList();
        blocks = new Block[chains.size()];
        for (int r = 0; r < blocks.length; r++) {
            blocks[r] = new Block(new float[maxFrames], new float[maxFrames], new float[maxFrames]);
        }
        dryGains = copy(settings.dryGains);
        sendGains = new float[settings.sendGains.length][][];
        for (int r = 0; r < sendGains.length; r++) {
            sendGains[r] = copy(settings.sendGains[r]);
        }
        returnGains = settings.returnGains.clone();
        outputGain = settings.outputGain;
        monoShare = settings.mono ? 1 : 0;
    }

    private static float[][] copy(float[][] gains) {
        return Arrays.stream(gains).map(float[]::clone).toArray(float[][]::new);
    }

    /** Takes new settings with the next block. */
    public void set(LiveSettings given) {
        settings = given;
    }

    /** Whether settings of another design fit this mix. */
    public static boolean sameShape(Design a, Design b) {
        return a.sources().stream()
                        .map(Source::id)
                        .toList()
                        .equals(b.sources().stream().map(Source::id).toList())
                && a.returns().stream()
                        .map(r -> r.id() + r.space().kind())
                        .toList()
                        .equals(b.returns().stream().map(r -> r.id() + r.space().kind()).toList());
    }

    /**
     * Makes the next frames.
     *
     * @param start place in the song; frames outside it are silent but returns ring on
     * @param left takes {@code count} frames
     * @param right takes {@code count} frames
     * @param count at most the frames this mix was made for
     */
    public void process(int start, float[] left, float[] right, int count) {
        int n = Math.min(count, maxFrames);
        LiveSettings now = settings;
        if (now != applied) {
            apply(now);
        }
        Arrays.fill(left, 0, n, 0);
        Arrays.fill(right, 0, n, 0);
        for (int s = 0; s < sources.length; s++) {
            add(left, right, sources[s], start, n, dryGains[s], now.dryGains[s]);
        }
        for (int r = 0; r < blocks.length; r++) {
            processReturn(r, now, start, n);
            addReturn(left, right, blocks[r], r, now.returnGains[r], n);
        }
        ClickTrack click = now.click;
        if (click != null) {
            click.add(start, left, right, n);
        }
        finish(left, right, now, n);
    }

    private void apply(LiveSettings now) {
        for (int r = 0; r < chains.size(); r++) {
            List<Stage> chain = chains.get(r);
            for (int i = 0; i < chain.size(); i++) {
                chain.get(i).apply(now.tunings[r][i]);
            }
        }
        applied = now;
    }

    private void processReturn(int r, LiveSettings now, int start, int n) {
        Block block = blocks[r];
        Arrays.fill(block.left, 0, n, 0);
        Arrays.fill(block.right, 0, n, 0);
        for (int s = 0; s < sources.length; s++) {
            float[] gains = sendGains[r][s];
            float[] wanted = now.sendGains[r][s];
            if (gains[0] != 0 || gains[1] != 0 || wanted[0] != 0 || wanted[1] != 0) {
                add(block.left, block.right, sources[s], start, n, gains, wanted);
            }
        }
        Arrays.fill(block.key, 0, n, 0);
        if (now.keySources[r] >= 0) {
            fillKey(block.key, sources[now.keySources[r]], start, n, now.keyGains[r]);
        }
        List<Stage> chain = chains.get(r);
        for (int i = 0; i < chain.size(); i++) {
            chain.get(i).process(block, 0, n);
        }
    }

    private static void fillKey(float[] key, Audio source, int start, int n, float gain) {
        float[] l = source.channel(0);
        float[] r = source.channel(1);
        for (int i = Math.max(0, -start); i < n && start + i < l.length; i++) {
            key[i] = gain * (l[start + i] + r[start + i]);
        }
    }

    private static void add(
            float[] left,
            float[] right,
            Audio source,
            int start,
            int n,
            float[] gains,
            float[] wanted) {
        float[] l = source.channel(0);
        float[] r = source.channel(1);
        float gl = gains[0];
        float gr = gains[1];
        for (int i = 0; i < n; i++) {
            gl += (wanted[0] - gl) * GAIN_GLIDE;
            gr += (wanted[1] - gr) * GAIN_GLIDE;
            int at = start + i;
            if (at >= 0 && at < l.length) {
                left[i] += gl * l[at];
                right[i] += gr * r[at];
            }
        }
        gains[0] = settle(gl, wanted[0]);
        gains[1] = settle(gr, wanted[1]);
    }

    private void addReturn(float[] left, float[] right, Block block, int r, float wanted, int n) {
        float g = returnGains[r];
        for (int i = 0; i < n; i++) {
            g += (wanted - g) * GAIN_GLIDE;
            left[i] += g * block.left[i];
            right[i] += g * block.right[i];
        }
        returnGains[r] = settle(g, wanted);
    }

    private void finish(float[] left, float[] right, LiveSettings now, int n) {
        float g = outputGain;
        float m = monoShare;
        float wantedMono = now.mono ? 1 : 0;
        for (int i = 0; i < n; i++) {
            g += (now.outputGain - g) * GAIN_GLIDE;
            m += (wantedMono - m) * GAIN_GLIDE;
            float middle = (left[i] + right[i]) / 2;
            left[i] = g * (middle + (1 - m) * (left[i] - middle));
            right[i] = g * (middle + (1 - m) * (right[i] - middle));
        }
        outputGain = settle(g, now.outputGain);
        monoShare = settle(m, wantedMono);
    }

    private static float settle(float value, float wanted) {
        return Math.abs(value - wanted) < 1e-6f ? wanted : value;
    }
}
