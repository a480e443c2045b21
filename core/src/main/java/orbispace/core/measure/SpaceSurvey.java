package orbispace.core.measure;

import orbispace.core.audio.Audio;
import orbispace.core.signal.WindowedSpectrum;
import orbispace.core.space.ReverbKind;
import orbispace.core.space.ReverbSettings;

/**
 * What a kind of reverb measures at a set decay, with lows at 1.1 and highs at 0.7 of it.
 *
 * @param kind the kind
 * @param decaySeconds as set
 * @param report its decay as measured
 * @param quality how its tail sounds
 * @param lines whether single lines stand in its tail
 * @param noise what noise of the same decay gives there
 * @param sidebandDb what moves around a sustained tone of 1 kHz, 1 to 20 Hz from it, re the tone
 * @param start how it begins
 * @param movement how it moves held tones
 */
public record SpaceSurvey(
        ReverbKind kind,
        double decaySeconds,
        DecayReport report,
        TailQuality quality,
        TailLines lines,
        TailLines noise,
        double sidebandDb,
        SpaceStart start,
        SpaceMovement movement) {
    /** Lows relative to the middle, as set. */
    public static final double LOW_RATIO = 1.1;

    /** Highs relative to the middle, as set. */
    public static final double HIGH_RATIO = 0.7;

    private static final double START_SECONDS = 0.3;
    private static final double TONE_HZ = 1000;
    private static final long NOISE_SEED = 3;

    /** Measures a kind at a decay and a sample rate. */
    public static SpaceSurvey of(ReverbKind kind, double decaySeconds, double sampleRateHz) {
        var settings = new ReverbSettings(kind, decaySeconds, LOW_RATIO, HIGH_RATIO, 1);
        Audio response = SpaceAnswer.toMiddle(settings, 2 * decaySeconds + 0.5, sampleRateHz);
        DecayReport report = DecayMeter.measure(response);
        return new SpaceSurvey(
                kind,
                decaySeconds,
                report,
                TailQuality.of(response, decaySeconds),
                TailLines.of(response, hz -> measured(report, hz, decaySeconds)),
                TailLines.ofNoise(decaySeconds, sampleRateHz, NOISE_SEED),
                sidebandDb(settings, sampleRateHz),
                SpaceStart.of(
                        response,
                        SpaceAnswer.toClick(settings, 1, 0, START_SECONDS, sampleRateHz),
                        SpaceAnswer.toClick(settings, 0, 1, START_SECONDS, sampleRateHz),
                        decaySeconds),
                SpaceMovement.of(settings, LOW_RATIO * decaySeconds, sampleRateHz));
    }

    private static double measured(DecayReport report, double hz, double otherwise) {
        return report.bands().stream()
                .filter(b -> b.centreHz() == hz && b.t30().fitted().isPresent())
                .mapToDouble(b -> b.t30().fitted().getAsDouble())
                .findFirst()
                .orElse(otherwise);
    }

    /** What the set decay is around a frequency. */
    public double setSeconds(double hz) {
        return decaySeconds * (hz < 200 ? LOW_RATIO : hz > 6000 ? HIGH_RATIO : 1);
    }

    private static double sidebandDb(ReverbSettings settings, double rate) {
        int window = Integer.highestOneBit((int) (2.8 * rate));
        int settled = (int) ((0.5 + settings.decaySeconds()) * rate);
        float[] left = new float[settled + window];
        for (int i = 0; i < left.length; i++) {
            left[i] = (float) Math.sin(2 * Math.PI * TONE_HZ * i / rate);
        }
        float[] right = left.clone();
        SpaceAnswer.replace(settings, rate, left, right);
        WindowedSpectrum spectrum = WindowedSpectrum.hann(window);
        spectrum.take(left, settled);
        double perBin = rate / window;
        double tone = 0;
        double around = 0;
        for (int k = (int) ((TONE_HZ - 20) / perBin); k <= (TONE_HZ + 20) / perBin; k++) {
            double power = spectrum.power(k);
            if (Math.abs(k * perBin - TONE_HZ) <= 1) {
                tone += power;
            } else {
                around += power;
            }
        }
        return 10 * Math.log10(around / tone);
    }
}
