package orbispace.core.measure;

import java.util.ArrayList;
import java.util.List;
import orbispace.core.audio.Audio;
import orbispace.core.signal.Fft;

/**
 * Finds the response of a unit from a sweep and its recording: the recording's spectrum over the
 * sweep's, which puts the linear response at its latency and each harmonic before it. A clock that
 * ran apart smears the response; that is undone first.
 */
public final class UnitMeter {
    private static final double SMALL = 1e-10;
    private static final double ONSET_DB = -20;
    private static final int HARMONICS = 5;
    private static final double NOISE_SECONDS = 0.5;
    private static final double NOISE_MARGIN_DB = 3;
    private static final double LEAST_SECONDS = 0.05;

    private final Sweep sweep;
    private final int size;
    private final Fft fft;
    private final double[] reference;

    private UnitMeter(Sweep sweep, Audio played, int recorded) {
        this.sweep = sweep;
        size = Integer.highestOneBit(2 * Math.max(played.frames(), recorded) - 1) * 2;
        fft = new Fft(size);
        reference = new double[size];
        float[] x = played.channel(0);
        for (int i = 0; i < x.length; i++) {
            reference[i] = x[i];
        }
        fft.forward(reference);
    }

    /**
     * Measures a unit.
     *
     * @param played the sweep as it was played
     * @param recorded what came back, of the same rate, of one or more channels
     * @throws IllegalArgumentException if the rates differ, the recording ends before the sweep
     *     does, or nothing of the sweep is in it
     */
    public static UnitReport measure(Audio played, Audio recorded) {
        Sweep sweep = Sweep.of(played);
        if (played.sampleRateHz() != recorded.sampleRateHz()) {
            throw new IllegalArgumentException(
                    "the recording has "
                            + recorded.sampleRateHz()
                            + " Hz and the sweep "
                            + played.sampleRateHz()
                            + " Hz; record it at the rate of the sweep");
        }
        if (recorded.seconds() < sweep.seconds()) {
            throw new IllegalArgumentException(
                    "the recording ends after "
                            + recorded.seconds()
                            + " s, before the sweep of "
                            + sweep.seconds()
                            + " s does; record it whole");
        }
        if (recorded.peak() < 1e-5) {
            throw new IllegalArgumentException("the recording is silent; check its path");
        }
        return new UnitMeter(sweep, played, recorded.frames()).measure(recorded);
    }

    private UnitReport measure(Audio recorded) {
        int channels = recorded.channelCount() == 1 ? 1 : 2;
        double[][] spectra = new double[channels][];
        for (int c = 0; c < channels; c++) {
            spectra[c] = divided(recorded.channel(c));
        }
        double[] first = spectra[0].clone();
        fft.inverse(first);
        ClockDrift clock = new ClockDrift(sweep);
        double drift = clock.of(first);
        double[][] responses = new double[channels][];
        for (int c = 0; c < channels; c++) {
            responses[c] = clock.undone(spectra[c], drift, 0);
            fft.inverse(responses[c]);
        }
        int onset = onset(responses);
        requireSweep(responses, onset);
        Audio response = cut(responses, onset);
        return new UnitReport(
                response,
                onset,
                strongest(responses)[onset] < 0,
                noise(recorded),
                harmonics(responses, onset, response),
                1e6 * drift,
                DecayMeter.measure(response));
    }

    /** The spectrum of a recording over that of the sweep. */
    private double[] divided(float[] recorded) {
        double[] y = new double[size];
        for (int i = 0; i < recorded.length; i++) {
            y[i] = recorded[i];
        }
        fft.forward(y);
        double most = 0;
        for (int k = 2; k < size; k += 2) {
            most = Math.max(most, power(reference, k));
        }
        for (int k = 2; k < size; k += 2) {
            double p = power(reference, k) + SMALL * most;
            double re = (y[k] * reference[k] + y[k + 1] * reference[k + 1]) / p;
            double im = (y[k + 1] * reference[k] - y[k] * reference[k + 1]) / p;
            double keep = keep(hertz(k));
            y[k] = keep * re;
            y[k + 1] = keep * im;
        }
        y[0] = 0;
        y[1] = 0;
        return y;
    }

    private double hertz(int k) {
        return k / 2.0 * sweep.sampleRateHz() / size;
    }

    private static double power(double[] packed, int k) {
        return packed[k] * packed[k] + packed[k + 1] * packed[k + 1];
    }

    /** Nothing below the sweep, where only noise would be raised. */
    private static double keep(double hz) {
        double share = Math.clamp((hz - Sweep.FROM_HZ / 2) / (Sweep.FROM_HZ / 2), 0, 1);
        return Math.sin(Math.PI / 2 * share) * Math.sin(Math.PI / 2 * share);
    }

    /** The channel with the higher peak. */
    private static double[] strongest(double[][] responses) {
        return responses.length == 1 || peak(responses[0]) >= peak(responses[1])
                ? responses[0]
                : responses[1];
    }

    private static double peak(double[] x) {
        double most = 0;
        for (double v : x) {
            most = Math.max(most, Math.abs(v));
        }
        return most;
    }

    /** The first crest that comes within 20 dB of the highest, where no harmonic lies. */
    private int onset(double[][] responses) {
        double[] h = strongest(responses);
        int end = end();
        double limit = 0;
        for (int i = 0; i < end; i++) {
            limit = Math.max(limit, Math.abs(h[i]));
        }
        limit *= Math.pow(10, ONSET_DB / 20);
        int i = 0;
        while (i < end && Math.abs(h[i]) < limit) {
            i++;
        }
        while (i + 1 < end && Math.abs(h[i + 1]) > Math.abs(h[i])) {
            i++;
        }
        return i;
    }

    /** Up to here lies the linear response; what comes later belongs to harmonics, wrapped. */
    private int end() {
        return size - (int) (sweep.harmonicSeconds(HARMONICS + 2) * sweep.sampleRateHz());
    }

    private void requireSweep(double[][] responses, int onset) {
        double[] h = strongest(responses);
        double all = 0;
        for (double v : h) {
            all += v * v;
        }
        double mean = Math.sqrt(all / h.length);
        if (Math.abs(h[onset]) < 10 * mean) {
            throw new IllegalArgumentException(
                    "the recording does not hold this sweep; take the recording of the sweep that"
                            + " was played");
        }
    }

    /** From the first arrival until it has fallen into the noise. */
    private Audio cut(double[][] responses, int onset) {
        int most = Math.min(end() - onset, (int) (Sweep.TAIL_SECONDS * sweep.sampleRateHz()));
        int step = (int) (0.02 * sweep.sampleRateHz());
        double floor = Double.MAX_VALUE;
        int steps = most / step;
        double[] power = new double[steps];
        for (int s = 0; s < steps; s++) {
            for (double[] h : responses) {
                for (int i = 0; i < step; i++) {
                    double v = h[onset + s * step + i];
                    power[s] += v * v;
                }
            }
            floor = s < steps / 2 ? floor : Math.min(floor, power[s]);
        }
        int last = (int) (LEAST_SECONDS * sweep.sampleRateHz() / step) + 1;
        for (int s = 0; s < steps; s++) {
            if (power[s] > floor * Math.pow(10, NOISE_MARGIN_DB / 10)) {
                last = Math.max(last, s + 1);
            } else if (s > last + 25) {
                break;
            }
        }
        int keep = Math.min(most, (last + 25) * step);
        float[][] channels = new float[responses.length][keep];
        for (int c = 0; c < channels.length; c++) {
            for (int i = 0; i < keep; i++) {
                channels[c][i] = (float) responses[c][onset + i];
            }
        }
        return Audio.of(sweep.sampleRateHz(), channels);
    }

    private static double noise(Audio recorded) {
        int n = (int) (NOISE_SECONDS * recorded.sampleRateHz());
        double power =
                recorded.slice(recorded.frames() - n, recorded.frames()).meanSquare()
                        / recorded.channelCount();
        return 10 * Math.log10(power + 1e-16);
    }

    /** The energy around each harmonic's place against that of the same stretch of the linear. */
    private List<UnitReport.Harmonic> harmonics(double[][] responses, int onset, Audio response) {
        double[] h = strongest(responses);
        List<UnitReport.Harmonic> found = new ArrayList<>();
        double rate = sweep.sampleRateHz();
        for (int order = 2; order <= HARMONICS; order++) {
            int at = onset - (int) Math.round(sweep.harmonicSeconds(order) * rate);
            double gap = sweep.harmonicSeconds(order + 1) - sweep.harmonicSeconds(order);
            int before = (int) (0.2 * gap * rate);
            int length = Math.min(response.frames(), (int) (0.6 * gap * rate)) + before;
            double harmonic = energy(h, at - before, length);
            double linear = energy(h, onset - before, length);
            found.add(
                    new UnitReport.Harmonic(
                            order, 10 * Math.log10((harmonic + 1e-30) / (linear + 1e-30))));
        }
        return found;
    }

    private double energy(double[] h, int from, int count) {
        double sum = 0;
        for (int i = from; i < from + count; i++) {
            double v = h[Math.floorMod(i, size)];
            sum += v * v;
        }
        return sum;
    }
}
