package orbispace.core.measure;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import orbispace.core.audio.Audio;

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
        return of(FoldSums.of(audio));
    }

    static MonoFold of(FoldSums sums) {
        List<Band> bands = bands(sums);
        double power = Arrays.stream(sums.both).sum();
        double left = Arrays.stream(sums.mono).sum();
        OptionalDouble whole =
                power > 0 && left > 1e-9 * power
                        ? OptionalDouble.of(Math.max(0, 10 * Math.log10(power / left)))
                        : OptionalDouble.empty();
        boolean opposed = power > 0 && (whole.isEmpty() || whole.getAsDouble() > OPPOSED_DB);
        return new MonoFold(whole, bands, notches(bands), opposed);
    }

    private static List<Band> bands(FoldSums sums) {
        List<Double> power = perTwelfth(sums, sums.both);
        List<Double> left = perTwelfth(sums, sums.mono);
        double silent = SILENT * power.stream().mapToDouble(p -> p).max().orElse(0);
        List<Band> bands = new ArrayList<>();
        for (int b = 0; b < power.size(); b++) {
            bands.add(new Band(centre(b), loss(power.get(b), left.get(b), silent)));
        }
        return bands;
    }

    /** The sum of bins in each twelfth of an octave. */
    static List<Double> perTwelfth(FoldSums sums, double[] bins) {
        double top = Math.min(HIGHEST_HZ, 0.47 * sums.sampleRateHz);
        int count = 1 + (int) (PER_OCTAVE * Math.log(top / LOWEST_HZ) / Math.log(2));
        double edge = Math.pow(2, 0.5 / PER_OCTAVE);
        List<Double> twelfths = new ArrayList<>();
        for (int b = 0; b < count; b++) {
            int from = Math.max(1, (int) Math.round(centre(b) / edge / sums.hzPerBin));
            int to = Math.max(from + 1, (int) Math.round(centre(b) * edge / sums.hzPerBin));
            double sum = 0;
            for (int k = from; k < Math.min(to, bins.length); k++) {
                sum += bins[k];
            }
            twelfths.add(sum);
        }
        return twelfths;
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
