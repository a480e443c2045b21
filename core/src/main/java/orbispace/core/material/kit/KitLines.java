package orbispace.core.material.kit;

import java.util.ArrayList;
import java.util.List;
import java.util.SortedSet;
import java.util.TreeSet;
import java.util.function.IntPredicate;
import orbispace.core.audio.Audio;
import orbispace.core.signal.Fft;

/**
 * How the stems of a kit lie in time. Of each two, the strokes of one are looked for in the other
 * by generalised cross-correlation with phase transform (Knapp and Carter 1976) about strokes that
 * no other stem has at the same time. A delay that is found over the whole spectrum is taken where
 * the loud part of it, the struck drum's own and not that of a cymbal without a microphone, backs
 * it; else that of the loud part alone. Where both hear each other, half the difference of the two
 * delays is how much later one stem lies, and half their sum how far the microphones are apart;
 * where only one hears the other the two cannot be told from each other. The delays of all pairs
 * are made one answer ({@link TimeGraph}).
 */
final class KitLines {
    private static final double BEFORE_SECONDS = 0.012;

    /** Rings of earlier strokes fade in: begun at once they were a click in both stems, at 0. */
    private static final double FADE_IN_SECONDS = 0.006;

    private static final double MOST_SECONDS = 0.025;
    private static final int MOST_STROKES = 40;
    private static final int LEAST_STROKES = 4;
    private static final int PEAK_FRAMES = 4;

    /** Two halves of the strokes, each by itself, find the same delay or it is chance. */
    private static final int AGREE_FRAMES = 2;

    private static final double SURE = 0.3;

    /** Shares of the loudest part of the spectrum: all of it, and where the struck drum sounds. */
    private static final double EVERYWHERE = 1e-8;

    private static final double LOUD = 1e-3;

    /**
     * What is found everywhere is taken where the drum itself, not a cymbal beside it, backs it.
     */
    private static final double BACKED = 0.8;

    private static final double SURE_WHERE_LOUD = 0.12;

    /** Microphones stand a hand's breadth or two from where their drums are struck: 17 cm. */
    private static final double NATURAL_SECONDS = 0.0005;

    private final List<Audio> audio;
    private final DrumParts parts;
    private final int length;
    private final double rate;
    private final Fft fft;
    private final SortedSet<Integer> sharing = new TreeSet<>();

    private record Delay(int samples, double confidence, boolean inverted) {
        static final Delay NONE = new Delay(0, 0, false);
    }

    KitLines(List<Audio> audio, DrumParts parts) {
        this.audio = List.copyOf(audio);
        this.parts = parts;
        rate = audio.getFirst().sampleRateHz();
        length = Integer.highestOneBit((int) (0.06 * rate)) * 2;
        fft = new Fft(length);
    }

    /**
     * Lines the stems up.
     *
     * @param strokes times at which a stem is struck and no other, by stem
     * @param energy of the own strokes of each; the others are told against that with the most
     */
    List<Kit.Line> of(List<List<Double>> strokes, List<Double> energy) {
        int n = audio.size();
        Delay[][] delays = new Delay[n][n];
        for (int x = 0; x < n; x++) {
            for (int y = 0; y < n; y++) {
                delays[x][y] = x == y ? Delay.NONE : delay(x, y, strokes.get(y));
            }
        }
        TimeGraph graph = new TimeGraph(parts, energy, NATURAL_SECONDS * rate);
        for (int x = 0; x < n; x++) {
            for (int y = x + 1; y < n; y++) {
                Delay there = delays[x][y];
                Delay back = delays[y][x];
                if (there.confidence >= SURE && back.confidence >= SURE) {
                    double later = (there.samples - back.samples) / 2.0;
                    graph.bothWays(x, y, later, Math.min(there.confidence, back.confidence));
                } else if (there.confidence >= SURE) {
                    graph.oneWay(x, y, there.samples, there.confidence);
                } else if (back.confidence >= SURE) {
                    graph.oneWay(y, x, back.samples, back.confidence);
                } else {
                    continue;
                }
                sharing.addAll(List.of(x, y));
            }
        }
        double[] offsets = graph.offsets();
        int[] late = graph.late(offsets);
        List<Kit.Line> lines = new ArrayList<>();
        for (int x = 0; x < n; x++) {
            int drum = graph.anchor(x);
            int reference = graph.reference();
            boolean turned = turned(delays[x][drum]) != turned(delays[drum][reference]);
            lines.add(
                    new Kit.Line((int) Math.round(offsets[x]), graph.isKnown(x), turned, late[x]));
        }
        return lines;
    }

    private static boolean turned(Delay delay) {
        return delay.inverted && delay.confidence >= SURE;
    }

    /** Stems in which strokes of others were found, or whose strokes others hear. */
    List<Integer> sharing() {
        return List.copyOf(sharing);
    }

    /** How much later one stem hears the strokes of another than that does itself. */
    private Delay delay(int hears, int struck, List<Double> all) {
        if (all.size() < LEAST_STROKES) {
            return Delay.NONE;
        }
        List<Double> strokes = all.subList(0, Math.min(MOST_STROKES, all.size()));
        Delay whole = once(hears, struck, strokes);
        if (whole.confidence < SURE) {
            return whole;
        }
        List<Double> odd = new ArrayList<>();
        List<Double> even = new ArrayList<>();
        for (int i = 0; i < strokes.size(); i++) {
            (i % 2 == 0 ? even : odd).add(strokes.get(i));
        }
        boolean agree =
                Math.abs(once(hears, struck, odd).samples - whole.samples) <= AGREE_FRAMES
                        && Math.abs(once(hears, struck, even).samples - whole.samples)
                                <= AGREE_FRAMES;
        return agree ? whole : Delay.NONE;
    }

    private Delay once(int hears, int struck, List<Double> strokes) {
        double[] sum = new double[length];
        double[] x = new double[length];
        double[] y = new double[length];
        for (double at : strokes) {
            int from = (int) ((at - BEFORE_SECONDS) * rate);
            load(audio.get(hears), from, x);
            load(audio.get(struck), from, y);
            fft.forward(x);
            fft.forward(y);
            for (int k = 1; k < length / 2; k++) {
                int re = 2 * k;
                int im = re + 1;
                sum[re] += y[re] * x[re] + y[im] * x[im];
                sum[im] += y[re] * x[im] - y[im] * x[re];
            }
        }
        double[] loud = sum.clone();
        whiten(sum, EVERYWHERE);
        fft.inverse(sum);
        Delay all = peak(sum);
        whiten(loud, LOUD);
        fft.inverse(loud);
        Delay own = peak(loud);
        if (all.confidence >= SURE
                && Math.abs(at(loud, all.samples)) >= BACKED * Math.abs(at(loud, own.samples))) {
            return all;
        }
        return own.confidence >= SURE_WHERE_LOUD
                ? new Delay(own.samples, Math.max(SURE, own.confidence), own.inverted)
                : Delay.NONE;
    }

    private double at(double[] correlation, int delay) {
        return correlation[Math.floorMod(delay, length)];
    }

    /** A window that fades in and out, so that neither end is a click that both stems share. */
    private void load(Audio from, int start, double[] into) {
        int half = length / 2;
        float[] l = new float[half];
        float[] r = new float[half];
        from.read(start, half, l, r);
        double in = FADE_IN_SECONDS * rate;
        for (int i = 0; i < length; i++) {
            double fade = Math.clamp(Math.min(i / in, (half - i) / (half / 2.0)), 0, 1);
            into[i] = i < half ? fade * ((double) l[i] + r[i]) : 0;
        }
    }

    /** Keeps the phase alone, of what is so loud against the loudest. */
    private void whiten(double[] cross, double least) {
        double most = 0;
        for (int k = 1; k < length / 2; k++) {
            most = Math.max(most, Math.hypot(cross[2 * k], cross[2 * k + 1]));
        }
        cross[0] = 0;
        cross[1] = 0;
        for (int k = 1; k < length / 2; k++) {
            double size = Math.hypot(cross[2 * k], cross[2 * k + 1]);
            double scale = size > least * most ? 1 / size : 0;
            cross[2 * k] *= scale;
            cross[2 * k + 1] *= scale;
        }
    }

    private Delay peak(double[] correlation) {
        int most = (int) (MOST_SECONDS * rate);
        int best = highest(correlation, most, d -> true);
        int at = best;
        int next = highest(correlation, most, d -> Math.abs(d - at) > PEAK_FRAMES);
        double height = Math.abs(correlation[Math.floorMod(best, length)]);
        double other = Math.abs(correlation[Math.floorMod(next, length)]);
        return height == 0
                ? Delay.NONE
                : new Delay(best, 1 - other / height, correlation[Math.floorMod(best, length)] < 0);
    }

    private int highest(double[] correlation, int most, IntPredicate of) {
        int best = most + 1;
        double height = -1;
        for (int d = -most; d <= most; d++) {
            double here = Math.abs(correlation[Math.floorMod(d, length)]);
            if (of.test(d) && here > height) {
                height = here;
                best = d;
            }
        }
        return best;
    }
}
