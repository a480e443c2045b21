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
 * clearly otherwise and even its louder part lies 4.5 dB lower; where that cannot be told, all are
 * of one kind.
 */
final class StrokeKinds {
    private static final double LOUDEST_SHARE = 0.25;
    private static final int LEAST_LOUDEST = 4;
    private static final double APART_DB = 4;
    private static final double LEAST_PARTED = 0.55;
    private static final double LOWER_DB = 4.5;
    private static final int MOST_KINDS = 3;

    private StrokeKinds() {}

    /**
     * Which events look like the loudest; all of them if no kinds can be told.
     *
     * @param events with their levels
     * @param shapes the spectrum of each, dB per band
     */
    static boolean[] alike(List<Hit> events, List<double[]> shapes) {
        boolean[] alike = new boolean[events.size()];
        Arrays.fill(alike, true);
        if (events.size() < 2 * LEAST_LOUDEST) {
            return alike;
        }
        double[] pattern = pattern(events, shapes);
        double[] apart = shapes.stream().mapToDouble(s -> distance(s, pattern)).toArray();
        // The most unlike go first, then those that are less so.
        for (int kind = 0; kind < MOST_KINDS; kind++) {
            double limit = valley(chosen(apart, alike));
            boolean[] fewer = alike.clone();
            for (int i = 0; i < fewer.length; i++) {
                fewer[i] &= apart[i] < limit;
            }
            if (!isLower(events, alike, fewer)) {
                break;
            }
            alike = fewer;
        }
        return alike;
    }

    private static double[] chosen(double[] values, boolean[] which) {
        return IntStream.range(0, values.length)
                .filter(i -> which[i])
                .mapToDouble(i -> values[i])
                .toArray();
    }

    /** Whether what was taken out lies clearly under what is left. */
    private static boolean isLower(List<Hit> events, boolean[] before, boolean[] left) {
        List<Double> own = new ArrayList<>();
        List<Double> other = new ArrayList<>();
        for (int i = 0; i < left.length; i++) {
            if (before[i]) {
                (left[i] ? own : other).add(events.get(i).peakDb());
            }
        }
        return !own.isEmpty()
                && !other.isEmpty()
                && Quantile.of(own, 0.5) - Quantile.of(other, 0.75) >= LOWER_DB;
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

    /** The distance that parts two kinds best (Otsu 1979); infinite if it parts nothing clearly. */
    private static double valley(double[] apart) {
        double[] sorted = apart.clone();
        Arrays.sort(sorted);
        double mean = Arrays.stream(sorted).average().orElse(0);
        double all = Arrays.stream(sorted).map(d -> (d - mean) * (d - mean)).sum();
        double best = 0;
        double limit = Double.POSITIVE_INFINITY;
        double low = 0;
        for (int i = 1; i < sorted.length; i++) {
            low += sorted[i - 1];
            double high = mean * sorted.length - low;
            double step = high / (sorted.length - i) - low / i;
            double between = step * step * i * (sorted.length - i) / sorted.length;
            if (between > best && step >= APART_DB) {
                best = between;
                limit = (sorted[i - 1] + sorted[i]) / 2;
            }
        }
        return best >= LEAST_PARTED * all ? limit : Double.POSITIVE_INFINITY;
    }
}
