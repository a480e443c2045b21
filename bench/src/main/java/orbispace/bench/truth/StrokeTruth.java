package orbispace.bench.truth;

import java.io.PrintStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.function.Consumer;
import orbispace.core.audio.Audio;
import orbispace.core.material.GateKey;
import orbispace.core.material.GateKeyFinder;
import orbispace.core.material.HitFinder;
import orbispace.core.material.Hits;

/** Strokes of a made snare: rolls, and what else its microphone hears. */
final class StrokeTruth {
    private static final double NEAR_SECONDS = 0.012;
    private static final double HAT_SECONDS = 0.03;
    private static final double RIDE_SECONDS = 0.5;

    private StrokeTruth() {}

    private static final class Tally {
        private int played;
        private int found;
        private int wrong;

        void add(List<Double> times, float[] x) {
            Audio audio = Audio.of(Sounds.RATE, x);
            Hits plain = HitFinder.find(audio);
            Hits hits = GateKeyFinder.find(audio, plain).map(GateKey::events).orElse(plain);
            List<Hits.Hit> left = new ArrayList<>(hits.hits());
            for (double t : times) {
                played++;
                for (Hits.Hit h : left) {
                    if (Math.abs(h.seconds() - t) < NEAR_SECONDS) {
                        left.remove(h);
                        found++;
                        break;
                    }
                }
            }
            wrong += left.size();
        }

        void print(String name, PrintStream out) {
            out.printf(
                    Locale.ROOT,
                    "| %s | %d | %.1f %% | %.1f %% |%n",
                    name,
                    played,
                    100.0 * found / played,
                    100.0 * wrong / played);
        }
    }

    static void print(int seeds, PrintStream out) {
        out.println("| Strokes | Played | Found | Wrong |");
        out.println("| --- | --- | --- | --- |");
        for (double hertz : new double[] {8, 10, 12, 14}) {
            for (double spread : new double[] {0.4, 3}) {
                Tally tally = new Tally();
                for (int seed = 0; seed < seeds; seed++) {
                    roll(hertz, spread, new Random(seed), tally);
                }
                tally.print(
                        String.format(
                                Locale.ROOT,
                                "roll of %.0f a second, uneven by %.1f dB",
                                hertz,
                                spread),
                        out);
            }
        }
        for (double bleed : new double[] {-6, -8, -10, -14, -20}) {
            row("kick and hat at %.0f dB", bleed, true, HAT_SECONDS, seeds, out);
            row("kick at %.0f dB", bleed, true, 0, seeds, out);
            row("ride at %.0f dB", bleed, false, RIDE_SECONDS, seeds, out);
        }
    }

    private static void row(
            String name, double bleedDb, boolean kick, double metal, int seeds, PrintStream out) {
        Tally tally = new Tally();
        for (int seed = 0; seed < seeds; seed++) {
            beat(bleedDb, kick, metal, new Random(50L + seed), tally);
        }
        tally.print(String.format(Locale.ROOT, name, bleedDb), out);
    }

    private static float[] seconds(double seconds, Random random) {
        float[] x = new float[(int) (seconds * Sounds.RATE)];
        Sounds.hiss(x, 1e-4, random);
        return x;
    }

    private static void roll(double hertz, double spreadDb, Random random, Tally tally) {
        float[] x = seconds(12, random);
        List<Double> times = new ArrayList<>();
        for (int i = 0; i < 120 && 0.3 + i / hertz < 11.5; i++) {
            double at = 0.3 + i / hertz + 0.002 * random.nextGaussian();
            times.add(at);
            double down = spreadDb * Math.abs(random.nextGaussian());
            Sounds.snare(x, at, 0.4 * Sounds.amplitude(-down), random);
        }
        tally.add(times, x);
    }

    private static double peak(Consumer<float[]> stroke) {
        float[] x = new float[(int) Sounds.RATE];
        stroke.accept(x);
        return Audio.of(Sounds.RATE, x).peak();
    }

    /** 36 strokes of snare with kicks between and metal on every half beat. */
    private static void beat(
            double bleedDb, boolean kick, double metal, Random random, Tally tally) {
        double own = peak(x -> Sounds.snare(x, 0.1, 1, new Random(1)));
        double low = peak(x -> Sounds.kick(x, 0.1, 1, new Random(1)));
        double high = peak(x -> Sounds.metal(x, 0.1, 1, Math.max(0.01, metal), new Random(1)));
        double bleed = 0.5 * Sounds.amplitude(bleedDb);
        float[] x = seconds(37, random);
        List<Double> times = new ArrayList<>();
        for (int beat = 0; beat < 72; beat++) {
            double at = 0.3 + 0.5 * beat + 0.004 * random.nextGaussian();
            double dynamics = Sounds.amplitude(0.7 * random.nextGaussian());
            if (beat % 2 == 1) {
                times.add(at);
                Sounds.snare(x, at, 0.5 / own * dynamics, random);
            } else if (kick) {
                Sounds.kick(x, at, bleed / low * dynamics, random);
            }
            for (int half = 0; half < 2 && metal > 0; half++) {
                double on = 0.3 + 0.5 * beat + 0.25 * half + 0.004 * random.nextGaussian();
                double level = bleed / high * Sounds.amplitude(random.nextGaussian());
                Sounds.metal(x, on, level, metal, random);
            }
        }
        tally.add(times, x);
    }
}
