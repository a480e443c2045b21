package orbispace.core.measure;

import java.util.List;
import orbispace.core.audio.Audio;
import orbispace.core.signal.Biquad;
import orbispace.core.signal.Cascade;
import orbispace.core.signal.FilterDesign;

/**
 * Makes an impulse response decay faster or slower, band by band: its lows (below 250 Hz), middle
 * and highs (above 4 kHz) are parted, each is multiplied by an exponential that turns its measured
 * T30 into the wanted one, and all are put together.
 *
 * <p>A band whose decay cannot be measured is left as it is. Longer decays bring up the noise floor
 * with the tail.
 */
public final class DecayScaling {
    private static final double LOW_HZ = 250;
    private static final double HIGH_HZ = 4000;
    private static final double DECAY = Math.log(1000);

    private DecayScaling() {}

    /** The response with its decays scaled, 0.25 to 2 each; itself if all are 1. */
    public static Audio of(Audio response, double low, double middle, double high) {
        if (low == 1 && middle == 1 && high == 1) {
            return response;
        }
        DecayReport report = DecayMeter.measure(response);
        double[] growth = {
            growth(report, 63, 250, low),
            growth(report, 500, 2000, middle),
            growth(report, 4000, 8000, high)
        };
        float[][] channels = new float[response.channelCount()][];
        for (int c = 0; c < channels.length; c++) {
            channels[c] = scaled(response.channel(c), response.sampleRateHz(), growth);
        }
        return Audio.of(response.sampleRateHz(), channels);
    }

    /** Nepers per second that a band must gain: 0 where its decay is not known. */
    private static double growth(DecayReport report, double from, double to, double scale) {
        double sum = 0;
        int count = 0;
        for (BandDecay band : report.bands()) {
            if (band.centreHz() >= from
                    && band.centreHz() <= to
                    && band.t30() instanceof DecayTime.Measured(double seconds)) {
                sum += seconds;
                count++;
            }
        }
        return count == 0 ? 0 : DECAY / (sum / count) * (1 - 1 / scale);
    }

    private static float[] scaled(float[] x, double rate, double[] growth) {
        float[] low = filtered(x, FilterDesign.lowPass(LOW_HZ, 2, rate));
        float[] high = filtered(x, FilterDesign.highPass(HIGH_HZ, 2, rate));
        float[] out = new float[x.length];
        for (int i = 0; i < x.length; i++) {
            double t = i / rate;
            double middle = x[i] - low[i] - high[i];
            out[i] =
                    (float)
                            (low[i] * Math.exp(growth[0] * t)
                                    + middle * Math.exp(growth[1] * t)
                                    + high[i] * Math.exp(growth[2] * t));
        }
        return out;
    }

    private static float[] filtered(float[] x, List<Biquad> sections) {
        float[] y = x.clone();
        new Cascade(sections).process(y, y, 0, y.length);
        return y;
    }
}
