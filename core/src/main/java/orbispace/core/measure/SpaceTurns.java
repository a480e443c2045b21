package orbispace.core.measure;

import java.util.ArrayList;
import java.util.List;
import orbispace.core.audio.Audio;
import orbispace.core.space.EngineSettings;
import orbispace.core.space.ReverbKind;
import orbispace.core.space.ReverbSettings;
import orbispace.core.space.SplitSettings;

/**
 * What becomes of a kind of reverb when its numbers are turned.
 *
 * @param kind the kind
 * @param clarityStepDb the most that C80 changes for 1 percent of decay, from 0.3 to 8 s
 * @param bands decays by octave for low and high ratios all over their ranges
 * @param sizeSteps how much C80 or the time to density moves at least from size 0.5 to 2, in steps
 *     just noticed
 * @param constantDb what is left of a constant, re its level, the most of all decays
 * @param pairCorrelation of the sides of a split pair of this kind twice
 */
public record SpaceTurns(
        ReverbKind kind,
        double clarityStepDb,
        List<Ratio> bands,
        double sizeSteps,
        double constantDb,
        double pairCorrelation) {
    private static final double DECAY_STEP = 1.08;
    private static final double SHORTEST_SECONDS = 0.3;
    private static final double LONGEST_SECONDS = 8;
    private static final double RATIO_DECAY_SECONDS = 2.5;
    private static final double C80_SECONDS = 0.08;
    private static final List<Double> HIGH_RATIOS = List.of(0.1, 0.2, 0.5, 1.0, 1.5, 2.0);
    private static final List<Double> LOW_RATIOS = List.of(0.25, 0.5, 1.0, 2.0);

    /**
     * The decay of an octave.
     *
     * @param hz its centre
     * @param ratio as set, of the lows or highs
     * @param measured T30 over the set decay of the middle; NaN if it could not be measured
     */
    public record Ratio(double hz, double ratio, double measured) {}

    /** Keeps its own list. */
    public SpaceTurns {
        bands = List.copyOf(bands);
    }

    /** Turns the numbers of a kind. */
    public static SpaceTurns of(ReverbKind kind, double rate) {
        return new SpaceTurns(
                kind,
                clarityStepDb(kind, rate),
                ratios(kind, rate),
                sizeSteps(kind, rate),
                constantDb(kind, rate),
                pairCorrelation(kind, rate));
    }

    private static double clarityDb(EngineSettings s, double rate) {
        Audio a = SpaceAnswer.toMiddle(s, s.ringSeconds(), rate);
        double early = 1e-30;
        double late = 1e-30;
        for (int c = 0; c < 2; c++) {
            for (int i = 0; i < a.frames(); i++) {
                double power = Math.pow(a.channel(c)[i], 2);
                early += i < C80_SECONDS * rate ? power : 0;
                late += i < C80_SECONDS * rate ? 0 : power;
            }
        }
        return 10 * Math.log10(early / late);
    }

    private static double clarityStepDb(ReverbKind kind, double rate) {
        double before = Double.NaN;
        double most = 0;
        for (double s = SHORTEST_SECONDS; s <= LONGEST_SECONDS; s *= DECAY_STEP) {
            double now = clarityDb(new ReverbSettings(kind, s, 1, 1, 1), rate);
            most = Double.isNaN(before) ? most : Math.max(most, Math.abs(now - before));
            before = now;
        }
        return most / (100 * (DECAY_STEP - 1));
    }

    private static List<Ratio> ratios(ReverbKind kind, double rate) {
        List<Ratio> all = new ArrayList<>();
        for (double high : HIGH_RATIOS) {
            add(all, new ReverbSettings(kind, RATIO_DECAY_SECONDS, 1, high, 1), 4000, high, rate);
        }
        for (double low : LOW_RATIOS) {
            add(all, new ReverbSettings(kind, RATIO_DECAY_SECONDS, low, 1, 1), 0, low, rate);
        }
        return all;
    }

    private static void add(
            List<Ratio> all, ReverbSettings s, double overHz, double ratio, double rate) {
        DecayReport report = DecayMeter.measure(SpaceAnswer.toMiddle(s, s.ringSeconds(), rate));
        for (BandDecay band : report.bands()) {
            boolean asked = overHz > 0 ? band.centreHz() > overHz : band.centreHz() < 200;
            if (asked) {
                double t30 = band.t30().fitted().orElse(Double.NaN);
                all.add(new Ratio(band.nominalHz(), ratio, t30 / s.decaySeconds()));
            }
        }
    }

    private static double sizeSteps(ReverbKind kind, double rate) {
        double least = Double.POSITIVE_INFINITY;
        for (double seconds : new double[] {0.4, 1.2, 2.5}) {
            double[] clarity = new double[2];
            double[] dense = new double[2];
            for (int i = 0; i < 2; i++) {
                var s = new ReverbSettings(kind, seconds, 1, 1, i == 0 ? 0.5 : 2);
                clarity[i] = clarityDb(s, rate);
                float[] left = SpaceAnswer.toMiddle(s, 0.4, rate).channel(0);
                dense[i] = EchoDensity.denseSeconds(left, rate).orElse(0.4);
            }
            double step = Math.abs(clarity[1] - clarity[0]);
            least = Math.min(least, Math.max(step, Math.abs(dense[1] - dense[0]) / 0.01));
        }
        return least;
    }

    private static double constantDb(ReverbKind kind, double rate) {
        double most = -300;
        for (double seconds : new double[] {0.6, 2.5, 8}) {
            var s = new ReverbSettings(kind, seconds, 2, 0.7, 1);
            float[] left = SpaceAnswer.toMiddle(s, s.ringSeconds(), rate).channel(0);
            double sum = 0;
            for (float x : left) {
                sum += x;
            }
            most = Math.max(most, 20 * Math.log10(Math.abs(sum) / Math.sqrt(0.5) + 1e-15));
        }
        return most;
    }

    private static double pairCorrelation(ReverbKind kind, double rate) {
        var one = new ReverbSettings(kind, 2.5, 1, 1, 1);
        Audio a = SpaceAnswer.toMiddle(new SplitSettings(one, one, 1), 3, rate);
        return StereoReport.of(a).correlation().orElse(0);
    }
}
