package orbispace.core.signal;

/**
 * A second-order section {@code (b0 + b1 z^-1 + b2 z^-2) / (1 + a1 z^-1 + a2 z^-2)}.
 *
 * @param b0 feed-forward
 * @param b1 feed-forward
 * @param b2 feed-forward
 * @param a1 feedback
 * @param a2 feedback
 */
public record Biquad(double b0, double b1, double b2, double a1, double a2) {
    /** Passes everything. */
    public static final Biquad IDENTITY = new Biquad(1, 0, 0, 0, 0);

    /** Magnitude in dB at a frequency. */
    public double magnitudeDb(double hz, double sampleRateHz) {
        double w = 2 * Math.PI * hz / sampleRateHz;
        double c1 = Math.cos(w);
        double s1 = Math.sin(w);
        double c2 = Math.cos(2 * w);
        double s2 = Math.sin(2 * w);
        double nr = b0 + b1 * c1 + b2 * c2;
        double ni = b1 * s1 + b2 * s2;
        double dr = 1 + a1 * c1 + a2 * c2;
        double di = a1 * s1 + a2 * s2;
        return 10 * Math.log10((nr * nr + ni * ni) / (dr * dr + di * di));
    }

    /** The same section with its output scaled. */
    public Biquad scaled(double gain) {
        return new Biquad(b0 * gain, b1 * gain, b2 * gain, a1, a2);
    }
}
