package orbispace.core.measure;

import java.util.Arrays;
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

    /** Squares of an octave reach twice its upper edge, and want two samples for that. */
    private static final double LEAST_SAMPLES_PER_CENTRE = 4 * Math.sqrt(2);

    private static final double LEAST_RATE_HZ = 3000;

    private final double[] spectrum;
    private final int frames;
    private final double sampleRateHz;

    /** The octaves of a response from one of its frames on; what lies before is heard, not told. */
    OctaveBands(double[] response, int from, double sampleRateHz) {
        this.frames = response.length - from;
        this.sampleRateHz = sampleRateHz;
        int guard = (int) (0.5 * sampleRateHz);
        int length = Integer.highestOneBit(response.length + guard) * 2;
        // What lies before the first frame stands at the end, as time goes in a circle here.
        spectrum = new double[length];
        System.arraycopy(response, from, spectrum, 0, frames);
        System.arraycopy(response, 0, spectrum, length - from, from);
        new Fft(length).forward(spectrum);
    }

    static double widthHz(double centreHz) {
        return centreHz / Math.sqrt(2);
    }

    private static double gain(double ratio) {
        double octaves = Math.abs(Math.log(ratio) / Math.log(2));
        double share = Math.clamp((0.5 - octaves) / EDGE_OCTAVES, 0, 1);
        return Math.sin(Math.PI / 2 * share) * Math.sin(Math.PI / 2 * share);
    }

    /** How many frames of the response are one of a band: a power of two. */
    static int step(double centreHz, double sampleRateHz) {
        double least = Math.max(LEAST_RATE_HZ, LEAST_SAMPLES_PER_CENTRE * centreHz);
        int step = 1;
        while (sampleRateHz / (2 * step) >= least) {
            step *= 2;
        }
        return step;
    }

    /**
     * The octave around a centre, one frame for each {@link #step} of the response: a band holds
     * nothing over its edge, so that the squares of fewer frames tell the same energy.
     */
    double[] band(double centreHz) {
        int step = step(centreHz, sampleRateHz);
        double[] packed = new double[spectrum.length / step];
        double perBin = sampleRateHz / spectrum.length;
        int first = (int) Math.max(1, Math.floor(centreHz / Math.sqrt(2) / perBin));
        int end = (int) Math.min(packed.length / 2.0, Math.ceil(centreHz * Math.sqrt(2) / perBin));
        for (int k = first; k < end; k++) {
            double gain = gain(k * perBin / centreHz) / step;
            packed[2 * k] = gain * spectrum[2 * k];
            packed[2 * k + 1] = gain * spectrum[2 * k + 1];
        }
        new Fft(packed.length).inverse(packed);
        return Arrays.copyOf(packed, Math.ceilDiv(frames, step));
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
        return Math.max(20, bins * first.sampleRateHz / first.spectrum.length);
    }
}
