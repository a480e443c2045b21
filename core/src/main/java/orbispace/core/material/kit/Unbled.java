package orbispace.core.material.kit;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import orbispace.core.audio.Audio;
import orbispace.core.audio.Quantile;
import orbispace.core.material.OnsetBands;
import orbispace.core.signal.Fft;
import org.jspecify.annotations.Nullable;

/**
 * What the stems of a kit hear once the bleed is taken out whose waveform is known: how a
 * microphone hears another drum is learnt from that drum's loud strokes ({@link ShortFilter}), and
 * what the drum's own stem makes through it is subtracted. A stroke of the stem's own stays, also
 * where it always comes with the same bleed.
 */
final class Unbled {
    private static final double BEFORE_SECONDS = 0.1;
    private static final double LENGTH_SECONDS = 0.15;
    private static final double LEARNT_BEFORE_SECONDS = 0.01;
    private static final double LEARNT_SECONDS = 0.06;
    private static final double LEARNT_FADE_SECONDS = 0.03;
    private static final double HEARD_FROM_SECONDS = 0.03;
    private static final double HEARD_TO_SECONDS = 0.045;
    private static final int MOST_STROKES = 64;
    private static final int LEAST_STROKES = 6;

    /** Strokes are learnt from that are no softer than a stem's loudest by so much. */
    private static final double LOUD_DB = 10;

    /** Where a drum is never struck alone, its stem hears it so much louder than any other. */
    private static final double OVER_OTHERS_DB = 10;

    /** A stem is taken out of others in parts of the spectrum where its drum stands out so far. */
    private static final double ITSELF_DB = 6;

    /** What makes bleed louder by this was learnt wrongly. */
    private static final double WORSE_DB = 1;

    private final List<Audio> audio;
    private final Clusters clusters;
    private final double rate;
    private final BleedGains gains;
    private final boolean[][] own;
    private final int length;

    /** Spectra of the filters by hearing and struck stem; null where none could be learnt. */
    private final double[][] @Nullable [] filters;

    /** Parts of the spectrum in which what is learnt makes bleed no louder, by stem and stem. */
    private final boolean[][][] helps;

    /**
     * Learns how each stem hears the others.
     *
     * @param own which strokes are whose, by cluster and stem
     * @param gains which stems hear which
     */
    Unbled(List<Audio> audio, Clusters clusters, boolean[][] own, BleedGains gains) {
        this.gains = gains;
        this.own = own;
        this.audio = List.copyOf(audio);
        this.clusters = clusters;
        rate = audio.getFirst().sampleRateHz();
        length = Integer.highestOneBit((int) (LENGTH_SECONDS * rate)) * 2;
        int n = audio.size();
        filters = new double[n][n][];
        IntStream.range(0, n * n)
                .parallel()
                .forEach(i -> {
                    int x = i / n;
                    int y = i % n;
                    if (x != y && gains.db(x, y, Clusters.WHOLE) > BleedGains.NONE) {
                        filters[x][y] = learn(x, y);
                    }
                });
        helps = new boolean[n][n][Clusters.WHOLE];
        for (boolean[][] of : helps) {
            for (boolean[] pair : of) {
                Arrays.fill(pair, true);
            }
        }
        judge();
    }

    private double @Nullable [] learn(int hears, int struck) {
        List<Integer> alone = new ArrayList<>();
        List<Integer> loudest = new ArrayList<>();
        for (int c = 0; c < own.length; c++) {
            if (own[c][struck]
                    && !own[c][hears]
                    && clusters.levelDb(c, struck, Clusters.WHOLE)
                            >= clusters.loudDb(struck) - LOUD_DB) {
                if (isAlone(own[c], struck)) {
                    alone.add(c);
                } else if (gains.marginDb(clusters, c, struck, Clusters.WHOLE) >= OVER_OTHERS_DB) {
                    loudest.add(c);
                }
            }
        }
        List<Integer> strokes = alone.size() >= LEAST_STROKES ? alone : loudest;
        if (strokes.size() < LEAST_STROKES) {
            return null;
        }
        ShortFilter filter = new ShortFilter(rate, new Fft(length));
        double[] x = new double[length];
        double[] y = new double[length];
        Fft fft = new Fft(length);
        int every = Math.max(1, strokes.size() / MOST_STROKES);
        for (int i = 0; i < strokes.size(); i += every) {
            int from = (int) ((clusters.seconds(strokes.get(i)) - LEARNT_BEFORE_SECONDS) * rate);
            loadFading(audio.get(hears), from, x);
            loadFading(audio.get(struck), from, y);
            fft.forward(x);
            fft.forward(y);
            filter.add(x, y);
        }
        return filter.spectrum();
    }

    private boolean isAlone(boolean[] own, int struck) {
        for (int s = 0; s < own.length; s++) {
            if (own[s] && s != struck && !gains.isKin(s, struck)) {
                return false;
            }
        }
        return true;
    }

    /**
     * How much each cluster adds to what each stem hears without bleed, dB by part of the spectrum;
     * by cluster and stem.
     */
    double[][][] levels() {
        double[][][] levels = new double[clusters.size()][][];
        IntStream.range(0, levels.length).parallel().forEach(c -> levels[c] = levels(c));
        return levels;
    }

    private double[][] levels(int c) {
        int n = audio.size();
        Fft fft = new Fft(length);
        int from = (int) ((clusters.seconds(c) - BEFORE_SECONDS) * rate);
        double[][] heard = new double[n][length];
        for (int s = 0; s < n; s++) {
            load(audio.get(s), from, heard[s]);
            fft.forward(heard[s]);
        }
        double[][] levels = new double[n][];
        for (int x = 0; x < n; x++) {
            double[] left = heard[x].clone();
            for (int y = 0; y < n; y++) {
                double[] filter = filters[x][y];
                for (int part = 0; filter != null && part < Clusters.WHOLE; part++) {
                    if (takes(c, x, y, part)) {
                        subtract(left, filter, heard[y], part);
                    }
                }
            }
            fft.inverse(left);
            levels[x] = level(left);
        }
        return levels;
    }

    /** Tries what was learnt where it should leave nothing. */
    private void judge() {
        double[][][] all = levels();
        for (int x = 0; x < filters.length; x++) {
            for (int y = 0; y < filters.length; y++) {
                for (int part = 0; part < Clusters.WHOLE && filters[x][y] != null; part++) {
                    List<Double> gained = new ArrayList<>();
                    for (int c = 0; c < own.length; c++) {
                        if (!own[c][x] && takes(c, x, y, part)) {
                            gained.add(clusters.levelDb(c, x, part) - all[c][x][part]);
                        }
                    }
                    helps[x][y][part] = gained.isEmpty() || Quantile.of(gained, 0.5) >= -WORSE_DB;
                }
            }
        }
    }

    /** Whether a struck stem is taken out of another: where it is the drum itself that it hears. */
    boolean takes(int c, int hears, int struck, int part) {
        return filters[hears][struck] != null
                && helps[hears][struck][part]
                && own[c][struck]
                && !isTwin(c, hears, struck)
                && gains.marginDb(clusters, c, struck, part) >= ITSELF_DB;
    }

    /** Whether another stem of the same drum is taken out already. */
    private boolean isTwin(int c, int hears, int struck) {
        for (int s = 0; s < struck; s++) {
            if (own[c][s] && gains.isKin(s, struck) && filters[hears][s] != null) {
                return true;
            }
        }
        return false;
    }

    private void subtract(double[] from, double[] filter, double[] of, int part) {
        int first = Math.max(1, (int) Math.ceil(Clusters.EDGES_HZ[part] * length / rate));
        int end = (int) Math.ceil(Clusters.EDGES_HZ[part + 1] * length / rate);
        for (int k = first; k < Math.min(length / 2, end); k++) {
            int re = 2 * k;
            int im = re + 1;
            from[re] -= filter[re] * of[re] - filter[im] * of[im];
            from[im] -= filter[re] * of[im] + filter[im] * of[re];
        }
    }

    private double[] level(double[] left) {
        int from = (int) ((BEFORE_SECONDS - HEARD_FROM_SECONDS) * rate);
        int to = (int) ((BEFORE_SECONDS + HEARD_TO_SECONDS) * rate);
        float[] part = new float[to - from];
        for (int i = 0; i < part.length; i++) {
            part[i] = (float) left[from + i];
        }
        return Clusters.level(OnsetBands.of(Audio.of(rate, part)), HEARD_FROM_SECONDS);
    }

    private static void load(Audio audio, int from, double[] into) {
        float[] l = new float[into.length];
        float[] r = new float[into.length];
        audio.read(from, into.length, l, r);
        for (int i = 0; i < into.length; i++) {
            into[i] = ((double) l[i] + r[i]) / 2;
        }
    }

    private void loadFading(Audio audio, int from, double[] into) {
        load(audio, from, into);
        double whole = LEARNT_SECONDS * rate;
        double fading = LEARNT_FADE_SECONDS * rate;
        for (int i = 0; i < into.length; i++) {
            into[i] *= Math.clamp(1 - (i - whole) / fading, 0, 1);
        }
    }
}
