package orbispace.core.measure;

import java.util.List;
import java.util.stream.DoubleStream;
import orbispace.core.signal.Fft;

/**
 * Splits a response into octaves with the magnitude of a third-order Butterworth band-pass and no
 * phase, so that a band is not delayed against its onset and an exponential decay is not lengthened
 * by the filter's own ring.
 */
final class OctaveBands {
    static final List<Double> CENTRES_HZ =
            DoubleStream.iterate(8000, hz -> hz / 2).limit(8).boxed().toList().reversed();

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

    /** The octave around a centre, as long as the response. */
    double[] band(double centreHz) {
        double[] packed = new double[spectrum.length];
        for (int k = 1; k < packed.length / 2; k++) {
            double x = k * sampleRateHz / fft.length() / centreHz;
            double detune = (x - 1 / x) * Math.sqrt(2);
            double square = detune * detune;
            double gain = 1 / Math.sqrt(1 + square * square * square);
            packed[2 * k] = gain * spectrum[2 * k];
            packed[2 * k + 1] = gain * spectrum[2 * k + 1];
        }
        fft.inverse(packed);
        return java.util.Arrays.copyOf(packed, frames);
    }
}
