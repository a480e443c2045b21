package orbispace.core.measure;

import orbispace.core.audio.Audio;
import orbispace.core.signal.Fft;

/**
 * Makes an impulse response decay faster or slower, band by band: its lows (below 250 Hz), middle
 * and highs (above 4 kHz) are parted without phase, half an octave to each side of the corners,
 * each is multiplied by an exponential that turns its measured T30 into the wanted one, and all are
 * put together.
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
        DecayReport report;
        try {
            report = DecayMeter.measure(response);
        } catch (IllegalArgumentException tooShort) {
            return response;
        }
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
                    && band.t30().fitted().isPresent()) {
                sum += band.t30().fitted().getAsDouble();
                count++;
            }
        }
        return count == 0 ? 0 : DECAY / (sum / count) * (1 - 1 / scale);
    }

    private static float[] scaled(float[] x, double rate, double[] growth) {
        int length = Integer.highestOneBit(Math.max(64, x.length)) * 4;
        Fft fft = new Fft(length);
        double[] whole = new double[length];
        for (int i = 0; i < x.length; i++) {
            whole[i] = x[i];
        }
        fft.forward(whole);
        float[] out = new float[x.length];
        for (int band = 0; band < growth.length; band++) {
            double[] part = new double[length];
            for (int k = 1; k < length / 2; k++) {
                double share = share(band, k * rate / length);
                part[2 * k] = share * whole[2 * k];
                part[2 * k + 1] = share * whole[2 * k + 1];
            }
            part[0] = band == 0 ? whole[0] : 0;
            part[1] = band == 2 ? whole[1] : 0;
            fft.inverse(part);
            for (int i = 0; i < x.length; i++) {
                out[i] += (float) (part[i] * Math.exp(growth[band] * i / rate));
            }
        }
        return out;
    }

    /** How much of a frequency belongs to a band; the three add up to 1. */
    private static double share(int band, double hz) {
        double notLow = above(hz, LOW_HZ);
        double high = above(hz, HIGH_HZ);
        return switch (band) {
            case 0 -> 1 - notLow;
            case 1 -> notLow - high;
            default -> high;
        };
    }

    /** From 0 to 1 over an octave around a corner. */
    private static double above(double hz, double corner) {
        double octaves = Math.log(hz / corner) / Math.log(2);
        return 0.5 + 0.5 * Math.sin(Math.PI * Math.clamp(octaves, -0.5, 0.5));
    }
}
