package orbispace.core.prove.compare;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import orbispace.core.audio.Audio;
import orbispace.core.design.Space;
import orbispace.core.measure.BandDecay;
import orbispace.core.measure.DecayMeter;
import orbispace.core.measure.DecayReport;
import orbispace.core.render.Job;
import orbispace.core.signal.Impulse;
import orbispace.core.space.Engine;
import orbispace.core.space.ReverbKind;
import orbispace.core.space.ReverbSettings;

/**
 * Our reverb set so that it decays like a measured response: of each kind the decay at low, middle
 * and high that is nearest in T30 per octave by least squares, found by measuring our own response
 * and correcting it; the kind whose early energy (C80) is nearest is kept.
 *
 * @param space the reverb
 * @param width factor of our return's side so that side and middle are as loud to each other as in
 *     the response; 0 for a mono one
 * @param predelaySeconds time to its first arrival
 * @param residual root of the mean squared relative error of T30 over the octaves that could be
 *     measured in both
 * @param worst the largest of those errors
 * @param clarityOffDb by how much C80 is off
 */
public record ReverbFit(
        Space.Reverb space,
        double width,
        double predelaySeconds,
        double residual,
        double worst,
        double clarityOffDb) {
    private static final int ROUNDS = 4;
    private static final double LOW_HZ = 300;
    private static final double HIGH_HZ = 3000;
    private static final double CLARITY_WEIGHT = 0.01;

    /**
     * Fits a response.
     *
     * @param response from its first arrival on
     * @param predelaySeconds what is to come before it
     * @return empty if too few octaves of it could be measured
     */
    public static Optional<ReverbFit> of(Audio response, double predelaySeconds, Job job) {
        if (response.peak() == 0) {
            return Optional.empty();
        }
        DecayReport wanted = DecayMeter.measure(response);
        Optional<Double> middle = mean(wanted, LOW_HZ, HIGH_HZ);
        if (middle.isEmpty()) {
            return Optional.empty();
        }
        ReverbFit best = null;
        for (ReverbKind kind : ReverbKind.values()) {
            job.check();
            ReverbFit fit =
                    fitted(kind, wanted, middle.get(), response.sampleRateHz(), predelaySeconds);
            best = best == null || fit.cost() < best.cost() ? fit : best;
        }
        return Optional.ofNullable(best).map(b -> b.asWideAs(response));
    }

    private ReverbFit asWideAs(Audio response) {
        double wanted = sideOverMiddle(response);
        double is = sideOverMiddle(ours(space, response.sampleRateHz()));
        double factor = is == 0 ? 1 : Math.clamp(wanted / is, 0, 2);
        return new ReverbFit(space, factor, predelaySeconds, residual, worst, clarityOffDb);
    }

    /** Amplitude of L-R over that of L+R, from the whole response. */
    private static double sideOverMiddle(Audio response) {
        double middle = 0;
        double side = 0;
        float[] l = response.channel(0);
        float[] r = response.channel(1);
        for (int i = 0; i < l.length; i++) {
            middle += (l[i] + r[i]) * (l[i] + r[i]);
            side += (l[i] - r[i]) * (l[i] - r[i]);
        }
        return middle == 0 ? 2 : Math.sqrt(side / middle);
    }

    private double cost() {
        return residual + worst + CLARITY_WEIGHT * Math.abs(clarityOffDb);
    }

    private static ReverbFit fitted(
            ReverbKind kind, DecayReport wanted, double middle, double rate, double predelay) {
        double decay = Math.clamp(middle, 0.1, 20);
        double low = ratio(mean(wanted, 0, LOW_HZ).orElse(middle) / middle, 0.25, 2);
        double high = ratio(mean(wanted, HIGH_HZ, 1e6).orElse(middle) / middle, 0.1, 1.5);
        ReverbFit best = null;
        for (int round = 0; round < ROUNDS; round++) {
            Space.Reverb space = new Space.Reverb(kind, decay, low, high, 1);
            DecayReport is = DecayMeter.measure(ours(space, rate));
            ReverbFit fit = judged(space, wanted, is, predelay);
            best = best == null || fit.cost() < best.cost() ? fit : best;
            double m = middle / mean(is, LOW_HZ, HIGH_HZ).orElse(middle);
            double l = off(wanted, is, 0, LOW_HZ);
            double h = off(wanted, is, HIGH_HZ, 1e6);
            decay = Math.clamp(decay * m, 0.1, 20);
            low = ratio(low * l / m, 0.25, 2);
            high = ratio(high * h / m, 0.1, 1.5);
        }
        return java.util.Objects.requireNonNull(best).centred(wanted, rate);
    }

    /** The same with the decay at which the largest errors to either side are alike, if better. */
    private ReverbFit centred(DecayReport wanted, double rate) {
        List<Double> errors = errors(wanted, DecayMeter.measure(ours(space, rate)));
        double most = errors.stream().mapToDouble(e -> e).max().orElse(0);
        double least = errors.stream().mapToDouble(e -> e).min().orElse(0);
        double decay = Math.clamp(space.decaySeconds() / (1 + (most + least) / 2), 0.1, 20);
        Space.Reverb other = space.withDecay(decay);
        ReverbFit fit =
                judged(other, wanted, DecayMeter.measure(ours(other, rate)), predelaySeconds);
        return fit.cost() < cost() ? fit : this;
    }

    private static double ratio(double value, double least, double most) {
        return Math.clamp(value, least, most);
    }

    private static double off(DecayReport wanted, DecayReport is, double from, double to) {
        return mean(wanted, from, to).flatMap(w -> mean(is, from, to).map(i -> w / i)).orElse(1.0);
    }

    private static ReverbFit judged(
            Space.Reverb space, DecayReport wanted, DecayReport is, double predelay) {
        List<Double> errors = errors(wanted, is);
        double sum = errors.stream().mapToDouble(e -> e * e).sum();
        double worst = errors.stream().mapToDouble(Math::abs).max().orElse(1);
        double residual = errors.isEmpty() ? 1 : Math.sqrt(sum / errors.size());
        double clarity = is.broadband().clarity80Db() - wanted.broadband().clarity80Db();
        return new ReverbFit(space, 1, predelay, residual, worst, clarity);
    }

    /** Relative errors of T30 in the octaves that could be measured in both. */
    private static List<Double> errors(DecayReport wanted, DecayReport is) {
        List<Double> errors = new ArrayList<>();
        for (int b = 0; b < Math.min(wanted.bands().size(), is.bands().size()); b++) {
            Optional<Double> w = t30(wanted.bands().get(b));
            Optional<Double> i = t30(is.bands().get(b));
            if (w.isPresent() && i.isPresent()) {
                errors.add(i.get() / w.get() - 1);
            }
        }
        return errors;
    }

    private static Audio ours(Space.Reverb s, double rate) {
        int n =
                (int)
                        (Math.min(20, 1.6 * s.decaySeconds() * Math.max(1, s.lowRatio()) + 0.3)
                                * rate);
        float[][] response = Impulse.pair(n);
        Engine.of(
                        new ReverbSettings(
                                s.kind(),
                                s.decaySeconds(),
                                s.lowRatio(),
                                s.highRatio(),
                                s.size(),
                                s.character()),
                        rate)
                .process(response[0], response[1], 0, n);
        return Audio.of(rate, response);
    }

    private static Optional<Double> t30(BandDecay band) {
        return band.t30().fitted().stream().boxed().findFirst();
    }

    private static Optional<Double> mean(DecayReport report, double from, double to) {
        double[] found =
                report.bands().stream()
                        .filter(b -> b.centreHz() >= from && b.centreHz() < to)
                        .flatMap(b -> t30(b).stream())
                        .mapToDouble(x -> x)
                        .toArray();
        return found.length == 0
                ? Optional.empty()
                : Optional.of(java.util.Arrays.stream(found).average().orElseThrow());
    }
}
