package orbispace.core.material.kit;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import orbispace.core.audio.Audio;
import orbispace.core.audio.Decibels;
import orbispace.core.audio.Quantile;
import orbispace.core.material.HitFinder;
import orbispace.core.material.Hits;
import orbispace.core.material.OnsetBands;
import org.jspecify.annotations.Nullable;

/** Strokes of all stems that come within 25 ms, and how loud each stem hears them. */
final class Clusters {
    /** Parts of the spectrum in which levels are compared. */
    static final double[] EDGES_HZ = {0, 250, 1000, 4000, 1e6};

    /** The whole of it, as one more part. */
    static final int WHOLE = EDGES_HZ.length - 1;

    static final int PARTS = WHOLE + 1;

    private static final double TOGETHER_SECONDS = 0.025;
    private static final double HEARD_SECONDS = 0.03;
    private static final double BEFORE_SECONDS = 0.0025;
    private static final double LEAST_RISE_DB = 1.3;
    private static final double LEAST = 1e-16;
    private static final double TYPICAL = 0.8;
    private static final int LOUDEST = 5;

    private final List<List<Hits.@Nullable Hit>> events = new ArrayList<>();
    private final List<double[][]> levels = new ArrayList<>();
    private final List<Double> seconds = new ArrayList<>();
    private final int stems;
    private final double[][] typical;
    private final double[] loud;

    private record At(int stem, Hits.Hit hit) {}

    /** What is heard in a stem; its sound may go again. */
    private record Heard(OnsetBands bands, List<Hits.Hit> events) {
        static Heard of(Audio stem) {
            Audio audio = stem.held();
            OnsetBands bands = OnsetBands.of(audio);
            return new Heard(bands, HitFinder.events(audio, bands, LEAST_RISE_DB));
        }
    }

    Clusters(List<Audio> audio) {
        stems = audio.size();
        List<Heard> heard = audio.parallelStream().map(Heard::of).toList();
        List<OnsetBands> bands = heard.stream().map(Heard::bands).toList();
        List<At> all = new ArrayList<>();
        for (int s = 0; s < stems; s++) {
            for (Hits.Hit hit : heard.get(s).events()) {
                all.add(new At(s, hit));
            }
        }
        all.sort(Comparator.comparingDouble(a -> a.hit.seconds()));
        for (At at : all) {
            boolean begins =
                    seconds.isEmpty() || at.hit.seconds() - seconds.getLast() > TOGETHER_SECONDS;
            if (begins) {
                seconds.add(at.hit.seconds());
                events.add(new ArrayList<>(java.util.Collections.nCopies(stems, null)));
            }
            Hits.Hit before = events.getLast().get(at.stem);
            if (before == null || at.hit.peakDb() > before.peakDb()) {
                events.getLast().set(at.stem, at.hit);
            }
        }
        for (double at : seconds) {
            double[][] level = new double[stems][];
            for (int s = 0; s < stems; s++) {
                level[s] = level(bands.get(s), at);
            }
            levels.add(level);
        }
        typical = typical();
        loud = java.util.stream.IntStream.range(0, stems).mapToDouble(this::loud).toArray();
    }

    static double[] level(OnsetBands bands, double at) {
        double[] power = bands.added(Math.max(0, at - BEFORE_SECONDS), HEARD_SECONDS, EDGES_HZ);
        double[] level = new double[PARTS];
        double all = 0;
        for (int k = 0; k < power.length; k++) {
            level[k] = Decibels.ofPower(power[k] + LEAST);
            all += power[k];
        }
        level[WHOLE] = Decibels.ofPower(all + LEAST);
        return level;
    }

    int size() {
        return seconds.size();
    }

    int stems() {
        return stems;
    }

    double seconds(int cluster) {
        return seconds.get(cluster);
    }

    /** The event of a stem in a cluster; null if it hears nothing of it. */
    Hits.@Nullable Hit event(int cluster, int stem) {
        return events.get(cluster).get(stem);
    }

    /** How much a cluster adds to what a stem hears in a part of the spectrum, dB. */
    double levelDb(int cluster, int stem, int part) {
        return levels.get(cluster)[stem][part];
    }

    /** How much more a cluster adds to one stem than to another, dB. */
    double over(int cluster, int stem, int other, int part) {
        return levelDb(cluster, stem, part) - levelDb(cluster, other, part);
    }

    /** The upper quintile of what a stem's events add. */
    double typicalDb(int stem, int part) {
        return typical[stem][part];
    }

    /** How loud a stem's loudest events are: the fifth of them. */
    double loudDb(int stem) {
        return loud[stem];
    }

    private double loud(int stem) {
        double[] heard =
                java.util.stream.IntStream.range(0, size())
                        .filter(c -> event(c, stem) != null)
                        .mapToDouble(c -> levelDb(c, stem, WHOLE))
                        .sorted()
                        .toArray();
        return heard.length == 0 ? 0 : heard[Math.max(0, heard.length - LOUDEST)];
    }

    private double[][] typical() {
        double[][] typical = new double[stems][PARTS];
        for (int s = 0; s < stems; s++) {
            for (int part = 0; part < PARTS; part++) {
                List<Double> heard = new ArrayList<>();
                for (int c = 0; c < size(); c++) {
                    if (event(c, s) != null) {
                        heard.add(levelDb(c, s, part));
                    }
                }
                typical[s][part] = heard.isEmpty() ? 0 : Quantile.of(heard, TYPICAL);
            }
        }
        return typical;
    }
}
