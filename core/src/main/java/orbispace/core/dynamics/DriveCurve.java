package orbispace.core.dynamics;

import java.util.ArrayList;
import java.util.List;
import orbispace.core.audio.Decibels;
import orbispace.core.signal.SoftCurve;

/** How a drive bends: a curve of slope 1 or nearly so at rest that stays within 1. */
public enum DriveCurve {
    /** Evenly to both sides and ever more: odd harmonics that fall off fast. */
    SOFT("soft"),
    /** More to one side than to the other: even harmonics as well. */
    ASYMMETRIC("asymmetric"),
    /** Not at all and then at once: odd harmonics that fall off slowly. */
    HARD("hard");

    private static final int PERIOD = 256;
    private static final float LEAN = 0.5f;
    private static final float LEANT = SoftCurve.of(LEAN);
    private static final float KNEE_FROM = 0.8f;
    private static final float KNEE_TO = 1.2f;
    private static final float KNEE = 2 * (KNEE_TO - KNEE_FROM);

    /** Level of the sine by which drives are compared. */
    private static final double REFERENCE = Decibels.toAmplitude(-15);

    private final String label;

    DriveCurve(String label) {
        this.label = label;
    }

    /** Its name. */
    public String label() {
        return label;
    }

    /** The curve. */
    public float of(float x) {
        return switch (this) {
            case SOFT -> SoftCurve.of(x);
            case ASYMMETRIC -> SoftCurve.of(x + LEAN) - LEANT;
            case HARD -> hard(x);
        };
    }

    /** Straight to a short knee, and flat from there on. */
    private static float hard(float x) {
        float size = Math.abs(x);
        if (size <= KNEE_FROM) {
            return x;
        }
        float over = size - KNEE_FROM;
        float y = size >= KNEE_TO ? 1 : size - over * over / KNEE;
        return x < 0 ? -y : y;
    }

    /** Whether what it makes of a sound may have a constant in it. */
    boolean leans() {
        return this == ASYMMETRIC;
    }

    /** The factor that makes a sine of -15 dBFS as loud as it was. */
    double compensation(double gain) {
        double mean = 0;
        for (int i = 0; i < PERIOD; i++) {
            mean += bent(gain, i) / PERIOD;
        }
        double in = 0;
        double out = 0;
        for (int i = 0; i < PERIOD; i++) {
            double x = REFERENCE * Math.sin(2 * Math.PI * i / PERIOD);
            double y = bent(gain, i) - mean;
            in += x * x;
            out += y * y;
        }
        return Math.sqrt(in / out);
    }

    private double bent(double gain, int i) {
        return of((float) (gain * REFERENCE * Math.sin(2 * Math.PI * i / PERIOD)));
    }

    /**
     * Levels of the second harmonic and those above it over the first, in dB, of a sine of -15 dBFS
     * driven by so many dB; -120 at least.
     */
    public List<Double> harmonicsDb(double driveDb, int count) {
        double gain = Decibels.toAmplitude(driveDb);
        double first = harmonic(gain, 1);
        List<Double> levels = new ArrayList<>();
        for (int h = 2; h < 2 + count; h++) {
            levels.add(Math.max(-120, Decibels.ofAmplitude(harmonic(gain, h) / first)));
        }
        return levels;
    }

    private double harmonic(double gain, int number) {
        double re = 0;
        double im = 0;
        for (int i = 0; i < PERIOD; i++) {
            double turn = 2 * Math.PI * number * i / PERIOD;
            re += bent(gain, i) * Math.cos(turn);
            im += bent(gain, i) * Math.sin(turn);
        }
        return Math.hypot(re, im);
    }
}
