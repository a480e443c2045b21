package orbispace.core.prove.compare;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import orbispace.core.audio.Audio;
import orbispace.core.signal.Fft;

/**
 * What folding to one loudspeaker costs over frequency: how far the power of (L+R)/sqrt2 lies under
 * the sum of both powers, in twelfths of an octave over the whole sound, and where it leaves
 * notches. Two equal channels apart by D leave them at odd multiples of 1 / (2 D).
 *
 * @param wholeLossDb over all frequencies; empty for silence and where nothing is left
 * @param bands from 50 Hz up, as far as the rate reaches
 * @param notches the dips that stand out of their surroundings, lowest first
 * @param opposed whether the two sides work against each other on the whole, so that one of them
 *     should be turned
 */
public record MonoFold(
        OptionalDouble wholeLossDb, List<Band> bands, List<Notch> notches, boolean opposed) {
    /** What is lost at most here, dB; more is nothing left. */
    public static final double DEEPEST_DB = 30;

    private static final double LOWEST_HZ = 50;
    private static final double HIGHEST_HZ = 16000;
    private static final int PER_OCTAVE = 12;
    private static final double TRANSFORM_SECONDS = 0.17;
    private static final int MOST_TRANSFORMS = 1500;
    private static final double SILENT = 1e-9;
    private static final double NOTCH_DB = 4.5;
    private static final double PROMINENT_DB = 3;
    private static final int NEAR = PER_OCTAVE / 2;
    private static final double OPPOSED_DB = 6;

    /** Keeps its own lists. */
    public MonoFold {
        bands = List.copyOf(bands);
        notches = List.copyOf(notches);
    }

    /**
     * A twelfth of an octave.
     *
     * @param centreHz its middle
     * @param lossDb 0 for identical, 3 for unrelated channels; empty 90 dB under the strongest band
     */
    public record Band(double centreHz, OptionalDouble lossDb) {}

    /**
     * A dip.
     *
     * @param hz its middle
     * @param lossDb how deep
     */
    public record Notch(double hz, double lossDb) {
        /** Whether it takes from where words are understood. */
        public boolean inVoice() {
            return hz >= 200 && hz <= 4500;
        }
    }

    /** The loss of each band, with what is empty as 0. */
    private static double[] losses(List<Band> bands) {
        return bands.stream().mapToDouble(b -> b.lossDb().orElse(0)).toArray();
    }

    /** Folds a sound of any rate and length; a mono sound loses nothing. */
    public static MonoFold of(Audio audio) {
        int length =
                2 * Integer.highestOneBit((int) (TRANSFORM_SECONDS * audio.sampleRateHz() / 2));
        double[] both = new double[length / 2];
        double[] mono = new double[length / 2];
        int hop = Math.max(length / 2, audio.frames() / MOST_TRANSFORMS);
        Fft fft = new Fft(length);
        double[] window = Fft.hann(length);
        double[] pair = new double[2 * length];
        for (int at = 0; at < audio.frames(); at += hop) {
            add(audio, at, window, fft, pair, both, mono);
        }
        List<Band> bands = bands(both, mono, audio.sampleRateHz() / length);
        double power = Arrays.stream(both).sum();
        double left = Arrays.stream(mono).sum();
        OptionalDouble whole =
                power > 0 && left > 1e-9 * power
                        ? OptionalDouble.of(Math.max(0, 10 * Math.log10(power / left)))
                        : OptionalDouble.empty();
        boolean opposed = power > 0 && (whole.isEmpty() || whole.getAsDouble() > OPPOSED_DB);
        return new MonoFold(whole, bands, notches(bands), opposed);
    }

    /** Two real channels go through one complex transform and are parted again. */
    private static void add(
            Audio audio,
            int at,
            double[] window,
            Fft fft,
            double[] pair,
            double[] both,
            double[] mono) {
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

    private static List<Band> bands(double[] both, double[] mono, double hzPerBin) {
        double top = Math.min(HIGHEST_HZ, 0.47 * 2 * both.length * hzPerBin);
        int count = 1 + (int) (PER_OCTAVE * Math.log(top / LOWEST_HZ) / Math.log(2));
        double[] power = new double[count];
        double[] left = new double[count];
        for (int b = 0; b < count; b++) {
            double edge = Math.pow(2, 0.5 / PER_OCTAVE);
            int from = Math.max(1, (int) Math.round(centre(b) / edge / hzPerBin));
            int to = Math.max(from + 1, (int) Math.round(centre(b) * edge / hzPerBin));
            for (int k = from; k < Math.min(to, both.length); k++) {
                power[b] += both[k];
                left[b] += mono[k];
            }
        }
        double silent = SILENT * Arrays.stream(power).max().orElse(0);
        List<Band> bands = new ArrayList<>();
        for (int b = 0; b < count; b++) {
            bands.add(new Band(centre(b), loss(power[b], left[b], silent)));
        }
        return bands;
    }

    private static double centre(int band) {
        return LOWEST_HZ * Math.pow(2, band / (double) PER_OCTAVE);
    }

    private static OptionalDouble loss(double power, double left, double silent) {
        if (power <= silent) {
            return OptionalDouble.empty();
        }
        double db = 10 * Math.log10(power / Math.max(left, 1e-12 * power));
        return OptionalDouble.of(Math.clamp(db, 0, DEEPEST_DB));
    }

    /** Where the loss is the largest around, over what it is half an octave to either side. */
    private static List<Notch> notches(List<Band> bands) {
        double[] loss = losses(bands);
        List<Notch> found = new ArrayList<>();
        for (int b = 0; b < loss.length; b++) {
            double before = 0;
            double after = 0;
            double least = Double.MAX_VALUE;
            double leastAfter = Double.MAX_VALUE;
            for (int k = Math.max(0, b - NEAR); k < b; k++) {
                before = Math.max(before, loss[k]);
                least = Math.min(least, loss[k]);
            }
            for (int k = b + 1; k <= Math.min(loss.length - 1, b + NEAR); k++) {
                after = Math.max(after, loss[k]);
                leastAfter = Math.min(leastAfter, loss[k]);
            }
            double floor = Math.max(least, leastAfter);
            boolean stands =
                    loss[b] >= NOTCH_DB
                            && loss[b] >= before
                            && loss[b] > after
                            && loss[b] - floor >= PROMINENT_DB
                            && floor < Double.MAX_VALUE;
            if (stands) {
                found.add(new Notch(bands.get(b).centreHz(), loss[b]));
            }
        }
        return found;
    }
}
