package orbispace.core.dynamics;

import orbispace.core.audio.Decibels;
import org.jspecify.annotations.Nullable;

/**
 * Lets sound pass while its key sounds, or for a set time after each hit of the key.
 *
 * <p>It opens along a straight line of amplitude and closes along one of level. A timed gate opens
 * anew with a hit of which the key's level rises by 9 dB, or by the hysteresis if that is more, or
 * comes back from under the closing level. The key's level is that of its peaks, falling by at most
 * 350 dB a second, so that it does not follow each wave. Null settings let everything pass.
 */
public final class Gate extends ControlGain {
    private static final double LEAST_RISE_DB = 9;
    private static final double SILENT_DB = 100;
    private static final double SILENT = Decibels.toAmplitude(-SILENT_DB);
    private static final double FALL_DB_PER_SECOND = 350;

    private final double sampleRateHz;
    private @Nullable GateSettings settings;
    private double opening;
    private double closing;
    private double floor;
    private int holdSteps;
    private double gain;
    private int held;
    private boolean open;
    private boolean armed = true;
    private double levelDb = -200;
    private double lowestDb = -200;

    /** A closed gate; null settings let everything pass. */
    public Gate(@Nullable GateSettings settings, double sampleRateHz) {
        super(settings == null ? 1 : (float) floor(settings));
        this.sampleRateHz = sampleRateHz;
        apply(settings);
        reset();
    }

    private static double floor(GateSettings s) {
        return s.rangeDb() >= SILENT_DB ? 0 : Decibels.toAmplitude(-s.rangeDb());
    }

    /** Takes new settings, smoothly. */
    public void apply(@Nullable GateSettings given) {
        settings = given;
        if (given != null) {
            double step = KeyPeaks.STEP / sampleRateHz;
            opening = Math.min(1, step / given.attackSeconds());
            closing = Decibels.toAmplitude(-40 * step / given.releaseSeconds());
            double hold = given.holdSeconds() + (given.timed() ? given.attackSeconds() : 0);
            holdSteps = (int) Math.round(hold / step);
            floor = floor(given);
        }
    }

    @Override
    double next(float keyDb) {
        GateSettings s = settings;
        if (s == null) {
            gain = Math.min(1, gain + 1.0 / 64);
            return gain;
        }
        double fallen = levelDb - FALL_DB_PER_SECOND * KeyPeaks.STEP / sampleRateHz;
        levelDb = Math.max(fallen, keyDb);
        lowestDb = Math.min(lowestDb, levelDb);
        boolean over = levelDb > s.thresholdDb();
        boolean under = levelDb < s.thresholdDb() - s.hysteresisDb();
        armed |= under;
        if (over && (!s.timed() || armed || hasRisen(s))) {
            open = true;
            armed = false;
            held = holdSteps;
            lowestDb = levelDb;
        } else if (open && (s.timed() || under)) {
            open = held-- > 0;
        }
        return move();
    }

    private boolean hasRisen(GateSettings s) {
        return levelDb > lowestDb + Math.max(LEAST_RISE_DB, s.hysteresisDb());
    }

    private double move() {
        if (open) {
            gain = Math.min(1, gain + opening * (1 - floor));
        } else {
            gain *= closing;
            gain = gain < SILENT ? floor : Math.max(floor, gain);
        }
        return gain;
    }

    @Override
    boolean off() {
        return settings == null;
    }

    /** Closes and forgets the key. */
    public void reset() {
        open = false;
        held = 0;
        gain = settings == null ? 1 : floor;
        armed = true;
        levelDb = -200;
        lowestDb = -200;
        rest();
    }
}
