package orbispace.core.measure;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import orbispace.core.audio.Audio;
import orbispace.core.signal.Fft;

/**
 * Makes an impulse response decay faster or slower: it is parted into octaves without phase, and
 * each is multiplied by the exponential that turns its measured T30 into the wanted one (lows to
 * 250 Hz, middle, highs from 4 kHz). Where an octave falls into the noise of the recording or ends,
 * noise of its own width goes on as the octave would have, since a longer decay would bring up the
 * recording's noise instead. The whole fades out 100 dB down.
 *
 * <p>An octave whose decay cannot be measured is left as it is.
 */
public final class DecayScaling {
    private static final double LOW_HZ = 250;
    private static final double HIGH_HZ = 4000;
    private static final double DECAY = Math.log(1000);
    private static final double END_DECAYS = 110 / 60.0;
    private static final double MOST_SECONDS = 40;
    private static final double OVER_OCTAVES = 0.125;
    private static final double EVEN_CELLS = 3;
    private static final double FADE_SHARE = 1 / 11.0;

    /** The stretch of a decay, as shares of what lies before its knee, that tells its level. */
    private static final double LEVEL_FROM = 0.75;

    private static final double LEVEL_TO = 0.9;

    private final double rate;
    private final int onset;
    private final int frames;
    private final List<Octave> octaves;
    private final Fft fft;

    /**
     * An octave.
     *
     * @param centreHz its centre
     * @param was its decay; 0 if that is not known
     * @param wanted its decay as it shall be
     * @param knee frames after the onset at which it is no longer heard
     */
    private record Octave(double centreHz, double was, double wanted, int knee) {}

    private DecayScaling(Audio response, List<Octave> octaves) {
        this.octaves = octaves;
        rate = response.sampleRateHz();
        onset = DecayMeter.onsetFrame(response);
        double longest = octaves.stream().mapToDouble(Octave::wanted).max().orElse(0);
        double seconds = Math.min(MOST_SECONDS, END_DECAYS * longest);
        frames = Math.max(response.frames(), onset + (int) Math.ceil(seconds * rate));
        fft = new Fft(Integer.highestOneBit(Math.max(64, frames + (int) rate / 2)) * 2);
    }

    /** The response with its decays scaled, 0.25 to 2 each; itself if all are 1. */
    public static Audio of(Audio response, double low, double middle, double high) {
        boolean same = low == 1 && middle == 1 && high == 1;
        if (same || !DecayMeter.canMeasure(response)) {
            return response;
        }
        List<Octave> octaves = octaves(response, low, middle, high);
        if (octaves.stream().allMatch(o -> o.was() == 0)) {
            return response;
        }
        DecayScaling scaling = new DecayScaling(response, octaves);
        float[][] channels = new float[response.channelCount()][];
        for (int c = 0; c < channels.length; c++) {
            channels[c] = scaling.scaled(response.channel(c), c);
        }
        return Audio.of(response.sampleRateHz(), channels);
    }

    private static List<Octave> octaves(Audio response, double low, double middle, double high) {
        DecayReport report = DecayMeter.measure(response);
        double rate = response.sampleRateHz();
        int onset = DecayMeter.onsetFrame(response);
        List<OctaveBands> channels = new ArrayList<>();
        for (int c = 0; c < response.channelCount(); c++) {
            double[] samples = new double[response.frames()];
            for (int i = 0; i < samples.length; i++) {
                samples[i] = response.channel(c)[i];
            }
            channels.add(new OctaveBands(samples, onset, rate));
        }
        List<Octave> octaves = new ArrayList<>();
        for (BandDecay band : report.bands()) {
            double hz = band.centreHz();
            double was = band.t30().fitted().orElse(band.t20().fitted().orElse(0));
            double scale = hz <= LOW_HZ ? low : hz < HIGH_HZ ? middle : high;
            int step = OctaveBands.step(hz, rate);
            double[] squares = DecayMeter.bandSquares(channels, hz);
            EnergyDecay decay = EnergyDecay.of(squares, rate / step, OctaveBands.widthHz(hz));
            octaves.add(new Octave(hz, was, was * scale, step * decay.frames()));
        }
        return octaves;
    }

    private float[] scaled(float[] x, int channel) {
        double[] whole = new double[fft.length()];
        for (int i = 0; i < x.length; i++) {
            whole[i] = x[i];
        }
        fft.forward(whole);
        double[] white = new double[fft.length()];
        SplittableRandom random = new SplittableRandom(channel + 1);
        for (int i = 0; i < white.length; i++) {
            white[i] = random.nextGaussian();
        }
        fft.forward(white);
        double[] sum = new double[frames];
        for (int o = 0; o < octaves.size(); o++) {
            Octave octave = octaves.get(o);
            double[] sound = part(whole, o);
            double[] noise = octave.was() > 0 ? even(part(white, o), octave.centreHz()) : sound;
            for (int i = 0; i < frames; i++) {
                sum[i] += octave.was() == 0 ? sound[i] : 0;
            }
            if (octave.was() > 0) {
                add(octave, sound, noise, sum);
            }
        }
        float[] out = new float[frames];
        double fade = FADE_SHARE * frames;
        for (int i = 0; i < frames; i++) {
            double left = Math.min(1, (frames - 1 - i) / fade);
            out[i] = (float) (sum[i] * (0.5 - 0.5 * Math.cos(Math.PI * left)));
        }
        return out;
    }

    /** Adds an octave as it shall decay, and noise that takes over before its knee. */
    private void add(Octave octave, double[] sound, double[] noise, double[] into) {
        double fall = DECAY / (octave.was() * rate);
        double wanted = DECAY / (octave.wanted() * rate);
        int from = onset + (int) (LEVEL_FROM * octave.knee());
        int to = Math.min(frames, onset + (int) (LEVEL_TO * octave.knee()));
        double power = 1e-30;
        double noisePower = 1e-30;
        for (int i = from; i < to; i++) {
            // With the fall taken back to the onset.
            power += Math.pow(sound[i] * Math.exp(fall * (i - onset)), 2);
            noisePower += noise[i] * noise[i];
        }
        double level = Math.sqrt(power / noisePower);
        for (int i = 0; i < frames; i++) {
            int after = Math.max(0, i - onset);
            double turn = Math.PI / 2 * Math.clamp((i - from) / Math.max(1.0, to - from), 0, 1);
            double stays = i < to ? Math.cos(turn) * sound[i] : 0;
            double grown = stays * Math.exp((fall - wanted) * after);
            double goesOn = Math.sin(turn) * level * noise[i] * Math.exp(-wanted * after);
            into[i] += grown + goesOn;
        }
    }

    /** Noise whose level does not wander, so that chance does not bend the decay made of it. */
    private double[] even(double[] noise, double centreHz) {
        int reach = (int) (EVEN_CELLS / OctaveBands.widthHz(centreHz) * rate);
        double[] sums = new double[noise.length + 1];
        for (int i = 0; i < noise.length; i++) {
            sums[i + 1] = sums[i] + noise[i] * noise[i];
        }
        double[] even = new double[noise.length];
        for (int i = 0; i < noise.length; i++) {
            int from = Math.max(0, i - reach);
            int to = Math.min(noise.length, i + reach + 1);
            even[i] = noise[i] / Math.sqrt((sums[to] - sums[from]) / (to - from) + 1e-30);
        }
        return even;
    }

    private double[] part(double[] spectrum, int octave) {
        double[] part = new double[spectrum.length];
        double perBin = rate / spectrum.length;
        for (int k = 1; k < spectrum.length / 2; k++) {
            double share = share(octave, k * perBin);
            part[2 * k] = share * spectrum[2 * k];
            part[2 * k + 1] = share * spectrum[2 * k + 1];
        }
        part[0] = octave == 0 ? spectrum[0] : 0;
        part[1] = octave == octaves.size() - 1 ? spectrum[1] : 0;
        fft.inverse(part);
        return part;
    }

    /** How much of a frequency belongs to an octave; all together are 1. */
    private double share(int octave, double hz) {
        double centre = octaves.get(octave).centreHz();
        double lower = octave == 0 ? 1 : above(hz, centre / Math.sqrt(2));
        double upper = octave == octaves.size() - 1 ? 0 : above(hz, centre * Math.sqrt(2));
        return lower - upper;
    }

    /** From 0 to 1 around an edge. */
    private static double above(double hz, double edge) {
        double octaves = Math.log(hz / edge) / Math.log(2) / (2 * OVER_OCTAVES);
        return 0.5 + 0.5 * Math.sin(Math.PI * Math.clamp(octaves, -0.5, 0.5));
    }
}
