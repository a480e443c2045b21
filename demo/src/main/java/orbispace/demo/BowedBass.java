package orbispace.demo;

import java.util.ArrayList;
import java.util.List;
import orbispace.core.signal.Biquad;
import orbispace.core.signal.FilterDesign;

/**
 * A bowed bass: two wavetables under the bow's pressure, bow noise, a wooden body, and a DC offset.
 */
final class BowedBass {
    private static final double OUTPUT_DB = -4.8;
    private static final double OFFSET = 0.0100;

    private final Chance chance = new Chance(606);

    float[] play() {
        float[] out = new float[HarbourScore.FRAMES];
        for (int bar = 1; bar <= 26; bar++) {
            for (String event : HarbourScore.bar(bar, 3).split(";")) {
                String[] p = event.split(" ");
                double beat = HarbourScore.beat(bar, Double.parseDouble(p[0]));
                double start = HarbourScore.seconds(beat) - 0.020 + chance.gaussian(0.008);
                double end = HarbourScore.seconds(beat + Double.parseDouble(p[1])) - 0.05;
                double level = Math.pow(10, 0.6 * HarbourScore.sectionDb(bar) / 20);
                bow(out, Math.max(0, start), end, Pitch.hz(p[2]), level);
            }
        }
        float[] body = Shape.filtered(out, body());
        Shape.scale(body, 0.075 * Math.pow(10, OUTPUT_DB / 20));
        Shape.addFloor(body, chance, -84);
        for (int i = 0; i < body.length; i++) {
            body[i] += (float) OFFSET;
        }
        return body;
    }

    private void bow(float[] out, double start, double end, double hz, double level) {
        int partials = (int) (3000 / hz);
        Wavetable full = new Wavetable(partials, BowedBass::amplitude, k -> 0.15 * k * k);
        Wavetable soft =
                new Wavetable(
                        partials, k -> amplitude(k) * Math.exp(-0.28 * (k - 1)), k -> 0.15 * k * k);
        Chance.Wander swell = chance.wander(3, end - start + 1);
        Chance.Wander drift = chance.wander(3, end - start + 1);
        int from = (int) (start * Shape.RATE);
        int to = Math.min(out.length, (int) ((end + 0.45) * Shape.RATE));
        float[] noise = chance.white(Math.max(0, to - from));
        double turns = 0;
        for (int i = from; i < to; i++) {
            double t = i / Shape.RATE - start;
            double e = envelope(t, end - start) * (1 + 0.05 * swell.at(t));
            double vibrato =
                    7 * Math.clamp((t - 0.6) / 0.3, 0, 1) * Math.sin(2 * Math.PI * 4.7 * t);
            double cents = -14 * Math.exp(-t / 0.05) + vibrato + 2.5 * drift.at(t);
            turns += hz * Math.exp(cents * Math.log(2) / 1200) / Shape.RATE;
            double mix = Math.clamp(0.85 * e - 0.1, 0, 1);
            double x = soft.at(turns) + mix * (full.at(turns) - soft.at(turns));
            double saw = turns - Math.floor(turns);
            double bow =
                    0.055
                            * noise[i - from]
                            * (0.25 + 0.75 * Math.exp(-saw / 0.18))
                            * (1 + 1.6 * Math.exp(-t / 0.07));
            out[i] += (float) (level * e * (x + bow));
        }
    }

    private static double amplitude(int k) {
        double x = 0.13 * Math.PI * k;
        return Math.abs(Math.sin(x)) / (k * Math.pow(x, 0.35));
    }

    private static double envelope(double t, double length) {
        double arc = Shape.through(t / length, 0, .82, .45, 1, 1, .80);
        double rise = Shape.raisedCosine(t / 0.130);
        return rise * arc * (t > length ? Math.exp(-(t - length) / 0.055) : 1);
    }

    private static List<Biquad> body() {
        List<Biquad> body = new ArrayList<>();
        double[][] bells = {{62, 3, 2.5}, {102, 4, 3}, {165, 3, 3}, {250, 2, 2}, {720, 3, 1.2}};
        for (double[] b : bells) {
            body.add(FilterDesign.bell(b[0], b[1], b[2], Shape.RATE));
        }
        body.addAll(FilterDesign.lowPass(2300, 2, Shape.RATE));
        body.addAll(FilterDesign.highPass(34, 2, Shape.RATE));
        return body;
    }
}
