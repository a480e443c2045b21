package orbispace.core.material;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import orbispace.core.audio.Audio;
import orbispace.core.audio.Decibels;
import orbispace.core.material.Hits.Hit;

/**
 * Finds the strokes of a percussive source: spectral flux of log magnitudes, peaks over an adaptive
 * median, then two classes by peak level (Otsu 1979) where a valley of at least 6 dB parts them.
 *
 * <p>Onsets are within 5 ms on synthetic strokes; two strokes less than 30 ms apart are one.
 */
public final class HitFinder {
    private static final double LEAST_INTERVAL_SECONDS = 0.03;
    private static final double MEDIAN_SECONDS = 0.1;
    private static final double OVER_MEDIAN_DB = 1.5;
    private static final double OVER_MEDIAN = 2;
    private static final double LEAST_SHARE = 0.1;
    private static final double LEAST_VALLEY_DB = 6;

    private HitFinder() {}

    /** Finds the hits of a stem of any rate and length. */
    public static Hits find(Audio audio) {
        OnsetBands bands = OnsetBands.of(audio);
        List<Hit> events = events(audio, bands);
        List<double[]> shapes = events.stream().map(e -> bands.shape(e.seconds())).toList();
        StrokeKinds kinds = StrokeKinds.of(events, shapes);
        Hits parted = split(kinds.own());
        List<Hit> other = new ArrayList<>(kinds.other());
        other.addAll(parted.bleed());
        other.sort(Comparator.comparingDouble(Hit::seconds));
        return new Hits(parted.hits(), other, kinds.sure());
    }

    private static List<Hit> events(Audio audio, OnsetBands bands) {
        double[] rises = bands.rises();
        double most = Arrays.stream(rises).max().orElse(0);
        return events(audio, rises, Math.max(OVER_MEDIAN_DB, LEAST_SHARE * most));
    }

    /**
     * All that strikes in a stem, strokes and bleed alike, in order of time.
     *
     * @param leastRiseDb how far the bands of an event rise at least, on average
     */
    public static List<Hit> events(Audio audio, OnsetBands bands, double leastRiseDb) {
        return events(audio, bands.rises(), leastRiseDb);
    }

    private static List<Hit> events(Audio audio, double[] rises, double leastRiseDb) {
        Audio folded = audio.folded();
        List<Hit> events = new ArrayList<>();
        for (int frame : peaks(rises, leastRiseDb)) {
            events.add(event(audio, onset(folded, frame * OnsetBands.HOP_SECONDS)));
        }
        return events;
    }

    private static List<Integer> peaks(double[] flux, double least) {
        int reach = (int) Math.round(MEDIAN_SECONDS / OnsetBands.HOP_SECONDS);
        int apart = (int) Math.round(LEAST_INTERVAL_SECONDS / OnsetBands.HOP_SECONDS);
        List<Integer> peaks = new ArrayList<>();
        for (int f = 0; f < flux.length; f++) {
            if (flux[f] > least
                    && isLargest(flux, f, apart)
                    && flux[f]
                            > overMedian(
                                    median(flux, f - reach, f + reach),
                                    Math.min(least, OVER_MEDIAN_DB))) {
                peaks.add(f);
            }
        }
        return peaks;
    }

    private static double overMedian(double median, double overDb) {
        return Math.max(median + overDb, OVER_MEDIAN * median);
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
