package orbispace.core.render;

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
    private int seamLeft;
    private int count;
    private boolean begun;
    private final float[] wasLeft = new float[SEAM_FRAMES];
    private final float[] wasRight = new float[SEAM_FRAMES];

    /** Goes to the next frames, which may lie anywhere in the song. */
    void go(int start, int n) {
        before += count;
        seamLeft = Math.max(0, seamLeft - count);
        if (begun && start != next) {
            before = next;
            seamLeft = SEAM_FRAMES;
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

    /**
     * Reads the frames that lie so far ahead of the song; silence outside of the sound, and a mono
     * sound into both.
     */
    void read(LiveStem stem, int ahead, float[] left, float[] right) {
        stem.read(place + ahead, count, left, right);
        int seam = Math.min(seamLeft, count);
        if (seam > 0) {
            stem.read(before + ahead, seam, wasLeft, wasRight);
            goOver(wasLeft, left, seam);
            goOver(wasRight, right, seam);
        }
    }

    private void goOver(float[] was, float[] into, int seam) {
        for (int k = 0; k < seam; k++) {
            float share = (seamLeft - k) / (float) SEAM_FRAMES;
            into[k] += share * (was[k] - into[k]);
        }
    }

    /** Begins anew: the next place is not jumped to. */
    void reset() {
        begun = false;
        seamLeft = 0;
        count = 0;
    }
}
