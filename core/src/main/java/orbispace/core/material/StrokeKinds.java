package orbispace.core.material;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import orbispace.core.audio.Quantile;
import orbispace.core.material.Hits.Hit;

/**
 * Tells the strokes that a stem is there for from what else its microphone hears: the loudest
 * events have a spectrum, and those that look like them are strokes. The rest is bleed if it looks
 * clearly otherwise and even its louder part lies 3 dB lower; what lies less far under them is
 * taken for strokes as well. From 1 to 4.5 dB it is not sure which of the two it is.
 *
 * @param own the strokes, in order of time
 * @param other the bleed, in order of time
 * @param sure whether no kind of events lies between
 */
record StrokeKinds(List<Hit> own, List<Hit> other, boolean sure) {
    private static final double LOUDEST_SHARE = 0.25;
    private static final int LEAST_LOUDEST = 4;
    private static final double APART_DB = 4;
    private static final double LEAST_PARTED = 0.55;
    private static final double NEARLY = 0.9;
    private static final double LOWER_DB = 3;
    private static final double ALIKE_DB = 1;
    private static final double SURE_DB = 4.5;
    private static final int MOST_KINDS = 3;

    /**
     * Parts events; all of them are strokes if no kinds can be told.
     *
     * @param events with their levels
     * @param shapes the spectrum of each, dB per band
     */
    static StrokeKinds of(List<Hit> events, List<double[]> shapes) {
        boolean[] alike = new boolean[events.size()];
        Arrays.fill(alike, true);
        boolean sure = true;
        if (events.size() >= 2 * LEAST_LOUDEST) {
            double[] pattern = pattern(events, shapes);
            double[] apart = shapes.stream().mapToDouble(s -> distance(s, pattern)).toArray();
            // The most unlike go first, then those that are less so.
            for (int kind = 0; kind < MOST_KINDS; kind++) {
                double limit = valley(chosen(apart, alike));
                boolean[] fewer = alike.clone();
                for (int i = 0; i < fewer.length; i++) {
                    fewer[i] &= apart[i] < limit;
                }
                double lower = lowerDb(events, alike, fewer);
                sure &= lower < ALIKE_DB || lower >= SURE_DB;
                if (lower < LOWER_DB) {
                    break;
                }
                alike = fewer;
            }
        }
        return new StrokeKinds(chosen(events, alike, true), chosen(events, alike, false), sure);
    }

    private static List<Hit> chosen(List<Hit> events, boolean[] which, boolean wanted) {
        return IntStream.range(0, which.length)
                .filter(i -> which[i] == wanted)
                .mapToObj(events::get)
                .toList();
    }

    private static double[] chosen(double[] values, boolean[] which) {
        return IntStream.range(0, values.length)
                .filter(i -> which[i])
                .mapToDouble(i -> values[i])
                .toArray();
    }

    /** How far the louder part of what was taken out lies under what is left; 0 for nothing. */
    private static double lowerDb(List<Hit> events, boolean[] before, boolean[] left) {
        List<Double> own = new ArrayList<>();
        List<Double> other = new ArrayList<>();
        for (int i = 0; i < left.length; i++) {
            if (before[i]) {
                (left[i] ? own : other).add(events.get(i).peakDb());
            }
        }
        return own.isEmpty() || other.isEmpty()
                ? 0
                : Quantile.of(own, 0.5) - Quantile.of(other, 0.75);
    }

    /** The median spectrum of the loudest events. */
    private static double[] pattern(List<Hit> events, List<double[]> shapes) {
        int count = Math.max(LEAST_LOUDEST, (int) (LOUDEST_SHARE * events.size()));
        List<double[]> loudest =
                IntStream.range(0, events.size())
                        .boxed()
                        .sorted(Comparator.comparingDouble(i -> -events.get(i).peakDb()))
                        .limit(count)
                        .map(shapes::get)
                        .toList();
        double[] pattern = new double[shapes.getFirst().length];
        for (int b = 0; b < pattern.length; b++) {
            int band = b;
            pattern[b] = Quantile.of(loudest.stream().map(s -> s[band]).toList(), 0.5);
        }
        return pattern;
    }

    private static double distance(double[] a, double[] b) {
        double sum = 0;
        for (int k = 0; k < a.length; k++) {
            sum += Math.abs(a[k] - b[k]);
        }
        return sum / a.length;
    }

    /**
     * The distance that parts two kinds: of all that part them nearly as well as the best (Otsu
     * 1979), the middle of the widest gap. Infinite if nothing parts clearly.
     */
    private static double valley(double[] apart) {
        double[] sorted = apart.clone();
        Arrays.sort(sorted);
        double mean = Arrays.stream(sorted).average().orElse(0);
        double all = Arrays.stream(sorted).map(d -> (d - mean) * (d - mean)).sum();
        double[] between = between(sorted, mean);
        double best = Arrays.stream(between).max().orElse(0);
        double widest = 0;
        double limit = Double.POSITIVE_INFINITY;
        for (int i = 1; i < sorted.length; i++) {
            double gap = sorted[i] - sorted[i - 1];
            if (between[i] >= Math.max(NEARLY * best, LEAST_PARTED * all) && gap > widest) {
                widest = gap;
                limit = (sorted[i - 1] + sorted[i]) / 2;
            }
        }
        return limit;
    }

    /** The sum of squares between two classes if the second begins here; 0 if not far enough. */
    private static double[] between(double[] sorted, double mean) {
        double[] between = new double[sorted.length];
        double low = 0;
        for (int i = 1; i < sorted.length; i++) {
            low += sorted[i - 1];
            double high = mean * sorted.length - low;
            double step = high / (sorted.length - i) - low / i;
            if (step >= APART_DB) {
                between[i] = step * step * i * (sorted.length - i) / sorted.length;
            }
        }
        return between;
    }
}
