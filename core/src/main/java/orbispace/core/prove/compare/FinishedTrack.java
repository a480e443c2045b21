package orbispace.core.prove.compare;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import orbispace.core.audio.Audio;
import orbispace.core.material.Ambience;
import orbispace.core.material.AmbienceFinder;
import orbispace.core.measure.Loudness;
import orbispace.core.measure.LoudnessMeter;
import orbispace.core.measure.StereoReport;
import orbispace.core.signal.WindowedSpectrum;

/**
 * What can be told of a finished track, or of a mix, from its sound alone.
 *
 * @param loudness of it
 * @param thirds its spectrum in thirds of an octave, under its own loudness
 * @param stereo its width per octave
 * @param stop the free decay where it stops; empty if it never does or is dry
 */
public record FinishedTrack(
        Loudness loudness, List<Third> thirds, StereoReport stereo, Optional<Ambience> stop) {
    private static final double[] CENTRES = {
        31.5, 40, 50, 63, 80, 100, 125, 160, 200, 250, 315, 400, 500, 630, 800, 1000, 1250, 1600,
        2000, 2500, 3150, 4000, 5000, 6300, 8000, 10000, 12500, 16000
    };
    private static final double TRANSFORM_SECONDS = 0.34;
    private static final int MOST_TRANSFORMS = 1500;
    private static final double EDGE = Math.pow(2, 1.0 / 6);

    /** Keeps its own list. */
    public FinishedTrack {
        thirds = List.copyOf(thirds);
    }

    /**
     * A third of an octave.
     *
     * @param centreHz its nominal middle (IEC 61260)
     * @param db its mean level over the integrated loudness of the whole; empty for silence
     */
    public record Third(double centreHz, OptionalDouble db) {}

    /** Measures a stretch of any rate and length. */
    public static FinishedTrack of(Audio audio) {
        Loudness loudness = LoudnessMeter.measure(audio);
        return new FinishedTrack(
                loudness,
                thirds(audio, loudness.integratedLufs()),
                StereoReport.of(audio),
                AmbienceFinder.find(audio));
    }

    private static List<Third> thirds(Audio audio, OptionalDouble lufs) {
        double rate = audio.sampleRateHz();
        int length = 2 * Integer.highestOneBit((int) (TRANSFORM_SECONDS * rate / 2));
        double[] power = power(audio, length);
        List<Third> thirds = new ArrayList<>();
        for (double centre : CENTRES) {
            if (centre * EDGE >= rate / 2) {
                break;
            }
            double sum = 0;
            double from = centre / EDGE * length / rate;
            double to = centre * EDGE * length / rate;
            for (int k = (int) from; k <= (int) to; k++) {
                // A bin spans half a bin to either side; the share inside the band counts.
                double inside = Math.min(to, k + 0.5) - Math.max(from, k - 0.5);
                sum += power[k] * Math.clamp(inside, 0, 1);
            }
            boolean silent = sum <= 0 || lufs.isEmpty();
            thirds.add(
                    new Third(
                            centre,
                            silent
                                    ? OptionalDouble.empty()
                                    : OptionalDouble.of(
                                            10 * Math.log10(sum) - lufs.getAsDouble())));
        }
        return thirds;
    }

    /** Mean power per bin of both channels; all bins add up to the mean square. */
    private static double[] power(Audio audio, int length) {
        double[] sums = new double[length / 2 + 1];
        int hop = Math.max(length / 2, audio.frames() / MOST_TRANSFORMS);
        WindowedSpectrum part = WindowedSpectrum.hann(length);
        int count = 0;
        for (int at = 0; at + length / 2 <= audio.frames() || at == 0; at += hop) {
            count++;
            for (int c = 0; c < 2; c++) {
                part.take(audio.channel(c), at);
                part.addPower(sums);
            }
        }
        // The mean square of a Hann window is 3/8; both halves of the spectrum count.
        double scale = 2 / (0.375 * length * (double) length * count);
        for (int k = 0; k < sums.length; k++) {
            sums[k] *= scale;
        }
        return sums;
    }

    /**
     * The stretch of a length in which a sound is loudest, from its start in seconds: what a
     * reference is best heard by.
     */
    public static double loudestStart(Audio audio, double seconds) {
        double rate = audio.sampleRateHz();
        int step = Math.max(1, (int) Math.round(rate / 2));
        int steps = audio.frames() / step;
        int wanted = (int) Math.max(1, Math.round(seconds * rate / step));
        double[] energy = new double[steps];
        for (int s = 0; s < steps; s++) {
            energy[s] = audio.slice(s * step, (s + 1) * step).meanSquare();
        }
        double sum = 0;
        double most = -1;
        int best = 0;
        for (int s = 0; s < steps; s++) {
            sum += energy[s];
            sum -= s >= wanted ? energy[s - wanted] : 0;
            if (s + 1 >= wanted && sum > most * (1 + 1e-9)) {
                most = sum;
                best = s + 1 - wanted;
            }
        }
        return best * step / rate;
    }
}
