package orbispace.core.measure;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import orbispace.core.audio.Audio;
import orbispace.core.signal.Reclock;

/**
 * Finds the response of a unit from a sweep and its recording, by {@link SweepDivision}. Clocks
 * that ran apart are told by a sweep that was played twice ({@link ClockDrift}) and undone: the
 * sweep is taken as the recorder's clock had it, and the response is read back in the player's
 * time.
 */
public final class UnitMeter {
    private static final int HARMONICS = 5;
    private static final double NOISE_SECONDS = 0.5;
    private static final double NOISE_MARGIN_DB = 3;
    private static final double LEAST_SECONDS = 0.05;
    private static final double STEP_SECONDS = 0.02;

    /** How long before its peak a response may have begun. */
    private static final double BEFORE_SECONDS = 2;

    /** A drift that turns less than the finest measure of it is left alone. */
    private static final double LEAST_DRIFT = 2e-8;

    /** The highest frame of a response stands so far over the mean of everything. */
    private static final double OVER_MEAN = 10;

    private final Sweep sweep;
    private final double gain;
    private final Audio recorded;
    private final int size;

    private UnitMeter(Sweep sweep, double gain, Audio recorded) {
        this.sweep = sweep;
        this.gain = gain;
        this.recorded = recorded;
        int frames = Math.max(sweep.times() * sweep.period(), recorded.frames());
        // With room for the harmonics of the first answer, which wrap to the end.
        size = Integer.highestOneBit(2 * (frames + sweep.period()) - 1);
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
        double ends = sweep.seconds() + (sweep.times() - 1) * sweep.period() / sweep.sampleRateHz();
        if (recorded.seconds() < ends) {
            throw new IllegalArgumentException(
                    "the recording ends after "
                            + recorded.seconds()
                            + " s, before the sweep does after "
                            + ends
                            + " s; record it whole");
        }
        if (recorded.peak() < 1e-5) {
            throw new IllegalArgumentException("the recording is silent; check its path");
        }
        return new UnitMeter(sweep, sweep.gainOf(played), recorded).measure();
    }

    private UnitReport measure() {
        double[][] whole = divided(0);
        int peak = peak(strongest(whole));
        requireSweep(strongest(whole), peak);
        ClockDrift clock = ClockDrift.of(strongest(whole), peak, sweep);
        double drift = clock.drift().orElse(0);
        drift = Math.abs(drift) < LEAST_DRIFT ? 0 : drift;
        if (drift != 0) {
            whole = divided(drift);
            peak = peak(strongest(whole));
        }
        int start = Math.max(0, peak - (int) (BEFORE_SECONDS * sweep.sampleRateHz()));
        double[][] part = inPlayersTime(whole, start, drift);
        Arrival arrival = Arrival.of(strongest(part), floor(part), sweep.sampleRateHz());
        Audio response = cut(part, arrival.frame());
        return new UnitReport(
                response,
                start + arrival.frame(),
                arrival.polarity(),
                noise(recorded),
                harmonics(strongest(whole), start + arrival.frame(), response),
                clock.drift().isPresent()
                        ? OptionalDouble.of(1e6 * clock.drift().getAsDouble())
                        : OptionalDouble.empty(),
                clock.repeatDb(),
                DecayMeter.measure(response));
    }

    /** The response of each channel. */
    private double[][] divided(double drift) {
        SweepDivision division = new SweepDivision(sweep, gain, drift, size);
        double[][] responses = new double[recorded.channelCount() == 1 ? 1 : 2][];
        for (int c = 0; c < responses.length; c++) {
            responses[c] = division.response(recorded.channel(c));
        }
        return responses;
    }

    /** The stretch that holds the response, read by the clock that played the sweep. */
    private double[][] inPlayersTime(double[][] whole, int start, double drift) {
        int length = Math.min(end() - start, (int) (responseSeconds() * sweep.sampleRateHz()));
        double[][] part = new double[whole.length][];
        for (int c = 0; c < part.length; c++) {
            double[] stretch = Arrays.copyOfRange(whole[c], start, start + length);
            double slow = 1 / (1 - drift);
            part[c] =
                    drift == 0 ? stretch : Reclock.read(stretch, start * (slow - 1), slow, length);
        }
        return part;
    }

    private static double responseSeconds() {
        return BEFORE_SECONDS + Sweep.TAIL_SECONDS;
    }

    /** The channel with the higher peak. */
    private double[] strongest(double[][] responses) {
        return responses.length == 1
                        || Math.abs(responses[0][peak(responses[0])])
                                >= Math.abs(responses[1][peak(responses[1])])
                ? responses[0]
                : responses[1];
    }

    /** The highest frame of the first answer. */
    private int peak(double[] x) {
        int at = 0;
        for (int i = 0; i < Math.min(end(), x.length); i++) {
            at = Math.abs(x[i]) > Math.abs(x[at]) ? i : at;
        }
        return at;
    }

    /** Up to here lies the linear response; what comes later belongs to harmonics. */
    private int end() {
        int next = sweep.times() == 1 ? size : sweep.period();
        return next - (int) (sweep.harmonicSeconds(HARMONICS + 2) * sweep.sampleRateHz());
    }

    private static void requireSweep(double[] h, int peak) {
        double all = 0;
        for (double v : h) {
            all += v * v;
        }
        if (Math.abs(h[peak]) < OVER_MEAN * Math.sqrt(all / h.length)) {
            throw new IllegalArgumentException(
                    "the recording does not hold this sweep; take the recording of the sweep that"
                            + " was played");
        }
    }

    /** Power of all channels in steps of 20 ms from a frame on. */
    private double[] steps(double[][] responses, int from) {
        int step = (int) (STEP_SECONDS * sweep.sampleRateHz());
        double[] power = new double[(responses[0].length - from) / step];
        for (int s = 0; s < power.length; s++) {
            for (double[] h : responses) {
                for (int i = 0; i < step; i++) {
                    double v = h[from + s * step + i];
                    power[s] += v * v;
                }
            }
        }
        return power;
    }

    /** Root mean square of the quietest step of a channel, or of both together. */
    private double floor(double[][] responses) {
        double least = Arrays.stream(steps(responses, 0)).min().orElse(0);
        return Math.sqrt(least / (STEP_SECONDS * sweep.sampleRateHz()));
    }

    /** From the first arrival until it has fallen into the noise. */
    private Audio cut(double[][] responses, int from) {
        double[] power = steps(responses, from);
        int step = (int) (STEP_SECONDS * sweep.sampleRateHz());
        double floor = Double.MAX_VALUE;
        for (int s = power.length / 2; s < power.length; s++) {
            floor = Math.min(floor, power[s]);
        }
        int last = (int) (LEAST_SECONDS * sweep.sampleRateHz() / step) + 1;
        for (int s = 0; s < power.length; s++) {
            if (power[s] > floor * Math.pow(10, NOISE_MARGIN_DB / 10)) {
                last = Math.max(last, s + 1);
            } else if (s > last + 25) {
                break;
            }
        }
        int most = (int) (Sweep.TAIL_SECONDS * sweep.sampleRateHz());
        int keep = Math.min(Math.min(most, responses[0].length - from), (last + 25) * step);
        float[][] channels = new float[responses.length][keep];
        for (int c = 0; c < channels.length; c++) {
            for (int i = 0; i < keep; i++) {
                channels[c][i] = (float) responses[c][from + i];
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
    private List<UnitReport.Harmonic> harmonics(double[] h, int onset, Audio response) {
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
