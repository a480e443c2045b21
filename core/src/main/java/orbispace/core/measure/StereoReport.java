package orbispace.core.measure;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import orbispace.core.audio.Audio;
import orbispace.core.audio.Pan;
import orbispace.core.signal.Fft;

/**
 * How wide a sound is, and what folding it to mono costs, as a whole and per octave.
 *
 * <p>The angle of a time-frequency cell follows from its inter-channel level ratio by the energy
 * panning law: 0 degrees for equal channels, 90 for one channel alone, right is positive. The
 * band's angle is the energy-weighted mean, its width twice the energy-weighted deviation from it.
 *
 * @param correlation of left and right, -1 to 1; empty if either is silent
 * @param monoFoldLossDb how far (L+R)/sqrt2 lies under the sum of both powers: 0 for identical, 3
 *     for unrelated channels; empty for silence and where they cancel
 * @param bands octaves from 63 Hz to 16 kHz, as far as the sample rate reaches
 */
public record StereoReport(
        OptionalDouble correlation, OptionalDouble monoFoldLossDb, List<Band> bands) {
    private static final int LENGTH = 4096;
    private static final int OCTAVES = 9;
    private static final double LOWEST_HZ = 62.5;
    private static final double CANCELLED = 1e-9;

    /** Keeps its own list. */
    public StereoReport {
        bands = List.copyOf(bands);
    }

    /**
     * One octave.
     *
     * @param centreHz its middle
     * @param correlation of left and right inside it
     * @param monoFoldLossDb what mono costs inside it
     * @param angleDegrees where it lies, -90 (left) to 90; empty for silence
     * @param widthDegrees how far it spreads; empty for silence
     */
    public record Band(
            double centreHz,
            OptionalDouble correlation,
            OptionalDouble monoFoldLossDb,
            OptionalDouble angleDegrees,
            OptionalDouble widthDegrees) {}

    /** Sums over time-frequency cells. */
    private static final class Sums {
        double left;
        double right;
        double both;
        double angle;
        double squaredAngle;

        void add(double l, double r, double product) {
            left += l;
            right += r;
            both += product;
            double power = l + r;
            double angle = 90 * Pan.position(l, r);
            this.angle += power * angle;
            squaredAngle += power * angle * angle;
        }

        OptionalDouble correlation() {
            double scale = Math.sqrt(left * right);
            return scale > 0
                    ? OptionalDouble.of(Math.clamp(both / scale, -1, 1))
                    : OptionalDouble.empty();
        }

        OptionalDouble loss() {
            double power = left + right;
            double mono = (power + 2 * both) / 2;
            return power > 0 && mono > CANCELLED * power
                    ? OptionalDouble.of(10 * Math.log10(power / mono))
                    : OptionalDouble.empty();
        }

        Band band(double centre) {
            double power = left + right;
            if (power == 0) {
                OptionalDouble none = OptionalDouble.empty();
                return new Band(centre, none, none, none, none);
            }
            double mean = angle / power;
            double spread = Math.sqrt(Math.max(0, squaredAngle / power - mean * mean));
            return new Band(
                    centre,
                    correlation(),
                    loss(),
                    OptionalDouble.of(mean),
                    OptionalDouble.of(2 * spread));
        }
    }

    /** Measures a sound of any rate and length; a mono sound has two equal channels. */
    public static StereoReport of(Audio audio) {
        Sums whole = new Sums();
        float[] l = audio.channel(0);
        float[] r = audio.channel(1);
        for (int i = 0; i < l.length; i++) {
            whole.left += (double) l[i] * l[i];
            whole.right += (double) r[i] * r[i];
            whole.both += (double) l[i] * r[i];
        }
        return new StereoReport(whole.correlation(), whole.loss(), bands(audio));
    }

    private static List<Band> bands(Audio audio) {
        Sums[] octaves = new Sums[OCTAVES];
        for (int b = 0; b < OCTAVES; b++) {
            octaves[b] = new Sums();
        }
        Fft fft = new Fft(LENGTH);
        double[] window = Fft.hann(LENGTH);
        double[] x = new double[LENGTH];
        double[] y = new double[LENGTH];
        for (int start = 0; start < audio.frames(); start += LENGTH / 2) {
            load(audio.channel(0), start, window, x);
            load(audio.channel(1), start, window, y);
            fft.forward(x);
            fft.forward(y);
            for (int k = 1; k < LENGTH / 2; k++) {
                int b = octave(k * audio.sampleRateHz() / LENGTH);
                if (b >= 0 && b < OCTAVES) {
                    octaves[b].add(
                            x[2 * k] * x[2 * k] + x[2 * k + 1] * x[2 * k + 1],
                            y[2 * k] * y[2 * k] + y[2 * k + 1] * y[2 * k + 1],
                            x[2 * k] * y[2 * k] + x[2 * k + 1] * y[2 * k + 1]);
                }
            }
        }
        List<Band> bands = new ArrayList<>();
        for (int b = 0; b < OCTAVES; b++) {
            double centre = LOWEST_HZ * Math.pow(2, b);
            if (centre < audio.sampleRateHz() / 2) {
                bands.add(octaves[b].band(centre));
            }
        }
        return bands;
    }

    private static int octave(double hz) {
        return (int) Math.floor(Math.log(hz / LOWEST_HZ) / Math.log(2) + 0.5);
    }

    private static void load(float[] from, int start, double[] window, double[] into) {
        for (int i = 0; i < into.length; i++) {
            into[i] = start + i < from.length ? window[i] * from[start + i] : 0;
        }
    }
}
