package orbispace.core.measure;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import orbispace.core.audio.Audio;
import orbispace.core.audio.Decibels;

/**
 * Decay of an impulse response after ISO 3382-1, broadband and per octave from 63 Hz to 8 kHz:
 * early decay, T20 and T30 by backward integration with the noise cut off and compensated, clarity,
 * definition and centre time.
 *
 * <p>A decay is unreliable (never guessed) where the noise floor is less than 10 dB under the range
 * that it needs, or where bandwidth times decay is under 4.
 */
public final class DecayMeter {
    private static final double ONSET_DB = -20;
    private static final double LEAST_BANDWIDTH_TIME = 4;

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
            channels.add(new OctaveBands(samples, rate));
        }
        List<BandDecay> decays =
                centres.parallelStream()
                        .map(hz -> decay(hz, bandSquares(channels, hz, broad.length), onset, rate))
                        .toList();
        return new DecayReport(onset / rate, decay(0, broad, onset, rate), decays);
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
                        response.sampleRateHz());
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

    private static double[] bandSquares(List<OctaveBands> channels, double hz, int frames) {
        double[] squares = new double[frames];
        channels.forEach(c -> addSquares(squares, c.band(hz)));
        return squares;
    }

    private static BandDecay decay(double centreHz, double[] squares, int onset, double rate) {
        EnergyDecay curve =
                EnergyDecay.of(Arrays.copyOfRange(squares, onset, squares.length), rate);
        double all = Arrays.stream(squares).sum();
        int at50 = onset + (int) Math.round(0.05 * rate);
        int at80 = onset + (int) Math.round(0.08 * rate);
        double to50 = Arrays.stream(squares, 0, Math.min(squares.length, at50)).sum();
        double to80 = Arrays.stream(squares, 0, Math.min(squares.length, at80)).sum();
        double moment = 0;
        for (int i = onset; i < squares.length; i++) {
            moment += squares[i] * (i - onset) / rate;
        }
        return new BandDecay(
                centreHz,
                checked(curve.time(0, -10), centreHz),
                checked(curve.time(-5, -25), centreHz),
                checked(curve.time(-5, -35), centreHz),
                Decibels.ofPower(to50 / Math.max(1e-30, all - to50)),
                Decibels.ofPower(to80 / Math.max(1e-30, all - to80)),
                all > 0 ? to50 / all : 0,
                all > 0 ? moment / all : 0);
    }

    private static DecayTime checked(DecayTime time, double centreHz) {
        return centreHz > 0
                        && time instanceof DecayTime.Measured(double seconds)
                        && seconds * OctaveBands.widthHz(centreHz) < LEAST_BANDWIDTH_TIME
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
