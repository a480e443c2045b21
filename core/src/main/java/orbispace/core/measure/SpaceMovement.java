package orbispace.core.measure;

import java.util.List;
import orbispace.core.space.EngineSettings;

/**
 * How a space moves what is held: tones of 110 Hz to 3 kHz, each for eight seconds after the tail
 * has settled, demodulated at their own frequency.
 *
 * @param cents the most that a tone goes off its pitch
 * @param swellDb standard deviation of the level of the tone that swells most
 * @param sidebandDb what lies 0.2 to 20 Hz beside the tone, re the tone, the most
 */
public record SpaceMovement(double cents, double swellDb, double sidebandDb) {
    /** The tones. */
    public static final List<Double> TONES_HZ = List.of(110.0, 277.0, 700.0, 1400.0, 3000.0);

    private static final double HELD_SECONDS = 8;
    private static final double CELL_SECONDS = 0.05;
    private static final double LEAST_HZ = 0.2;

    /** Measures a space that settles within so many seconds. */
    public static SpaceMovement of(EngineSettings settings, double settled, double rate) {
        return TONES_HZ.stream()
                .map(hz -> of(settings, settled, rate, hz))
                .reduce((a, b) ->
                        new SpaceMovement(
                                Math.max(a.cents, b.cents),
                                Math.max(a.swellDb, b.swellDb),
                                Math.max(a.sidebandDb, b.sidebandDb)))
                .orElseThrow();
    }

    private static SpaceMovement of(
            EngineSettings settings, double settled, double rate, double hz) {
        int from = (int) (settled * rate);
        float[] left = new float[from + (int) (HELD_SECONDS * rate)];
        for (int i = 0; i < left.length; i++) {
            left[i] = (float) Math.sin(2 * Math.PI * hz * i / rate);
        }
        float[] right = left.clone();
        SpaceAnswer.replace(settings, rate, left, right);
        return of(left, from, rate, hz);
    }

    /**
     * Looks at a tone.
     *
     * @param x the sound
     * @param from its first frame that counts
     */
    static SpaceMovement of(float[] x, int from, double rate, double hz) {
        // Cells of whole periods, so that what is twice the tone leaves nothing.
        int cell = (int) Math.round(Math.ceil(CELL_SECONDS * hz) / hz * rate);
        int cells = (x.length - from) / cell;
        double[] re = new double[cells];
        double[] im = new double[cells];
        for (int c = 0; c < cells; c++) {
            for (int k = 0; k < cell; k++) {
                int i = from + c * cell + k;
                double turn = 2 * Math.PI * hz * i / rate;
                re[c] += x[i] * Math.cos(turn);
                im[c] -= x[i] * Math.sin(turn);
            }
        }
        double off = 0;
        double sum = 0;
        double squares = 0;
        for (int c = 0; c < cells; c++) {
            double db = 10 * Math.log10(re[c] * re[c] + im[c] * im[c] + 1e-30);
            sum += db;
            squares += db * db;
            if (c > 0) {
                double turned =
                        Math.IEEEremainder(
                                Math.atan2(im[c], re[c]) - Math.atan2(im[c - 1], re[c - 1]),
                                2 * Math.PI);
                off = Math.max(off, Math.abs(turned) * rate / cell / (2 * Math.PI));
            }
        }
        double swell = Math.sqrt(Math.max(0, squares / cells - sum / cells * sum / cells));
        double cents = 1200 * Math.log(1 + off / hz) / Math.log(2);
        return new SpaceMovement(cents, swell, sidebandDb(re, im, rate / cell));
    }

    /** A Fourier sum over the cells with a Hann window; they reach to 10 Hz on both sides. */
    private static double sidebandDb(double[] re, double[] im, double cellsPerSecond) {
        int n = re.length;
        double tone = 0;
        double beside = 1e-30;
        for (int k = -n / 2; k < n / 2; k++) {
            double a = 0;
            double b = 0;
            for (int c = 0; c < n; c++) {
                double w = 0.5 - 0.5 * Math.cos(2 * Math.PI * (c + 0.5) / n);
                double turn = -2 * Math.PI * k * c / n;
                a += w * (re[c] * Math.cos(turn) - im[c] * Math.sin(turn));
                b += w * (re[c] * Math.sin(turn) + im[c] * Math.cos(turn));
            }
            double power = a * a + b * b;
            if (Math.abs(k) * cellsPerSecond / n <= LEAST_HZ) {
                tone += power;
            } else {
                beside += power;
            }
        }
        return 10 * Math.log10(beside / Math.max(1e-30, tone));
    }
}
