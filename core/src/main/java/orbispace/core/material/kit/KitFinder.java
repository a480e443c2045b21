package orbispace.core.material.kit;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import orbispace.core.audio.Audio;
import orbispace.core.audio.Decibels;
import orbispace.core.audio.Quantile;
import orbispace.core.material.GateKey;
import orbispace.core.material.GateKeyFinder;
import orbispace.core.material.Hits;

/**
 * Tells own strokes from bleed across the stems of a kit ({@link OwnStrokes}). Bleed is reckoned
 * twice: from loud strokes, then from all that were found to be own; then it is taken out where its
 * waveform is known ({@link Unbled}).
 */
public final class KitFinder {
    private static final double GHOST_DB = 12;
    private static final double CLOCK_DB = 20;

    private KitFinder() {}

    /**
     * Looks at the stems of one take.
     *
     * @param audio of one rate and from one start
     * @param parts what each stem stands at in one word, empty if not known; stems of one word hear
     *     one drum
     */
    public static Kit find(List<Audio> audio, List<String> parts) {
        DrumParts drums = new DrumParts(parts);
        Clusters clusters = new Clusters(audio);
        boolean[][] loud = new OwnStrokes(clusters, new BleedGains(clusters, drums)).byLevel();
        BleedGains gains = new BleedGains(clusters, drums, loud);
        OwnStrokes strokes = new OwnStrokes(clusters, gains);
        boolean[][] byLevel = strokes.byLevel();
        boolean[][] own = strokes.byWaveform(byLevel, new Unbled(audio, clusters, byLevel, gains));
        List<KitStem> stems =
                IntStream.range(0, audio.size())
                        .parallel()
                        .mapToObj(s -> stem(clusters, own, s, audio, drums))
                        .toList();
        KitLines search = new KitLines(audio, drums);
        List<Kit.Line> lines =
                search.of(
                        alone(clusters, own, gains),
                        stems.stream().map(KitFinder::energy).toList());
        return new Kit(stems, search.sharing(), lines, gains.heard(clusters), clock(stems));
    }

    /** When a stem is struck and no other drum is, by stem. */
    private static List<List<Double>> alone(Clusters clusters, boolean[][] own, BleedGains gains) {
        List<List<Double>> alone = new ArrayList<>();
        for (int s = 0; s < clusters.stems(); s++) {
            List<Double> times = new ArrayList<>();
            for (int c = 0; c < own.length; c++) {
                boolean others = false;
                for (int o = 0; o < own[c].length; o++) {
                    others |= own[c][o] && o != s && !gains.isKin(s, o);
                }
                Hits.Hit struck = clusters.event(c, s);
                if (!others && own[c][s] && struck != null) {
                    times.add(struck.seconds());
                }
            }
            alone.add(times);
        }
        return alone;
    }

    /** Energy of a stem's own strokes. */
    private static double energy(KitStem stem) {
        return stem.own().stream().mapToDouble(o -> Decibels.toPower(o.peakDb())).sum();
    }

    private static KitStem stem(
            Clusters clusters, boolean[][] own, int s, List<Audio> all, DrumParts drums) {
        Audio audio = all.get(s);
        List<Hits.Hit> strokes = new ArrayList<>();
        List<Hits.Hit> others = new ArrayList<>();
        List<KitStem.Bleed> bleed = new ArrayList<>();
        for (int c = 0; c < own.length; c++) {
            Hits.Hit hit = clusters.event(c, s);
            if (hit == null) {
                continue;
            }
            if (own[c][s]) {
                strokes.add(hit);
            } else {
                others.add(hit);
                bleed.add(new KitStem.Bleed(hit.seconds(), hit.peakDb(), from(clusters, own, c)));
            }
        }
        double median =
                strokes.isEmpty()
                        ? 0
                        : Quantile.of(strokes.stream().map(Hits.Hit::peakDb).toList(), 0.5);
        List<KitStem.Stroke> told =
                strokes.stream()
                        .map(h ->
                                new KitStem.Stroke(
                                        h.seconds(), h.peakDb(), h.peakDb() <= median - GHOST_DB))
                        .toList();
        List<Hits.Hit> full = strokes.stream().filter(h -> h.peakDb() > median - GHOST_DB).toList();
        Optional<GateKey> gate = gate(audio, strokes, others);
        return new KitStem(
                told,
                bleed,
                new Hits(strokes, others),
                full.size() == strokes.size() ? gate : gate(audio, full, others),
                full.size() == strokes.size() ? Optional.empty() : gate,
                drums.hearsAll(s)
                        ? RoomMicrophone.look(audio, close(all, drums))
                        : Optional.empty());
    }

    private static List<Audio> close(List<Audio> all, DrumParts drums) {
        return IntStream.range(0, all.size())
                .filter(s -> !drums.hearsAll(s))
                .mapToObj(all::get)
                .toList();
    }

    private static Optional<GateKey> gate(
            Audio audio, List<Hits.Hit> strokes, List<Hits.Hit> others) {
        return strokes.isEmpty() || others.isEmpty()
                ? Optional.empty()
                : GateKeyFinder.find(audio, new Hits(strokes, others));
    }

    /** Whose stroke a cluster is: of several the one that is loudest in its own stem. */
    private static int from(Clusters clusters, boolean[][] own, int c) {
        int loudest = -1;
        double most = Double.NEGATIVE_INFINITY;
        for (int s = 0; s < clusters.stems(); s++) {
            double level = clusters.levelDb(c, s, Clusters.WHOLE);
            if (own[c][s] && level > most) {
                most = level;
                loudest = s;
            }
        }
        return loudest;
    }

    /** The interval of the stem that strikes most often within 20 dB of the loudest stroke. */
    private static OptionalDouble clock(List<KitStem> stems) {
        double loudest =
                stems.stream()
                        .flatMap(s -> s.own().stream())
                        .mapToDouble(KitStem.Stroke::peakDb)
                        .max()
                        .orElse(0);
        double busiest = 0;
        int most = 1;
        for (KitStem stem : stems) {
            List<Double> times =
                    stem.own().stream()
                            .filter(s -> !s.ghost() && s.peakDb() >= loudest - CLOCK_DB)
                            .map(KitStem.Stroke::seconds)
                            .toList();
            if (times.size() > most) {
                most = times.size();
                List<Double> apart = new ArrayList<>();
                for (int i = 1; i < times.size(); i++) {
                    apart.add(times.get(i) - times.get(i - 1));
                }
                busiest = Quantile.of(apart, 0.5);
            }
        }
        return busiest > 0 ? OptionalDouble.of(busiest) : OptionalDouble.empty();
    }
}
