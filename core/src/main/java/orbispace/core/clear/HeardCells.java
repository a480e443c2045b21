package orbispace.core.clear;

import java.util.List;
import java.util.stream.IntStream;
import orbispace.core.hearing.Excitation;
import orbispace.core.hearing.HearingModel;
import orbispace.core.render.Job;

/** Where a wet is heard beside everything else: its loudness in each cell of time and frequency. */
public final class HeardCells {
    private static final double HALF = 0.5;

    private final float[] sones;
    private final double framesPerSecond;

    private HeardCells(float[] sones, double framesPerSecond) {
        this.sones = sones;
        this.framesPerSecond = framesPerSecond;
    }

    /** Where the return of a question is heard. */
    static HeardCells of(CoverAnalysis analysis, Question q, Job job) {
        Excitation rest =
                analysis.others(q, job).plus(analysis.song().sourcesBut(q.design(), List.of()));
        return of(
                analysis.slice(analysis.wet(q.design(), q.ret(), job), q.span()),
                analysis.slice(rest, q.span()),
                analysis.roomPower());
    }

    static HeardCells of(Excitation wet, Excitation others, double roomPower) {
        int bands = HearingModel.BANDS;
        float[] sones = new float[wet.frames() * bands];
        IntStream.range(0, wet.frames())
                .parallel()
                .forEach(f -> {
                    for (int b = 0; b < bands; b++) {
                        double w = wet.at(f, b);
                        sones[f * bands + b] =
                                w == 0
                                        ? 0
                                        : (float)
                                                HearingModel.partialLoudness(
                                                        b, w, others.at(f, b) + roomPower);
                    }
                });
        return new HeardCells(sones, wet.framesPerSecond());
    }

    /** Frames per second. */
    public double framesPerSecond() {
        return framesPerSecond;
    }

    /** Number of frames. */
    public int frames() {
        return sones.length / HearingModel.BANDS;
    }

    /** Loudness in a cell. */
    public double at(int frame, int band) {
        return sones[frame * HearingModel.BANDS + band];
    }

    /**
     * The least loudness of a cell that stands out among those of some bands: half of what the
     * loudest hundredth of them has.
     */
    public double standsOut(double lowHz, double highHz) {
        double[] inside =
                IntStream.range(0, sones.length)
                        .filter(i -> isIn(i % HearingModel.BANDS, lowHz, highHz) && sones[i] > 0)
                        .mapToDouble(i -> sones[i])
                        .toArray();
        return inside.length == 0
                ? Double.POSITIVE_INFINITY
                : HALF * orbispace.core.audio.Quantile.of(inside, 0.99);
    }

    /** Whether a band's centre lies within edges; an upper edge of 0 means everywhere. */
    public static boolean isIn(int band, double lowHz, double highHz) {
        double hz = HearingModel.centreHz(band);
        return highHz <= 0 || (hz >= lowHz && hz <= highHz);
    }
}
