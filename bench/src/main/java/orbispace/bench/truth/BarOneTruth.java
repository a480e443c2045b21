package orbispace.bench.truth;

import java.io.PrintStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Random;
import orbispace.core.material.BarOneFinder;
import orbispace.core.material.Hits;
import orbispace.core.time.MetreMap;
import orbispace.core.time.SongClock;
import orbispace.core.time.TempoMap;

/** Songs of strokes whose first bar and tempo are known, and what is proposed of them. */
final class BarOneTruth {
    private static final double NEAR_SECONDS = 0.01;
    private static final double NEAR_BPM = 0.03;
    private static final int BARS = 60;

    private BarOneTruth() {}

    /** Strokes of a bar of four beats: place in beats, level in dB. */
    private record Pattern(String name, double[][] strokes) {}

    private static double[][] beats(double onDb, double between, double offDb) {
        double[][] strokes = new double[8][];
        for (int b = 0; b < 4; b++) {
            strokes[2 * b] = new double[] {b, onDb};
            strokes[2 * b + 1] = new double[] {b + between, offDb};
        }
        return strokes;
    }

    private static final List<Pattern> PATTERNS =
            List.of(
                    new Pattern(
                            "a stroke on each beat",
                            new double[][] {{0, -6}, {1, -6}, {2, -6}, {3, -6}}),
                    new Pattern("beats, halves 8 dB softer", beats(-6, 0.5, -14)),
                    new Pattern(
                            "kick and snare on beats, a hat on all halves",
                            new double[][] {
                                {0, -6},
                                {1, -6},
                                {2, -6},
                                {3, -6},
                                {0.01, -12},
                                {0.5, -12},
                                {1.01, -12},
                                {1.5, -12},
                                {2.01, -12},
                                {2.5, -12},
                                {3.01, -12},
                                {3.5, -12}
                            }),
                    new Pattern("beats, halves as loud", beats(-6, 0.5, -6)),
                    new Pattern("beats, halves 6 dB louder", beats(-12, 0.5, -6)),
                    new Pattern(
                            "halves alone",
                            new double[][] {{0.5, -6}, {1.5, -6}, {2.5, -6}, {3.5, -6}}),
                    new Pattern("shuffle, thirds 6 dB softer", beats(-6, 2 / 3.0, -12)),
                    new Pattern("shuffle, thirds 6 dB louder", beats(-12, 2 / 3.0, -6)),
                    new Pattern(
                            "backbeat with pushed kicks",
                            new double[][] {
                                {0, -5}, {1, -4}, {1.5, -9}, {2.5, -6}, {3, -4}, {3.75, -9}
                            }));

    static void print(int seeds, PrintStream out) {
        out.println("| Strokes | Tempo | Songs | Right | Silent | Wrong |");
        out.println("| --- | --- | --- | --- | --- | --- |");
        for (double off : new double[] {0, 0.001, 0.004}) {
            for (Pattern pattern : PATTERNS) {
                int[] said = new int[3];
                for (int seed = 0; seed < 10 * seeds; seed++) {
                    said[judged(pattern, off, new Random(77L + seed))]++;
                }
                out.printf(
                        Locale.ROOT,
                        "| %s | %s | %d | %d | %d | %d |%n",
                        pattern.name(),
                        off == 0
                                ? "as written"
                                : String.format(Locale.ROOT, "%.1f %% faster", 100 * off),
                        10 * seeds,
                        said[0],
                        said[1],
                        said[2]);
            }
        }
    }

    /** 0 for right, 1 for silent, 2 for wrong. */
    private static int judged(Pattern pattern, double off, Random random) {
        double bpm = 70 + 90 * random.nextDouble();
        double beat = 60 / bpm;
        double shift = (random.nextDouble() - 0.5) * 0.8 * beat;
        List<Hits.Hit> hits = new ArrayList<>();
        for (int bar = 0; bar < BARS; bar++) {
            for (double[] s : pattern.strokes()) {
                double at = shift + (4 * bar + s[0]) * beat / (1 + off);
                double late = 0.005 * random.nextGaussian();
                if (at > 0 && random.nextDouble() < 0.95) {
                    hits.add(new Hits.Hit(at + late, s[1] + random.nextGaussian(), -20));
                }
            }
        }
        SongClock clock = new SongClock(TempoMap.constant(bpm), MetreMap.constant(4, 4));
        Optional<BarOneFinder.BarOne> found = BarOneFinder.find(hits, clock);
        if (found.isEmpty()) {
            return 1;
        }
        if (found.get().fittingBpm().isPresent()) {
            double wrong = found.get().fittingBpm().getAsDouble() - bpm * (1 + off);
            return off > 0 && Math.abs(wrong) < NEAR_BPM ? 0 : 2;
        }
        double wrong = (found.get().originSeconds() - shift) / beat;
        double seconds = Math.abs(wrong - Math.rint(wrong)) * beat;
        return off == 0 && seconds < NEAR_SECONDS ? 0 : 2;
    }
}
