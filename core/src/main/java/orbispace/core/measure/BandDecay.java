package orbispace.core.measure;

/**
 * The decay of one band of an impulse response after ISO 3382-1.
 *
 * @param centreHz centre of the octave, 0 for broadband
 * @param early early decay time, 0 to -10 dB
 * @param t20 from -5 to -25 dB
 * @param t30 from -5 to -35 dB
 * @param clarity50Db energy up to 50 ms over the energy after
 * @param clarity80Db energy up to 80 ms over the energy after
 * @param definition50 share of the energy up to 50 ms
 * @param centreSeconds centre of gravity of the energy
 */
public record BandDecay(
        double centreHz,
        DecayTime early,
        DecayTime t20,
        DecayTime t30,
        double clarity50Db,
        double clarity80Db,
        double definition50,
        double centreSeconds) {

    /** The octave's centre as ISO 266 names it: 63 for 62.5 Hz, otherwise itself. */
    public double nominalHz() {
        return Math.ceil(centreHz);
    }

    /** True if T20 and T30 could be measured and chance moves neither by more than 3 percent. */
    public boolean reliable() {
        return isReliable(t20) && isReliable(t30);
    }

    private static boolean isReliable(DecayTime time) {
        return switch (time) {
            case DecayTime.Measured m -> true;
            case DecayTime.NotSure(double s, DecayTime.Doubt doubt) ->
                    doubt == DecayTime.Doubt.SLIGHT;
            case DecayTime.TooNoisy n -> false;
            case DecayTime.TooShort t -> false;
        };
    }
}
