package orbispace.core.hearing;

/**
 * The constants and formulas of loudness and partial loudness on a set of 40 ear bands.
 *
 * <p>Excitation after Glasberg and Moore (1990) with one fixed, level-independent spreading matrix;
 * ear weight and internal noise after Terhardt (1979) in the split of ITU-R BS.1387; partial
 * loudness simplified from Moore, Glasberg and Baer (1997). Powers are in units of 20 uPa squared.
 * {@code docs/methods.md} gives the formulas, their accuracy and their limits.
 */
public final class HearingModel {
    /** Number of ear bands. */
    public static final int BANDS = 40;

    private static final double SCALE = 0.06285;
    private static final double MASKING = 0.5;
    private static final double COVER = 3;
    private static final double LOWEST_HZ = 50;
    private static final double HIGHEST_HZ = 15000;

    private static final double[] CENTRES = centres();
    private static final double BAND_STEP =
            (erbNumber(HIGHEST_HZ) - erbNumber(LOWEST_HZ)) / (BANDS - 1);
    private static final double[] INTERNAL_NOISE = internalNoise();
    private static final double[] QUIET_POWER = quietPower();

    private HearingModel() {}

    /** The band whose centre lies nearest to a frequency. */
    public static int bandAt(double hz) {
        double band = (erbNumber(hz) - erbNumber(LOWEST_HZ)) / BAND_STEP;
        return Math.clamp(Math.round(band), 0, BANDS - 1);
    }

    /** Centre of an ear band in Hz. */
    public static double centreHz(int band) {
        return CENTRES[band];
    }

    /** Position of a frequency on the ERB scale (Glasberg and Moore 1990). */
    public static double erbNumber(double hz) {
        return 21.4 * Math.log10(0.00437 * hz + 1);
    }

    /** Specific loudness in sones (per band, step included) of an excitation heard alone. */
    public static double loudness(int band, double excitation) {
        double a = 2 * INTERNAL_NOISE[band];
        return SCALE * BAND_STEP * (LoudnessPower.of(excitation + a) - QUIET_POWER[band]);
    }

    /** How far an excitation stands above its masked threshold: 0 (lost) to 1 (clear). */
    public static double audibility(int band, double excitation, double masker) {
        double r = excitation / (MASKING * masker + INTERNAL_NOISE[band]);
        double square = r * r;
        return square > 1e30 ? 1 : square / (1 + square);
    }

    /** Specific loudness in sones of an excitation heard beside a masker; 0 for none. */
    public static double partialLoudness(int band, double excitation, double masker) {
        if (excitation <= 0) {
            return 0;
        }
        return loudness(band, excitation)
                * excitation
                / (excitation + COVER * masker)
                * audibility(band, excitation, masker);
    }

    private static double[] centres() {
        double from = erbNumber(LOWEST_HZ);
        double step = (erbNumber(HIGHEST_HZ) - from) / (BANDS - 1);
        double[] hz = new double[BANDS];
        for (int b = 0; b < BANDS; b++) {
            hz[b] = (Math.pow(10, (from + b * step) / 21.4) - 1) / 0.00437;
        }
        return hz;
    }

    private static double[] internalNoise() {
        double[] noise = new double[BANDS];
        for (int b = 0; b < BANDS; b++) {
            noise[b] = Math.pow(10, 0.4 * 3.64 * Math.pow(CENTRES[b] / 1000, -0.8) / 10);
        }
        return noise;
    }

    private static double[] quietPower() {
        double[] quiet = new double[BANDS];
        for (int b = 0; b < BANDS; b++) {
            quiet[b] = LoudnessPower.of(2 * INTERNAL_NOISE[b]);
        }
        return quiet;
    }
}
