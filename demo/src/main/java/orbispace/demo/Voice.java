package orbispace.demo;

import orbispace.core.signal.Fft;

/**
 * An alto voice: a sum of harmonics under moving formants, so that nothing can alias, with breath
 * and consonant noise.
 */
final class Voice {
    private static final double OUTPUT_DB = -3.9;
    private static final int MOST_HARMONICS = 60;
    private static final int STEP_FRAMES = (int) (VoiceTrack.STEP * Shape.RATE);
    private static final double[] BANDWIDTHS = {95, 115, 165, 230};
    private static final double[] FIXED_HZ = {4700, 5800, 6900, 8000, 9100, 10200};
    private static final double[] FIXED_WIDTH = {320, 420, 520, 620, 700, 800};

    private final Chance chance = new Chance(101);
    private final VoiceTrack track = new VoiceTrack(chance);
    private final double[] hz = new double[VoiceTrack.STEPS];
    private final double[] trill = new double[VoiceTrack.STEPS];

    float[] play() {
        layPitch();
        float[] out = voiced();
        addBreath(out);
        addNoises(out);
        Shape.scale(out, Math.pow(10, OUTPUT_DB / 20));
        Shape.add(out, Shape.lowPass(chance.white(out.length), 7000, 1), Math.pow(10, -70 / 20.0));
        return out;
    }

    private void layPitch() {
        Chance.Wander rate = chance.wander(0.5, HarbourScore.SECONDS);
        Chance.Wander slow = chance.wander(3, HarbourScore.SECONDS);
        Chance.Wander fast = chance.wander(40, HarbourScore.SECONDS);
        Chance.Wander slowLevel = chance.wander(4, HarbourScore.SECONDS);
        Chance.Wander fastLevel = chance.wander(40, HarbourScore.SECONDS);
        double turn = 0;
        for (int i = 0; i < VoiceTrack.STEPS; i++) {
            double t = i * VoiceTrack.STEP;
            turn += 2 * Math.PI * (5.35 + 0.25 * rate.at(t)) * VoiceTrack.STEP;
            double vibrato = track.vibrato[i] * Math.sin(turn);
            double cents = track.cents[i] + vibrato + 6 * slow.at(t) + 2 * fast.at(t);
            hz[i] = 440 * Math.pow(2, (cents - 6900) / 1200);
            double depth = track.vibrato[i] / 42;
            trill[i] =
                    Math.pow(
                            10,
                            (1.1 * depth * Math.sin(turn)
                                            + 0.5 * slowLevel.at(t)
                                            + 0.25 * fastLevel.at(t))
                                    / 20);
        }
    }

    /** Harmonics with complex amplitudes at every step, joined by straight lines. */
    private float[] voiced() {
        float[] out = new float[HarbourScore.FRAMES];
        double[] re = new double[MOST_HARMONICS + 1];
        double[] im = new double[MOST_HARMONICS + 1];
        double[] nextRe = new double[MOST_HARMONICS + 1];
        double[] nextIm = new double[MOST_HARMONICS + 1];
        double phase = 0;
        for (int i = 0; i + 1 < VoiceTrack.STEPS; i++) {
            int last = amplitudes(i + 1, nextRe, nextIm);
            if (track.level[i] > 1e-5 || track.level[i + 1] > 1e-5) {
                phase = fill(out, i, phase, re, im, nextRe, nextIm, Math.max(last, 1));
            }
            System.arraycopy(nextRe, 0, re, 0, re.length);
            System.arraycopy(nextIm, 0, im, 0, im.length);
        }
        return out;
    }

    private double fill(
            float[] out,
            int step,
            double start,
            double[] re,
            double[] im,
            double[] nextRe,
            double[] nextIm,
            int harmonics) {
        double phase = start;
        int count = Math.min(MOST_HARMONICS, harmonics + 2);
        for (int k = 0; k < STEP_FRAMES; k++) {
            int at = step * STEP_FRAMES + k;
            if (at >= out.length) {
                return phase;
            }
            double share = k / (double) STEP_FRAMES;
            double f = hz[step] + share * (hz[step + 1] - hz[step]);
            phase += 2 * Math.PI * f / Shape.RATE;
            double c = Math.cos(phase);
            double s = Math.sin(phase);
            double zr = 1;
            double zi = 0;
            double sum = 0;
            for (int h = 1; h <= count; h++) {
                double r = zr * c - zi * s;
                zi = zr * s + zi * c;
                zr = r;
                sum +=
                        (re[h] + share * (nextRe[h] - re[h])) * zr
                                - (im[h] + share * (nextIm[h] - im[h])) * zi;
            }
            out[at] = (float) (0.10 * sum);
        }
        return phase % (2 * Math.PI);
    }

    /** Amplitudes of all harmonics at a step; answers how many there are. */
    private int amplitudes(int i, double[] re, double[] im) {
        java.util.Arrays.fill(re, 0);
        java.util.Arrays.fill(im, 0);
        double av = track.level[i] * trill[i];
        if (av < 1e-5) {
            return 0;
        }
        double f0 = hz[i];
        double tilt =
                (1200 + 4200 * track.effort[i]) * (1 + 0.35 * Math.clamp((av - 1) / 2, -0.5, 0.5));
        int last = Math.min(MOST_HARMONICS, (int) (10800 / f0));
        double power = 0;
        double[] z = new double[2];
        for (int h = 1; h <= last; h++) {
            double f = h * f0;
            tract(i, f, f0, 1, z);
            double u = f / (1.15 * f0);
            double g = u / (1 + u * u) * (1 + 2.2 * Math.clamp((f - 3600) / 3000, 0, 1));
            g *= Math.clamp((10800 - f) / 2000, 0, 1);
            // Glottal tilt: one more pole at f / tilt.
            double d = 1 + square(f / tilt);
            re[h] = g * (z[0] + z[1] * f / tilt) / d;
            im[h] = g * (z[1] - z[0] * f / tilt) / d;
            power += (re[h] * re[h] + im[h] * im[h]) / 2;
        }
        double p = Math.sqrt(power);
        double k = av / 0.55 * Math.pow(0.55 / p, 0.8);
        for (int h = 1; h <= last; h++) {
            re[h] *= k;
            im[h] *= k;
        }
        return last;
    }

    /** The vocal tract at a frequency: formants, fixed upper resonances, and the nose. */
    private void tract(int i, double f, double f0, double widen, double[] z) {
        z[0] = 1;
        z[1] = 0;
        for (int n = 0; n < 4; n++) {
            double centre =
                    n == 0 ? Math.max(track.formants[0][i], 1.04 * f0) : track.formants[n][i];
            double width = BANDWIDTHS[n] + (n == 0 ? 0.12 * Math.max(0, f0 - 260) : 0);
            resonate(z, f, centre, width * widen);
        }
        for (int n = 0; n < FIXED_HZ.length; n++) {
            resonate(z, f, FIXED_HZ[n], FIXED_WIDTH[n] * widen);
        }
        double w = track.nasal[i];
        if (w > 1e-3) {
            double zero = square(track.nasalZero[i]);
            double ar = (zero - f * f) / zero;
            double ai = 220 * f / zero;
            double[] nose = {ar, ai};
            resonate(nose, f, 900, 500);
            double nr = 1 + w * (nose[0] - 1);
            double ni = w * nose[1];
            double r = z[0] * nr - z[1] * ni;
            z[1] = z[0] * ni + z[1] * nr;
            z[0] = r;
        }
    }

    private static void resonate(double[] z, double f, double centre, double width) {
        double dr = centre * centre - f * f;
        double di = f * width;
        double d = centre * centre / (dr * dr + di * di);
        double r = d * (z[0] * dr + z[1] * di);
        z[1] = d * (z[1] * dr - z[0] * di);
        z[0] = r;
    }

    private static double square(double x) {
        return x * x;
    }

    /** White noise shaped by the tract in short windows. */
    private void addBreath(float[] out) {
        int length = 512;
        int hop = 128;
        float[] white = chance.white(out.length);
        Fft fft = new Fft(length);
        double[] window = Fft.hann(length);
        double[] buffer = new double[length];
        double[] shape = new double[length / 2];
        double[] z = new double[2];
        for (int start = 0; start + length <= out.length; start += hop) {
            int i = Math.min(VoiceTrack.STEPS - 1, (start + length / 2) / STEP_FRAMES);
            double level = track.breath[i];
            if (level < 1e-5) {
                continue;
            }
            double power = 0;
            for (int k = 1; k < shape.length; k++) {
                double f = k * Shape.RATE / length;
                tract(i, f, hz[i], 1.6, z);
                shape[k] = Math.hypot(z[0], z[1]) * Math.min(1, f / 1200) * (f > 11000 ? 0 : 1);
                power += shape[k] * shape[k] / shape.length;
            }
            for (int k = 0; k < length; k++) {
                buffer[k] = white[start + k] * window[k];
            }
            fft.forward(buffer);
            double gain = level * 0.042 / Math.sqrt(power) / 2;
            buffer[0] = 0;
            buffer[1] = 0;
            for (int k = 1; k < shape.length; k++) {
                buffer[2 * k] *= shape[k] * gain;
                buffer[2 * k + 1] *= shape[k] * gain;
            }
            fft.inverse(buffer);
            for (int k = 0; k < length; k++) {
                out[start + k] += (float) buffer[k];
            }
        }
    }

    private void addNoises(float[] out) {
        float[] white = chance.white(out.length);
        for (char kind : "sfptkSB".toCharArray()) {
            float[] noise = noise(kind, white);
            for (VoiceTrack.Noise event : track.noises) {
                if (event.kind() == kind) {
                    addNoise(out, noise, event);
                }
            }
        }
    }

    private static void addNoise(float[] out, float[] noise, VoiceTrack.Noise event) {
        int from = Math.max(0, (int) (event.start() * Shape.RATE));
        int to = Math.min(out.length, (int) (event.end() * Shape.RATE));
        double seconds = (to - from) / Shape.RATE;
        for (int i = from; i < to; i++) {
            double t = (i - from) / Shape.RATE;
            double e;
            if (event.kind() == 'B') {
                e = Math.pow(Math.sin(Math.PI * t / seconds), 1.5);
            } else if (event.burst()) {
                double fall = t < 0.0042 ? 1 : Math.exp(-(t - 0.0042) / 0.0055);
                e = t < 0.0012 ? t / 0.0012 : fall;
            } else {
                e =
                        Math.min(
                                Shape.raisedCosine(t / 0.022),
                                Shape.raisedCosine((seconds - t) / 0.024));
            }
            out[i] += (float) (event.level() * e * noise[i]);
        }
    }

    private static float[] noise(char kind, float[] white) {
        float[] out = new float[white.length];
        switch (kind) {
            case 's' -> {
                Shape.add(out, Shape.bandPass(white, 4200, 9500, 4), 0.9);
                Shape.add(out, Shape.bandPass(white, 6000, 7800, 2), 0.8);
            }
            case 'f' -> Shape.add(out, Shape.bandPass(white, 1500, 9000, 2), 0.55);
            case 'p' -> Shape.add(out, Shape.bandPass(white, 500, 1600, 2), 1.2);
            case 't' -> Shape.add(out, Shape.bandPass(white, 3200, 6500, 2), 1.1);
            case 'k' -> Shape.add(out, Shape.bandPass(white, 1500, 2700, 2), 1.3);
            case 'S' -> Shape.add(out, Shape.bandPass(white, 2300, 5200, 4), 1.2);
            default -> {
                Shape.add(out, Shape.bandPass(white, 900, 2600, 2), 1);
                Shape.add(out, Shape.bandPass(white, 3200, 5200, 2), 0.7);
                Shape.scale(out, Math.pow(10, -47 / 20.0) / 0.032 * 0.4);
            }
        }
        Shape.scale(out, 0.032);
        return out;
    }
}
