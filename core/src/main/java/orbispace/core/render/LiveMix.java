package orbispace.core.render;

import java.util.Arrays;
import java.util.stream.IntStream;
import orbispace.core.dynamics.Drive;

/**
 * The whole field block by block, for listening: the same stages as the {@link Renderer}, so what
 * is heard is what is printed. Changes glide. Returns that come late read their sources ahead, so
 * that nothing is delayed.
 *
 * <p>{@link #process} neither allocates nor locks. One thread processes; any thread may {@link
 * #set}. Settings that do not {@link LiveSettings#fits fit} need a new mix.
 */
public final class LiveMix {
    private static final float GAIN_GLIDE = 1f / 512;

    private final LiveStem[] sources;
    private final LiveReturn[] returns;
    private final LiveEar[] ears;
    private final int[] order;
    private final float[][] dryGains;
    private final LiveStand[] dryStands;
    private final float[] returnGains;
    private final int maxFrames;
    private float outputGain;
    private float monoShare;
    private float inputShare = 1;
    private boolean begun;
    private volatile boolean ringing;
    private volatile boolean gone;
    private volatile OwnedSettings wanted;
    private final Playhead head = new Playhead();
    private final float[] sourceLeft;
    private final float[] sourceRight;

    /** A mix at rest, for blocks of at most {@code maxFrames}. */
    public LiveMix(LiveSettings settings, int maxFrames) {
        this.maxFrames = maxFrames;
        wanted = OwnedSettings.of(settings, null);
        StageTuning[][][] tunings = wanted.tunings();
        sourceLeft = new float[maxFrames];
        sourceRight = new float[maxFrames];
        LiveGraph graph = settings.graph;
        sources =
                graph.sources.stream()
                        .map(id -> new LiveStem(LiveSettings.audio(settings.material, id)))
                        .toArray(LiveStem[]::new);
        ears =
                IntStream.range(0, graph.ears.size())
                        .mapToObj(e -> new LiveEar(settings, e, sources, maxFrames))
                        .toArray(LiveEar[]::new);
        returns =
                IntStream.range(0, graph.order.length)
                        .mapToObj(r -> new LiveReturn(settings, tunings[r], r, sources, maxFrames))
                        .toArray(LiveReturn[]::new);
        order = graph.order.clone();
        dryGains = LiveReturn.copy(settings.dryGains);
        dryStands =
                Arrays.stream(settings.dryCourses)
                        .map(c -> new LiveStand(c, maxFrames))
                        .toArray(LiveStand[]::new);
        returnGains = settings.returnGains.clone();
        outputGain = settings.outputGain;
        monoShare = settings.mono ? 1 : 0;
    }

    /**
     * Takes new settings with the next block.
     *
     * @throws IllegalArgumentException if they do not fit
     */
    public void set(LiveSettings given) {
        if (!takes(given)) {
            throw new IllegalArgumentException("the settings need another mix");
        }
        wanted = OwnedSettings.of(given, wanted);
    }

    /** Whether settings fit this mix. */
    public boolean takes(LiveSettings given) {
        return wanted.settings().fits(given);
    }

    /** Lets nothing in any more, so that what sounds rings out. */
    void ringOut() {
        ringing = true;
    }

    /** Lets everything in again, little by little. */
    void comeBack() {
        ringing = false;
    }

    /** Whether it has rung out, so that nothing of it is heard any more. */
    public boolean gone() {
        return gone;
    }

    /** It has rung out. */
    void leave() {
        gone = true;
    }

    /** Comes in anew beside others that ring out. */
    void enter() {
        gone = false;
        ringing = false;
        if (begun) {
            reset();
        }
        fadeIn();
    }

    /** Lets everything in little by little, as another mix rings out. */
    void fadeIn() {
        inputShare = 0;
    }

    /** How long it may ring, in frames. */
    public int ringFrames() {
        LiveSettings now = wanted.settings();
        double seconds = 0;
        for (ChainSettings chain : now.graph.chains) {
            seconds = Math.max(seconds, chain.ringSeconds());
        }
        return (int) Math.min(Integer.MAX_VALUE, seconds * now.material.sampleRateHz());
    }

    /** Forgets all sound, as if it had just been made; call on the thread that processes. */
    void reset() {
        OwnedSettings is = wanted;
        for (int r = 0; r < returns.length; r++) {
            returns[r].reset(is.settings(), is.tunings()[r]);
        }
        for (LiveEar ear : ears) {
            ear.reset();
        }
        for (int s = 0; s < dryGains.length; s++) {
            System.arraycopy(is.settings().dryGains[s], 0, dryGains[s], 0, 2);
            dryStands[s].reset();
        }
        System.arraycopy(is.settings().returnGains, 0, returnGains, 0, returnGains.length);
        outputGain = is.settings().outputGain;
        monoShare = is.settings().mono ? 1 : 0;
        inputShare = 1;
        head.reset();
        begun = false;
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
        OwnedSettings is = wanted;
        LiveSettings now = is.settings();
        if (!begun) {
            begun = true;
            begin(is, start);
        }
        head.go(start, n);
        float wantedInput = ringing ? 0 : 1;
        float input = inputShare;
        dry(left, right, now, n);
        fadeInput(left, right, n, input, wantedInput);
        for (int e = 0; e < ears.length; e++) {
            ears[e].listen(now.earGains[e], now.earFaders[e], head, n);
        }
        for (int r : order) {
            returns[r].process(now, is.tunings()[r], head, n, ears, returns, input, wantedInput);
            addReturn(left, right, returns[r], r, now.returnGains[r], n);
        }
        inputShare = faded(input, wantedInput, n);
        ClickTrack click = now.click;
        if (click != null && !ringing) {
            click.add(start, left, right, n);
        }
        finish(left, right, now, n);
    }

    /**
     * Late returns take in their first frames before the first that is heard; the others begin with
     * the song, as in print.
     */
    private void begin(OwnedSettings is, int start) {
        LiveSettings now = is.settings();
        int most = 0;
        for (int advance : now.graph.advance) {
            most = Math.max(most, advance);
        }
        int step = Math.min(maxFrames, Drive.LATENCY_FRAMES);
        for (LiveReturn r : returns) {
            r.beginsAt(start);
        }
        for (int at = -most; at < 0; at += step) {
            int n = Math.min(step, -at);
            head.go(start + at, n);
            for (int e = 0; e < ears.length; e++) {
                if (ears[e].offset() >= -at) {
                    ears[e].listen(now.earGains[e], now.earFaders[e], head, n);
                }
            }
            for (int r : order) {
                if (now.graph.advance[r] >= -at) {
                    returns[r].process(
                            now, is.tunings()[r], head, n, ears, returns, inputShare, inputShare);
                }
            }
        }
        for (LiveReturn r : returns) {
            r.beginsAt(Integer.MIN_VALUE);
        }
    }

    private void dry(float[] left, float[] right, LiveSettings now, int n) {
        Arrays.fill(left, 0, n, 0);
        Arrays.fill(right, 0, n, 0);
        for (int s = 0; s < sources.length; s++) {
            head.read(sources[s], 0, sourceLeft, sourceRight);
            dryStands[s].process(
                    sourceLeft,
                    sourceRight,
                    n,
                    head.place(),
                    now.dryCourses[s],
                    dryGains[s],
                    now.dryGains[s]);
            for (int i = 0; i < n; i++) {
                left[i] += sourceLeft[i];
                right[i] += sourceRight[i];
            }
        }
    }

    static float faded(float share, float wanted, int n) {
        float step = n * GAIN_GLIDE;
        return share < wanted ? Math.min(wanted, share + step) : Math.max(wanted, share - step);
    }

    static void fadeInput(float[] left, float[] right, int n, float share, float wanted) {
        if (share == 1 && wanted == 1) {
            return;
        }
        for (int k = 0; k < n; k++) {
            float g = faded(share, wanted, k);
            left[k] *= g;
            right[k] *= g;
        }
    }

    private void addReturn(
            float[] left, float[] right, LiveReturn from, int r, float wanted, int n) {
        float g = returnGains[r];
        float[] l = from.mixLeft();
        float[] rr = from.mixRight();
        for (int i = 0; i < n; i++) {
            g += (wanted - g) * GAIN_GLIDE;
            left[i] += g * l[i];
            right[i] += g * rr[i];
        }
        returnGains[r] = LiveReturn.settle(g, wanted);
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
        outputGain = LiveReturn.settle(g, now.outputGain);
        monoShare = LiveReturn.settle(m, wantedMono);
    }
}
