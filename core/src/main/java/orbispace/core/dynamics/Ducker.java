package orbispace.core.dynamics;

import orbispace.core.audio.Decibels;
import org.jspecify.annotations.Nullable;

/**
 * Turns a return down while a key sounds: a feed-forward ducker that smooths in the log domain
 * (Giannoulis, Massberg and Reiss 2012).
 *
 * <p>The key's peak is taken over {@link #STEP} frames, the gain is computed once per step and
 * joined by straight lines, so it reaches the sound one step late (0.3 ms at 48 kHz). A change of
 * settings glides with attack and release. Off is a range of nothing.
 */
public final class Ducker {
    /** Frames between two computed gains. */
    public static final int STEP = 16;

    private final double sampleRateHz;
    private @Nullable DuckerSettings settings;
    private double attack;
    private double release;
    private int holdSteps;
    private double reductionDb;
    private int held;
    private float peak;
    private int phase;
    private float gain = 1;
    private float slope;

    /** A ducker at rest; null settings leave the sound alone. */
    public Ducker(@Nullable DuckerSettings settings, double sampleRateHz) {
        this.sampleRateHz = sampleRateHz;
        apply(settings);
    }

    /** Takes new settings, smoothly. */
    public void apply(@Nullable DuckerSettings given) {
        settings = given;
        if (given != null) {
            attack = coefficient(given.attackSeconds());
            release = coefficient(given.releaseSeconds());
            holdSteps = (int) Math.round(given.holdSeconds() * sampleRateHz / STEP);
        }
    }

    private double coefficient(double seconds) {
        return -Math.expm1(-STEP / (seconds * sampleRateHz));
    }

    /**
     * Ducks frames {@code from} to before {@code to} of both channels by the key at the same place.
     */
    public void process(float[] key, float[] left, float[] right, int from, int to) {
        for (int i = from; i < to; i++) {
            peak = Math.max(peak, Math.abs(key[i]));
            gain += slope;
            left[i] *= gain;
            right[i] *= gain;
            if (++phase == STEP) {
                step();
            }
        }
    }

    private void step() {
        double wanted =
                settings == null ? 0 : settings.curve().reductionDb(Decibels.ofAmplitude(peak));
        if (wanted >= reductionDb) {
            reductionDb += (settings == null ? 1 : attack) * (wanted - reductionDb);
            held = holdSteps;
        } else if (held > 0) {
            held--;
        } else {
            reductionDb += release * (wanted - reductionDb);
        }
        if (reductionDb < 1e-6) {
            reductionDb = 0;
        }
        double target = Decibels.toAmplitude(-reductionDb);
        slope = (float) ((target - gain) / STEP);
        if (Math.abs(target - gain) < 1e-7) {
            gain = (float) target;
            slope = 0;
        }
        peak = 0;
        phase = 0;
    }

    /** The gain reduction that stands now, in dB, 0 or more. */
    public double reductionDb() {
        return reductionDb;
    }

    /** Forgets the key. */
    public void reset() {
        reductionDb = 0;
        held = 0;
        peak = 0;
        phase = 0;
        gain = 1;
        slope = 0;
    }
}
