package orbispace.core.measure;

import orbispace.core.audio.Audio;

/**
 * An exponential sine sweep (Farina 2000) from {@link #FROM_HZ} to half the sample rate, with
 * silence after it in which a unit may ring out: {@code sin(2 pi f1 L (e^(t/L) - 1))} with {@code L
 * = T / ln(f2/f1)}. Harmonics of order n come {@code L ln n} seconds before the linear response.
 *
 * @param sampleRateHz its rate
 * @param seconds length of the sweep itself, 1 to 60
 */
public record Sweep(double sampleRateHz, double seconds) {
    /** Where it begins. */
    public static final double FROM_HZ = 10;

    /** Silence after it. */
    public static final double TAIL_SECONDS = 6;

    private static final double LEVEL = 0.5;
    private static final double FADE_IN_SECONDS = 0.05;
    private static final double FADE_OUT_SECONDS = 0.0005;

    /** Checks the ranges. */
    public Sweep {
        if (!(seconds >= 1 && seconds <= 60)) {
            throw new IllegalArgumentException("a sweep lasts 1 to 60 s, not " + seconds);
        }
        if (!(sampleRateHz >= 8000 && sampleRateHz <= 384000)) {
            throw new IllegalArgumentException(
                    "a sweep has a rate of 8,000 to 384,000 Hz, not " + sampleRateHz);
        }
    }

    /**
     * The sweep that a sound was made of, by its length.
     *
     * @throws IllegalArgumentException if it is too short or too long to be one
     */
    public static Sweep of(Audio sound) {
        return new Sweep(
                sound.sampleRateHz(), Math.rint(1000 * (sound.seconds() - TAIL_SECONDS)) / 1000);
    }

    /** Where it ends. */
    public double toHz() {
        return sampleRateHz / 2;
    }

    /** The time in which its frequency grows e-fold. */
    double growthSeconds() {
        return seconds / Math.log(toHz() / FROM_HZ);
    }

    /** How long before the linear response a harmonic comes. */
    double harmonicSeconds(int order) {
        return growthSeconds() * Math.log(order);
    }

    /** The sound to play, mono, with its silence. */
    public Audio audio() {
        int n = (int) Math.round(seconds * sampleRateHz);
        float[] x = new float[n + (int) Math.round(TAIL_SECONDS * sampleRateHz)];
        double growth = growthSeconds();
        for (int i = 0; i < n; i++) {
            double t = i / sampleRateHz;
            double phase = 2 * Math.PI * FROM_HZ * growth * Math.expm1(t / growth);
            double in = Math.min(1, t / FADE_IN_SECONDS);
            double out = Math.min(1, (seconds - t) / FADE_OUT_SECONDS);
            double fade = Math.sin(Math.PI / 2 * in) * Math.sin(Math.PI / 2 * out);
            x[i] = (float) (LEVEL * fade * fade * Math.sin(phase));
        }
        return Audio.of(sampleRateHz, x);
    }
}
