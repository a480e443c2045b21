package orbispace.demo;

import java.util.function.IntToDoubleFunction;
import orbispace.core.signal.Fft;

/** One period of a sound of many partials, at unit rms, read by straight lines. */
final class Wavetable {
    private static final int LENGTH = 8192;

    private final float[] table = new float[LENGTH + 1];

    /** A table from the amplitude and phase of each partial from 1 to {@code partials}. */
    Wavetable(int partials, IntToDoubleFunction amplitude, IntToDoubleFunction phase) {
        double[] spectrum = new double[LENGTH];
        double squares = 0;
        for (int k = 1; k <= partials; k++) {
            double a = amplitude.applyAsDouble(k);
            double p = phase.applyAsDouble(k);
            squares += a * a / 2;
            spectrum[2 * k] = a * LENGTH / 2 * Math.sin(p);
            spectrum[2 * k + 1] = -a * LENGTH / 2 * Math.cos(p);
        }
        new Fft(LENGTH).inverse(spectrum);
        double scale = 1 / Math.sqrt(squares);
        for (int i = 0; i < LENGTH; i++) {
            table[i] = (float) (scale * spectrum[i]);
        }
        table[LENGTH] = table[0];
    }

    /** The value at a phase in turns, 0 or more. */
    double at(double turns) {
        double x = (turns - Math.floor(turns)) * LENGTH;
        int i = (int) x;
        return table[i] + (x - i) * (table[i + 1] - table[i]);
    }
}
