package orbispace.demo;

import orbispace.core.signal.Fft;

/**
 * A concertina: two crossfading wavetables per reed under a bellows pressure, recorded in a small
 * room.
 */
final class Concertina {
    private static final double OUTPUT_DB = 2.0;
    private static final double RELEASE_SECONDS = 0.075;
    private static final int CONTROL_FRAMES = 24;
    private static final double ROOM_T60 = 0.9;
    private static final double ROOM_DB = -14;
    private static final double ROOM_DELAY_SECONDS = 0.011;

    private final Chance chance = new Chance(202);
    private final Chance.Wander pressureDrift = chance.wander(2.5, HarbourScore.SECONDS);

    float[] play() {
        float[] out = new float[HarbourScore.FRAMES];
        float[] air = new float[HarbourScore.FRAMES];
        for (int bar = 1; bar <= 26; bar++) {
            String[] voicings = HarbourScore.bar(bar, 1).split(";");
            String[] events = articulation(bar).split(";");
            for (int e = 0; e < events.length && !voicings[0].isEmpty(); e++) {
                String[] p = events[e].strip().split(" ");
                double beat = HarbourScore.beat(bar, Double.parseDouble(p[0]));
                double start = HarbourScore.seconds(beat) + 0.006 + chance.gaussian(0.006);
                double end = HarbourScore.seconds(beat + Double.parseDouble(p[1]));
                String[] notes = voicings[Math.min(e, voicings.length - 1)].split(" ");
                double level = Math.pow(10, HarbourScore.sectionDb(bar) / 20);
                chord(out, air, Math.max(0, start), end, notes, Double.parseDouble(p[2]), level);
            }
        }
        float[] bellows = Shape.bandPass(chance.white(out.length), 500, 3500, 2);
        for (int i = 0; i < out.length; i++) {
            out[i] += bellows[i] * air[i];
        }
        addRoom(out);
        Shape.scale(out, Math.pow(10, OUTPUT_DB / 20));
        Shape.addFloor(out, chance, -84);
        return out;
    }

    private void chord(
            float[] out,
            float[] air,
            double start,
            double end,
            String[] notes,
            double velocity,
            double level) {
        boolean isLong = end - start > 1.2;
        for (String note : notes) {
            double stagger = chance.uniform(0, 0.012);
            double cents = chance.uniform(-4, 4);
            reed(
                    out,
                    start + stagger,
                    end,
                    Pitch.hz(note),
                    cents,
                    velocity,
                    level / Math.pow(notes.length, 0.6),
                    isLong);
        }
        click(out, start, level * velocity);
        int from = (int) (start * Shape.RATE);
        int to = Math.min(out.length, (int) ((end + RELEASE_SECONDS) * Shape.RATE));
        for (int i = from; i < to; i++) {
            double e = envelope(i / Shape.RATE, start, end, isLong);
            air[i] = (float) (0.05 * Math.pow(10, -46 / 20.0) * 4 * e * level * velocity);
        }
    }

    private void reed(
            float[] out,
            double start,
            double end,
            double hz,
            double cents,
            double velocity,
            double level,
            boolean isLong) {
        int partials = (int) (10500 / hz);
        Wavetable bright = new Wavetable(partials, k -> amplitude(k, hz), k -> 0.4 * k * k);
        Wavetable soft =
                new Wavetable(
                        partials,
                        k -> amplitude(k, hz) * Math.exp(-0.2 * (k - 1)),
                        k -> 0.4 * k * k);
        Chance.Wander drift = chance.wander(3, end - start + 1);
        double gain = level * Math.pow(velocity, 1.1) * Math.pow(440 / hz, 0.15) * 0.05;
        double turns = chance.uniform(0, 1);
        int from = (int) (start * Shape.RATE);
        int to = Math.min(out.length, (int) ((end + RELEASE_SECONDS) * Shape.RATE));
        double loud = 0;
        double mix = 0;
        for (int at = from; at < to; at += CONTROL_FRAMES) {
            double t = Math.max(start, at / Shape.RATE);
            double e = envelope(t, start, end, isLong);
            double p =
                    pressure((t - start) / (end - start), isLong)
                            * (1 + 0.035 * pressureDrift.at(t));
            double bend =
                    cents
                            - 5 * p * velocity
                            - 9 * Math.exp(-(t - start) / 0.03)
                            + 0.8 * drift.at(t - start);
            double step = hz * Math.exp(bend * Math.log(2) / 1200) / Shape.RATE;
            double loudStep = (gain * Math.pow(Math.max(0, e * p), 1.2) - loud) / CONTROL_FRAMES;
            double mixStep =
                    (Math.clamp((velocity * p * e - 0.15) / 0.75, 0, 1) - mix) / CONTROL_FRAMES;
            for (int i = at; i < Math.min(to, at + CONTROL_FRAMES); i++) {
                turns += step;
                loud += loudStep;
                mix += mixStep;
                out[i] +=
                        (float)
                                (loud
                                        * (soft.at(turns)
                                                + mix * (bright.at(turns) - soft.at(turns))));
            }
        }
    }

    private static double amplitude(int k, double hz) {
        double f = k * hz;
        double r =
                (1
                                + 1.1 * Math.exp(-square((f - 1750) / 600))
                                + 0.9 * Math.exp(-square((f - 3200) / 800)))
                        / Math.sqrt(1 + Math.pow(f / 4300, 4))
                        * Math.clamp((10500 - f) / 3500, 0, 1);
        return Math.pow(k, -0.75) * (k % 2 == 0 ? 0.8 : 1) * r;
    }

    private static double square(double x) {
        return x * x;
    }

    private static double envelope(double t, double start, double end, boolean isLong) {
        double rise = Shape.raisedCosine((t - start) / (isLong ? 0.055 : 0.030));
        double fall = 1 - Shape.raisedCosine((t - end) / RELEASE_SECONDS);
        return t < start ? 0 : rise * fall;
    }

    private static double pressure(double share, boolean isLong) {
        return isLong
                ? Shape.through(share, 0, .88, .4, 1, .75, .94, 1, .80)
                : Shape.through(share, 0, 1, 1, .75);
    }

    private void click(float[] out, double start, double level) {
        float[] noise = Shape.bandPass(chance.white(240), 500, 2500, 2);
        int from = (int) (start * Shape.RATE);
        for (int i = 0; i < noise.length && from + i < out.length; i++) {
            double window = Math.sin(Math.PI * i / noise.length);
            out[from + i] +=
                    (float) (0.05 * Math.pow(10, -30 / 20.0) * 6 * level * window * noise[i]);
        }
    }

    /** Prints a room into the stem: the fault that "already wet" must find. */
    private void addRoom(float[] out) {
        int length = (int) (1.15 * ROOM_T60 * Shape.RATE);
        float[] room = chance.white(length);
        for (int i = 0; i < length; i++) {
            double t = i / Shape.RATE;
            room[i] *= (float) (Math.min(1, t / 0.004) * Shape.decay(t, ROOM_T60));
        }
        float[] shaped = Shape.highPass(Shape.lowPass(room, 4500, 1), 150, 1);
        float[] wet = convolve(out, shaped);
        double gain = Math.sqrt(energy(out) / energy(wet)) * Math.pow(10, ROOM_DB / 20);
        int delay = (int) (ROOM_DELAY_SECONDS * Shape.RATE);
        for (int i = out.length - 1; i >= delay; i--) {
            out[i] += (float) (gain * wet[i - delay]);
        }
    }

    private static double energy(float[] x) {
        double sum = 0;
        for (float v : x) {
            sum += (double) v * v;
        }
        return sum;
    }

    private static float[] convolve(float[] x, float[] h) {
        int part = 1 << 17;
        Fft fft = new Fft(part);
        double[] filter = spectrum(fft, h, 0, h.length);
        float[] y = new float[x.length];
        int step = part - h.length;
        for (int start = 0; start < x.length; start += step) {
            double[] s = spectrum(fft, x, start, Math.min(x.length, start + step));
            s[0] *= filter[0];
            s[1] *= filter[1];
            for (int k = 1; k < part / 2; k++) {
                double re = s[2 * k] * filter[2 * k] - s[2 * k + 1] * filter[2 * k + 1];
                s[2 * k + 1] = s[2 * k] * filter[2 * k + 1] + s[2 * k + 1] * filter[2 * k];
                s[2 * k] = re;
            }
            fft.inverse(s);
            for (int i = 0; i < part && start + i < y.length; i++) {
                y[start + i] += (float) s[i];
            }
        }
        return y;
    }

    private static double[] spectrum(Fft fft, float[] x, int from, int to) {
        double[] s = new double[fft.length()];
        for (int i = from; i < to; i++) {
            s[i - from] = x[i];
        }
        fft.forward(s);
        return s;
    }

    private static String articulation(int bar) {
        String pulsed = "1 1.35 .86; 2.5 1.35 .74; 4 .9 .80";
        return switch (bar) {
            case 1 -> "1 4 .50";
            case 2 -> "1 3.95 .56";
            case 6 -> "1 2.75 .62";
            case 10 -> "1 2.5 .66";
            case 11, 12, 13, 19, 20, 21, 22, 23 -> pulsed;
            case 14 -> "1 1.35 .84; 2.5 1.0 .70";
            case 16 -> "1 3.9 .40";
            case 17 -> "1 3.9 .46";
            case 18 -> "1 1.95 .50; 3 1.95 .60";
            case 24 -> "1 2.75 .90";
            case 25 -> "1 1.95 .60; 3 1.95 .52";
            case 26 -> "1 2.75 .50";
            default -> "1 3.95 .62";
        };
    }
}
