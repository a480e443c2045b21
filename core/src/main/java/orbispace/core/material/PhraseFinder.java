package orbispace.core.material;

import java.util.ArrayList;
import java.util.List;
import orbispace.core.audio.Audio;
import orbispace.core.audio.Decibels;
import orbispace.core.audio.Quantile;
import orbispace.core.signal.Biquad;
import orbispace.core.signal.FilterDesign;
import orbispace.core.signal.FilteredPower;
import orbispace.core.time.Span;

/**
 * Finds the phrases of a voice or lead: level in 10 ms frames from 120 Hz to 8 kHz, two classes of
 * level split where the split is the middle of their means, hysteresis, then phrases of at least
 * 120 ms with gaps of at least 150 ms.
 *
 * <p>Levels more than 60 dB under the loud frames count as floor, so that breaths in digital
 * silence are not taken for phrases. A sound whose two classes lie less than 6 dB apart is one
 * phrase if it lies above -70 dBFS, and none below.
 */
public final class PhraseFinder {
    private static final double FRAME_SECONDS = 0.01;
    private static final double LEAST_PHRASE_SECONDS = 0.12;
    private static final double LEAST_GAP_SECONDS = 0.15;
    private static final double HYSTERESIS_DB = 1.5;
    private static final double DEEPEST_DB = 60;
    private static final double LEAST_CONTRAST_DB = 6;
    private static final double SILENCE_DB = -70;

    private PhraseFinder() {}

    /** Finds the phrases of a stem of any rate and length. */
    public static Phrases find(Audio audio) {
        int frame = Math.max(1, (int) Math.round(FRAME_SECONDS * audio.sampleRateHz()));
        double[] levels = levels(audio, frame);
        double loud = levels.length == 0 ? Double.NEGATIVE_INFINITY : Quantile.of(levels, 0.95);
        for (int i = 0; i < levels.length; i++) {
            levels[i] = Math.max(levels[i], loud - DEEPEST_DB);
        }
        double[] means = twoMeans(levels);
        double split = (means[0] + means[1]) / 2;
        if (means[1] - means[0] < LEAST_CONTRAST_DB) {
            List<Span> whole =
                    loud > SILENCE_DB ? List.of(new Span(0, audio.seconds())) : List.of();
            return Phrases.found(whole, List.of(), new Phrases.Levels(means[0], split, means[1]));
        }
        List<Span> runs =
                loud > SILENCE_DB ? runs(levels, split, frame / audio.sampleRateHz()) : List.of();
        return join(runs, means[0], split, means[1]);
    }

    private static double[] levels(Audio audio, int frame) {
        double rate = audio.sampleRateHz();
        List<Biquad> weighting = new ArrayList<>(FilterDesign.highPass(120, 2, rate));
        weighting.addAll(FilterDesign.lowPass(8000, 2, rate));
        double[] power = FilteredPower.of(audio, weighting, frame);
        for (int i = 0; i < power.length; i++) {
            power[i] = Math.max(-150, Decibels.ofPower(power[i]));
        }
        return power;
    }

    /** Means of the two classes on either side of their own middle (iterative selection). */
    private static double[] twoMeans(double[] levels) {
        double low = Quantile.of(levels, 0.02);
        double high = Quantile.of(levels, 0.98);
        for (int round = 0; round < 100; round++) {
            double split = (low + high) / 2;
            double newLow = mean(levels, Double.NEGATIVE_INFINITY, split, low);
            double newHigh = mean(levels, split, Double.POSITIVE_INFINITY, high);
            if (newLow == low && newHigh == high) {
                break;
            }
            low = newLow;
            high = newHigh;
        }
        return new double[] {low, high};
    }

    private static double mean(double[] levels, double from, double to, double otherwise) {
        double sum = 0;
        int count = 0;
        for (double level : levels) {
            if (level >= from && level < to) {
                sum += level;
                count++;
            }
        }
        return count == 0 ? otherwise : sum / count;
    }

    /** Runs over the split; frames are whole numbers of samples, so not quite 10 ms everywhere. */
    private static List<Span> runs(double[] levels, double split, double frameSeconds) {
        List<Span> runs = new ArrayList<>();
        int start = -1;
        for (int i = 0; i <= levels.length; i++) {
            double level = i < levels.length ? levels[i] : Double.NEGATIVE_INFINITY;
            if (start < 0 && level > split + HYSTERESIS_DB) {
                start = i;
            } else if (start >= 0 && level < split - HYSTERESIS_DB) {
                runs.add(new Span(start * frameSeconds, i * frameSeconds));
                start = -1;
            }
        }
        return runs;
    }

    private static Phrases join(List<Span> runs, double floor, double split, double speaking) {
        List<Span> phrases = new ArrayList<>();
        List<Span> inner = new ArrayList<>();
        for (Span run : runs) {
            double gap =
                    phrases.isEmpty()
                            ? Double.POSITIVE_INFINITY
                            : run.startSeconds() - phrases.getLast().endSeconds();
            if (gap < LEAST_GAP_SECONDS) {
                Span before = phrases.removeLast();
                double restFrom = before.endSeconds();
                inner.add(new Span(restFrom, restFrom + gap));
                phrases.add(new Span(before.startSeconds(), run.endSeconds()));
            } else {
                phrases.add(run);
            }
        }
        phrases.removeIf(p -> p.seconds() < LEAST_PHRASE_SECONDS);
        return Phrases.found(phrases, inner, new Phrases.Levels(floor, split, speaking));
    }
}
