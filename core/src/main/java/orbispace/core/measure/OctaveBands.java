package orbispace.core.measure;

import java.util.List;
import java.util.stream.DoubleStream;
import orbispace.core.signal.Fft;

/**
 * Splits a response into octaves without phase, so that a band is not delayed against its onset:
 * even over six eighths of the octave, and gone at its edges by a sixteenth of a cosine to either
 * side, so that a neighbour that decays more slowly does not take the band's late part over.
 */
final class OctaveBands {
    static final List<Double> CENTRES_HZ =
            DoubleStream.iterate(8000, hz -> hz / 2).limit(8).boxed().toList().reversed();

    private static final double EDGE_OCTAVES = 0.125;

    private final double[] spectrum;
    private final Fft fft;
    private final int frames;
    private final double sampleRateHz;

    OctaveBands(double[] response, double sampleRateHz) {
        this.frames = response.length;
        this.sampleRateHz = sampleRateHz;
        int guard = (int) (0.5 * sampleRateHz);
        fft = new Fft(Integer.highestOneBit(frames + guard) * 2);
        spectrum = java.util.Arrays.copyOf(response, fft.length());
        fft.forward(spectrum);
    }

    static double widthHz(double centreHz) {
        return centreHz / Math.sqrt(2);
    }

    private static double gain(double ratio) {
        double octaves = Math.abs(Math.log(ratio) / Math.log(2));
        double share = Math.clamp((0.5 - octaves) / EDGE_OCTAVES, 0, 1);
        return Math.sin(Math.PI / 2 * share) * Math.sin(Math.PI / 2 * share);
    }

    /** The octave around a centre, as long as the response. */
    double[] band(double centreHz) {
        double[] packed = new double[spectrum.length];
        for (int k = 1; k < packed.length / 2; k++) {
            double gain = gain(k * sampleRateHz / fft.length() / centreHz);
            packed[2 * k] = gain * spectrum[2 * k];
            packed[2 * k + 1] = gain * spectrum[2 * k + 1];
        }
        fft.inverse(packed);
        return java.util.Arrays.copyOf(packed, frames);
    }

    /**
     * The width of noise that would fill a spectrum as these channels do, {@code (sum P)^2 / sum
     * P^2}, with P over 16 bins each, as single bins of noise scatter by as much as they are.
     */
    static double filledHz(List<OctaveBands> channels) {
        double sum = 0;
        double squares = 1e-300;
        for (OctaveBands c : channels) {
            for (int k = 32; k + 32 <= c.spectrum.length; k += 32) {
                double power = 0;
                for (int i = k; i < k + 32; i++) {
                    power += c.spectrum[i] * c.spectrum[i];
                }
                sum += power;
                squares += power * power;
            }
        }
        OctaveBands first = channels.getFirst();
        double bins = 16 * sum * sum / squares / channels.size();
        return Math.max(20, bins * first.sampleRateHz / first.fft.length());
    }
}
