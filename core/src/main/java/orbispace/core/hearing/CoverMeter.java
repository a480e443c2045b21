package orbispace.core.hearing;

import java.util.BitSet;
import java.util.OptionalDouble;
import java.util.stream.IntStream;

/**
 * Measures {@link Cover}: partial loudness of the dry without and with the wet, and of the wet
 * beside everything else.
 *
 * <p>Stereo place and phase are not seen: powers add, as for one ear. Early wet counts as cover
 * though it helps words, so presence is a cautious number. Copies under about 20 ms comb without
 * being seen here.
 */
public final class CoverMeter {
    private static final double CLASH_BELOW = 0.8;
    private static final double IMPORTANT_SHARE = 0.8;
    private static final double LEAST_BLOOM = 1e-6;
    private static final int LEAST_FRAMES = 10;

    private final int frames;
    private final double framesPerSecond;
    private final Passages passages;
    private final double[] dryWithout;
    private final double[] dryWith;
    private final double[] dryPower;
    private final double[] wetBloom;
    private final WetShare share;
    private final BitSet clashes;
    private final int importantInPhrases;

    /**
     * Analyses the cells of one dry and one wet.
     *
     * @param dry the source or group that must stay clear
     * @param wet the return
     * @param rest everything else that sounds
     * @param roomPower noise of the room per band, 0 for none
     * @param passages where the dry speaks and rests
     */
    public CoverMeter(
            Excitation dry, Excitation wet, Excitation rest, double roomPower, Passages passages) {
        if (dry.frames() != wet.frames() || dry.frames() != rest.frames()) {
            throw new IllegalArgumentException("dry, wet and rest differ in length");
        }
        this.frames = dry.frames();
        this.framesPerSecond = dry.framesPerSecond();
        this.passages = passages;
        dryWithout = new double[frames];
        dryWith = new double[frames];
        dryPower = new double[frames];
        wetBloom = new double[frames];
        share = new WetShare(frames, framesPerSecond);
        clashes = new BitSet(frames * HearingModel.BANDS);
        boolean[][] clashRows = new boolean[frames][];
        int[] important = new int[frames];
        IntStream.range(0, frames)
                .parallel()
                .forEach(f -> {
                    boolean[] row = new boolean[HearingModel.BANDS];
                    important[f] = analyse(f, dry, wet, rest, roomPower, row);
                    clashRows[f] = row;
                });
        int count = 0;
        for (int f = 0; f < frames; f++) {
            count += passages.speaking().get(f) ? important[f] : 0;
            for (int b = 0; b < HearingModel.BANDS; b++) {
                if (clashRows[f][b]) {
                    clashes.set(f * HearingModel.BANDS + b);
                }
            }
        }
        importantInPhrases = count;
    }

    /** Fills one frame; returns how many bands are important in it and marks those that clash. */
    private int analyse(
            int f, Excitation dry, Excitation wet, Excitation rest, double room, boolean[] clash) {
        double[] without = new double[HearingModel.BANDS];
        double[] with = new double[HearingModel.BANDS];
        for (int b = 0; b < HearingModel.BANDS; b++) {
            double s = dry.at(f, b);
            double w = wet.at(f, b);
            double r = rest.at(f, b);
            without[b] = HearingModel.partialLoudness(b, s, r + room);
            with[b] = w == 0 ? without[b] : HearingModel.partialLoudness(b, s, r + w + room);
            dryWithout[f] += without[b];
            dryWith[f] += with[b];
            dryPower[f] += s;
            share.hear(f, b, s, w, r, room);
            if (w > 0) {
                wetBloom[f] += HearingModel.audibility(b, w, s + r + room) * w;
            }
        }
        return markClashes(without, with, dryWithout[f], clash);
    }

    private static int markClashes(double[] without, double[] with, double total, boolean[] clash) {
        if (total <= 0) {
            return 0;
        }
        double[] sorted = without.clone();
        java.util.Arrays.sort(sorted);
        double sum = 0;
        int at = sorted.length;
        while (at > 0 && sum < IMPORTANT_SHARE * total) {
            sum += sorted[--at];
        }
        int important = 0;
        for (int b = 0; b < without.length; b++) {
            if (without[b] > 0 && without[b] >= sorted[at]) {
                important++;
                clash[b] = with[b] < CLASH_BELOW * without[b];
            }
        }
        return important;
    }

    /** All measures over the whole length. */
    public Cover cover() {
        return new Cover(
                kept(passages.speaking()),
                worstPhrase(),
                share.share(),
                ratio(
                        mean(share.wetHeard(), passages.speaking()),
                        mean(share.all(), passages.speaking())),
                ratio(
                        mean(share.wetHeard(), passages.resting()),
                        mean(dryWithout, passages.speaking())),
                bloom(),
                importantInPhrases == 0 ? 0 : clashesInPhrases() / (double) importantInPhrases);
    }

    /** Frames per second. */
    public double framesPerSecond() {
        return framesPerSecond;
    }

    /** Whether a cell of the dry loses more than a fifth to the wet. */
    public boolean clashAt(int frame, int band) {
        return clashes.get(frame * HearingModel.BANDS + band);
    }

    /** How many cells of each band clash while the dry speaks. */
    public double[] clashesPerBand() {
        double[] counts = new double[HearingModel.BANDS];
        for (int i = clashes.nextSetBit(0); i >= 0; i = clashes.nextSetBit(i + 1)) {
            if (passages.speaking().get(i / HearingModel.BANDS)) {
                counts[i % HearingModel.BANDS]++;
            }
        }
        return counts;
    }

    /** Presence kept over some frames, as far as the dry speaks in them; empty if it rests. */
    public OptionalDouble keptBetween(int from, int to) {
        BitSet part = passages.speaking().get(0, Math.max(0, Math.min(frames, to)));
        part.clear(0, Math.clamp(from, 0, Math.max(0, to)));
        return part.cardinality() < LEAST_FRAMES ? OptionalDouble.empty() : kept(part);
    }

    /** The share of the dry's loudness in a frame that the wet leaves; 1 where it is silent. */
    public double keptAt(int frame) {
        return dryWithout[frame] <= 0 ? 1 : dryWith[frame] / dryWithout[frame];
    }

    /** Loudness of the wet in a frame beside everything else, in sones. */
    public double wetSonesAt(int frame) {
        return share.wetHeard()[frame];
    }

    private OptionalDouble kept(BitSet frameSet) {
        double without = sum(dryWithout, frameSet);
        return without <= 0
                ? OptionalDouble.empty()
                : OptionalDouble.of(sum(dryWith, frameSet) / without);
    }

    private OptionalDouble worstPhrase() {
        return passages.phrases().stream()
                .map(this::kept)
                .filter(OptionalDouble::isPresent)
                .mapToDouble(OptionalDouble::getAsDouble)
                .min();
    }

    private int clashesInPhrases() {
        int count = 0;
        for (int i = clashes.nextSetBit(0); i >= 0; i = clashes.nextSetBit(i + 1)) {
            count += passages.speaking().get(i / HearingModel.BANDS) ? 1 : 0;
        }
        return count;
    }

    private OptionalDouble bloom() {
        double dryMean = mean(dryPower, passages.speaking());
        double gapMean = mean(wetBloom, passages.resting());
        double ratio = dryMean <= 0 ? 0 : gapMean / dryMean;
        return ratio > LEAST_BLOOM
                ? OptionalDouble.of(10 * Math.log10(ratio))
                : OptionalDouble.empty();
    }

    private static double sum(double[] values, BitSet set) {
        return set.stream().filter(i -> i < values.length).mapToDouble(i -> values[i]).sum();
    }

    private static double mean(double[] values, BitSet set) {
        return set.isEmpty() ? 0 : sum(values, set) / set.cardinality();
    }

    private static double ratio(double over, double under) {
        return under <= 0 ? 0 : over / under;
    }
}
