package orbispace.bench.truth;

import java.io.PrintStream;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import orbispace.core.audio.Audio;
import orbispace.core.audio.Polarity;
import orbispace.core.measure.Sweep;
import orbispace.core.measure.UnitMeter;
import orbispace.core.measure.UnitReport;
import orbispace.core.signal.Biquad;
import orbispace.core.signal.Cascade;
import orbispace.core.signal.Fft;
import orbispace.core.signal.FilterDesign;

/** Units of many kinds, recorded by clocks that run apart, under noise. */
final class UnitTruth {
    private static final double RATE = Sounds.RATE;
    private static final double SWEEP_SECONDS = 5;
    private static final int LATE = 211;
    private static final double NOISE_DBFS = -75;
    private static final double[] DRIFTS_PPM = {0, 5, -20, 100, -200, 200};

    private UnitTruth() {}

    /** A kind of unit; {@code leads} if one arrival gives it a polarity. */
    private record Kind(String name, boolean leads, Response response) {}

    private interface Response {
        double[] of(Random random);
    }

    private static final List<Kind> KINDS =
            List.of(
                    new Kind("arrival and tail", true, r -> tail(1, 0, r)),
                    new Kind(
                            "arrival behind four poles at 1 kHz",
                            true,
                            r -> low(tail(1, 0, r), 1000)),
                    new Kind(
                            "arrival behind four poles at 6 kHz",
                            true,
                            r -> low(tail(1, 0, r), 6000)),
                    new Kind("diffuse from the start", false, r -> tail(0, 0, r)),
                    new Kind("built up over 30 ms", false, r -> tail(0, 0.03, r)),
                    new Kind("dispersive plate", false, r -> dispersed(tail(0, 0.005, r))),
                    new Kind("small room of mirrored sources", true, UnitTruth::room));

    static void print(int seeds, PrintStream out) {
        out.println(
                "| Unit | Residue, worst | Drift off, worst, ppm | Latency off, worst | Polarity"
                        + " right, not sure, wrong |");
        out.println("| --- | --- | --- | --- | --- |");
        for (Kind kind : KINDS) {
            double residue = -200;
            double off = 0;
            int late = 0;
            int[] said = new int[3];
            int untold = 0;
            for (int seed = 0; seed < seeds; seed++) {
                for (double ppm : DRIFTS_PPM) {
                    Random random = new Random(9000L + seed);
                    double sign = random.nextBoolean() ? 1 : -1;
                    double[] truth = kind.response().of(random);
                    for (int i = 0; i < truth.length; i++) {
                        truth[i] *= sign;
                    }
                    UnitReport report = measured(truth, ppm, random);
                    if (report.driftPpm().isEmpty()) {
                        untold++;
                    } else {
                        off = Math.max(off, Math.abs(report.driftPpm().getAsDouble() - ppm));
                    }
                    late = Math.max(late, Math.abs(report.latencySamples() - LATE));
                    residue = Math.max(residue, residueDb(report, truth));
                    Polarity is = sign > 0 ? Polarity.SAME : Polarity.INVERTED;
                    boolean sure = report.polarity() != Polarity.NOT_SURE;
                    said[!sure ? 1 : kind.leads() && report.polarity() == is ? 0 : 2]++;
                }
            }
            out.printf(
                    Locale.ROOT,
                    "| %s | %.0f dB | %.2f%s | %d | %d, %d, %d |%n",
                    kind.name(),
                    residue,
                    off,
                    untold == 0 ? "" : " (" + untold + " not told)",
                    late,
                    said[0],
                    said[1],
                    said[2]);
        }
    }

    private static UnitReport measured(double[] truth, double ppm, Random random) {
        Audio sweep = new Sweep(RATE, SWEEP_SECONDS).audio();
        float[] x = sweep.channel(0);
        int length = Integer.highestOneBit(x.length + truth.length) * 2;
        double[] a = new double[length];
        double[] b = Arrays.copyOf(truth, length);
        for (int i = 0; i < x.length; i++) {
            a[i] = x[i];
        }
        Fft fft = new Fft(length);
        fft.forward(a);
        fft.forward(b);
        a[0] *= b[0];
        a[1] *= b[1];
        for (int k = 2; k < length; k += 2) {
            double re = a[k] * b[k] - a[k + 1] * b[k + 1];
            a[k + 1] = a[k] * b[k + 1] + a[k + 1] * b[k];
            a[k] = re;
        }
        fft.inverse(a);
        float[] y = new float[x.length];
        double noise = Sounds.amplitude(NOISE_DBFS);
        for (int i = 0; i < y.length; i++) {
            double at = i * (1 - 1e-6 * ppm) - LATE;
            y[i] = (float) (between(a, at) + noise * random.nextGaussian());
        }
        return UnitMeter.measure(sweep, Audio.of(RATE, y));
    }

    /** A value between samples by a sinc of 400 taps; exact on a sample. */
    private static double between(double[] x, double at) {
        int whole = (int) Math.floor(at);
        double share = at - whole;
        if (share < 1e-9) {
            return whole >= 0 && whole < x.length ? x[whole] : 0;
        }
        int taps = 200;
        double sine = Math.sin(Math.PI * share) / Math.PI;
        double sum = 0;
        for (int k = 1 - taps; k <= taps; k++) {
            int i = whole + k;
            if (i >= 0 && i < x.length) {
                double d = k - share;
                double window = 0.5 + 0.5 * Math.cos(Math.PI * d / (taps + 1));
                // sin(pi (k - share)) is that of the share with a sign that takes turns.
                sum += x[i] * window * (k % 2 == 0 ? -sine : sine) / d;
            }
        }
        return sum;
    }

    /** Energy of what differs from the truth re that, where the two lie best over each other. */
    private static double residueDb(UnitReport report, double[] truth) {
        float[] found = report.response().channel(0);
        double best = Double.MAX_VALUE;
        double power = Arrays.stream(truth).map(v -> v * v).sum();
        int by = report.latencySamples() - LATE;
        for (int shift = by - 2; shift <= by + 2; shift++) {
            double error = 0;
            for (int i = 0; i < truth.length; i++) {
                int at = i - shift;
                double heard = at >= 0 && at < found.length ? found[at] : 0;
                error += (heard - truth[i]) * (heard - truth[i]);
            }
            best = Math.min(best, error);
        }
        return 10 * Math.log10(best / power);
    }

    /** A decay of 0.8 s that fades in, with an arrival before it. */
    private static double[] tail(double arrival, double riseSeconds, Random random) {
        double[] h = new double[(int) (1.6 * RATE)];
        for (int i = 0; i < h.length; i++) {
            double t = i / RATE;
            double rise = riseSeconds == 0 ? 1 : Math.min(1, t / riseSeconds);
            double noise = random.nextGaussian();
            h[i] = 0.03 * rise * noise * Math.pow(10, -3 * t / 0.8);
        }
        h[0] += 0.5 * arrival;
        return high(low(h, 15000));
    }

    private static double[] low(double[] h, double hz) {
        return through(FilterDesign.lowPass(hz, 4, RATE), h);
    }

    /** Nothing under what a sweep can tell. */
    private static double[] high(double[] h) {
        return through(FilterDesign.highPass(40, 2, RATE), h);
    }

    private static double[] through(List<Biquad> filters, double[] h) {
        float[] x = new float[h.length];
        for (int i = 0; i < x.length; i++) {
            x[i] = (float) h[i];
        }
        new Cascade(filters).process(x, x.clone(), 0, x.length);
        double[] y = new double[x.length];
        for (int i = 0; i < x.length; i++) {
            y[i] = x[i];
        }
        return y;
    }

    /** A hundred first-order all-passes in a row: high frequencies arrive after low ones. */
    private static double[] dispersed(double[] h) {
        double[] y = h.clone();
        for (int n = 0; n < 100; n++) {
            double in = 0;
            double out = 0;
            for (int i = 0; i < y.length; i++) {
                double x = y[i];
                double v = -0.6 * x + in + 0.6 * out;
                in = x;
                out = v;
                y[i] = v;
            }
        }
        return y;
    }

    /** Mirrored sources of a box of about 4 by 3 by 2.5 m, to the sample. */
    private static double[] room(Random random) {
        double[] size = {4 + random.nextDouble(), 3 + random.nextDouble(), 2.5};
        double[] from = {1.1, 1.3, 1.2};
        double[] to = {size[0] - 1.2, size[1] - 0.9, 1.4};
        double[] h = new double[(int) (0.8 * RATE)];
        double direct = distance(from, to);
        for (int a = -14; a <= 14; a++) {
            for (int b = -14; b <= 14; b++) {
                for (int c = -14; c <= 14; c++) {
                    double[] image = {
                        image(a, from[0], size[0]),
                        image(b, from[1], size[1]),
                        image(c, from[2], size[2])
                    };
                    double d = distance(image, to);
                    int at = (int) Math.round((d - direct) / 343 * RATE);
                    double walls = Math.pow(0.8, Math.abs(a) + Math.abs(b) + Math.abs(c));
                    if (at < h.length) {
                        h[at] += 0.5 * walls * direct / d;
                    }
                }
            }
        }
        return high(low(h, 15000));
    }

    private static double image(int n, double at, double size) {
        return n % 2 == 0 ? n * size + at : (n + 1) * size - at;
    }

    private static double distance(double[] a, double[] b) {
        double sum = 0;
        for (int i = 0; i < 3; i++) {
            sum += (a[i] - b[i]) * (a[i] - b[i]);
        }
        return Math.sqrt(sum);
    }
}
