package orbispace.core.measure;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import orbispace.core.audio.Audio;
import orbispace.core.audio.Decibels;

/**
 * Decay of an impulse response after ISO 3382-1, broadband and per octave from 63 Hz to 8 kHz:
 * early decay, T20 and T30 by backward integration with the noise taken off, cut off and
 * compensated, clarity, definition and centre time of the same curve.
 *
 * <p>A decay has no time where the noise lies less than 10 dB under the range that it needs, or
 * where bandwidth times decay is under 4. It is not sure where it does not fall straight, or where
 * chance would move it by more than a twentieth now and then.
 */
public final class DecayMeter {
    private static final double ONSET_DB = -20;
    private static final double LEAST_BANDWIDTH_TIME = 4;

    /** As that of most spaces; of a curve it only says how long levels are averaged. */
    private static final double CURVE_BANDWIDTH_HZ = 3000;

    private DecayMeter() {}

    /**
     * Measures a response of at least 20 ms; the powers of two channels add.
     *
     * @throws IllegalArgumentException for silence or less than 20 ms after the onset
     */
    public static DecayReport measure(Audio response) {
        double rate = response.sampleRateHz();
        int onset = onsetFrame(response);
        if (response.frames() - onset < 0.02 * rate) {
            throw new IllegalArgumentException("less than 20 ms of response after its onset");
        }
        double[] broad = new double[response.frames()];
        List<Double> centres =
                OctaveBands.CENTRES_HZ.stream().filter(hz -> hz * Math.sqrt(2) < rate / 2).toList();
        List<OctaveBands> channels = new ArrayList<>();
        for (int c = 0; c < response.channelCount(); c++) {
            double[] samples = toDouble(response.channel(c));
            addSquares(broad, samples);
            channels.add(new OctaveBands(samples, onset, rate));
        }
        double sides = independentSides(response);
        List<BandDecay> decays =
                centres.parallelStream()
                        .map(hz ->
                                decay(
                                        hz,
                                        bandSquares(channels, hz),
                                        rate / OctaveBands.step(hz, rate),
                                        sides * OctaveBands.widthHz(hz)))
                        .toList();
        double[] heard = Arrays.copyOfRange(broad, onset, broad.length);
        BandDecay all = decay(0, heard, rate, sides * OctaveBands.filledHz(channels));
        return new DecayReport(onset / rate, all, decays);
    }

    /** How many responses of their own two channels are worth: 1 if they are alike, up to 2. */
    private static double independentSides(Audio response) {
        if (response.channelCount() == 1) {
            return 1;
        }
        StereoSums sums = new StereoSums();
        for (int i = 0; i < response.frames(); i++) {
            sums.addSample(response.channel(0)[i], response.channel(1)[i]);
        }
        double alike = sums.correlation().orElse(1);
        return 2 / (1 + alike * alike);
    }

    /**
     * The broadband energy decay curve from the onset, for drawing and for levels at later events.
     */
    public static DecayCurve curve(Audio response) {
        int onset = onsetFrame(response);
        double[] squares = new double[response.frames()];
        for (int c = 0; c < response.channelCount(); c++) {
            addSquares(squares, toDouble(response.channel(c)));
        }
        double energy = Arrays.stream(squares).sum();
        EnergyDecay decay =
                EnergyDecay.of(
                        Arrays.copyOfRange(squares, onset, squares.length),
                        response.sampleRateHz(),
                        CURVE_BANDWIDTH_HZ);
        return DecayCurve.of(
                decay, onset / response.sampleRateHz(), response.sampleRateHz(), energy);
    }

    /** Whether there is a decay to measure: something sounds, for 20 ms or more. */
    public static boolean canMeasure(Audio response) {
        return response.peak() > 0
                && response.frames() - onsetFrame(response) >= 0.02 * response.sampleRateHz();
    }

    /** The first frame within 20 dB of the peak power. */
    static int onsetFrame(Audio response) {
        double peak = 0;
        double[] power = new double[response.frames()];
        for (int c = 0; c < response.channelCount(); c++) {
            addSquares(power, toDouble(response.channel(c)));
        }
        for (double p : power) {
            peak = Math.max(peak, p);
        }
        if (peak <= 0) {
            throw new IllegalArgumentException("the response is silent");
        }
        double limit = peak * Decibels.toPower(ONSET_DB);
        int i = 0;
        while (power[i] < limit) {
            i++;
        }
        return i;
    }

    static double[] bandSquares(List<OctaveBands> channels, double hz) {
        double[] squares = new double[0];
        for (OctaveBands c : channels) {
            double[] band = c.band(hz);
            squares = Arrays.copyOf(squares, band.length);
            addSquares(squares, band);
        }
        return squares;
    }

    private static BandDecay decay(
            double centreHz, double[] squares, double rate, double bandwidthHz) {
        EnergyDecay curve = EnergyDecay.of(squares, rate, bandwidthHz);
        double all = curve.energyFrom(0);
        double after50 = curve.energyFrom((int) Math.round(0.05 * rate));
        double after80 = curve.energyFrom((int) Math.round(0.08 * rate));
        return new BandDecay(
                centreHz,
                checked(curve.time(0, -10), centreHz),
                checked(curve.time(-5, -25), centreHz),
                checked(curve.time(-5, -35), centreHz),
                Decibels.ofPower((all - after50) / Math.max(1e-30, after50)),
                Decibels.ofPower((all - after80) / Math.max(1e-30, after80)),
                all > 0 ? (all - after50) / all : 0,
                curve.centreSeconds());
    }

    private static DecayTime checked(DecayTime time, double centreHz) {
        return centreHz > 0
                        && time.fitted().isPresent()
                        && time.fitted().getAsDouble() * OctaveBands.widthHz(centreHz)
                                < LEAST_BANDWIDTH_TIME
                ? new DecayTime.TooShort()
                : time;
    }

    private static void addSquares(double[] into, double[] samples) {
        for (int i = 0; i < into.length; i++) {
            into[i] += samples[i] * samples[i];
        }
    }

    private static double[] toDouble(float[] samples) {
        double[] out = new double[samples.length];
        for (int i = 0; i < out.length; i++) {
            out[i] = samples[i];
        }
        return out;
    }
}
