package orbispace.core.measure;

import orbispace.core.audio.Audio;

/**
 * An exponential sine sweep (Farina 2000) from {@link #FROM_HZ} to half the sample rate, with
 * silence after it in which a unit may ring out: {@code sin(2 pi f1 L (e^(t/L) - 1))} with {@code L
 * = T / ln(f2/f1)}. Harmonics of order n come {@code L ln n} seconds before the linear response.
 * Played twice, the time between its two answers tells how far two clocks run apart, whatever the
 * unit does to a sound.
 *
 * @param sampleRateHz its rate
 * @param seconds length of the sweep itself, 1 to 60
 * @param times how often it is played, 1 or 2
 */
public record Sweep(double sampleRateHz, double seconds, int times) {
    /** Where it begins. */
    public static final double FROM_HZ = 10;

    /** Silence after it. */
    public static final double TAIL_SECONDS = 6;

    private static final double LEVEL = 0.5;
    private static final double FADE_IN_SECONDS = 0.05;
    private static final double FADE_OUT_SECONDS = 0.0005;
    private static final double SAME_WITHIN = 1e-3;
    private static final double STRAY = 0.01;

    /** Checks the ranges. */
    public Sweep {
        if (!(seconds >= 1 && seconds <= 60)) {
            throw new IllegalArgumentException("a sweep lasts 1 to 60 s, not " + seconds);
        }
        if (!(sampleRateHz >= 8000 && sampleRateHz <= 384000)) {
            throw new IllegalArgumentException(
                    "a sweep has a rate of 8,000 to 384,000 Hz, not " + sampleRateHz);
        }
        if (times < 1 || times > 2) {
            throw new IllegalArgumentException("a sweep is played once or twice, not " + times);
        }
    }

    /** A sweep that is played twice, each time with its silence. */
    public Sweep(double sampleRateHz, double seconds) {
        this(sampleRateHz, seconds, 2);
    }

    /**
     * The sweep that a sound was made of, by its length and by whether its halves are the same.
     *
     * @throws IllegalArgumentException if it is too short or too long to be one, or another sound
     */
    public static Sweep of(Audio sound) {
        int times = repeats(sound.channel(0)) ? 2 : 1;
        double each = sound.seconds() / times - TAIL_SECONDS;
        Sweep sweep = new Sweep(sound.sampleRateHz(), Math.rint(1000 * each) / 1000, times);
        sweep.gainOf(sound);
        return sweep;
    }

    private static boolean repeats(float[] x) {
        int half = x.length / 2;
        boolean same = x.length % 2 == 0;
        for (int i = 0; same && i < half; i++) {
            same = Math.abs(x[i] - x[half + i]) < SAME_WITHIN;
        }
        return same;
    }

    /**
     * How much louder a sound is than the sweep as it is written, as an amplitude factor.
     *
     * @throws IllegalArgumentException if it is another sound
     */
    double gainOf(Audio sound) {
        float[] x = sound.channel(0);
        float[] own = audio().channel(0);
        double both = 0;
        double power = 0;
        double all = 0;
        for (int i = 0; i < Math.min(x.length, own.length); i++) {
            both += (double) x[i] * own[i];
            power += (double) own[i] * own[i];
            all += (double) x[i] * x[i];
        }
        double gain = both / power;
        if (Math.abs(gain) < SAME_WITHIN || all - gain * both > STRAY * all) {
            throw new IllegalArgumentException("its sound is another");
        }
        return gain;
    }

    /** Where it ends. */
    public double toHz() {
        return sampleRateHz / 2;
    }

    /** The time in which its frequency grows e-fold. */
    private double growthSeconds() {
        return seconds / Math.log(toHz() / FROM_HZ);
    }

    /** How long before the linear response a harmonic comes. */
    double harmonicSeconds(int order) {
        return growthSeconds() * Math.log(order);
    }

    /** Frames from the beginning of a sweep to that of the next one. */
    int period() {
        return (int) Math.round(seconds * sampleRateHz)
                + (int) Math.round(TAIL_SECONDS * sampleRateHz);
    }

    /** Its sound at a time of its own, 0 outside it. */
    double at(double t) {
        if (t < 0 || t >= seconds) {
            return 0;
        }
        double growth = growthSeconds();
        double phase = 2 * Math.PI * FROM_HZ * growth * Math.expm1(t / growth);
        double in = Math.min(1, t / FADE_IN_SECONDS);
        double out = Math.min(1, (seconds - t) / FADE_OUT_SECONDS);
        double fade = Math.sin(Math.PI / 2 * in) * Math.sin(Math.PI / 2 * out);
        return LEVEL * fade * fade * Math.sin(phase);
    }

    /** The sound to play, mono, with its silence. */
    public Audio audio() {
        int n = (int) Math.round(seconds * sampleRateHz);
        float[] x = new float[times * period()];
        for (int i = 0; i < n; i++) {
            float value = (float) at(i / sampleRateHz);
            for (int k = 0; k < times; k++) {
                x[k * period() + i] = value;
            }
        }
        return Audio.of(sampleRateHz, x);
    }
}
