package orbispace.app.listen;

import java.util.List;
import java.util.Locale;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicReference;
import orbispace.core.render.HeardBand;
import orbispace.core.render.HeardThrough;
import orbispace.core.render.LiveSettings;
import orbispace.core.time.Span;
import org.jspecify.annotations.Nullable;

/**
 * Plays a song in real time on a thread of its own. All methods but {@link #hear}, which belongs to
 * one thread, may be called from any; what they change is heard with the next block. A device that
 * goes away while it plays is looked for every two seconds; until then time goes on in silence.
 */
public final class Player implements AutoCloseable {
    private static final int BLOCK_FRAMES = Deck.BLOCK_FRAMES;

    /** How long a device that is gone is waited for before it is looked for again. */
    private static final long AGAIN_NANOS = 2_000_000_000L;

    private final double sampleRateHz;
    private final Devices devices;
    private volatile OutputChoice choice;
    private volatile String outputName = Devices.SILENT;
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
    public Player(double sampleRateHz, OutputChoice choice) {
        this(sampleRateHz, choice, Devices.ofMachine());
    }

    Player(double sampleRateHz, OutputChoice choice, Devices devices) {
        this.sampleRateHz = sampleRateHz;
        this.choice = choice;
        this.devices = devices;
        deck = new Deck(sampleRateHz);
        Output first = opened(choice);
        thread = new Thread(() -> run(first, choice), "orbispace-audio");
        thread.setDaemon(true);
        thread.setPriority(Thread.MAX_PRIORITY);
        thread.start();
    }

    /** The names of what sound can go to on this machine. */
    public static List<String> devices() {
        return Devices.ofMachine().names();
    }

    /** Plays to something else from now on. */
    public void playTo(OutputChoice other) {
        choice = other;
    }

    private Output opened(OutputChoice to) {
        double rate = to.rateHz() == 0 ? sampleRateHz : to.rateHz();
        Output output = devices.open(to.device(), rate, to.frames());
        boolean converts = output.sampleRateHz() != sampleRateHz;
        outputName =
                output.name()
                        + (converts
                                ? String.format(
                                        Locale.ROOT, " at %.1f kHz", output.sampleRateHz() / 1000)
                                : "");
        return output;
    }

    /** Where the sound goes, in words. */
    public String outputName() {
        return outputName;
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
            boolean first = tuned == null;
            LiveSettings settings = next.tuning.of(tuned);
            tuned = settings;
            hear(settings, next.songFrames);
            if (first) {
                Warming.begin(settings, sampleRateHz, next.songFrames, () -> open);
            }
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

    /** Hears everything elsewhere, or a band alone. */
    public void hearThrough(HeardThrough through, HeardBand band) {
        deck.hearThrough(through, band);
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

    private void run(Output first, OutputChoice firstChoice) {
        float[] left = new float[BLOCK_FRAMES];
        float[] right = new float[BLOCK_FRAMES];
        int overrun = 0;
        Output output = first;
        Packing packing = new Packing(sampleRateHz, output, BLOCK_FRAMES);
        OutputChoice to = firstChoice;
        long gone = 0;
        while (open) {
            OutputChoice wanted = choice;
            boolean again = gone != 0 && System.nanoTime() - gone > AGAIN_NANOS;
            if (!wanted.equals(to) || again) {
                output.close();
                output = opened(wanted);
                packing = new Packing(sampleRateHz, output, BLOCK_FRAMES);
                to = wanted;
                gone = again && output instanceof Output.Silent ? System.nanoTime() : 0;
            }
            long began = System.nanoTime();
            int n = deck.make(left, right);
            int size = packing.pack(left, right, n);
            level = packing.peak();
            if (System.nanoTime() - began > n / sampleRateHz * 1e9) {
                overrun++;
                late = overrun;
            }
            if (!output.write(packing.bytes(), size)) {
                String lost = output.name();
                output.close();
                output = new Output.Silent(sampleRateHz, lost + " is gone: " + Devices.SILENT);
                packing = new Packing(sampleRateHz, output, BLOCK_FRAMES);
                outputName = output.name();
                gone = System.nanoTime();
            }
        }
        output.close();
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
