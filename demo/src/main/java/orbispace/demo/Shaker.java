package orbispace.demo;

/** A shaker: grains under a rising and falling stroke, between 4.7 and 11.5 kHz. */
final class Shaker {
    private static final double OUTPUT_DB = 5.9;
    private static final double LEAD_SECONDS = 0.004;

    private final Chance chance = new Chance(505);

    float[] play() {
        float[] grains = new float[HarbourScore.FRAMES];
        for (int bar = 1; bar <= 26; bar++) {
            String pattern = pattern(bar);
            for (int slot = 0; slot < pattern.length(); slot++) {
                char digit = pattern.charAt(slot);
                if (digit != '.') {
                    double db =
                            1.5 * (digit - '7')
                                    + 0.4 * HarbourScore.sectionDb(bar)
                                    + chance.gaussian(0.5);
                    double start = HarbourScore.slotSeconds(bar, slot) + chance.gaussian(0.004);
                    stroke(grains, start - LEAD_SECONDS, slot % 2 == 1, Math.pow(10, db / 20));
                }
            }
        }
        float[] out = new float[grains.length];
        Shape.add(out, Shape.bandPass(grains, 4700, 7000, 2), 1.3);
        Shape.add(out, Shape.bandPass(grains, 8000, 11500, 2), 0.9);
        float[] thin = Shape.highPass(out, 2600, 2);
        Shape.scale(thin, 0.062 * Math.pow(10, OUTPUT_DB / 20));
        return thin;
    }

    private void stroke(float[] out, double start, boolean odd, double level) {
        double attack = odd ? 0.013 : 0.009;
        double fall = odd ? 0.018 : 0.024;
        int from = (int) (start * Shape.RATE);
        int length = (int) ((attack + 9 * fall) * Shape.RATE);
        for (int i = 0; i < length && from + i < out.length; i++) {
            double t = i / Shape.RATE;
            double e = t < attack ? Math.pow(t / attack, 1.6) : Math.exp(-(t - attack) / fall);
            if (chance.uniform(0, 1) < 0.40 + 0.55 * e) {
                double sign = chance.uniform(-1, 1) < 0 ? -1 : 1;
                out[from + i] += (float) (level * e * sign * chance.uniform(0.5, 1));
            }
        }
    }

    private static String pattern(int bar) {
        return switch (bar) {
            case 2 -> "5.4.6.4.5.4.6.4.";
            case 3, 4, 5, 6, 7, 8, 9, 10 -> "6.4.7.4.6.4.7.5.";
            case 11, 12, 13, 19, 20, 21, 22, 23 -> "7384738573847385";
            case 14 -> "7384738.........";
            case 18 -> "........5.5.6.7.";
            case 24 -> "7384738573......";
            default -> "";
        };
    }
}
