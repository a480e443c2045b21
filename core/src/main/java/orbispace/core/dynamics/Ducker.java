package orbispace.core.dynamics;

import orbispace.core.audio.Decibels;
import orbispace.core.signal.Biquad;
import org.jspecify.annotations.Nullable;

/**
 * Turns a return down while a key sounds: a feed-forward ducker that smooths in the log domain
 * (Giannoulis, Massberg and Reiss 2012).
 *
 * <p>A change of settings glides with attack and release. Off is a range of nothing.
 */
public final class Ducker extends ControlGain {
    private final double sampleRateHz;
    private @Nullable DuckerSettings settings;
    private double attack;
    private double release;
    private int holdSteps;
    private double reductionDb;
    private int held;
    private final BandGain band = new BandGain();

    /** A ducker at rest; null settings leave the sound alone. */
    public Ducker(@Nullable DuckerSettings settings, double sampleRateHz) {
        super(1);
        this.sampleRateHz = sampleRateHz;
        apply(settings, section(settings, sampleRateHz));
    }

    /** The section that passes the band of settings; null for everything. */
    public static @Nullable Biquad section(@Nullable DuckerSettings settings, double rate) {
        DuckBand band = settings == null ? null : settings.band();
        return band == null ? null : band.section(rate);
    }

    /**
     * Takes new settings, smoothly.
     *
     * @param part their {@link #section}, worked out before
     */
    public void apply(@Nullable DuckerSettings given, @Nullable Biquad part) {
        settings = given;
        if (given != null) {
            attack = coefficient(given.attackSeconds());
            release = coefficient(given.releaseSeconds());
            holdSteps = (int) Math.round(given.holdSeconds() * sampleRateHz / KeyPeaks.STEP);
            band.apply(part);
        }
    }

    @Override
    void work(float[] left, float[] right, int at, int n) {
        if (band.isEverything()) {
            super.work(left, right, at, n);
        } else {
            band.process(gains, left, right, at, n);
        }
    }

    private double coefficient(double seconds) {
        return -Math.expm1(-KeyPeaks.STEP / (seconds * sampleRateHz));
    }

    @Override
    double next(float levelDb) {
        double wanted = settings == null ? 0 : settings.curve().reductionDb(levelDb);
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
        return Decibels.toAmplitude(-reductionDb);
    }

    @Override
    boolean off() {
        return settings == null;
    }

    /** The gain reduction that stands now, in dB, 0 or more. */
    public double reductionDb() {
        return reductionDb;
    }

    /** Forgets the key. */
    public void reset() {
        reductionDb = 0;
        held = 0;
        band.reset();
        rest();
    }
}
