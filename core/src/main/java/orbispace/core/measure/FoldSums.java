package orbispace.core.measure;

import java.util.Arrays;
import orbispace.core.audio.Audio;
import orbispace.core.signal.Fft;

/** Powers of both channels and of what is left of them in one, by the bins of a long transform. */
final class FoldSums {
    private static final double TRANSFORM_SECONDS = 0.17;
    private static final int MOST_TRANSFORMS = 1500;

    final double[] both;
    final double[] mono;
    final double sampleRateHz;
    final double hzPerBin;

    private FoldSums(double[] both, double[] mono, double sampleRateHz) {
        this.both = both;
        this.mono = mono;
        this.sampleRateHz = sampleRateHz;
        hzPerBin = sampleRateHz / (2 * both.length);
    }

    /** Sums a sound of any rate and length; a mono sound loses nothing. */
    static FoldSums of(Audio audio) {
        int length =
                2 * Integer.highestOneBit((int) (TRANSFORM_SECONDS * audio.sampleRateHz() / 2));
        FoldSums sums =
                new FoldSums(new double[length / 2], new double[length / 2], audio.sampleRateHz());
        int hop = Math.max(length / 2, audio.frames() / MOST_TRANSFORMS);
        Fft fft = new Fft(length);
        double[] window = Fft.hann(length);
        double[] pair = new double[2 * length];
        for (int at = 0; at < audio.frames(); at += hop) {
            sums.add(audio, at, window, fft, pair);
        }
        return sums;
    }

    /** Two real channels go through one complex transform and are parted again. */
    private void add(Audio audio, int at, double[] window, Fft fft, double[] pair) {
        float[] l = audio.channel(0);
        float[] r = audio.channel(1);
        int n = window.length;
        for (int i = 0; i < n; i++) {
            boolean there = at + i < l.length;
            pair[2 * i] = there ? window[i] * l[at + i] : 0;
            pair[2 * i + 1] = there ? window[i] * r[at + i] : 0;
        }
        fft.forwardComplex(pair);
        for (int k = 1; k < n / 2; k++) {
            double a = pair[2 * k];
            double b = pair[2 * k + 1];
            double c = pair[2 * (n - k)];
            double d = pair[2 * (n - k) + 1];
            double leftRe = (a + c) / 2;
            double leftIm = (b - d) / 2;
            double rightRe = (b + d) / 2;
            double rightIm = (c - a) / 2;
            both[k] += leftRe * leftRe + leftIm * leftIm + rightRe * rightRe + rightIm * rightIm;
            double re = leftRe + rightRe;
            double im = leftIm + rightIm;
            mono[k] += (re * re + im * im) / 2;
        }
    }

    /** All of it. */
    double power() {
        return Arrays.stream(both).sum();
    }

    /**
     * The sums of one sound and another that is so many times as large, from those of both and of
     * their sum.
     */
    static FoldSums together(FoldSums one, FoldSums other, FoldSums sum, double gain) {
        return new FoldSums(
                together(one.both, other.both, sum.both, gain),
                together(one.mono, other.mono, sum.mono, gain),
                one.sampleRateHz);
    }

    private static double[] together(double[] one, double[] other, double[] sum, double gain) {
        double[] all = new double[one.length];
        for (int k = 0; k < all.length; k++) {
            double cross = sum[k] - one[k] - other[k];
            all[k] = Math.max(0, one[k] + gain * cross + gain * gain * other[k]);
        }
        return all;
    }
}
