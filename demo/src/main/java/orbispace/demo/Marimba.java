package orbispace.demo;

import java.util.ArrayList;
import java.util.List;
import orbispace.demo.HarbourScore.Stroke;

/** A marimba: three partials with their own decays, a detuned twin and a soft knock per stroke. */
final class Marimba {
    private static final double OUTPUT_DB = 0.8;
    private static final double[] RATIOS = {1, 3.98, 10.2};
    private static final double[] LEVELS = {1, 0.30, 0.16};
    private static final double[] RAMPS = {0.0035, 0.001, 0.001};

    private final Chance chance = new Chance(303);

    float[] play() {
        float[] out = new float[HarbourScore.FRAMES];
        for (Stroke stroke : strokes()) {
            String note =
                    HarbourScore.bar(stroke.bar(), 2).split(" ")[Integer.parseInt(stroke.what())];
            double start =
                    HarbourScore.slotSeconds(stroke.bar(), stroke.slot()) + chance.gaussian(0.005);
            double db = 0.8 * HarbourScore.sectionDb(stroke.bar()) + chance.gaussian(0.6);
            strike(out, start, Pitch.hz(note), stroke.velocity(), Math.pow(10, db / 20));
        }
        Shape.scale(out, Math.pow(10, OUTPUT_DB / 20));
        return out;
    }

    private void strike(float[] out, double start, double hz, double velocity, double level) {
        double gain = 0.17 * Math.pow(velocity, 1.25) * level;
        double corner = 2600 + 2600 * velocity;
        double[] decays = {1.55 * Math.sqrt(220 / hz), 0.30 * Math.pow(220 / hz, 0.3), 0.085};
        for (int m = 0; m < RATIOS.length; m++) {
            double f = hz * RATIOS[m] * Math.pow(2, chance.gaussian(2) / 1200);
            double a =
                    LEVELS[m]
                            * Math.exp(-Math.pow(f / corner, 1.5))
                            * (m == 0 ? 1 : Math.sqrt(velocity));
            partial(out, start, f, gain * a, decays[m], RAMPS[m]);
        }
        partial(out, start, 1.0014 * hz, gain * 0.09, 1.2 * decays[0], RAMPS[0]);
        knock(out, start, 0.16 * gain);
    }

    private static void partial(
            float[] out, double start, double hz, double gain, double t60, double ramp) {
        int from = (int) (start * Shape.RATE);
        int length = (int) (1.7 * t60 * Shape.RATE);
        double perFrame = Shape.decay(1 / Shape.RATE, t60);
        double level = gain;
        for (int i = 0; i < length && from + i < out.length; i++) {
            double t = i / Shape.RATE;
            out[from + i] +=
                    (float) (Math.min(1, t / ramp) * level * Math.sin(2 * Math.PI * hz * t));
            level *= perFrame;
        }
    }

    private void knock(float[] out, double start, double gain) {
        float[] noise = Shape.lowPass(chance.white(480), 1900, 1);
        int from = (int) (start * Shape.RATE);
        for (int i = 0; i < noise.length && from + i < out.length; i++) {
            out[from + i] += (float) (gain * noise[i] * Math.exp(-i / Shape.RATE / 0.0018));
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
        String intro = "0:0:.72 3:1:.58 6:2:.64 8:1:.56 11:3:.66 14:2:.58";
        return switch (bar) {
            case 1, 10 -> intro;
            case 2 -> intro + " 12:4:.62";
            case 3, 5, 7, 9 -> "0:0:.70 6:1:.58 11:2:.62";
            case 4, 6, 8 -> "0:0:.70 6:1:.60 10:3:.62 11:2:.58 12:4:.72 14:2:.60";
            case 14 -> "0:0:.86 2:2:.62 3:1:.68 6:3:.84 8:2:.70";
            case 15 -> "4:0:.58 10:3:.50";
            case 16, 17 -> "0:0:.60 6:1:.50 8:3:.55";
            case 18 -> "0:0:.60 6:1:.56 8:2:.60 11:3:.64 14:4:.70";
            case 24 -> "0:0:.90 2:2:.64 3:1:.70 6:3:.86 8:2:.70 9:1:.62 11:4:.76";
            case 25 -> "0:0:.60 8:2:.54";
            case 26 -> "0:0:.56 2:1:.50 4:2:.46 7:3:.42";
            default -> "0:0:.86 2:2:.62 3:1:.68 6:3:.84 8:2:.66 9:1:.60 11:3:.72 12:0:.78 14:2:.66";
        };
    }
}
