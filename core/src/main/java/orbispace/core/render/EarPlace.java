package orbispace.core.render;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import orbispace.core.signal.Biquad;
import orbispace.core.signal.Cascade;
import orbispace.core.signal.FilterDesign;
import org.jspecify.annotations.Nullable;

/**
 * What is played as it is heard elsewhere, or a part of its spectrum alone. Our own plain models,
 * for judging whether a field survives there, not for what a certain loudspeaker sounds like.
 *
 * <p>Loudspeakers: each ear hears its own through the head's near side (60 degrees from the ear)
 * and the other through its far side (120 degrees), 0.26 ms later, by the one-pole model of a
 * spherical head of Brown and Duda (1998), and four reflections of 6 to 18 ms at -15 to -19 dB
 * under 5 kHz.
 *
 * <p>{@link #process} belongs to one thread and allocates nothing; {@link #set} may be called by
 * any. A change is cross-faded within 20 ms.
 */
public final class EarPlace {
    private static final double FADE_SECONDS = 0.02;

    private final Way[] ways = new Way[2];
    private final float[] otherLeft;
    private final float[] otherRight;
    private final int fadeFrames;
    private volatile Choice wanted = new Choice(HeardThrough.HEADPHONES, HeardBand.ALL);
    private Choice now = wanted;
    private int current;
    private int fadeLeft;

    private record Choice(HeardThrough through, HeardBand band) {}

    /** A place for blocks of at most {@code maxFrames}. */
    public EarPlace(double sampleRateHz, int maxFrames) {
        for (int i = 0; i < ways.length; i++) {
            ways[i] = new Way(sampleRateHz, maxFrames);
            ways[i].choose(now);
        }
        otherLeft = new float[maxFrames];
        otherRight = new float[maxFrames];
        fadeFrames = (int) (FADE_SECONDS * sampleRateHz);
    }

    /** Hears it elsewhere from the next block on. */
    public void set(HeardThrough through, HeardBand band) {
        wanted = new Choice(through, band);
    }

    /** Changes {@code n} frames into what is heard there. */
    public void process(float[] left, float[] right, int n) {
        Choice next = wanted;
        if (fadeLeft == 0 && !next.equals(now)) {
            now = next;
            current = 1 - current;
            ways[current].choose(next);
            fadeLeft = fadeFrames;
        }
        if (fadeLeft == 0) {
            ways[current].process(left, right, n);
            return;
        }
        System.arraycopy(left, 0, otherLeft, 0, n);
        System.arraycopy(right, 0, otherRight, 0, n);
        ways[current].process(left, right, n);
        ways[1 - current].process(otherLeft, otherRight, n);
        for (int i = 0; i < n; i++) {
            float share = Math.max(0, fadeLeft - i) / (float) fadeFrames;
            left[i] += share * (otherLeft[i] - left[i]);
            right[i] += share * (otherRight[i] - right[i]);
        }
        fadeLeft = Math.max(0, fadeLeft - n);
    }

    /** Every place and band with a memory of its own. */
    private static final class Way {
        private static final double SMALL_FROM_HZ = 250;
        private static final double SMALL_TO_HZ = 6000;
        private static final double SIDE_GAIN = 0.5;
        private static final double SIDE_SECONDS = 0.0006;

        private final Loudspeakers loudspeakers;
        private final Cascade small;
        private final Map<HeardBand, Cascade> bands = new EnumMap<>(HeardBand.class);
        private final Late late;
        private HeardThrough through = HeardThrough.HEADPHONES;
        private @Nullable Cascade band;

        Way(double rate, int maxFrames) {
            loudspeakers = new Loudspeakers(rate, maxFrames);
            List<Biquad> filter = new ArrayList<>(FilterDesign.highPass(SMALL_FROM_HZ, 2, rate));
            filter.addAll(FilterDesign.lowPass(SMALL_TO_HZ, 2, rate));
            small = new Cascade(filter);
            late = new Late((int) Math.round(SIDE_SECONDS * rate));
            for (HeardBand b : HeardBand.values()) {
                if (b != HeardBand.ALL) {
                    bands.put(b, new Cascade(b.filter(rate)));
                }
            }
        }

        /** Begins anew with another choice. */
        void choose(Choice choice) {
            through = choice.through;
            band = bands.get(choice.band);
            loudspeakers.reset();
            small.reset();
            late.reset();
            if (band != null) {
                band.reset();
            }
        }

        void process(float[] left, float[] right, int n) {
            Cascade alone = band;
            if (alone != null) {
                alone.process(left, right, 0, n);
            }
            switch (through) {
                case HEADPHONES -> {}
                case LOUDSPEAKERS -> loudspeakers.process(left, right, n);
                case SMALL_SPEAKER -> {
                    for (int i = 0; i < n; i++) {
                        left[i] = (left[i] + right[i]) / 2;
                    }
                    System.arraycopy(left, 0, right, 0, n);
                    small.process(left, right, 0, n);
                }
                case SIDE_SEAT -> {
                    for (int i = 0; i < n; i++) {
                        right[i] = (float) SIDE_GAIN * late.next(right[i]);
                    }
                }
            }
        }
    }

    /** A whole number of frames later. */
    private static final class Late {
        private final float[] ring;
        private int at;

        Late(int frames) {
            ring = new float[Math.max(1, frames)];
        }

        void reset() {
            Arrays.fill(ring, 0);
        }

        float next(float x) {
            float out = ring[at];
            ring[at] = x;
            at = at + 1 == ring.length ? 0 : at + 1;
            return out;
        }
    }

    /** Two loudspeakers before a spherical head. */
    private static final class Loudspeakers {
        private static final double HEAD_METRES = 0.0875;
        private static final double SOUND = 343;
        private static final double NEAR_DEGREES = 60;
        private static final double FAR_DEGREES = 120;
        private static final double LEAST_ALPHA = 0.1;
        private static final double SHADE_DEGREES = 150;
        private static final double TIME_APART = HEAD_METRES / SOUND * (Math.PI / 6 + 0.5);
        private static final double[] ECHO_SECONDS = {0.0061, 0.0087, 0.0133, 0.0179};
        private static final double[] ECHO_DB = {-15, -16, -18, -19};
        private static final double ECHO_TO_HZ = 5000;

        private final Cascade near;
        private final Cascade far;
        private final Cascade room;
        private final Late leftLate;
        private final Late rightLate;
        private final Late[] leftEchoes = new Late[ECHO_SECONDS.length];
        private final Late[] rightEchoes = new Late[ECHO_SECONDS.length];
        private final float[] gains = new float[ECHO_DB.length];
        private final float[] farLeft;
        private final float[] farRight;
        private final float[] roomLeft;
        private final float[] roomRight;

        Loudspeakers(double rate, int maxFrames) {
            near = new Cascade(List.of(head(NEAR_DEGREES, rate)));
            far = new Cascade(List.of(head(FAR_DEGREES, rate)));
            room = new Cascade(FilterDesign.lowPass(ECHO_TO_HZ, 2, rate));
            int apart = (int) Math.round(TIME_APART * rate);
            leftLate = new Late(apart);
            rightLate = new Late(apart);
            for (int k = 0; k < gains.length; k++) {
                leftEchoes[k] = new Late((int) Math.round(ECHO_SECONDS[k] * rate));
                rightEchoes[k] = new Late((int) Math.round(ECHO_SECONDS[k] * rate));
                gains[k] = (float) Math.pow(10, ECHO_DB[k] / 20);
            }
            farLeft = new float[maxFrames];
            farRight = new float[maxFrames];
            roomLeft = new float[maxFrames];
            roomRight = new float[maxFrames];
        }

        /** The head between a source and an ear, one pole and one zero. */
        private static Biquad head(double degrees, double rate) {
            double turn = Math.toRadians(degrees / SHADE_DEGREES * 180);
            double alpha = 1 + LEAST_ALPHA / 2 + (1 - LEAST_ALPHA / 2) * Math.cos(turn);
            // (1 + alpha s / 2 w0) / (1 + s / 2 w0) by the bilinear rule, w0 = sound / head
            double k = rate * HEAD_METRES / SOUND;
            double a0 = 1 + k;
            return new Biquad((1 + alpha * k) / a0, (1 - alpha * k) / a0, 0, (1 - k) / a0, 0);
        }

        void reset() {
            near.reset();
            far.reset();
            room.reset();
            leftLate.reset();
            rightLate.reset();
            for (int k = 0; k < gains.length; k++) {
                Objects.requireNonNull(leftEchoes[k]).reset();
                Objects.requireNonNull(rightEchoes[k]).reset();
            }
        }

        void process(float[] left, float[] right, int n) {
            for (int i = 0; i < n; i++) {
                farLeft[i] = rightLate.next(right[i]);
                farRight[i] = leftLate.next(left[i]);
                float l = 0;
                float r = 0;
                for (int k = 0; k < gains.length; k++) {
                    float fromLeft = gains[k] * leftEchoes[k].next(left[i]);
                    float fromRight = gains[k] * rightEchoes[k].next(right[i]);
                    boolean across = k % 2 == 1;
                    l += across ? fromRight : fromLeft;
                    r += across ? fromLeft : fromRight;
                }
                roomLeft[i] = l;
                roomRight[i] = r;
            }
            near.process(left, right, 0, n);
            far.process(farLeft, farRight, 0, n);
            room.process(roomLeft, roomRight, 0, n);
            for (int i = 0; i < n; i++) {
                left[i] = (left[i] + farLeft[i] + roomLeft[i]) / 2;
                right[i] = (right[i] + farRight[i] + roomRight[i]) / 2;
            }
        }
    }
}
