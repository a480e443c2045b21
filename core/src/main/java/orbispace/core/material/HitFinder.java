package orbispace.core.material;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import orbispace.core.audio.Audio;
import orbispace.core.audio.Decibels;
import orbispace.core.material.Hits.Hit;
import orbispace.core.signal.Fft;

/**
 * Finds the strokes of a percussive source: spectral flux of log magnitudes, peaks over an adaptive
 * median, then two classes by peak level (Otsu 1979) where a valley of at least 6 dB parts them.
 *
 * <p>Onsets are within 5 ms on synthetic strokes; two strokes less than 30 ms apart are one.
 */
public final class HitFinder {
    private static final double HOP_SECONDS = 0.0025;
    private static final double WINDOW_SECONDS = 0.0107;
    private static final double LEAST_INTERVAL_SECONDS = 0.03;
    private static final double MEDIAN_SECONDS = 0.1;
    private static final double OVER_MEDIAN = 3;
    private static final double LEAST_FLUX_SHARE = 0.06;
    private static final double COMPRESSION = 1000;
    private static final int BINS_PER_LOG = 16;
    private static final double LEAST_VALLEY_DB = 6;

    private HitFinder() {}

    /** Finds the hits of a stem of any rate and length. */
    public static Hits find(Audio audio) {
        Audio folded = audio.folded();
        double[] flux = flux(folded);
        List<Hit> events = new ArrayList<>();
        for (int frame : peaks(flux)) {
            events.add(event(audio, onset(folded, frame * HOP_SECONDS)));
        }
        return split(events);
    }

    private static double[] flux(Audio audio) {
        double rate = audio.sampleRateHz();
        int length = Math.max(32, Integer.highestOneBit((int) (1.4 * WINDOW_SECONDS * rate)));
        double hop = HOP_SECONDS * rate;
        int frames = (int) (audio.frames() / hop);
        Fft fft = new Fft(length);
        double[] window = Fft.hann(length);
        double[] two = new double[2 * length];
        double[] last = new double[length / 2];
        Arrays.fill(last, 1);
        double[] flux = new double[frames];
        // Two frames share one complex transform, one as its real and one as its imaginary part.
        for (int f = 0; f < frames; f += 2) {
            boolean more = f + 1 < frames;
            boolean first = load(audio, (int) Math.round(f * hop) - length / 2, window, two, 0);
            int next = (int) Math.round((f + 1) * hop) - length / 2;
            boolean second = load(audio, more ? next : audio.frames(), window, two, 1);
            if (first || second) {
                fft.forwardComplex(two);
            }
            flux[f] = rise(two, last, 1);
            if (more) {
                flux[f + 1] = rise(two, last, -1);
            }
        }
        return flux;
    }

    /** Puts the windowed mean of both channels into every other number; tells if it sounds. */
    private static boolean load(Audio audio, int start, double[] window, double[] two, int part) {
        float[] l = audio.channel(0);
        float[] r = audio.channel(1);
        int from = Math.clamp(-start, 0, window.length);
        int to = Math.clamp(l.length - start, from, window.length);
        boolean sounding = false;
        for (int i = 0; i < window.length; i++) {
            two[2 * i + part] = 0;
        }
        for (int i = from; i < to; i++) {
            float x = l[start + i] + r[start + i];
            sounding |= x != 0;
            two[2 * i + part] = window[i] * x / 2;
        }
        return sounding;
    }

    /**
     * Sum of the rises of log(1 + 1000 m) over all bins. A sum of logarithms is the logarithm of a
     * product, so that few are taken.
     *
     * @param two the transform of two real frames
     * @param sign 1 for the frame in the real part, -1 for the one in the imaginary part
     */
    private static double rise(double[] two, double[] last, int sign) {
        int length = 2 * last.length;
        double sum = 0;
        double risen = 1;
        double before = 1;
        double scale = COMPRESSION * 2 / length;
        for (int k = 1; k < last.length; k++) {
            int mirror = 2 * (length - k);
            double re = two[2 * k] + sign * two[mirror];
            double im = two[2 * k + 1] - sign * two[mirror + 1];
            double size = 1 + scale * Math.sqrt(re * re + im * im);
            risen *= Math.max(size, last[k]);
            before *= last[k];
            last[k] = size;
            if (k % BINS_PER_LOG == 0) {
                sum += Math.log(risen / before);
                risen = 1;
                before = 1;
            }
        }
        return sum + Math.log(risen / before);
    }

    private static List<Integer> peaks(double[] flux) {
        int reach = (int) Math.round(MEDIAN_SECONDS / HOP_SECONDS);
        int apart = (int) Math.round(LEAST_INTERVAL_SECONDS / HOP_SECONDS);
        double most = Arrays.stream(flux).max().orElse(0);
        List<Integer> peaks = new ArrayList<>();
        for (int f = 0; f < flux.length; f++) {
            if (flux[f] > LEAST_FLUX_SHARE * most
                    && isLargest(flux, f, apart)
                    && flux[f] > OVER_MEDIAN * median(flux, f - reach, f + reach)) {
                peaks.add(f);
            }
        }
        return peaks;
    }

    private static boolean isLargest(double[] flux, int f, int reach) {
        for (int i = Math.max(0, f - reach); i < Math.min(flux.length, f + reach + 1); i++) {
            if (flux[i] > flux[f] || (flux[i] == flux[f] && i < f)) {
                return false;
            }
        }
        return true;
    }

    private static double median(double[] values, int from, int to) {
        double[] part =
                Arrays.copyOfRange(values, Math.max(0, from), Math.min(values.length, to + 1));
        Arrays.sort(part);
        return part[part.length / 2];
    }

    /**
     * The steepest millisecond around a flux peak: where the energy of the next 2 ms most exceeds
     * the last.
     */
    private static double onset(Audio audio, double around) {
        double rate = audio.sampleRateHz();
        int step = Math.max(1, (int) (rate * 0.0005));
        int from = (int) ((around - 0.006) * rate);
        int to = (int) ((around + 0.008) * rate);
        double best = -1;
        double at = around;
        for (int i = from; i <= to; i += step) {
            double gain = energy(audio, i, i + 4 * step) - 2 * energy(audio, i - 4 * step, i);
            if (gain > best) {
                best = gain;
                at = i / rate;
            }
        }
        return Math.max(0, at);
    }

    private static Hit event(Audio audio, double seconds) {
        double rate = audio.sampleRateHz();
        int at = (int) Math.round(seconds * rate);
        Audio around = audio.slice(at - (int) (0.01 * rate), at + (int) (0.05 * rate));
        Audio after = audio.slice(at, at + (int) (0.05 * rate));
        return new Hit(
                seconds, Decibels.ofAmplitude(around.peak()), Decibels.ofPower(after.meanSquare()));
    }

    private static double energy(Audio audio, int from, int to) {
        double sum = 0;
        for (int i = Math.max(0, from); i < Math.min(audio.frames(), to); i++) {
            double x = audio.channel(0)[i] + audio.channel(1)[i];
            sum += x * x;
        }
        return sum;
    }

    /** Parts events in two classes by their peaks, if a valley lies between. */
    static Hits split(List<Hit> events) {
        List<Hit> byLevel = new ArrayList<>(events);
        byLevel.sort(Comparator.comparingDouble(Hit::peakDb));
        int at = otsu(byLevel.stream().mapToDouble(Hit::peakDb).toArray());
        if (at <= 0 || byLevel.get(at).peakDb() - byLevel.get(at - 1).peakDb() < LEAST_VALLEY_DB) {
            return new Hits(events, List.of());
        }
        double least = byLevel.get(at).peakDb();
        return new Hits(
                events.stream().filter(h -> h.peakDb() >= least).toList(),
                events.stream().filter(h -> h.peakDb() < least).toList());
    }

    /**
     * Index of the first of the upper class that makes the variance between two classes largest.
     */
    private static int otsu(double[] sorted) {
        double total = Arrays.stream(sorted).sum();
        double sum = 0;
        double best = -1;
        int at = 0;
        for (int i = 1; i < sorted.length; i++) {
            sum += sorted[i - 1];
            double low = sum / i;
            double high = (total - sum) / (sorted.length - i);
            double between = (double) i * (sorted.length - i) * (high - low) * (high - low);
            if (between > best) {
                best = between;
                at = i;
            }
        }
        return at;
    }
}
