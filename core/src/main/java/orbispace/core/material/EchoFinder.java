package orbispace.core.material;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import orbispace.core.audio.Audio;
import orbispace.core.signal.Fft;

/**
 * Finds whether a stem holds an echo of itself, by the cepstrum (Bogert, Healy and Tukey 1963): an
 * echo makes ripples all over the spectrum, which stand at its time as one sharp peak once what is
 * broad in the spectrum is taken away. What a song repeats by itself, its rhythm and its notes,
 * stands there too, but changes through the song, is broad, or begins again as loud as before.
 */
final class EchoFinder {
    private static final int MOST_STRETCHES = 14;
    private static final int LEAST_STRETCHES = 4;
    private static final double SOUNDING = 1e-3;
    private static final double FLOOR = 1e-8;
    private static final double FROM_HZ = 200;
    private static final double TO_HZ = 9000;
    private static final int BROAD_BINS = 512;
    private static final double FROM_SECONDS = 0.04;
    private static final double TO_SECONDS = 1.2;

    /** Nothing else this near stands a third as high, what is next to the peak itself left out. */
    private static final double NEAR_SECONDS = 0.012;

    private static final double ITSELF_SECONDS = 0.0012;
    private static final double SHARP = 3.5;

    /** As a share of the sound: less is not told from it, more is a repeated stroke. */
    private static final double LEAST = 0.08;

    private static final double MOST = 0.75;

    /** In three quarters of the stretches it reaches this share of what it is in the middle one. */
    private static final double STAYS = 0.6;

    private static final double OFTEN = 0.75;

    /** So much of the spectrum must sound for ripples to be all over it. */
    private static final double FULL = 0.25;

    private final Fft fft = new Fft(LineUp.LENGTH);
    private final double[] window = Fft.hann(LineUp.LENGTH);
    private final double rate;
    private final int from;
    private final int to;

    private EchoFinder(double rate) {
        this.rate = rate;
        from = bin(FROM_HZ);
        to = Math.min(bin(TO_HZ), LineUp.LENGTH / 2 - 1);
    }

    /** The loudest echo in a stem; empty for none and where that is not told. */
    static Optional<PrintedEcho> find(Audio audio) {
        return new EchoFinder(audio.sampleRateHz()).in(audio);
    }

    private Optional<PrintedEcho> in(Audio audio) {
        int lags = (int) (TO_SECONDS * rate);
        List<float[]> cepstra = new ArrayList<>();
        for (int start : stretches(audio)) {
            float[] one = cepstrum(audio, start, lags);
            if (one.length > 0) {
                cepstra.add(one);
            }
        }
        if (cepstra.size() < LEAST_STRETCHES) {
            return Optional.empty();
        }
        float[] middle = new float[lags];
        float[] column = new float[cepstra.size()];
        for (int lag = 0; lag < lags; lag++) {
            for (int s = 0; s < column.length; s++) {
                column[s] = cepstra.get(s)[lag];
            }
            Arrays.sort(column);
            middle[lag] = column[column.length / 2];
        }
        return peaks(middle).stream()
                .filter(lag -> stays(cepstra, middle, lag))
                .max(Comparator.comparingDouble(lag -> middle[lag]))
                .filter(lag -> !new Onsets(audio).repeat(lag / rate))
                .map(lag -> new PrintedEcho(lag / rate, -20 * Math.log10(middle[lag])));
    }

    /** Sharp peaks of an echo's height. */
    private List<Integer> peaks(float[] middle) {
        int near = (int) (NEAR_SECONDS * rate);
        int itself = (int) (ITSELF_SECONDS * rate);
        List<Integer> peaks = new ArrayList<>();
        for (int lag = (int) (FROM_SECONDS * rate); lag < middle.length; lag++) {
            float height = middle[lag];
            if (height < LEAST || height > MOST) {
                continue;
            }
            double beside = 0;
            boolean highest = true;
            for (int d = -near; d <= near; d++) {
                int at = lag + d;
                if (at < middle.length && Math.abs(d) > itself) {
                    beside = Math.max(beside, Math.abs(middle[at]));
                } else if (at < middle.length) {
                    highest &= middle[at] <= height;
                }
            }
            if (highest && height > SHARP * beside) {
                peaks.add(lag);
            }
        }
        return peaks;
    }

    private static boolean stays(List<float[]> cepstra, float[] middle, int lag) {
        double least = STAYS * middle[lag];
        long there =
                cepstra.stream()
                        .filter(c ->
                                Math.max(
                                                c[lag],
                                                Math.max(
                                                        c[lag - 1],
                                                        c[Math.min(lag + 1, c.length - 1)]))
                                        >= least)
                        .count();
        return there >= OFTEN * cepstra.size();
    }

    /** Half overlapping stretches that sound, as many as are needed. */
    private static List<Integer> stretches(Audio audio) {
        int hop = LineUp.LENGTH / 2;
        List<Integer> starts = new ArrayList<>();
        List<Double> energies = new ArrayList<>();
        float[] l = new float[LineUp.LENGTH];
        float[] r = new float[LineUp.LENGTH];
        int step = 1 + audio.frames() / hop / (2 * MOST_STRETCHES);
        for (int start = 0; start + hop <= audio.frames(); start += step * hop) {
            audio.read(start, l.length, l, r);
            double energy = 0;
            for (int i = 0; i < l.length; i += 8) {
                double both = (double) l[i] + r[i];
                energy += both * both;
            }
            starts.add(start);
            energies.add(energy);
        }
        double most = energies.stream().mapToDouble(e -> e).max().orElse(0);
        List<Integer> sounding = new ArrayList<>();
        for (int i = 0; i < starts.size(); i++) {
            if (energies.get(i) > SOUNDING * most) {
                sounding.add(starts.get(i));
            }
        }
        int every = 1 + sounding.size() / MOST_STRETCHES;
        List<Integer> some = new ArrayList<>();
        for (int i = 0; i < sounding.size(); i += every) {
            some.add(sounding.get(i));
        }
        return some;
    }

    /**
     * What an echo at each lag would be, as a share of the sound; empty where too little sounds.
     */
    private float[] cepstrum(Audio audio, int start, int lags) {
        double[] x = new double[LineUp.LENGTH];
        LineUp.load(audio, start, window, x);
        fft.forward(x);
        double[] power = new double[LineUp.LENGTH / 2];
        double most = 0;
        for (int k = 1; k < power.length; k++) {
            power[k] = x[2 * k] * x[2 * k] + x[2 * k + 1] * x[2 * k + 1];
            most = Math.max(most, power[k]);
        }
        int full = 0;
        for (int k = from; k < to; k++) {
            full += power[k] > 10 * FLOOR * most ? 1 : 0;
        }
        if (full < FULL * (to - from)) {
            return new float[0];
        }
        double[] sums = new double[power.length + 1];
        for (int k = 0; k < power.length; k++) {
            power[k] = Math.log(power[k] + FLOOR * most);
            sums[k + 1] = sums[k] + power[k];
        }
        Arrays.fill(x, 0);
        for (int k = from; k < to; k++) {
            int low = Math.max(1, k - BROAD_BINS);
            int high = Math.min(power.length, k + BROAD_BINS + 1);
            double broad = (sums[high] - sums[low]) / (high - low);
            double fade = 0.5 - 0.5 * Math.cos(2 * Math.PI * (k - from) / (to - from));
            x[2 * k] = fade * (power[k] - broad);
        }
        fft.inverse(x);
        float[] shares = new float[lags];
        double scale = (double) LineUp.LENGTH / (to - from);
        for (int lag = 0; lag < lags; lag++) {
            shares[lag] = (float) (scale * x[lag]);
        }
        return shares;
    }

    private int bin(double hz) {
        return (int) Math.round(hz / rate * LineUp.LENGTH);
    }
}
