package orbispace.bench.truth;

import java.io.PrintStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.stream.IntStream;
import orbispace.core.audio.Audio;
import orbispace.core.measure.BandDecay;
import orbispace.core.measure.DecayMeter;
import orbispace.core.measure.DecayReport;
import orbispace.core.measure.DecayTime;
import orbispace.core.signal.Fft;

/**
 * Decays of made responses: noise that falls octave by octave in its own time, with a direct sound,
 * a gap and noise, in files shorter and much longer than the decay.
 */
final class DecayTruth {
    private static final int OCTAVES = 8;
    private static final double LOWEST_HZ = 62.5;
    private static final double[] GAPS = {0, 0, 0.02, 0.06};

    private DecayTruth() {}

    /** What came of one octave and range. */
    private static final class Tally {
        private int asked;
        private int over5;
        private int over12;
        private final List<Double> errors = new ArrayList<>();

        synchronized void add(DecayTime time, double truth) {
            asked++;
            if (time instanceof DecayTime.Measured(double s)) {
                double error = Math.abs(s / truth - 1);
                errors.add(error);
                over5 += error > 0.05 ? 1 : 0;
                over12 += error > 0.12 ? 1 : 0;
            }
        }

        void print(String name, PrintStream out) {
            errors.sort(null);
            double worst = errors.isEmpty() ? 0 : errors.getLast();
            double middle = errors.isEmpty() ? 0 : errors.get(errors.size() / 2);
            out.printf(
                    Locale.ROOT,
                    "| %s | %d | %d | %d | %d | %.1f %% | %.1f %% |%n",
                    name,
                    asked,
                    errors.size(),
                    over5,
                    over12,
                    100 * middle,
                    100 * worst);
        }
    }

    static void print(int responses, PrintStream out) {
        Tally[] twenty = tallies();
        Tally[] thirty = tallies();
        IntStream.range(0, responses).parallel().forEach(seed -> measure(seed, twenty, thirty));
        out.println(
                "| Octave | Responses | Sure | Off by over 5 % | over 12 % | Median error | Worst"
                        + " |");
        out.println("| --- | --- | --- | --- | --- | --- | --- |");
        for (int b = 0; b <= OCTAVES; b++) {
            String name =
                    b == OCTAVES
                            ? "broadband, even decay"
                            : Math.round(Math.ceil(LOWEST_HZ * Math.pow(2, b))) + " Hz";
            twenty[b].print(name + ", T20", out);
            thirty[b].print(name + ", T30", out);
        }
    }

    private static Tally[] tallies() {
        Tally[] tallies = new Tally[OCTAVES + 1];
        for (int b = 0; b < tallies.length; b++) {
            tallies[b] = new Tally();
        }
        return tallies;
    }

    private static void measure(int seed, Tally[] twenty, Tally[] thirty) {
        Random random = new Random(seed);
        double rate = random.nextBoolean() ? 48000 : 44100;
        double middle = 0.25 * Math.pow(24, random.nextDouble());
        boolean even = random.nextInt(3) == 0;
        double tilt = random.nextDouble() - 0.7;
        double[] decays = new double[OCTAVES];
        for (int b = 0; b < OCTAVES; b++) {
            double bent = tilt * (b - 3.5) / 3.5 + 0.3 * (random.nextDouble() - 0.5);
            decays[b] = even ? middle : Math.clamp(middle * Math.pow(2, bent), 0.15, 10);
        }
        DecayReport report = DecayMeter.measure(response(rate, middle, decays, random));
        for (BandDecay band : report.bands()) {
            int b = (int) Math.rint(Math.log(band.centreHz() / LOWEST_HZ) / Math.log(2));
            twenty[b].add(band.t20(), decays[b]);
            thirty[b].add(band.t30(), decays[b]);
        }
        if (even) {
            twenty[OCTAVES].add(report.broadband().t20(), middle);
            thirty[OCTAVES].add(report.broadband().t30(), middle);
        }
    }

    private static Audio response(double rate, double middle, double[] decays, Random random) {
        double floor = Sounds.amplitude(-30 - 50 * random.nextDouble());
        double gap = GAPS[random.nextInt(GAPS.length)];
        boolean bare = random.nextInt(3) == 0;
        double direct = bare ? 0 : Sounds.amplitude(-20 + 40 * random.nextDouble());
        double[] lengths = {1.2 * middle + 0.3, 2 * middle, 8, 15};
        double length = Math.clamp(lengths[random.nextInt(lengths.length)], 0.6, 15);
        int frames = (int) (length * rate);
        float[][] channels = new float[1 + random.nextInt(2)][frames];
        for (float[] x : channels) {
            double[] tail = tail(frames, rate, decays, (int) (gap * rate) + 1, random);
            double energy = 0;
            for (double v : tail) {
                energy += v * v;
            }
            for (int i = 0; i < frames; i++) {
                x[i] = (float) (0.1 * (tail[i] + floor * random.nextGaussian()));
            }
            x[0] += (float) (0.1 * direct * Math.sqrt(energy));
        }
        return Audio.of(rate, channels);
    }

    private static double[] tail(
            int frames, double rate, double[] decays, int start, Random random) {
        int length = Integer.highestOneBit(frames) * 2;
        Fft fft = new Fft(length);
        double[] noise = new double[length];
        for (int i = 0; i < length; i++) {
            noise[i] = random.nextGaussian();
        }
        fft.forward(noise);
        double[] tail = new double[frames];
        for (int b = 0; b < OCTAVES; b++) {
            double low = b == 0 ? 20 : LOWEST_HZ * Math.pow(2, b - 0.5);
            double high = b == OCTAVES - 1 ? 20000 : LOWEST_HZ * Math.pow(2, b + 0.5);
            double[] band = new double[length];
            for (int k = 2; k < length; k += 2) {
                double hz = k / 2.0 * rate / length;
                if (hz >= low && hz < high) {
                    band[k] = noise[k];
                    band[k + 1] = noise[k + 1];
                }
            }
            fft.inverse(band);
            for (int i = start; i < frames; i++) {
                tail[i] += band[i] * Math.pow(10, -3 * (i - start) / rate / decays[b]);
            }
        }
        return tail;
    }
}
