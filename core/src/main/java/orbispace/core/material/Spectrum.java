package orbispace.core.material;

import java.util.Arrays;
import java.util.List;
import orbispace.core.audio.Audio;
import orbispace.core.audio.Decibels;
import orbispace.core.signal.WindowedSpectrum;

/**
 * The long-term spectrum of a stem in third octaves, base ten (IEC 61260), 25 Hz to 20 kHz.
 *
 * @param levelsDb mean square per band in dBFS, lowest band first; negative infinity for none
 */
public record Spectrum(List<Double> levelsDb) {
    private static final int LENGTH = 16384;
    private static final int MOST_WINDOWS = 255;
    private static final int LOWEST = -16;

    /** Number of bands. */
    public static final int BANDS = 30;

    /** Keeps its own list. */
    public Spectrum {
        levelsDb = List.copyOf(levelsDb);
    }

    /** Centre frequency of a band. */
    public static double centreHz(int band) {
        return 1000 * Math.pow(10, (band + LOWEST) / 10.0);
    }

    /**
     * Measures a stem by Hann-windowed spectra, averaged over at most 256 windows that are spread
     * evenly; both channels are added by power.
     */
    public static Spectrum of(Audio audio) {
        double[] power = new double[BANDS];
        WindowedSpectrum part = WindowedSpectrum.hann(LENGTH);
        int[] bands = bands(audio.sampleRateHz());
        int count = 0;
        int last = Math.max(0, audio.frames() - LENGTH);
        int step = Math.max(LENGTH / 2, last / MOST_WINDOWS);
        for (int start = 0; start <= last; start += step) {
            for (int c = 0; c < audio.channelCount(); c++) {
                part.take(audio.channel(c), start);
                addBands(part, bands, power);
            }
            count++;
        }
        // A bin pair holds 2 |X|^2 / N^2 of mean square; the window keeps 3/8 of it.
        double scale = 2 / (0.375 * (double) LENGTH * LENGTH * count);
        return new Spectrum(
                Arrays.stream(power).mapToObj(p -> Decibels.ofPower(p * scale)).toList());
    }

    /** The band of each bin; -1 for none. */
    private static int[] bands(double rate) {
        int[] bands = new int[LENGTH / 2];
        for (int k = 0; k < bands.length; k++) {
            int band =
                    k == 0
                            ? -1
                            : (int) Math.round(10 * Math.log10(k * rate / LENGTH / 1000)) - LOWEST;
            bands[k] = band < BANDS ? Math.max(-1, band) : -1;
        }
        return bands;
    }

    private static void addBands(WindowedSpectrum part, int[] bands, double[] power) {
        for (int k = 1; k < LENGTH / 2; k++) {
            if (bands[k] >= 0) {
                power[bands[k]] += part.power(k);
            }
        }
    }
}
