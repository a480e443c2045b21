package orbispace.app.listen;

import java.util.ArrayDeque;
import java.util.Arrays;
import java.util.Deque;
import java.util.concurrent.atomic.AtomicInteger;
import orbispace.core.render.EarPlace;
import orbispace.core.render.HeardBand;
import orbispace.core.render.HeardThrough;
import orbispace.core.render.LiveField;
import orbispace.core.render.LiveMix;
import orbispace.core.render.LiveSettings;
import orbispace.core.time.Span;
import org.jspecify.annotations.Nullable;

/**
 * Makes what is played, block by block: where in the song, from which mix, guarded at the end.
 *
 * <p>Playing begins from rest and quietly; it ends with a fade of one block, and what rang then is
 * forgotten. Every place that is jumped to lies on a grid of {@link #GRID} frames, on which
 * everything in a mix works, so that a stretch sounds the same however it was reached.
 *
 * <p>One thread calls {@link #make}; {@link #hear} belongs to one other; the rest may be called by
 * any.
 */
final class Deck {
    /** Frames made at once at most. */
    static final int BLOCK_FRAMES = 512;

    /** Places that are jumped to are whole numbers of this many frames. */
    static final int GRID = 64;

    private static final int NOWHERE = -1;
    private static final int LEAST_LOOP = 2048;
    private static final double TAIL_SECONDS = 6;
    private static final int MOST_KNOWN = 4;

    private final double sampleRateHz;
    private final LiveField field = new LiveField(BLOCK_FRAMES);
    private final Limiter limiter;
    private final EarPlace place;
    private final Deque<LiveMix> known = new ArrayDeque<>();
    private final AtomicInteger seek = new AtomicInteger(NOWHERE);
    private volatile boolean playing;
    private volatile int position;
    private volatile int length;
    private volatile @Nullable Span loop;
    private boolean sounding;
    private int sinceJump = BLOCK_FRAMES;

    Deck(double sampleRateHz) {
        this.sampleRateHz = sampleRateHz;
        limiter = new Limiter(sampleRateHz);
        place = new EarPlace(sampleRateHz, BLOCK_FRAMES);
    }

    /** Makes settings heard: by the mix that is, by one that still rings, or by a new one. */
    void hear(LiveSettings settings, int songFrames) {
        length = songFrames;
        LiveMix taking = null;
        for (LiveMix mix : known) {
            if (taking == null && !mix.gone() && mix.takes(settings)) {
                taking = mix;
            }
        }
        if (taking == null) {
            taking = new LiveMix(settings, BLOCK_FRAMES);
        } else {
            taking.set(settings);
        }
        known.remove(taking);
        known.addFirst(taking);
        while (known.size() > MOST_KNOWN) {
            known.removeLast();
        }
        field.set(taking);
    }

    /** Hears everything elsewhere, or a band alone. */
    void hearThrough(HeardThrough through, HeardBand band) {
        place.set(through, band);
    }

    void setPlaying(boolean on) {
        playing = on;
    }

    boolean playing() {
        return playing;
    }

    /** Repeats a stretch; null plays on. */
    void setLoop(@Nullable Span span) {
        loop = span;
    }

    void seek(double seconds) {
        seek.set((int) Math.min(Integer.MAX_VALUE, Math.max(0, seconds) * sampleRateHz));
    }

    double positionSeconds() {
        int wanted = seek.get();
        return (wanted == NOWHERE ? position : wanted) / sampleRateHz;
    }

    private static int onGrid(double frames) {
        return (int) Math.min(1 << 30, frames) / GRID * GRID;
    }

    /**
     * Makes the next frames.
     *
     * @return how many; at most {@link #BLOCK_FRAMES}
     */
    int make(float[] left, float[] right) {
        boolean on = playing && field.ready();
        if (!on && !sounding) {
            place();
            sinceJump = BLOCK_FRAMES;
            Arrays.fill(left, 0);
            Arrays.fill(right, 0);
            return BLOCK_FRAMES;
        }
        if (!sounding) {
            begin();
        }
        int n = on ? place() : BLOCK_FRAMES;
        field.process(position, left, right, n);
        if (!on) {
            fadeOut(left, right, n);
            sounding = false;
        }
        place.process(left, right, n);
        limiter.process(left, right, n);
        advance(n);
        return n;
    }

    private void begin() {
        sinceJump = BLOCK_FRAMES;
        place();
        sinceJump = BLOCK_FRAMES;
        sounding = true;
        field.rest();
        if (position > 0) {
            field.fadeIn();
        }
        limiter.restart();
    }

    private static void fadeOut(float[] left, float[] right, int n) {
        for (int i = 0; i < n; i++) {
            float share = 1 - (i + 1f) / n;
            left[i] *= share;
            right[i] *= share;
        }
    }

    /** Goes where it is wanted, once the last jump is over; says how many frames may follow. */
    private int place() {
        if (sinceJump >= BLOCK_FRAMES) {
            int wanted = seek.getAndSet(NOWHERE);
            if (wanted != NOWHERE) {
                position = onGrid(wanted);
                sinceJump = 0;
            }
        }
        Span span = loop;
        if (span == null) {
            return BLOCK_FRAMES;
        }
        int start = onGrid(span.startSeconds() * sampleRateHz);
        int end = Math.max(start + LEAST_LOOP, onGrid(span.endSeconds() * sampleRateHz));
        if ((position >= end || position < start) && sinceJump >= BLOCK_FRAMES) {
            position = start;
            sinceJump = 0;
        }
        return position < end ? Math.min(end - position, BLOCK_FRAMES) : BLOCK_FRAMES;
    }

    private void advance(int n) {
        sinceJump = Math.min(BLOCK_FRAMES, sinceJump + n);
        int next = position + n;
        position = next;
        if (loop == null && next > length + TAIL_SECONDS * sampleRateHz) {
            playing = false;
            seek.compareAndSet(NOWHERE, 0);
        }
    }
}
