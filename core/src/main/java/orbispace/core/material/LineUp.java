package orbispace.core.material;

import java.util.Optional;
import orbispace.core.audio.Audio;
import orbispace.core.audio.Polarity;
import orbispace.core.signal.Fft;

/**
 * How two stems that share sound lie against each other: generalised cross-correlation with phase
 * transform (Knapp and Carter 1976) over cross-spectra added up through the song.
 *
 * <p>The delay is that of the highest peak of the phases alone, exact to a sample for copies. A
 * copy that went through filters has phases of its own, which may point down where its sound does
 * not; so polarity is that of the correlation of the sound itself around that peak, which is what a
 * sum of the two gains or loses, and it is said only where one sign leads clearly.
 *
 * @param delaySamples how much later the second is, in frames of its rate; negative if earlier
 * @param polarity whether the second is upside down, where that can be told
 * @param confidence 0 to 1: how far the peak stands over the next one
 * @param sharedShare 0 to 1: squared correlation of the two once they are lined up; near 1 for
 *     copies, small where one only bleeds into the other
 */
public record LineUp(int delaySamples, Polarity polarity, double confidence, double sharedShare) {
    /** The material for which it is tried and holds. */
    public static final String HOLDS_FOR =
            "stems that share sound, copies and bleed, to 1.4 s apart at 48 kHz";

    /** The confidence from which two stems are taken to share sound. */
    public static final double SURE = 0.5;

    /** Frames that are transformed at a time. */
    static final int LENGTH = 1 << 17;

    private static final int PEAK_FRAMES = 4;
    private static final int PART = 1 << 16;
    private static final int MOST_STRETCHES = 64;

    /** How far around the peak of the phases filters may have moved that of the sound. */
    private static final int NEAR_FRAMES = 192;

    /** The other sign reaches this share of the leading one at most, where one leads clearly. */
    private static final double LEADS = 0.7;

    /** So much of a peak stands alone only for a copy whose phases are those of a delay. */
    private static final double PURE = 0.9;

    /** The longest delay that is looked for, in frames. */
    public static final int MOST_FRAMES = LENGTH / 2;

    /**
     * Compares two stems of one rate.
     *
     * @return empty if either is silent or they never sound together
     */
    public static Optional<LineUp> of(Audio a, Audio b) {
        if (a.sampleRateHz() != b.sampleRateHz()) {
            throw new IllegalArgumentException(
                    "rates " + a.sampleRateHz() + " and " + b.sampleRateHz() + " Hz differ");
        }
        return ofCrossSpectrum(crossSpectrum(a, b)).map(l -> l.sharing(a, b));
    }

    /** Finds the peak of a summed cross-spectrum, which it overwrites; empty if it is zero. */
    static Optional<LineUp> ofCrossSpectrum(double[] cross) {
        double most = 0;
        for (int k = 1; k < LENGTH / 2; k++) {
            most = Math.max(most, size(cross, k));
        }
        if (most == 0) {
            return Optional.empty();
        }
        double[] sound = cross.clone();
        whiten(cross, most);
        Fft fft = new Fft(LENGTH);
        fft.inverse(cross);
        LineUp phases = peak(cross);
        if (phases.confidence < SURE) {
            return Optional.of(phases);
        }
        sound[0] = 0;
        sound[1] = 0;
        fft.inverse(sound);
        return Optional.of(phases.by(sound));
    }

    /** Whether the second is upside down. */
    public boolean inverted() {
        return polarity == Polarity.INVERTED;
    }

    /** The same with the polarity of the sound itself, and its delay where the phases mislead. */
    private LineUp by(double[] correlation) {
        int up = delaySamples;
        int down = delaySamples;
        for (int d = delaySamples - NEAR_FRAMES; d <= delaySamples + NEAR_FRAMES; d++) {
            up = at(correlation, d) > at(correlation, up) ? d : up;
            down = at(correlation, d) < at(correlation, down) ? d : down;
        }
        double most = Math.max(0, at(correlation, up));
        double least = Math.max(0, -at(correlation, down));
        Polarity sound = Polarity.NOT_SURE;
        if (least < LEADS * most) {
            sound = Polarity.SAME;
        } else if (most < LEADS * least) {
            sound = Polarity.INVERTED;
        }
        double here = at(correlation, delaySamples);
        boolean gains = polarity == Polarity.SAME ? here >= 0 : here <= 0;
        if (sound == polarity && gains) {
            return this;
        }
        // Where a sum at the delay itself tells the other sign, neither is sure.
        sound = sound == polarity ? Polarity.NOT_SURE : sound;
        if (sound == Polarity.NOT_SURE) {
            return confidence >= PURE
                    ? this
                    : new LineUp(delaySamples, sound, confidence, sharedShare);
        }
        return new LineUp(sound == Polarity.SAME ? up : down, sound, confidence, sharedShare);
    }

    private static double at(double[] correlation, int delay) {
        return correlation[Math.floorMod(delay, LENGTH)];
    }

    /** The same with how much of their sound the two share. */
    LineUp sharing(Audio a, Audio b) {
        double ab = 0;
        double aa = 1e-30;
        double bb = 1e-30;
        int from = Math.max(0, -delaySamples);
        int to = Math.min(a.frames(), b.frames() - delaySamples);
        float[][] x = new float[2][PART];
        float[][] y = new float[2][PART];
        for (int at = from; at < to; at += PART * every(to - from, PART)) {
            int n = Math.min(PART, to - at);
            a.read(at, n, x[0], x[1]);
            b.read(at + delaySamples, n, y[0], y[1]);
            for (int i = 0; i < n; i++) {
                double one = (double) x[0][i] + x[1][i];
                double other = (double) y[0][i] + y[1][i];
                ab += one * other;
                aa += one * one;
                bb += other * other;
            }
        }
        return new LineUp(delaySamples, polarity, confidence, ab * ab / (aa * bb));
    }

    private static double[] crossSpectrum(Audio a, Audio b) {
        Fft fft = new Fft(LENGTH);
        // Without a window the edges of the stretch would be clicks that all stems share.
        double[] window = Fft.hann(LENGTH);
        double[] sum = new double[LENGTH];
        double[] x = new double[LENGTH];
        double[] y = new double[LENGTH];
        int frames = Math.max(a.frames(), b.frames());
        int step = LENGTH / 2;
        for (int start = -step; start < frames; start += step * every(frames, step)) {
            if (load(a, start, window, x) && load(b, start, window, y)) {
                fft.forward(x);
                fft.forward(y);
                for (int k = 1; k < LENGTH / 2; k++) {
                    int re = 2 * k;
                    int im = re + 1;
                    sum[re] += x[re] * y[re] + x[im] * y[im];
                    sum[im] += x[re] * y[im] - x[im] * y[re];
                }
            }
        }
        return sum;
    }

    /** Of a long song some stretches say enough: every so many of them is taken. */
    private static int every(int frames, int stretch) {
        return 1 + frames / stretch / MOST_STRETCHES;
    }

    /** Loads both channels' sum under a window; false if all of it is silent. */
    static boolean load(Audio audio, int start, double[] window, double[] into) {
        boolean sound = false;
        float[] l = new float[into.length];
        float[] r = new float[into.length];
        audio.read(start, into.length, l, r);
        for (int i = 0; i < into.length; i++) {
            into[i] = window[i] * ((double) l[i] + r[i]);
            sound |= into[i] != 0;
        }
        return sound;
    }

    private static double size(double[] packed, int k) {
        return Math.sqrt(packed[2 * k] * packed[2 * k] + packed[2 * k + 1] * packed[2 * k + 1]);
    }

    /** Keeps the phase only; bins 80 dB under the strongest say nothing. */
    private static void whiten(double[] cross, double most) {
        cross[0] = 0;
        cross[1] = 0;
        for (int k = 1; k < LENGTH / 2; k++) {
            double size = size(cross, k);
            double scale = size > 1e-8 * most ? 1 / size : 0;
            cross[2 * k] *= scale;
            cross[2 * k + 1] *= scale;
        }
    }

    private static LineUp peak(double[] correlation) {
        int best = 0;
        for (int i = 1; i < LENGTH; i++) {
            if (Math.abs(correlation[i]) > Math.abs(correlation[best])) {
                best = i;
            }
        }
        double next = 0;
        for (int i = 0; i < LENGTH; i++) {
            int apart = Math.floorMod(i - best + LENGTH / 2, LENGTH) - LENGTH / 2;
            if (Math.abs(apart) > PEAK_FRAMES) {
                next = Math.max(next, Math.abs(correlation[i]));
            }
        }
        int delay = best <= LENGTH / 2 ? best : best - LENGTH;
        Polarity polarity = correlation[best] < 0 ? Polarity.INVERTED : Polarity.SAME;
        return new LineUp(delay, polarity, 1 - next / Math.abs(correlation[best]), 0);
    }
}
