package orbispace.core.measure;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import orbispace.core.audio.Audio;
import orbispace.core.signal.WindowedSpectrum;

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
    static final int LENGTH = 4096;
    static final int OCTAVES = 9;
    static final double LOWEST_HZ = 62.5;

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
     * @param spreadDegrees the angle within which the middle 75 % of the energy lie; empty for
     *     silence
     */
    public record Band(
            double centreHz,
            OptionalDouble correlation,
            OptionalDouble monoFoldLossDb,
            OptionalDouble angleDegrees,
            OptionalDouble widthDegrees,
            OptionalDouble spreadDegrees) {
        /** A band whose spread was not measured. */
        public Band(
                double centreHz,
                OptionalDouble correlation,
                OptionalDouble monoFoldLossDb,
                OptionalDouble angleDegrees,
                OptionalDouble widthDegrees) {
            this(
                    centreHz,
                    correlation,
                    monoFoldLossDb,
                    angleDegrees,
                    widthDegrees,
                    OptionalDouble.empty());
        }
    }

    /** Measures a sound of any rate and length; a mono sound has two equal channels. */
    public static StereoReport of(Audio audio) {
        StereoSums whole = new StereoSums();
        float[] l = audio.channel(0);
        float[] r = audio.channel(1);
        for (int i = 0; i < l.length; i++) {
            whole.addSample(l[i], r[i]);
        }
        return new StereoReport(whole.correlation(), whole.loss(), bands(audio));
    }

    private static List<Band> bands(Audio audio) {
        StereoSums[] octaves = new StereoSums[OCTAVES];
        for (int b = 0; b < OCTAVES; b++) {
            octaves[b] = new StereoSums();
        }
        WindowedSpectrum left = WindowedSpectrum.hann(LENGTH);
        WindowedSpectrum right = WindowedSpectrum.hann(LENGTH);
        for (int start = 0; start < audio.frames(); start += LENGTH / 2) {
            left.take(audio.channel(0), start);
            right.take(audio.channel(1), start);
            for (int k = 1; k < LENGTH / 2; k++) {
                int b = octave(k * audio.sampleRateHz() / LENGTH);
                if (b >= 0 && b < OCTAVES) {
                    octaves[b].add(left.power(k), right.power(k), left.common(right, k));
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

    /** The octave of a frequency, 0 for the lowest; may lie outside of those that are told. */
    static int octave(double hz) {
        return (int) Math.floor(Math.log(hz / LOWEST_HZ) / Math.log(2) + 0.5);
    }
}
