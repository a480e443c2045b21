package orbispace.core.render;

import java.util.List;

/**
 * The stretches of the song in which a source of a key is listened to, such as the sections in
 * which it leads; outside of them it is silent to who listens.
 *
 * @param stretches in order, apart from each other; none for the whole song
 */
public record KeyWindow(List<Stretch> stretches) {
    /** Everywhere. */
    public static final KeyWindow OPEN = new KeyWindow(List.of());

    /** Frames of the song from one to before another. */
    public record Stretch(int from, int to) {}

    /** Keeps its own list. */
    public KeyWindow {
        stretches = List.copyOf(stretches);
    }

    /**
     * Adds what is heard of a block to the middle and the side of a key.
     *
     * @param first frame of the song at which the block begins
     */
    void add(float gain, float[] left, float[] right, int first, int n, float[] mid, float[] side) {
        if (stretches.isEmpty()) {
            add(gain, left, right, mid, side, 0, n);
        }
        for (int s = 0; s < stretches.size(); s++) {
            Stretch heard = stretches.get(s);
            int from = Math.max(0, heard.from - first);
            int to = Math.min(n, heard.to - first);
            add(gain, left, right, mid, side, from, to);
        }
    }

    private static void add(
            float gain, float[] left, float[] right, float[] mid, float[] side, int from, int to) {
        for (int i = from; i < to; i++) {
            mid[i] += gain * (left[i] + right[i]);
            side[i] += gain * (left[i] - right[i]);
        }
    }
}
