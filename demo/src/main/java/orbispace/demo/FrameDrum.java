package orbispace.demo;

import java.util.ArrayList;
import java.util.List;
import orbispace.demo.HarbourScore.Stroke;

/** A frame drum: thirteen membrane modes and a noise, struck in the centre or at the edge. */
final class FrameDrum {
    private static final double OUTPUT_DB = -2.7;
    private static final double BLEED_DB = -11.5;
    private static final int BLEED_FRAMES = 154;
    private static final double[] MODES = {
        1, 1.593, 2.136, 2.296, 2.653, 2.918, 3.156, 3.501, 4.06, 5.13, 6.21, 7.66, 9.43
    };
    private static final double[] CENTRE = {
        1, .42, .10, .20, .05, .07, .03, .02, .02, .01, .01, .005, .005
    };
    private static final double[] CENTRE_T60 = {
        .42, .30, .25, .22, .20, .17, .15, .14, .12, .10, .09, .08, .07
    };
    private static final double[] EDGE = {
        .16, .42, .55, .60, .58, .52, .48, .46, .42, .40, .36, .30, .24
    };
    private static final double[] EDGE_T60 = {
        .30, .24, .20, .18, .16, .15, .14, .12, .11, .10, .09, .08, .07
    };

    private final Chance chance = new Chance(404);

    /** The drum with what its microphone hears of the shaker: inverted, late and softer. */
    float[] play(float[] shaker) {
        float[] out = new float[HarbourScore.FRAMES];
        for (Stroke stroke : strokes()) {
            double start =
                    HarbourScore.slotSeconds(stroke.bar(), stroke.slot())
                            - 0.001
                            + chance.gaussian(0.0035);
            double db = 0.3 * HarbourScore.sectionDb(stroke.bar()) + chance.gaussian(0.3);
            strike(
                    out,
                    Math.max(0, start),
                    stroke.what().equals("T"),
                    stroke.velocity(),
                    Math.pow(10, db / 20));
        }
        Shape.scale(out, Math.pow(10, OUTPUT_DB / 20));
        double bleed = -Math.pow(10, BLEED_DB / 20);
        for (int i = BLEED_FRAMES; i < out.length; i++) {
            out[i] += (float) (bleed * shaker[i - BLEED_FRAMES]);
        }
        Shape.addFloor(out, chance, -84);
        return out;
    }

    private void strike(float[] out, double start, boolean edge, double velocity, double level) {
        double gain = 0.34 * Math.pow(velocity, 0.8) * (edge ? 0.74 : 1) * level;
        double glide = edge ? 0.03 : 0.075;
        for (int m = 0; m < MODES.length; m++) {
            double hz = 88 * (edge ? 1.03 : 1) * MODES[m] * Math.pow(2, chance.gaussian(8) / 1200);
            double a = (edge ? EDGE : CENTRE)[m] * Math.pow(10, chance.gaussian(0.8) / 20);
            double phase = m == 0 ? chance.uniform(-0.4, 0.4) : chance.uniform(0, 2 * Math.PI);
            mode(
                    out,
                    start,
                    hz,
                    gain * a,
                    (edge ? EDGE_T60 : CENTRE_T60)[m],
                    glide * velocity,
                    phase);
        }
        noise(out, start, edge, gain);
    }

    private static void mode(
            float[] out,
            double start,
            double hz,
            double gain,
            double t60,
            double glide,
            double phase) {
        int from = (int) (start * Shape.RATE);
        int length = (int) (1.6 * t60 * Shape.RATE);
        double angle = phase;
        double level = gain;
        double bend = glide;
        double levelPerFrame = Shape.decay(1 / Shape.RATE, t60);
        double bendPerFrame = Math.exp(-1 / Shape.RATE / 0.03);
        for (int i = 0; i < length && from + i < out.length; i++) {
            double rise = i < 77 ? Shape.raisedCosine(i / Shape.RATE / 0.0016) : 1;
            out[from + i] += (float) (rise * level * Math.sin(angle));
            angle += 2 * Math.PI * hz * (1 + bend) / Shape.RATE;
            level *= levelPerFrame;
            bend *= bendPerFrame;
        }
    }

    private void noise(float[] out, double start, boolean edge, double gain) {
        int length = (int) (0.15 * Shape.RATE);
        float[] white = chance.white(length);
        float[] noise = edge ? Shape.bandPass(white, 1300, 5200, 2) : Shape.lowPass(white, 900, 1);
        double a = edge ? 0.30 : 0.22;
        double t60 = edge ? 0.10 : 0.06;
        int from = (int) (start * Shape.RATE);
        for (int i = 0; i < length && from + i < out.length; i++) {
            double t = i / Shape.RATE;
            out[from + i] +=
                    (float) (gain * a * noise[i] * Math.min(1, t / 0.0012) * Shape.decay(t, t60));
        }
    }

    private static List<Stroke> strokes() {
        List<Stroke> all = new ArrayList<>();
        for (int bar = 1; bar <= 26; bar++) {
            all.addAll(HarbourScore.strokes(bar, pattern(bar)));
        }
        return all;
    }

    private static String pattern(int bar) {
        String verse = "0:D:.92 6:T:.80 10:D:.80 12:T:.88";
        String chorus = "0:D:1 4:T:.86 6:D:.84 10:D:.90 12:T:.95 14:T:.78";
        return switch (bar) {
            case 1 -> "";
            case 2 -> "0:D:.85 12:T:.80 14:T:.84";
            case 3, 4, 5, 7, 8, 9 -> verse;
            case 6 -> verse + " 14:T:.78";
            case 10 -> verse + " 14:T:.82 15:T:.86";
            case 14 -> "0:D:1 4:T:.86 6:D:.90";
            case 15 -> "0:D:.82";
            case 16, 17 -> "0:D:.80";
            case 18 -> "0:D:.82 10:T:.78 12:T:.84 14:T:.92";
            case 23 -> chorus + " 15:T:.80";
            case 24 -> "0:D:1 4:T:.86 6:D:.90 12:T:.84";
            case 25 -> "0:D:.86 8:D:.80";
            case 26 -> "0:D:.86";
            default -> chorus;
        };
    }
}
