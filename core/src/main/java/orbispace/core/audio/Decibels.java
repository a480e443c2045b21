package orbispace.core.audio;

/** The one place where decibels become factors and back. */
public final class Decibels {
    private Decibels() {}

    /** Amplitude factor of a level in dB; any finite or negative infinite value. */
    public static double toAmplitude(double levelDb) {
        return Math.pow(10, levelDb / 20);
    }

    /** Power factor of a level in dB. */
    public static double toPower(double levelDb) {
        return Math.pow(10, levelDb / 10);
    }

    /** Level in dB of an amplitude; negative infinity for zero. */
    public static double ofAmplitude(double amplitude) {
        return 20 * Math.log10(Math.abs(amplitude));
    }

    /** Level in dB of a power; negative infinity for zero. */
    public static double ofPower(double power) {
        return 10 * Math.log10(power);
    }
}
