package orbispace.core.hearing;

import java.util.Arrays;
import java.util.stream.IntStream;
import orbispace.core.audio.Quantile;

/**
 * How much of a mix a wet is: its loudness beside all else over that of everything, in windows of
 * three seconds in which it sounds, as it is in the most of them (95 %).
 */
public final class WetShare {
    private static final double WINDOW_SECONDS = 3;

    private final double[] wetHeard;
    private final double[] wetAlone;
    private final double[] all;
    private final double[] withoutWet;
    private final double framesPerSecond;

    /** The share over so many frames, none of which was heard yet. */
    WetShare(int frames, double framesPerSecond) {
        wetHeard = new double[frames];
        wetAlone = new double[frames];
        all = new double[frames];
        withoutWet = new double[frames];
        this.framesPerSecond = framesPerSecond;
    }

    /** Loudness of the wet beside all else by frame, in sones. */
    double[] wetHeard() {
        return wetHeard;
    }

    /** Loudness of everything by frame, in sones. */
    double[] all() {
        return all;
    }

    /**
     * The share alone, as {@link CoverMeter} has it among other measures, for who asks often.
     *
     * @param dry the source that is judged
     * @param rest everything else that sounds
     * @param roomPower noise of the room per band
     */
    public static double of(Excitation dry, Excitation wet, Excitation rest, double roomPower) {
        int frames = dry.frames();
        WetShare share = new WetShare(frames, dry.framesPerSecond());
        IntStream.range(0, frames)
                .parallel()
                .forEach(f -> {
                    for (int b = 0; b < HearingModel.BANDS; b++) {
                        share.hear(f, b, dry.at(f, b), wet.at(f, b), rest.at(f, b), roomPower);
                    }
                });
        return share.share();
    }

    /** Adds a cell: the dry, the wet and the rest in a band of a frame. */
    void hear(int f, int band, double s, double w, double r, double room) {
        double without = HearingModel.loudness(band, s + r);
        withoutWet[f] += without;
        if (w > 0) {
            wetHeard[f] += HearingModel.partialLoudness(band, w, s + r + room);
            wetAlone[f] += HearingModel.loudness(band, w);
            all[f] += HearingModel.loudness(band, s + w + r);
        } else {
            all[f] += without;
        }
    }

    /** The share, 0 to 1. */
    double share() {
        int frames = all.length;
        int window = Math.min(frames, (int) Math.round(WINDOW_SECONDS * framesPerSecond));
        int step = Math.max(1, (int) Math.round(framesPerSecond));
        if (window == 0) {
            return 0;
        }
        double reference = sectionReference();
        double[] alone = windowMeans(wetAlone, window, step);
        double[] heard = windowMeans(wetHeard, window, step);
        double[] total = windowMeans(all, window, step);
        double loudest = Arrays.stream(alone).max().orElse(0);
        if (loudest <= 0) {
            return 0;
        }
        double[] shares =
                IntStream.range(0, alone.length)
                        .filter(i -> alone[i] >= 0.1 * loudest)
                        .mapToDouble(i -> heard[i] / Math.max(1e-30, Math.max(total[i], reference)))
                        .toArray();
        return Quantile.of(shares, 0.95);
    }

    private double sectionReference() {
        double limit = 0.1 * Quantile.of(withoutWet, 0.95);
        return Arrays.stream(withoutWet).filter(n -> n > limit).average().orElse(0);
    }

    private static double[] windowMeans(double[] values, int window, int step) {
        // The last window ends with the stretch, so that all of it is measured.
        int last = values.length - window;
        int count = (last + step - 1) / step + 1;
        double[] means = new double[count];
        for (int i = 0; i < count; i++) {
            int from = Math.min(last, i * step);
            double sum = 0;
            for (int k = from; k < from + window; k++) {
                sum += values[k];
            }
            means[i] = sum / window;
        }
        return means;
    }
}
