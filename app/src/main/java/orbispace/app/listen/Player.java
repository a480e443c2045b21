package orbispace.app.listen;

import orbispace.core.render.LiveField;
import orbispace.core.render.LiveMix;
import orbispace.core.time.Span;
import org.jspecify.annotations.Nullable;

/**
 * Plays a {@link LiveMix} in real time on a thread of its own. All methods may be called from any
 * thread; what they change is heard with the next block.
 */
public final class Player implements AutoCloseable {
    private static final int BLOCK_FRAMES = 512;
    private static final double TAIL_SECONDS = 6;

    private final double sampleRateHz;
    private final Output output;
    private final Thread thread;
    private final LiveField field = new LiveField(BLOCK_FRAMES);
    private volatile boolean playing;
    private volatile boolean open = true;
    private volatile int position;
    private final Bridge bridge;
    private volatile int seek = -1;
    private volatile int length;
    private volatile @Nullable Span loop;
    private volatile float level;
    private volatile int late;

    /** Opens the sound card, or the silent output where there is none. */
    public Player(double sampleRateHz) {
        this.sampleRateHz = sampleRateHz;
        bridge = new Bridge(sampleRateHz);
        output = Output.open(sampleRateHz, BLOCK_FRAMES);
        thread = new Thread(this::run, "orbispace-audio");
        thread.setDaemon(true);
        thread.setPriority(Thread.MAX_PRIORITY);
        thread.start();
    }

    /** Frames that a mix must be able to make at once. */
    public static int blockFrames() {
        return BLOCK_FRAMES;
    }

    /** Where the sound goes, in words. */
    public String outputName() {
        return output.name();
    }

    /** Takes another mix and the length of its song in frames. */
    public void setMix(LiveMix given, int songFrames) {
        length = songFrames;
        field.set(given);
    }

    /** Starts or stops. */
    public void setPlaying(boolean on) {
        playing = on;
    }

    /** Whether it plays. */
    public boolean playing() {
        return playing;
    }

    /** Repeats a stretch; null plays on. */
    public void setLoop(@Nullable Span span) {
        loop = span;
    }

    /** Goes to a time. */
    public void seek(double seconds) {
        seek = (int) Math.round(seconds * sampleRateHz);
        if (!playing) {
            position = seek;
        }
    }

    /** Where it is, in seconds. */
    public double positionSeconds() {
        return position / sampleRateHz;
    }

    /** How many blocks took longer to make than to play, since the song was opened. */
    public int lateBlocks() {
        return late;
    }

    /** Peak of the last block, after the limiter, 0 to 1. */
    public float level() {
        return level;
    }

    private void run() {
        float[] left = new float[BLOCK_FRAMES];
        float[] right = new float[BLOCK_FRAMES];
        byte[] bytes = new byte[BLOCK_FRAMES * 4];
        Limiter limiter = new Limiter(sampleRateHz);
        boolean was = false;
        int overrun = 0;
        while (open) {
            boolean on = playing && field.ready();
            if (on != was) {
                bridge.jump();
            }
            if (on && !was) {
                limiter.restart();
            }
            was = on;
            if (on) {
                long began = System.nanoTime();
                int n = framesToLoopEnd();
                field.process(position, left, right, n);
                limiter.process(left, right, n);
                bridge.process(left, right, n);
                advance(n);
                level = pack(left, right, n, bytes);
                if (System.nanoTime() - began > n / sampleRateHz * 1e9) {
                    overrun++;
                    late = overrun;
                }
                output.write(bytes, 4 * n);
            } else {
                level = 0;
                java.util.Arrays.fill(left, 0);
                java.util.Arrays.fill(right, 0);
                bridge.process(left, right, BLOCK_FRAMES);
                pack(left, right, BLOCK_FRAMES, bytes);
                output.write(bytes, bytes.length);
            }
        }
        output.close();
    }

    /** Takes a wanted place, and answers how many frames may be made before the loop's end. */
    private int framesToLoopEnd() {
        int wanted = seek;
        if (wanted >= 0) {
            position = wanted;
            seek = -1;
            bridge.jump();
        }
        Span span = loop;
        if (span == null) {
            return BLOCK_FRAMES;
        }
        int start = (int) Math.round(span.startSeconds() * sampleRateHz);
        int end = (int) Math.round(span.endSeconds() * sampleRateHz);
        if (position >= end || position < start) {
            position = start;
            bridge.jump();
        }
        return Math.clamp(end - position, 1, BLOCK_FRAMES);
    }

    private void advance(int n) {
        int next = position + n;
        position = next;
        if (loop == null && next > length + TAIL_SECONDS * sampleRateHz) {
            playing = false;
            position = 0;
        }
    }

    private static float pack(float[] left, float[] right, int n, byte[] bytes) {
        float peak = 0;
        for (int i = 0; i < n; i++) {
            peak = Math.max(peak, Math.max(Math.abs(left[i]), Math.abs(right[i])));
            put(bytes, 4 * i, left[i]);
            put(bytes, 4 * i + 2, right[i]);
        }
        return peak;
    }

    private static void put(byte[] bytes, int at, float x) {
        int v = Math.clamp(Math.round(x * 32767), -32767, 32767);
        bytes[at] = (byte) v;
        bytes[at + 1] = (byte) (v >> 8);
    }

    @Override
    public void close() {
        open = false;
        try {
            thread.join(500);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }
}
