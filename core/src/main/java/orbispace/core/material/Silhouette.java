package orbispace.core.material;

import java.nio.ByteBuffer;
import java.util.Base64;
import java.util.List;
import orbispace.core.audio.Audio;

/**
 * The level of a stem over time, coarse enough to draw: peak and mean of each hundredth of a
 * second.
 */
public final class Silhouette {
    /** Steps per second. */
    public static final int STEPS_PER_SECOND = 100;

    private final float[] peak;
    private final float[] mean;

    private Silhouette(float[] peak, float[] mean) {
        this.peak = peak;
        this.mean = mean;
    }

    /** Draws a stem of any rate and length. */
    public static Silhouette of(Audio audio) {
        double step = audio.sampleRateHz() / STEPS_PER_SECOND;
        int count = (int) Math.ceil(audio.frames() / step);
        float[] peak = new float[count];
        float[] mean = new float[count];
        for (int c = 0; c < audio.channelCount(); c++) {
            float[] x = audio.channel(c);
            for (int s = 0; s < count; s++) {
                int from = (int) (s * step);
                int to = Math.min(x.length, (int) ((s + 1) * step));
                float most = peak[s];
                double sum = 0;
                for (int i = from; i < to; i++) {
                    most = Math.max(most, Math.abs(x[i]));
                    sum += (double) x[i] * x[i];
                }
                peak[s] = most;
                mean[s] += (float) (sum / Math.max(1, to - from) / audio.channelCount());
            }
        }
        for (int s = 0; s < count; s++) {
            mean[s] = (float) Math.sqrt(mean[s]);
        }
        return new Silhouette(peak, mean);
    }

    /** Several stems as one: the highest peak and the power of all in each step. */
    public static Silhouette together(List<Silhouette> all) {
        int count = all.stream().mapToInt(s -> s.peak.length).max().orElse(0);
        float[] peak = new float[count];
        double[] power = new double[count];
        for (Silhouette one : all) {
            for (int s = 0; s < one.peak.length; s++) {
                peak[s] = Math.max(peak[s], one.peak[s]);
                power[s] += (double) one.mean[s] * one.mean[s];
            }
        }
        float[] mean = new float[count];
        for (int s = 0; s < count; s++) {
            mean[s] = (float) Math.sqrt(power[s]);
        }
        return new Silhouette(peak, mean);
    }

    /** All of it as one line of plain letters, to be kept. */
    public String packed() {
        ByteBuffer bytes = ByteBuffer.allocate(8 * peak.length);
        for (int s = 0; s < peak.length; s++) {
            bytes.putFloat(peak[s]).putFloat(mean[s]);
        }
        return Base64.getEncoder().encodeToString(bytes.array());
    }

    /**
     * What was packed.
     *
     * @throws IllegalArgumentException for any other line
     */
    public static Silhouette unpacked(String packed) {
        ByteBuffer bytes = ByteBuffer.wrap(Base64.getDecoder().decode(packed));
        float[] peak = new float[bytes.remaining() / 8];
        float[] mean = new float[peak.length];
        for (int s = 0; s < peak.length; s++) {
            peak[s] = bytes.getFloat();
            mean[s] = bytes.getFloat();
        }
        return new Silhouette(peak, mean);
    }

    /** Length in seconds. */
    public double seconds() {
        return peak.length / (double) STEPS_PER_SECOND;
    }

    /** Highest amplitude between two times. */
    public double peak(double fromSeconds, double toSeconds) {
        return most(peak, fromSeconds, toSeconds);
    }

    /** Highest mean amplitude of a step between two times. */
    public double mean(double fromSeconds, double toSeconds) {
        return most(mean, fromSeconds, toSeconds);
    }

    /** Mean power between two times; 0 for none. */
    public double power(double fromSeconds, double toSeconds) {
        int first = Math.clamp(stepsUpTo(fromSeconds), 0, mean.length);
        int last = Math.clamp(-stepsUpTo(-toSeconds), first, mean.length);
        double sum = 0;
        for (int i = first; i < last; i++) {
            sum += mean[i] * mean[i];
        }
        return last > first ? sum / (last - first) : 0;
    }

    /** Whole steps, where a border that is one but for rounding counts as one. */
    private static long stepsUpTo(double seconds) {
        return (long) Math.floor(seconds * STEPS_PER_SECOND + 1e-6);
    }

    private static double most(float[] values, double from, double to) {
        int first = Math.max(0, (int) Math.floor(from * STEPS_PER_SECOND));
        int last =
                Math.min(
                        values.length, Math.max(first + 1, (int) Math.ceil(to * STEPS_PER_SECOND)));
        float most = 0;
        for (int i = first; i < last; i++) {
            most = Math.max(most, values[i]);
        }
        return most;
    }
}
