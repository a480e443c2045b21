package orbispace.core.render;

import java.util.Arrays;

/**
 * Where a mix reads the song. After a jump what is read goes over from the place before to the new
 * one within {@link #SEAM_FRAMES}, so that neither the dry sound nor what enters a space clicks.
 */
public final class Playhead {
    /** Over how many frames one place goes over into another. */
    static final int SEAM_FRAMES = 512;

    private int place;
    private int next;
    private int before;
    private int left;
    private int count;
    private boolean begun;

    /** Goes to the next frames, which may lie anywhere in the song. */
    void go(int start, int n) {
        before += count;
        left = Math.max(0, left - count);
        if (begun && start != next) {
            before = next;
            left = SEAM_FRAMES;
        }
        begun = true;
        place = start;
        count = n;
        next = start + n;
    }

    /** Where the song is. */
    int place() {
        return place;
    }

    /** Reads the frames that lie so far ahead of the song; silence outside of the sound. */
    void read(float[] sound, int ahead, float[] into) {
        copy(sound, place + ahead, into, 0, count);
        int seam = Math.min(left, count);
        int from = before + ahead;
        for (int k = 0; k < seam; k++) {
            int i = from + k;
            float was = i >= 0 && i < sound.length ? sound[i] : 0;
            float share = (left - k) / (float) SEAM_FRAMES;
            into[k] += share * (was - into[k]);
        }
    }

    private static void copy(float[] sound, int start, float[] into, int at, int n) {
        int from = Math.clamp(-(long) start, 0, n);
        int to = Math.clamp((long) sound.length - start, from, n);
        Arrays.fill(into, at, at + from, 0);
        if (to > from) {
            System.arraycopy(sound, start + from, into, at + from, to - from);
        }
        Arrays.fill(into, at + to, at + n, 0);
    }

    /** Begins anew: the next place is not jumped to. */
    void reset() {
        begun = false;
        left = 0;
        count = 0;
    }
}
