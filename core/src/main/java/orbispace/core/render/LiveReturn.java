package orbispace.core.render;

import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import orbispace.core.dynamics.Gate;
import org.jspecify.annotations.Nullable;

/** One return at work block by block: its sends, feeds and stages. */
final class LiveReturn {
    private static final float GAIN_GLIDE = 1f / 512;

    private final int index;
    private final int advance;
    private final int outAdvance;
    private final int[] latencyBefore;
    private final LiveStem[] sources;
    private final List<Stage> stages;
    private final StageTuning[] applied;
    private final float[][] sendGains;
    private final float[] feedGains;
    private final @Nullable Gate[] sendGates;
    private final LiveDelay[] feedDelays;
    private final LiveDelay mixDelay;

    /** Its own sound for returns that it feeds, before what it passes together with others. */
    private final Block tap;

    private final boolean feedsOthers;

    private final Block block;
    private final float[] left;
    private final float[] right;
    private final Ride[] sendRides;
    private final LiveStand[] sendStands;
    private final Ride input;
    private int origin = Integer.MIN_VALUE;

    LiveReturn(
            LiveSettings settings,
            StageTuning[][] tunings,
            int index,
            LiveStem[] sources,
            int maxFrames) {
        LiveGraph graph = settings.graph;
        ChainSettings chain = graph.chains.get(index);
        double rate = settings.material.sampleRateHz();
        this.index = index;
        this.sources = sources;
        advance = graph.advance[index];
        outAdvance = graph.outAdvance[index];
        stages = stages(chain, tunings, rate);
        applied = new StageTuning[stages.size()];
        latencyBefore = new int[stages.size()];
        for (int i = 0; i < applied.length; i++) {
            applied[i] = tunings[i][0];
            latencyBefore[i] = chain.latencyBefore(i);
        }
        sendGains = copy(settings.sendGains[index]);
        feedGains = settings.feedGains[index].clone();
        sendGates = sendGates(settings, index, sources.length, rate);
        feedDelays = feedDelays(graph, chain, advance, maxFrames);
        mixDelay = new LiveDelay(outAdvance, maxFrames);
        block = new Block(new float[maxFrames], new float[maxFrames]);
        feedsOthers = feeds(graph, index);
        tap = feedsOthers ? new Block(new float[maxFrames], new float[maxFrames]) : block;
        sendStands =
                Arrays.stream(settings.sendCourses[index])
                        .map(c -> new LiveStand(c, maxFrames))
                        .toArray(LiveStand[]::new);
        sendRides = new Ride[sources.length];
        Arrays.setAll(sendRides, s -> new Ride(settings.sendCurves[index][s]));
        input = new Ride(chain.input());
        left = new float[maxFrames];
        right = new float[maxFrames];
    }

    private static boolean feeds(LiveGraph graph, int index) {
        String id = graph.returns.get(index);
        return graph.chains.stream().anyMatch(c -> c.feeds().containsKey(id));
    }

    private static List<Stage> stages(ChainSettings chain, StageTuning[][] tunings, double rate) {
        return IntStream.range(0, chain.stages().size())
                .mapToObj(i -> Stage.of(chain.stages().get(i), tunings[i], rate))
                .toList();
    }

    /** A gate for each send that has one; null for the others. */
    private static @Nullable Gate[] sendGates(
            LiveSettings settings, int index, int sources, double rate) {
        @Nullable Gate[] gates = new Gate[sources];
        for (int s = 0; s < sources; s++) {
            gates[s] =
                    settings.graph.sendEars[index][s] < 0
                            ? null
                            : new Gate(settings.sendGates[index][s], rate);
        }
        return gates;
    }

    /** What each feed waits for, so that it comes as late as its return does. */
    private static LiveDelay[] feedDelays(
            LiveGraph graph, ChainSettings chain, int advance, int maxFrames) {
        LiveDelay[] delays = new LiveDelay[graph.order.length];
        Arrays.setAll(
                delays,
                f ->
                        new LiveDelay(
                                chain.feeds().containsKey(graph.returns.get(f))
                                        ? graph.outAdvance[f] - advance
                                        : 0,
                                maxFrames));
        return delays;
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

    /** Takes tunings that are this return's own. */
    void process(
            LiveSettings now,
            StageTuning[][] tunings,
            Playhead head,
            int n,
            LiveEar[] ears,
            LiveReturn[] others,
            float share,
            float wantedShare) {
        int start = head.place();
        Arrays.fill(block.left, 0, n, 0);
        Arrays.fill(block.right, 0, n, 0);
        for (int s = 0; s < sources.length; s++) {
            send(now, s, head, n, ears);
        }
        LiveMix.fadeInput(block.left, block.right, n, share, wantedShare);
        for (int f = 0; f < feedGains.length; f++) {
            if (feedGains[f] != 0 || now.feedGains[index][f] != 0) {
                feed(others[f].tap, f, now.feedGains[index][f], n);
            }
        }
        input.apply(now.graph.chains.get(index).input());
        input.process(block.left, block.right, 0, n, start + advance);
        for (int i = 0; i < applied.length; i++) {
            if (i == ChainSettings.OWN && feedsOthers) {
                System.arraycopy(block.left, 0, tap.left, 0, n);
                System.arraycopy(block.right, 0, tap.right, 0, n);
            }
            stage(now, tunings[i], i, start, n, ears);
        }
        mixDelay.take(block.left, block.right, n);
    }

    private void send(LiveSettings now, int s, Playhead head, int n, LiveEar[] ears) {
        float[] gains = sendGains[s];
        float[] wanted = now.sendGains[index][s];
        Gate gate = sendGates[s];
        Ride ride = sendRides[s];
        int frame = head.place() + advance;
        ride.apply(now.sendCurves[index][s]);
        if (gate == null && ride.skips(frame, n)) {
            gains[0] = wanted[0];
            gains[1] = wanted[1];
            return;
        }
        head.read(sources[s], advance, left, right);
        sendStands[s].process(left, right, n, frame, now.sendCourses[index][s], gains, wanted);
        if (gate != null) {
            gate.apply(now.sendGates[index][s]);
            gate.process(ears[now.graph.sendEars[index][s]].steps(), 0, left, right, 0, n);
        }
        ride.process(left, right, 0, n, frame);
        for (int i = 0; i < n; i++) {
            block.left[i] += left[i];
            block.right[i] += right[i];
        }
    }

    private void feed(Block from, int f, float wanted, int n) {
        LiveDelay delay = feedDelays[f];
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
    private void stage(
            LiveSettings now, StageTuning[] tunings, int i, int start, int n, LiveEar[] ears) {
        Timeline timeline = now.graph.chains.get(index).stages().get(i);
        int clock = start + advance - latencyBefore[i];
        if (clock < origin) {
            return;
        }
        int ear = now.graph.stageEars[index][i];
        int at = 0;
        while (at < n) {
            StageTuning tuning = tunings[timeline.indexAt(clock + at)];
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

    /** Lays gains that move towards wanted ones over both channels. */
    static void glide(float[] left, float[] right, int n, float[] gains, float[] wanted) {
        float gl = gains[0];
        float gr = gains[1];
        if (gl == wanted[0] && gr == wanted[1]) {
            for (int i = 0; i < n; i++) {
                left[i] *= gl;
                right[i] *= gr;
            }
            return;
        }
        for (int i = 0; i < n; i++) {
            gl += (wanted[0] - gl) * GAIN_GLIDE;
            gr += (wanted[1] - gr) * GAIN_GLIDE;
            left[i] *= gl;
            right[i] *= gr;
        }
        gains[0] = settle(gl, wanted[0]);
        gains[1] = settle(gr, wanted[1]);
    }

    /** Forgets all sound; settings hold at once. */
    void reset(LiveSettings now, StageTuning[][] tunings) {
        for (int i = 0; i < applied.length; i++) {
            applied[i] = tunings[i][0];
            stages.get(i).apply(applied[i]);
            stages.get(i).reset();
        }
        for (int s = 0; s < sources.length; s++) {
            System.arraycopy(now.sendGains[index][s], 0, sendGains[s], 0, 2);
            sendRides[s].reset();
            sendStands[s].reset();
            Gate gate = sendGates[s];
            if (gate != null) {
                gate.apply(now.sendGates[index][s]);
                gate.reset();
            }
        }
        System.arraycopy(now.feedGains[index], 0, feedGains, 0, feedGains.length);
        input.reset();
        for (LiveDelay delay : feedDelays) {
            delay.reset();
        }
        mixDelay.reset();
    }

    static float settle(float value, float wanted) {
        return Math.abs(value - wanted) < 1e-6f ? wanted : value;
    }
}
