package orbispace.core.space;

import java.util.List;
import orbispace.core.audio.Decibels;
import orbispace.core.signal.Biquad;
import orbispace.core.signal.Cascade;
import orbispace.core.signal.DelayLine;
import orbispace.core.signal.FilterDesign;

/** Absorption filters of the lines of a reverb, and the levels of network and first reflections. */
final class NetworkTuning implements EngineTuning {
    private static final float SCALE = (float) Math.sqrt(2.0 / NetworkReverb.LINES);

    final ReverbSettings settings;
    final List<EarlyPattern.Tap> taps;
    final double[][] absorption;
    final float[] left;
    final float[] right;
    final float network;

    private NetworkTuning(ReverbSettings s, double rate) {
        settings = s;
        taps = EarlyPattern.taps(s.kind(), s.wallScale());
        int[] frames = lineFrames(s, rate);
        absorption = new double[NetworkReverb.LINES][];
        double kept = 0;
        for (int i = 0; i < NetworkReverb.LINES; i++) {
            double lossDb = -60 * frames[i] / (s.decaySeconds() * rate);
            kept += Decibels.toPower(lossDb) / NetworkReverb.LINES;
            absorption[i] = Cascade.pack(absorption(s, lossDb, rate), 2);
        }
        // Each round has the kept share of the energy of the one before: together kept / (1 -
        // kept).
        double share = s.kind().earlyShare;
        network = (float) (Math.sqrt((1 - share) * (1 - kept) / kept) * SCALE);
        left = new float[taps.size()];
        right = new float[taps.size()];
        workOutTaps(share);
    }

    /** Reflections follow the decay, and have their share of the energy together. */
    private void workOutTaps(double share) {
        double energy = 1e-12;
        for (int t = 0; t < left.length; t++) {
            EarlyPattern.Tap tap = taps.get(t);
            double fallen = Decibels.toAmplitude(-60 * tap.seconds() / settings.decaySeconds());
            left[t] = (float) (tap.left() * fallen);
            right[t] = (float) (tap.right() * fallen);
            energy += left[t] * left[t] + right[t] * right[t];
        }
        float gain = (float) Math.sqrt(2 * share / energy);
        for (int t = 0; t < left.length; t++) {
            left[t] *= gain;
            right[t] *= gain;
        }
    }

    static NetworkTuning of(ReverbSettings settings, double sampleRateHz) {
        return new NetworkTuning(settings, sampleRateHz);
    }

    private static List<Biquad> absorption(ReverbSettings s, double lossDb, double rate) {
        double lowDb = lossDb * (1 / s.lowRatio() - 1);
        double highDb = lossDb * (1 / s.highRatio() - 1);
        // Reading between the samples of a line loses highs of itself.
        highDb += Math.min(0.75 * readingLossDb(8000 / rate), -0.6 * (lossDb + highDb));
        Biquad low = FilterDesign.lowShelf(NetworkReverb.LOW_CROSSOVER_HZ, lowDb, rate);
        Biquad high = FilterDesign.highShelf(NetworkReverb.HIGH_CROSSOVER_HZ, highDb, rate);
        return List.of(low.scaled(Decibels.toAmplitude(lossDb)), high);
    }

    /** Mean loss of third-order interpolation over all fractions, as seen at a frequency. */
    private static double readingLossDb(double cyclesPerFrame) {
        double sum = 0;
        for (int i = 0; i < 32; i++) {
            float f = i / 32f;
            double re = 0;
            double im = 0;
            for (int k = 0; k < 4; k++) {
                double turn = 2 * Math.PI * cyclesPerFrame * (k - 1);
                double tap =
                        DelayLine.lagrange(
                                k == 0 ? 1 : 0, k == 1 ? 1 : 0, k == 2 ? 1 : 0, k == 3 ? 1 : 0, f);
                re += tap * Math.cos(turn);
                im += tap * Math.sin(turn);
            }
            sum += -10 * Math.log10(re * re + im * im) / 32;
        }
        return sum;
    }

    @Override
    public Engine engine(double sampleRateHz) {
        return new NetworkReverb(this, sampleRateHz);
    }

    @Override
    public Object shape() {
        return settings.shape();
    }

    /** Lengths of the lines at a sample rate: primes in a geometric series. */
    static int[] lineFrames(ReverbSettings s, double sampleRateHz) {
        int[] frames = new int[NetworkReverb.LINES];
        double spread = s.kind().longestSeconds / s.kind().shortestSeconds;
        for (int i = 0; i < NetworkReverb.LINES; i++) {
            double share = i / (NetworkReverb.LINES - 1.0);
            double seconds = s.wallScale() * s.kind().shortestSeconds * Math.pow(spread, share);
            frames[i] = Primes.from((int) Math.round(seconds * sampleRateHz));
        }
        return frames;
    }
}
