package orbispace.core.material;

import orbispace.core.audio.Audio;
import orbispace.core.audio.Decibels;

/**
 * What is wrong with a stem's samples themselves.
 *
 * @param clippedRuns stretches of at least three samples cut flat
 * @param firstClipSeconds where the first of them is; 0 if there is none
 * @param constantOffset mean of all samples, if it is above -50 dBFS; else 0
 * @param silent whether nothing rises above -90 dBFS
 */
public record StemCheck(
        int clippedRuns, double firstClipSeconds, double constantOffset, boolean silent) {
    private static final double FLAT = 1e-4;
    private static final double STEEP = 20 * FLAT;
    private static final int LEAST_RUN = 3;
    private static final double LEAST_PEAK = 0.05;
    private static final double OFFSET_DB = -50;
    private static final double SILENT_DB = -90;

    /**
     * Checks a stem of any rate.
     *
     * <p>A run is flat if its samples lie within a ten-thousandth of the channel's extreme value,
     * and cut if the sample before or after it lies far from it; a round top falls off slowly on
     * both sides.
     */
    public static StemCheck of(Audio audio) {
        int runs = 0;
        int first = Integer.MAX_VALUE;
        double sum = 0;
        float most = 0;
        for (int c = 0; c < audio.channelCount(); c++) {
            float[] x = audio.channel(c);
            float high = 0;
            float low = 0;
            for (float v : x) {
                high = Math.max(high, v);
                low = Math.min(low, v);
                sum += v;
            }
            most = Math.max(most, Math.max(high, -low));
            int[] top = flatRuns(x, high);
            int[] bottom = flatRuns(x, low);
            runs += top[0] + bottom[0];
            first = Math.min(first, Math.min(top[1], bottom[1]));
        }
        double mean = sum / Math.max(1, (long) audio.frames() * audio.channelCount());
        boolean offset = Math.abs(mean) > Decibels.toAmplitude(OFFSET_DB);
        return new StemCheck(
                runs,
                runs == 0 ? 0 : first / audio.sampleRateHz(),
                offset ? mean : 0,
                most < Decibels.toAmplitude(SILENT_DB));
    }

    /** Number of runs cut flat at an extreme value, and the frame of the first. */
    private static int[] flatRuns(float[] x, float top) {
        int runs = 0;
        int first = Integer.MAX_VALUE;
        float size = Math.abs(top);
        float near = (float) (FLAT * size);
        int i = size < LEAST_PEAK ? x.length : 0;
        while (i < x.length) {
            if (Math.abs(x[i] - top) > near) {
                i++;
                continue;
            }
            int end = i;
            while (end < x.length && Math.abs(x[end] - top) <= near) {
                end++;
            }
            boolean steepIn = i == 0 || Math.abs(x[i - 1] - top) > STEEP * size;
            boolean steepOut = end >= x.length || Math.abs(x[end] - top) > STEEP * size;
            if (end - i >= LEAST_RUN && end - i < x.length && (steepIn || steepOut)) {
                runs++;
                first = Math.min(first, i);
            }
            i = end;
        }
        return new int[] {runs, first};
    }
}
