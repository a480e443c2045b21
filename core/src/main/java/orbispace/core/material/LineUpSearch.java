package orbispace.core.material;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.BooleanSupplier;
import java.util.stream.IntStream;
import orbispace.core.audio.Audio;
import orbispace.core.signal.Fft;

/**
 * Looks through all pairs of many stems for those that share sound. Every stem is transformed once
 * in a dozen stretches, chosen so that each pair is heard together as much as the song allows;
 * pairs that this leaves in doubt are compared again through the whole song, two for each stem at
 * most.
 */
public final class LineUpSearch {
    private static final int STRETCHES = 12;
    private static final double WORTH_A_LOOK = 0.35;
    private static final double CERTAIN = 0.65;

    /** In a long session only the likeliest of the pairs in doubt are worth the time. */
    private static final int MOST_DOUBTS_A_STEM = 2;

    private LineUpSearch() {}

    /**
     * Two stems that share sound.
     *
     * @param first index of one
     * @param second index of the other
     * @param lineUp how the second lies against the first
     */
    public record Pair(int first, int second, LineUp lineUp) {}

    /**
     * Compares all stems with each other.
     *
     * @param stems of one rate
     * @param cancelled asked between pairs; a search that is stopped answers with what it has
     * @return pairs with a confidence of at least {@link LineUp#SURE}
     */
    public static List<Pair> pairs(List<Audio> stems, BooleanSupplier cancelled) {
        return pairs(stems, Set.of(), cancelled);
    }

    /**
     * The same but for stems that are told together otherwise, such as those of a kit.
     *
     * @param together indices of stems that are not compared with each other
     */
    public static List<Pair> pairs(
            List<Audio> stems, Set<Integer> together, BooleanSupplier cancelled) {
        List<Integer> starts = stretches(stems);
        float[][][] spectra =
                IntStream.range(0, stems.size())
                        .parallel()
                        .mapToObj(i -> spectra(stems.get(i), starts))
                        .toArray(float[][][]::new);
        List<int[]> open = new ArrayList<>();
        for (int i = 0; i < stems.size(); i++) {
            for (int j = i + 1; j < stems.size(); j++) {
                if (!together.contains(i) || !together.contains(j)) {
                    open.add(new int[] {i, j});
                }
            }
        }
        List<Pair> looked =
                open.parallelStream()
                        .filter(p -> !cancelled.getAsBoolean())
                        .flatMap(p ->
                                quick(spectra[p[0]], spectra[p[1]])
                                        .filter(l -> l.confidence() >= WORTH_A_LOOK)
                                        .map(l -> new Pair(p[0], p[1], l))
                                        .stream())
                        .sorted(Comparator.comparingDouble((Pair p) -> -p.lineUp().confidence()))
                        .toList();
        long certain = looked.stream().filter(LineUpSearch::isCertain).count();
        return looked.stream()
                .limit(certain + (long) MOST_DOUBTS_A_STEM * stems.size())
                .parallel()
                .filter(p -> !cancelled.getAsBoolean())
                .flatMap(p -> compared(stems, p).stream())
                .sorted(Comparator.comparingInt(Pair::first).thenComparingInt(Pair::second))
                .toList();
    }

    private static boolean isCertain(Pair pair) {
        return pair.lineUp().confidence() >= CERTAIN;
    }

    private static Optional<Pair> compared(List<Audio> stems, Pair pair) {
        Audio a = stems.get(pair.first());
        Audio b = stems.get(pair.second());
        return (isCertain(pair) ? Optional.of(pair.lineUp().sharing(a, b)) : LineUp.of(a, b))
                .filter(l -> l.confidence() >= LineUp.SURE)
                .map(l -> new Pair(pair.first(), pair.second(), l));
    }

    private static Optional<LineUp> quick(float[][] a, float[][] b) {
        double[] sum = new double[LineUp.LENGTH];
        for (int s = 0; s < a.length; s++) {
            float[] x = a[s];
            float[] y = b[s];
            for (int k = 2; x.length > 0 && y.length > 0 && k < sum.length; k += 2) {
                sum[k] += x[k] * y[k] + x[k + 1] * y[k + 1];
                sum[k + 1] += x[k] * y[k + 1] - x[k + 1] * y[k];
            }
        }
        return LineUp.ofCrossSpectrum(sum);
    }

    private static float[][] spectra(Audio audio, List<Integer> starts) {
        Fft fft = new Fft(LineUp.LENGTH);
        double[] window = Fft.hann(LineUp.LENGTH);
        double[] x = new double[LineUp.LENGTH];
        float[][] out = new float[starts.size()][];
        for (int s = 0; s < out.length; s++) {
            out[s] = new float[0];
            if (LineUp.load(audio, starts.get(s), window, x)) {
                fft.forward(x);
                out[s] = new float[x.length];
                for (int i = 0; i < x.length; i++) {
                    out[s][i] = (float) x[i];
                }
            }
        }
        return out;
    }

    /** Picks stretches one by one, each where it adds most to what the pairs have together. */
    private static List<Integer> stretches(List<Audio> stems) {
        int hop = LineUp.LENGTH / 2;
        int frames = stems.stream().mapToInt(Audio::frames).max().orElse(0);
        int count = Math.max(1, (frames + hop - 1) / hop);
        double[][] level = new double[stems.size()][];
        IntStream.range(0, level.length)
                .parallel()
                .forEach(i -> level[i] = levels(stems.get(i), count, hop));
        double[] heard = new double[stems.size() * stems.size()];
        List<Integer> picked = new ArrayList<>();
        for (int n = 0; n < Math.min(STRETCHES, count); n++) {
            int best = -1;
            double most = 0;
            for (int s = 0; s < count; s++) {
                double gain = picked.contains(s * hop) ? -1 : gain(level, s, heard, false);
                if (gain > most) {
                    most = gain;
                    best = s;
                }
            }
            if (best < 0) {
                break;
            }
            gain(level, best, heard, true);
            picked.add(best * hop);
        }
        return picked;
    }

    private static double gain(double[][] level, int s, double[] heard, boolean take) {
        double gain = 0;
        for (int i = 0; i < level.length; i++) {
            for (int j = i + 1; j < level.length; j++) {
                double both = Math.min(level[i][s], level[j][s]);
                int pair = i * level.length + j;
                gain += Math.sqrt(heard[pair] + both) - Math.sqrt(heard[pair]);
                heard[pair] += take ? both : 0;
            }
        }
        return gain;
    }

    /** Level of each stretch relative to the stem's loudest. */
    private static double[] levels(Audio audio, int count, int hop) {
        double[] sums = new double[count + 1];
        float[] x = new float[hop];
        float[] other = new float[hop];
        for (int s = 0; s < count; s++) {
            audio.read(s * hop, hop, x, other);
            for (int i = 0; i < hop; i += 8) {
                sums[s] += (double) x[i] * x[i];
            }
        }
        double[] levels = new double[count];
        double most = 1e-30;
        for (int s = 0; s < count; s++) {
            levels[s] = Math.sqrt(sums[s] + sums[s + 1]);
            most = Math.max(most, levels[s]);
        }
        for (int s = 0; s < count; s++) {
            levels[s] /= most;
        }
        return levels;
    }
}
