package orbispace.core.clear.room;

import java.util.Arrays;
import java.util.OptionalDouble;
import java.util.stream.DoubleStream;
import orbispace.core.audio.Audio;
import orbispace.core.signal.WindowedSpectrum;

/**
 * Mean power left and right in each third of an octave from 160 Hz up, and what both have in
 * common, so that the powers at another pan or width follow without another transform.
 */
final class SidePowers {
    /** Centres at 1 kHz times ten to the power of tenths, 158 Hz to 15.8 kHz. */
    private static final int LOWEST = -8;

    static final int BANDS = 21;
    private static final double EDGE = Math.pow(10, 0.05);
    private static final double TRANSFORM_SECONDS = 0.17;
    private static final int MOST_TRANSFORMS = 400;

    /** What lies so far under the strongest third is not weighed. */
    private static final double FAINT_DB = 50;

    private static final double NEARLY_DB = 0.02;

    private final double[] left;
    private final double[] right;
    private final double[] common;
    private final double low;

    private SidePowers(double[] left, double[] right, double[] common, double low) {
        this.left = left;
        this.right = right;
        this.common = common;
        this.low = low;
    }

    /** Centre of a band in Hz. */
    static double centreHz(int band) {
        return 1000 * Math.pow(10, (band + LOWEST) / 10.0);
    }

    /** No power at all. */
    static SidePowers none() {
        return new SidePowers(new double[BANDS], new double[BANDS], new double[BANDS], 0);
    }

    /** The powers of a sound of two channels. */
    static SidePowers of(Audio audio) {
        double rate = audio.sampleRateHz();
        int length = 2 * (int) Math.round(rate * TRANSFORM_SECONDS / 2);
        int hop = Math.max(length / 2, audio.frames() / MOST_TRANSFORMS);
        WindowedSpectrum l = WindowedSpectrum.hann(length);
        WindowedSpectrum r = WindowedSpectrum.hann(length);
        double[][] sums = new double[3][length / 2];
        for (int at = 0; at + length / 2 <= audio.frames() || at == 0; at += hop) {
            boolean sounds = l.take(audio.channel(0), at);
            if (r.take(audio.channel(1), at) || sounds) {
                l.addPower(sums[0]);
                r.addPower(sums[1]);
                for (int k = 1; k < length / 2; k++) {
                    sums[2][k] += l.common(r, k);
                }
            }
        }
        double binHz = rate / length;
        int lowest = (int) (centreHz(0) / EDGE / binHz);
        return new SidePowers(
                bands(sums[0], binHz),
                bands(sums[1], binHz),
                bands(sums[2], binHz),
                Arrays.stream(sums[0], 0, lowest).sum() + Arrays.stream(sums[1], 0, lowest).sum());
    }

    private static double[] bands(double[] bins, double binHz) {
        double[] bands = new double[BANDS];
        for (int b = 0; b < BANDS; b++) {
            double from = centreHz(b) / EDGE / binHz;
            double to = centreHz(b) * EDGE / binHz;
            for (int k = (int) from; k <= (int) to && k < bins.length; k++) {
                double inside = Math.min(to, k + 0.5) - Math.max(from, k - 0.5);
                bands[b] += bins[k] * Math.clamp(inside, 0, 1);
            }
        }
        return bands;
    }

    /**
     * The powers at other gains and another width.
     *
     * @param width of what it is now
     */
    SidePowers at(double leftGain, double rightGain, double width) {
        double own = (1 + width) / 2;
        double other = (1 - width) / 2;
        double[] l = new double[BANDS];
        double[] r = new double[BANDS];
        double[] c = new double[BANDS];
        for (int b = 0; b < BANDS; b++) {
            double mixed = 2 * own * other * common[b];
            l[b] = leftGain * leftGain * (own * own * left[b] + other * other * right[b] + mixed);
            r[b] = rightGain * rightGain * (own * own * right[b] + other * other * left[b] + mixed);
            c[b] =
                    leftGain
                            * rightGain
                            * (own * other * (left[b] + right[b])
                                    + (own * own + other * other) * common[b]);
        }
        return new SidePowers(l, r, c, low);
    }

    /** Both together, as far as they have nothing in common. */
    SidePowers plus(SidePowers other) {
        return new SidePowers(
                sum(left, other.left),
                sum(right, other.right),
                sum(common, other.common),
                low + other.low);
    }

    private static double[] sum(double[] one, double[] two) {
        double[] sum = one.clone();
        for (int i = 0; i < sum.length; i++) {
            sum[i] += two[i];
        }
        return sum;
    }

    /** The share of all power that lies under the lowest third. */
    double lowShare() {
        double all = low + DoubleStream.concat(Arrays.stream(left), Arrays.stream(right)).sum();
        return all <= 0 ? 0 : low / all;
    }

    /** Right less left in a band, dB; empty where it is faint beside the strongest third. */
    OptionalDouble balanceDb(int band) {
        double most = 0;
        for (int b = 0; b < BANDS; b++) {
            most = Math.max(most, left[b] + right[b]);
        }
        double here = left[band] + right[band];
        if (here <= 0 || 10 * Math.log10(here / most) < -FAINT_DB) {
            return OptionalDouble.empty();
        }
        double floor = here * 1e-6;
        return OptionalDouble.of(10 * Math.log10((right[band] + floor) / (left[band] + floor)));
    }

    /** Whether every band lies within a limit, or no further beyond it than once. */
    boolean isWithin(double limitDb, SidePowers once) {
        for (int b = 0; b < BANDS; b++) {
            double most = Math.max(limitDb, Math.abs(once.balanceDb(b).orElse(0)));
            if (Math.abs(balanceDb(b).orElse(0)) > most + NEARLY_DB) {
                return false;
            }
        }
        return true;
    }

    /**
     * By how much all bands together lie beyond a limit, dB; what lies further beyond it than once
     * counts {@code worse} times more.
     */
    double beyond(double limitDb, SidePowers once, double worse) {
        double sum = 0;
        for (int b = 0; b < BANDS; b++) {
            double is = Math.abs(balanceDb(b).orElse(0));
            double was = Math.abs(once.balanceDb(b).orElse(0));
            sum += Math.max(0, is - limitDb) + worse * Math.max(0, is - Math.max(limitDb, was));
        }
        return sum;
    }
}
