package orbispace.bench.truth;

import java.io.PrintStream;
import java.util.Locale;
import java.util.Optional;
import java.util.Random;
import orbispace.core.audio.Audio;
import orbispace.core.material.Ambience;
import orbispace.core.material.AmbienceFinder;
import orbispace.core.material.PrintedRoom;

/** Stems of several kinds, dry and in rooms that are known. */
final class RoomTruth {
    private static final double RATE = Sounds.RATE;
    private static final double SECONDS = 24;
    private static final double[] DECAYS = {0.4, 0.7, 1.2, 2, 3};
    private static final double[] UNDER_DB = {-6, -10, -13, -16};
    private static final double NEAR = 0.25;

    private RoomTruth() {}

    private enum Kind {
        VOICE,
        PIANO,
        GUITAR,
        SNARE,
        KIT,
        BASS;

        float[] dry(Random random) {
            float[] x = new float[(int) (SECONDS * RATE)];
            switch (this) {
                case VOICE -> voice(x, random);
                case PIANO -> notes(x, 0.6, 3, 0.06, random);
                case GUITAR -> notes(x, 0.45, 1.4, 0.03, random);
                case BASS -> notes(x, 0.5, 2, 0.04, random);
                case SNARE -> beat(x, false, random);
                case KIT -> beat(x, true, random);
            }
            Sounds.hiss(x, 3e-5, random);
            return x;
        }

        private void notes(float[] x, double each, double rings, double damped, Random random) {
            double[] lowest = {110, 98, 45};
            double from = lowest[this == PIANO ? 0 : this == GUITAR ? 1 : 2];
            for (double t = 0.2; t < SECONDS - 2; t += each * (1 + random.nextInt(4))) {
                int voices = this == BASS ? 1 : 1 + random.nextInt(4);
                double held = each * (0.5 + random.nextInt(3));
                for (int v = 0; v < voices; v++) {
                    double hz = from * Math.pow(2, random.nextInt(24) / 12.0);
                    note(x, t + 0.01 * random.nextDouble(), held, hz, rings, damped, random);
                }
                t += random.nextInt(3) == 0 ? 1.2 : 0;
            }
        }
    }

    private static void voice(float[] x, Random random) {
        for (double t = 0.3; t < SECONDS - 3; ) {
            double lasts = 0.4 + 1.6 * random.nextDouble();
            float[] vowel = Sounds.vowel((int) (lasts * RATE), true, random);
            int from = (int) (t * RATE);
            for (int i = 0; i < vowel.length; i++) {
                double at = i / RATE;
                double edge = Math.min(1, at / 0.04) * Math.min(1, (lasts - at) / 0.05);
                x[from + i] += (float) (edge * vowel[i]);
            }
            t += lasts + 0.3 + 1.2 * random.nextDouble();
        }
    }

    /** A string: partials that decay, the higher the faster, until it is damped. */
    private static void note(
            float[] x,
            double start,
            double held,
            double hz,
            double rings,
            double damped,
            Random random) {
        int from = (int) (start * RATE);
        for (int p = 1; p <= 14 && p * hz < 9000; p++) {
            double level = 0.05 / Math.pow(p, 1.2);
            double t60 = rings / (1 + 0.15 * p);
            double phase = 2 * Math.PI * random.nextDouble();
            for (int i = 0; i < (held + 6 * damped) * RATE && from + i < x.length; i++) {
                double t = i / RATE;
                double fall = Math.pow(10, -3 * t / t60);
                double off = t < held ? 1 : Math.exp(-(t - held) / (damped / 2));
                double on = Math.min(1, t / 0.003);
                x[from + i] +=
                        (float)
                                (level
                                        * fall
                                        * off
                                        * on
                                        * Math.sin(2 * Math.PI * p * hz * t + phase));
            }
        }
    }

    private static void beat(float[] x, boolean kit, Random random) {
        for (int beat = 0; beat < 2 * SECONDS - 6; beat++) {
            double t = 0.3 + 0.5 * beat + 0.004 * random.nextGaussian();
            if (beat % 2 == 1) {
                Sounds.snare(x, t, 0.5, random);
            } else if (kit) {
                Sounds.kick(x, t, 0.5, random);
            }
            if (kit) {
                Sounds.metal(x, t, 0.06, 0.03, random);
                Sounds.metal(x, t + 0.25, 0.05, 0.03, random);
            }
        }
    }

    /** How a stem lies between its two channels. */
    private enum Sides {
        /** One channel. */
        MONO,
        /** A point somewhere, and a room that is another on each side. */
        PLACED,
        /** Two performances, one on each side, and such a room. */
        DOUBLED,
        /** The same sound on both sides, of another colour and 0.4 ms apart, and such a room. */
        WIDE;

        Audio of(Kind kind, double underDb, double decay, int seed) {
            Random random = new Random(seed);
            float[] x = kind.dry(random);
            if (this == MONO) {
                if (decay > 0) {
                    Sounds.room(x, underDb, decay, random);
                }
                return Audio.of(RATE, x);
            }
            float[] other = this == DOUBLED ? kind.dry(new Random(seed + 70_000L)) : x;
            double angle = this == PLACED ? Math.PI / 2 * random.nextDouble() : Math.PI / 4;
            double[] gains = {Math.cos(angle), Math.sin(angle)};
            float[][] out = new float[2][x.length];
            for (int c = 0; c < 2; c++) {
                double low = 0;
                for (int i = 0; i < x.length; i++) {
                    float here = c == 0 ? x[i] : other[this == WIDE ? Math.max(0, i - 19) : i];
                    low += 0.2 * (here - low);
                    double colour = this == WIDE ? (c == 0 ? 0.7 * low : -0.5 * low) : 0;
                    out[c][i] = (float) (gains[c] * (here + colour));
                }
                if (decay > 0) {
                    float[] room = Sounds.roomOf(x, underDb - 3, decay, random);
                    for (int i = 0; i < x.length; i++) {
                        out[c][i] += room[i];
                    }
                }
                Sounds.hiss(out[c], 2e-5, random);
            }
            return Audio.of(RATE, out);
        }
    }

    static void print(int seeds, PrintStream out) {
        for (Sides sides : Sides.values()) {
            out.println();
            out.println(sides.name().toLowerCase(Locale.ROOT));
            out.println();
            print(sides, seeds, out);
        }
    }

    private static void print(Sides sides, int seeds, PrintStream out) {
        out.print("| Stem | Dry: called wet, not sure |");
        for (double decay : DECAYS) {
            out.printf(Locale.ROOT, " %.1f s |", decay);
        }
        out.println();
        out.println("| --- ".repeat(2 + DECAYS.length) + "|");
        for (Kind kind : Kind.values()) {
            int wet = 0;
            int unsure = 0;
            for (int seed = 0; seed < 4 * seeds; seed++) {
                PrintedRoom room = AmbienceFinder.look(sides.of(kind, 0, 0, 500 + seed));
                wet += room.found().isPresent() ? 1 : 0;
                unsure += room.told() ? 0 : 1;
            }
            out.printf(
                    Locale.ROOT,
                    "| %s | %d, %d of %d |",
                    kind.name().toLowerCase(Locale.ROOT),
                    wet,
                    unsure,
                    4 * seeds);
            for (double decay : DECAYS) {
                out.print(cell(sides, kind, decay, seeds));
            }
            out.println();
        }
    }

    /**
     * How many of all are found, how many of those within a quarter, how many are off by more and
     * called sure, and how many called dry.
     */
    private static String cell(Sides sides, Kind kind, double decay, int seeds) {
        int found = 0;
        int near = 0;
        int off = 0;
        int dry = 0;
        for (double under : UNDER_DB) {
            for (int seed = 0; seed < seeds; seed++) {
                PrintedRoom look = AmbienceFinder.look(sides.of(kind, under, decay, 800 + seed));
                Optional<Ambience> room = look.found();
                found += room.isPresent() ? 1 : 0;
                dry += room.isEmpty() && look.told() ? 1 : 0;
                boolean close =
                        room.filter(a -> Math.abs(a.decaySeconds() / decay - 1) <= NEAR)
                                .isPresent();
                near += close ? 1 : 0;
                off += !close && room.filter(Ambience::sure).isPresent() ? 1 : 0;
            }
        }
        return String.format(
                Locale.ROOT,
                " %d of %d, %d near, %d off, %d dry |",
                found,
                seeds * UNDER_DB.length,
                near,
                off,
                dry);
    }
}
