package orbispace.core.render;

import java.util.Arrays;
import orbispace.core.audio.Audio;

/**
 * A stem for the audio thread. What is stored elsewhere is read by short pages, of which the last
 * few are kept, so that the returns of a mix read it once; reads neither allocate nor lock.
 */
final class LiveStem {
    private static final int PAGE = 1024;

    /** More than a mix reads ahead, and apart from it the place before a jump. */
    private static final int PAGES = 16;

    private final Audio audio;
    private final boolean stored;
    private final int[] pages = new int[PAGES];
    private final float[][] left;
    private final float[][] right;

    LiveStem(Audio audio) {
        this.audio = audio;
        stored = audio.samples().isPresent();
        left = new float[stored ? PAGES : 0][PAGE];
        right = new float[stored ? PAGES : 0][PAGE];
        Arrays.fill(pages, -1);
    }

    /** Reads frames, silence outside of the sound; a mono sound goes into both. */
    void read(int start, int count, float[] intoLeft, float[] intoRight) {
        if (!stored) {
            audio.read(start, count, intoLeft, intoRight);
            return;
        }
        int at = 0;
        while (at < count) {
            int page = Math.floorDiv(start + at, PAGE);
            int first = start + at - page * PAGE;
            int n = Math.min(count - at, PAGE - first);
            int slot = slot(page);
            System.arraycopy(left[slot], first, intoLeft, at, n);
            System.arraycopy(right[slot], first, intoRight, at, n);
            at += n;
        }
    }

    private int slot(int page) {
        int slot = Math.floorMod(page, PAGES);
        if (pages[slot] != page) {
            pages[slot] = page;
            try {
                audio.read(page * PAGE, PAGE, left[slot], right[slot]);
            } catch (java.io.UncheckedIOException e) {
                // Who measures it says so in words; here it is only not heard.
                Arrays.fill(left[slot], 0);
                Arrays.fill(right[slot], 0);
            }
        }
        return slot;
    }
}
