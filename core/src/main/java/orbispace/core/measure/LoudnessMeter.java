package orbispace.core.measure;

import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import orbispace.core.audio.Audio;
import orbispace.core.audio.Decibels;
import orbispace.core.signal.Biquad;
import orbispace.core.signal.FilteredPower;

/**
 * Loudness by ITU-R BS.1770-5 (integrated, momentary, short-term, true peak) and loudness range by
 * EBU Tech 3342, at any sample rate: the K weighting is derived from its analogue prototype. Blocks
 * of the integrated loudness, of the short-term and of the range come every 100 ms, those of the
 * momentary every 10 ms, so that a burst of 400 ms is met wherever it falls (0.1 dB at most).
 */
public final class LoudnessMeter {
    private static final double OFFSET = -0.691;
    private static final double ABSOLUTE_GATE = -70;
    private static final int STEPS_PER_SECOND = 100;
    private static final int HOP_STEPS = 10;
    private static final int MOMENTARY_STEPS = 40;
    private static final int SHORT_TERM_STEPS = 300;

    private LoudnessMeter() {}

    /** Measures a whole sound; mono counts as one channel. */
    public static Loudness measure(Audio audio) {
        double[] steps = stepPowers(audio);
        double[] shortTerm = windows(steps, SHORT_TERM_STEPS, HOP_STEPS);
        return new Loudness(
                gated(windows(steps, MOMENTARY_STEPS, HOP_STEPS), -10),
                loudest(windows(steps, MOMENTARY_STEPS, 1)),
                loudest(shortTerm),
                range(shortTerm),
                level(TruePeak.of(audio)),
                level(audio.peak()));
    }

    /** Integrated loudness alone, in LUFS. */
    public static OptionalDouble integratedLufs(Audio audio) {
        return gated(windows(stepPowers(audio), MOMENTARY_STEPS, HOP_STEPS), -10);
    }

    /** The two sections of the K weighting at a sample rate. */
    public static List<Biquad> kWeighting(double sampleRateHz) {
        return List.of(headShelf(sampleRateHz), rumbleHighPass(sampleRateHz));
    }

    private static Biquad headShelf(double sampleRateHz) {
        double k = Math.tan(Math.PI * 1681.974450955533 / sampleRateHz);
        double q = 0.7071752369554196;
        double vh = Decibels.toAmplitude(3.999843853973347);
        double vb = Math.pow(vh, 0.4996667741545416);
        double a0 = 1 + k / q + k * k;
        return new Biquad(
                (vh + vb * k / q + k * k) / a0,
                2 * (k * k - vh) / a0,
                (vh - vb * k / q + k * k) / a0,
                2 * (k * k - 1) / a0,
                (1 - k / q + k * k) / a0);
    }

    private static Biquad rumbleHighPass(double sampleRateHz) {
        double k = Math.tan(Math.PI * 38.13547087602444 / sampleRateHz);
        double q = 0.5003270373238773;
        double a0 = 1 + k / q + k * k;
        return new Biquad(1, -2, 1, 2 * (k * k - 1) / a0, (1 - k / q + k * k) / a0);
    }

    /** Weighted power, summed over channels, of each whole 10 ms. */
    private static double[] stepPowers(Audio audio) {
        int step = (int) Math.round(audio.sampleRateHz() / STEPS_PER_SECOND);
        return FilteredPower.of(audio, kWeighting(audio.sampleRateHz()), step);
    }

    /** Means over so many steps, one every {@code hop} steps. */
    private static double[] windows(double[] steps, int length, int hop) {
        int count = steps.length < length ? 0 : (steps.length - length) / hop + 1;
        return IntStream.range(0, count)
                .mapToDouble(i -> Arrays.stream(steps, i * hop, i * hop + length).sum() / length)
                .toArray();
    }

    private static OptionalDouble gated(double[] powers, double relativeLu) {
        double[] kept = above(powers, ABSOLUTE_GATE);
        if (kept.length == 0) {
            return OptionalDouble.empty();
        }
        double gate = lufs(Arrays.stream(kept).average().orElseThrow()) + relativeLu;
        double[] twice = above(kept, gate);
        return OptionalDouble.of(lufs(Arrays.stream(twice).average().orElseThrow()));
    }

    private static OptionalDouble range(double[] shortTerm) {
        double[] kept = above(shortTerm, ABSOLUTE_GATE);
        if (kept.length == 0) {
            return OptionalDouble.empty();
        }
        double gate = lufs(Arrays.stream(kept).average().orElseThrow()) - 20;
        double[] levels =
                Arrays.stream(above(kept, gate)).map(LoudnessMeter::lufs).sorted().toArray();
        int low = (int) Math.round(0.10 * (levels.length - 1));
        int high = (int) Math.round(0.95 * (levels.length - 1));
        return OptionalDouble.of(levels[high] - levels[low]);
    }

    private static double[] above(double[] powers, double gateLufs) {
        return Arrays.stream(powers).filter(p -> lufs(p) > gateLufs).toArray();
    }

    private static OptionalDouble loudest(double[] powers) {
        double most = Arrays.stream(powers).max().orElse(0);
        return most > 0 ? OptionalDouble.of(lufs(most)) : OptionalDouble.empty();
    }

    private static OptionalDouble level(double peak) {
        return peak > 0 ? OptionalDouble.of(Decibels.ofAmplitude(peak)) : OptionalDouble.empty();
    }

    private static double lufs(double power) {
        return OFFSET + Decibels.ofPower(power);
    }
}
