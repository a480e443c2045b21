package orbispace.core.measure;

import orbispace.core.audio.Decibels;

/**
 * An energy decay curve in steps of one millisecond.
 *
 * <p>A level at a time says how far the energy that is still to come lies under all of it.
 */
public final class DecayCurve {
    private final float[] levelsDb;
    private final double onsetSeconds;
    private final double energyDb;

    private DecayCurve(float[] levelsDb, double onsetSeconds, double energyDb) {
        this.levelsDb = levelsDb;
        this.onsetSeconds = onsetSeconds;
        this.energyDb = energyDb;
    }

    static DecayCurve of(
            EnergyDecay decay, double onsetSeconds, double sampleRateHz, double energy) {
        int count = (int) (decay.frames() / sampleRateHz * 1000);
        float[] levels = new float[count];
        for (int i = 0; i < count; i++) {
            levels[i] = (float) decay.levelDb((int) (i * sampleRateHz / 1000));
        }
        return new DecayCurve(levels, onsetSeconds, Decibels.ofPower(energy));
    }

    /** When the response begins, in seconds after the dry sound. */
    public double onsetSeconds() {
        return onsetSeconds;
    }

    /** All energy of the response re a dry impulse of 1, in dB. */
    public double energyDb() {
        return energyDb;
    }

    /** Level in dB, 0 at the onset and before, at a time after the dry sound. */
    public double levelDbAt(double seconds) {
        int i = (int) Math.floor((seconds - onsetSeconds) * 1000);
        if (i < 0) {
            return 0;
        }
        return i >= levelsDb.length ? Double.NEGATIVE_INFINITY : levelsDb[i];
    }

    /** The first time at which the level is at or below a value; the curve's end if it never is. */
    public double secondsAt(double levelDb) {
        for (int i = 0; i < levelsDb.length; i++) {
            if (levelsDb[i] <= levelDb) {
                return onsetSeconds + i / 1000.0;
            }
        }
        return onsetSeconds + levelsDb.length / 1000.0;
    }
}
