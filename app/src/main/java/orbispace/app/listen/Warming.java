package orbispace.app.listen;

import java.util.function.BooleanSupplier;
import orbispace.core.render.LiveSettings;

/**
 * Plays the beginning of a song to nobody, in a deck of its own, as fast as it goes, so that the
 * code of every stage is compiled before somebody listens: blocks are late in the first minute
 * otherwise.
 */
final class Warming {
    private static final double SONG_SECONDS = 12;
    private static final long MOST_NANOS = 6_000_000_000L;

    private Warming() {}

    /**
     * Plays up to 12 seconds of a song, 6 seconds long at most.
     *
     * @param goesOn asked before each block
     * @return how many blocks were made
     */
    static int run(
            LiveSettings settings, double sampleRateHz, int songFrames, BooleanSupplier goesOn) {
        Deck deck = new Deck(sampleRateHz);
        deck.hear(settings, songFrames);
        deck.setPlaying(true);
        float[] left = new float[Deck.BLOCK_FRAMES];
        float[] right = new float[Deck.BLOCK_FRAMES];
        long ends = System.nanoTime() + MOST_NANOS;
        int blocks = 0;
        int made = 0;
        while (goesOn.getAsBoolean()
                && made < SONG_SECONDS * sampleRateHz
                && System.nanoTime() < ends) {
            made += deck.make(left, right);
            blocks++;
        }
        return blocks;
    }

    /** Does so on a thread that gives way to all others. */
    static void begin(
            LiveSettings settings, double sampleRateHz, int songFrames, BooleanSupplier goesOn) {
        Thread thread =
                new Thread(
                        () -> run(settings, sampleRateHz, songFrames, goesOn), "orbispace-warming");
        thread.setDaemon(true);
        thread.setPriority(Thread.MIN_PRIORITY);
        thread.start();
    }
}
