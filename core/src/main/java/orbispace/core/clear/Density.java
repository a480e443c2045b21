package orbispace.core.clear;

import java.util.stream.IntStream;
import orbispace.core.hearing.Excitation;
import orbispace.core.hearing.HearingModel;

/**
 * How densely the field is filled: what is heard of all returns together beside all dry sources, as
 * a share of the loudness of everything, frame by frame. Where spaces pile up it is high; 0 in
 * silence.
 */
final class Density {
    private static final double LEAST_SONES = 0.05;

    private final double[] heard;
    private final double[] all;

    private Density(double[] heard, double[] all) {
        this.heard = heard;
        this.all = all;
    }

    static Density of(Excitation wet, Excitation dry, double roomPower) {
        double[] heard = new double[wet.frames()];
        double[] all = new double[wet.frames()];
        IntStream.range(0, wet.frames())
                .parallel()
                .forEach(f -> {
                    for (int b = 0; b < HearingModel.BANDS; b++) {
                        double w = wet.at(f, b);
                        double d = dry.at(f, b);
                        heard[f] += w == 0 ? 0 : HearingModel.partialLoudness(b, w, d + roomPower);
                        all[f] += HearingModel.loudness(b, w + d);
                    }
                });
        return new Density(heard, all);
    }

    /** The share over frames {@code from} to before {@code to}, 0 to 1. */
    double between(int from, int to) {
        double wet = 0;
        double sum = 0;
        for (int f = Math.max(0, from); f < Math.min(to, all.length); f++) {
            wet += heard[f];
            sum += all[f];
        }
        return sum <= LEAST_SONES * Math.max(1, to - from) ? 0 : wet / sum;
    }
}
