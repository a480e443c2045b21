package orbispace.app.listen;

import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicReference;
import orbispace.core.render.LiveSettings;
import orbispace.core.time.Span;
import org.jspecify.annotations.Nullable;

/**
 * Plays a song in real time on a thread of its own. All methods but {@link #hear}, which belongs to
 * one thread, may be called from any; what they change is heard with the next block.
 */
public final class Player implements AutoCloseable {
    private static final int BLOCK_FRAMES = Deck.BLOCK_FRAMES;

    private final double sampleRateHz;
    private final Output output;
    private final Thread thread;
    private final Deck deck;
    private volatile boolean open = true;
    private volatile float level;
    private volatile int late;
    private final AtomicReference<@Nullable Waiting> waiting = new AtomicReference<>();
    private final ExecutorService tuner =
            Executors.newSingleThreadExecutor(task -> {
                Thread thread = new Thread(task, "orbispace-tuner");
                thread.setDaemon(true);
                return thread;
            });

    /** Belongs to the tuner. */
    private @Nullable LiveSettings tuned;

    /** Opens the sound card, or the silent output where there is none. */
    public Player(double sampleRateHz) {
        this.sampleRateHz = sampleRateHz;
        deck = new Deck(sampleRateHz);
        output = Output.open(sampleRateHz, BLOCK_FRAMES);
        thread = new Thread(this::run, "orbispace-audio");
        thread.setDaemon(true);
        thread.setPriority(Thread.MAX_PRIORITY);
        thread.start();
    }

    /** Where the sound goes, in words. */
    public String outputName() {
        return output.name();
    }

    /** Works out what is to be heard, given what is heard already, if anything is. */
    @FunctionalInterface
    public interface Tuning {
        /** Works it out; takes a second for spaces that were never heard. */
        LiveSettings of(@Nullable LiveSettings before);
    }

    /**
     * Works out beside the caller what is to be heard, and makes it heard then; of several that
     * wait the last counts.
     *
     * @param songFrames length of the song
     */
    public void tune(Tuning tuning, int songFrames) {
        if (waiting.getAndSet(new Waiting(tuning, songFrames)) == null && open) {
            tuner.execute(this::tuneNext);
        }
    }

    private record Waiting(Tuning tuning, int songFrames) {}

    private void tuneNext() {
        Waiting next = waiting.getAndSet(null);
        if (next != null && open) {
            LiveSettings settings = next.tuning.of(tuned);
            tuned = settings;
            hear(settings, next.songFrames);
        }
    }

    /**
     * Makes settings heard.
     *
     * @param songFrames length of their song
     */
    public void hear(LiveSettings settings, int songFrames) {
        deck.hear(settings, songFrames);
    }

    /** Starts or stops. */
    public void setPlaying(boolean on) {
        deck.setPlaying(on);
    }

    /** Whether it plays. */
    public boolean playing() {
        return deck.playing();
    }

    /** Repeats a stretch; null plays on. */
    public void setLoop(@Nullable Span span) {
        deck.setLoop(span);
    }

    /** Goes to a time. */
    public void seek(double seconds) {
        deck.seek(seconds);
    }

    /** Where it is, in seconds. */
    public double positionSeconds() {
        return deck.positionSeconds();
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
        int overrun = 0;
        while (open) {
            long began = System.nanoTime();
            int n = deck.make(left, right);
            level = pack(left, right, n, bytes);
            if (System.nanoTime() - began > n / sampleRateHz * 1e9) {
                overrun++;
                late = overrun;
            }
            output.write(bytes, 4 * n);
        }
        output.close();
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
        tuner.shutdown();
        try {
            thread.join(500);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }
}
