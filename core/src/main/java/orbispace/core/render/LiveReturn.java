package orbispace.core.render;

import java.util.Arrays;
import java.util.List;
import orbispace.core.audio.Audio;
import orbispace.core.dynamics.Gate;
import orbispace.core.signal.DelayLine;
import org.jspecify.annotations.Nullable;

/** One return at work block by block: its sends, feeds and stages. */
final class LiveReturn {
    private static final float GAIN_GLIDE = 1f / 512;

    private final int index;
    private final int advance;
    private final int outAdvance;
    private final int[] latencyBefore;
    private final Audio[] sources;
    private final List<Stage> stages;
    private final StageTuning[] applied;
    private final float[][] sendGains;
    private final float[] feedGains;
    private final @Nullable Gate[] sendGates;
    private final Delay[] feedDelays;
    private final Delay mixDelay;
    private final Block block;
    private final float[] left;
    private final float[] right;
    private final float[] planned;
    private int origin = Integer.MIN_VALUE;

    /** Two channels held back by a whole number of frames, often none. */
    private static final class Delay {
        private final @Nullable DelayLine left;
        private final @Nullable DelayLine right;
        private final float[] outLeft;
        private final float[] outRight;

        Delay(int frames, int maxFrames) {
            left = frames <= 0 ? null : line(frames);
            right = frames <= 0 ? null : line(frames);
            outLeft = new float[maxFrames];
            outRight = new float[maxFrames];
        }

        private static DelayLine line(int frames) {
            DelayLine line = new DelayLine(frames);
            line.setDelay(frames, true);
            return line;
        }

        void take(float[] l, float[] r, int n) {
            System.arraycopy(l, 0, outLeft, 0, n);
            System.arraycopy(r, 0, outRight, 0, n);
            if (left != null && right != null) {
                left.process(outLeft, 0, n);
                right.process(outRight, 0, n);
            }
        }
    }

    LiveReturn(LiveSettings settings, int index, Audio[] sources, int maxFrames) {
        LiveGraph graph = settings.graph;
        ChainSettings chain = graph.chains.get(index);
        double rate = settings.material.sampleRateHz();
        this.index = index;
        this.sources = sources;
        advance = graph.advance[index];
        outAdvance = graph.outAdvance[index];
        stages =
                java.util.stream.IntStream.range(0, chain.stages().size())
                        .mapToObj(i ->
                                Stage.of(chain.stages().get(i), settings.tunings[index][i], rate))
                        .toList();
        applied = new StageTuning[stages.size()];
        latencyBefore = new int[stages.size()];
        for (int i = 0; i < applied.length; i++) {
            applied[i] = settings.tunings[index][i][0];
            latencyBefore[i] = chain.latencyBefore(i);
        }
        sendGains = copy(settings.sendGains[index]);
        feedGains = settings.feedGains[index].clone();
        sendGates = new Gate[sources.length];
        for (int s = 0; s < sources.length; s++) {
            sendGates[s] =
                    graph.sendEars[index][s] < 0
                            ? null
                            : new Gate(settings.sendGates[index][s], rate);
        }
        feedDelays = new Delay[graph.order.length];
        Arrays.setAll(
                feedDelays,
                f ->
                        new Delay(
                                chain.feeds().containsKey(graph.returns.get(f))
                                        ? graph.outAdvance[f] - advance
                                        : 0,
                                maxFrames));
        mixDelay = new Delay(outAdvance, maxFrames);
        block = new Block(new float[maxFrames], new float[maxFrames]);
        planned = new float[maxFrames];
        left = new float[maxFrames];
        right = new float[maxFrames];
    }

    static float[][] copy(float[][] gains) {
        return Arrays.stream(gains).map(float[]::clone).toArray(float[][]::new);
    }

    float[] mixLeft() {
        return mixDelay.outLeft;
    }

    float[] mixRight() {
        return mixDelay.outRight;
    }

    /** No stage begins before this frame of the song, however late its sound comes. */
    void beginsAt(int frame) {
        origin = frame;
    }

    void process(
            LiveSettings now,
            int start,
            int n,
            LiveEar[] ears,
            LiveReturn[] others,
            float input,
            float wantedInput) {
        Arrays.fill(block.left, 0, n, 0);
        Arrays.fill(block.right, 0, n, 0);
        for (int s = 0; s < sources.length; s++) {
            send(now, s, start, n, ears);
        }
        LiveMix.fadeInput(block.left, block.right, n, input, wantedInput);
        for (int f = 0; f < feedGains.length; f++) {
            if (feedGains[f] != 0 || now.feedGains[index][f] != 0) {
                feed(others[f].block, f, now.feedGains[index][f], n);
            }
        }
        GainCurve in = now.graph.chains.get(index).input();
        if (!in.isEven()) {
            in.fill(planned, start + advance, n);
            Mixdown.multiply(block.left, 0, n, planned);
            Mixdown.multiply(block.right, 0, n, planned);
        }
        for (int i = 0; i < applied.length; i++) {
            stage(now, i, start, n, ears);
        }
        mixDelay.take(block.left, block.right, n);
    }

    private void send(LiveSettings now, int s, int start, int n, LiveEar[] ears) {
        float[] gains = sendGains[s];
        float[] wanted = now.sendGains[index][s];
        Gate gate = sendGates[s];
        boolean silent = gains[0] == 0 && gains[1] == 0 && wanted[0] == 0 && wanted[1] == 0;
        GainCurve curve = now.sendCurves[index][s];
        if (gate == null && !curve.isEven()) {
            Arrays.fill(left, 0, n, 0);
            Arrays.fill(right, 0, n, 0);
            add(left, right, sources[s], start + advance, n, gains, wanted);
            addPlanned(curve, start + advance, n);
            return;
        }
        if (gate == null) {
            if (!silent) {
                add(block.left, block.right, sources[s], start + advance, n, gains, wanted);
            }
            return;
        }
        LiveEar ear = ears[now.graph.sendEars[index][s]];
        gate.apply(now.sendGates[index][s]);
        Arrays.fill(left, 0, n, 0);
        Arrays.fill(right, 0, n, 0);
        add(left, right, sources[s], start + advance, n, gains, wanted);
        gate.process(ear.steps(), 0, left, right, 0, n);
        addPlanned(curve, start + advance, n);
    }

    /** Adds what was sent, as the plan has it at a frame of the song. */
    private void addPlanned(GainCurve curve, int frame, int n) {
        if (curve.isEven()) {
            for (int i = 0; i < n; i++) {
                block.left[i] += left[i];
                block.right[i] += right[i];
            }
            return;
        }
        curve.fill(planned, frame, n);
        for (int i = 0; i < n; i++) {
            block.left[i] += planned[i] * left[i];
            block.right[i] += planned[i] * right[i];
        }
    }

    private void feed(Block from, int f, float wanted, int n) {
        Delay delay = feedDelays[f];
        delay.take(from.left, from.right, n);
        float g = feedGains[f];
        for (int i = 0; i < n; i++) {
            g += (wanted - g) * GAIN_GLIDE;
            block.left[i] += g * delay.outLeft[i];
            block.right[i] += g * delay.outRight[i];
        }
        feedGains[f] = settle(g, wanted);
    }

    @SuppressWarnings("ReferenceEquality") // A tuning that was taken need not be taken again.
    private void stage(LiveSettings now, int i, int start, int n, LiveEar[] ears) {
        Timeline timeline = now.graph.chains.get(index).stages().get(i);
        int clock = start + advance - latencyBefore[i];
        if (clock < origin) {
            return;
        }
        int ear = now.graph.stageEars[index][i];
        int at = 0;
        while (at < n) {
            StageTuning tuning = now.tunings[index][i][timeline.indexAt(clock + at)];
            if (tuning != applied[i]) {
                applied[i] = tuning;
                stages.get(i).apply(tuning);
            }
            int change = timeline.nextChange(clock + at);
            int end = change < clock + n ? change - clock : n;
            block.frame = clock + at;
            if (ear >= 0) {
                block.peaks = ears[ear].steps();
                block.firstStep = ears[ear].firstStep(at);
            }
            stages.get(i).process(block, at, end);
            at = end;
        }
    }

    static void add(
            float[] left,
            float[] right,
            Audio source,
            int start,
            int n,
            float[] gains,
            float[] wanted) {
        float[] l = source.channel(0);
        float[] r = source.channel(1);
        int from = Math.clamp(-(long) start, 0, n);
        int to = Math.clamp((long) l.length - start, from, n);
        if (gains[0] == wanted[0] && gains[1] == wanted[1]) {
            float gl = gains[0];
            float gr = gains[1];
            for (int i = from; i < to; i++) {
                left[i] += gl * l[start + i];
                right[i] += gr * r[start + i];
            }
            return;
        }
        float gl = gains[0];
        float gr = gains[1];
        for (int i = 0; i < n; i++) {
            gl += (wanted[0] - gl) * GAIN_GLIDE;
            gr += (wanted[1] - gr) * GAIN_GLIDE;
            if (i >= from && i < to) {
                left[i] += gl * l[start + i];
                right[i] += gr * r[start + i];
            }
        }
        gains[0] = settle(gl, wanted[0]);
        gains[1] = settle(gr, wanted[1]);
    }

    static float settle(float value, float wanted) {
        return Math.abs(value - wanted) < 1e-6f ? wanted : value;
    }
}
