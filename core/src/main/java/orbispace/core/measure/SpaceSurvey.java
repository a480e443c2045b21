package orbispace.core.measure;

import orbispace.core.audio.Audio;
import orbispace.core.signal.Impulse;
import orbispace.core.signal.WindowedSpectrum;
import orbispace.core.space.Engine;
import orbispace.core.space.EngineSettings;
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
 */
public record SpaceSurvey(
        ReverbKind kind,
        double decaySeconds,
        DecayReport report,
        TailQuality quality,
        TailLines lines,
        TailLines noise,
        double sidebandDb) {
    /** Lows relative to the middle, as set. */
    public static final double LOW_RATIO = 1.1;

    /** Highs relative to the middle, as set. */
    public static final double HIGH_RATIO = 0.7;

    private static final int BLOCK = 4096;
    private static final double TONE_HZ = 1000;
    private static final long NOISE_SEED = 3;

    /** Measures a kind at a decay and a sample rate. */
    public static SpaceSurvey of(ReverbKind kind, double decaySeconds, double sampleRateHz) {
        var settings = new ReverbSettings(kind, decaySeconds, LOW_RATIO, HIGH_RATIO, 1);
        Audio response = response(settings, 2 * decaySeconds + 0.5, sampleRateHz);
        DecayReport report = DecayMeter.measure(response);
        return new SpaceSurvey(
                kind,
                decaySeconds,
                report,
                TailQuality.of(response, decaySeconds),
                TailLines.of(response, hz -> measured(report, hz, decaySeconds)),
                TailLines.ofNoise(decaySeconds, sampleRateHz, NOISE_SEED),
                sidebandDb(settings, sampleRateHz));
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

    private static Audio response(EngineSettings settings, double seconds, double rate) {
        float[][] response = Impulse.pair((int) (seconds * rate));
        run(Engine.of(settings, rate), response[0], response[1]);
        return Audio.of(rate, response);
    }

    private static void run(Engine engine, float[] left, float[] right) {
        for (int at = 0; at < left.length; at += BLOCK) {
            engine.process(left, right, at, Math.min(left.length, at + BLOCK));
        }
    }

    private static double sidebandDb(ReverbSettings settings, double rate) {
        int window = Integer.highestOneBit((int) (2.8 * rate));
        int settled = (int) ((0.5 + settings.decaySeconds()) * rate);
        float[] left = new float[settled + window];
        for (int i = 0; i < left.length; i++) {
            left[i] = (float) Math.sin(2 * Math.PI * TONE_HZ * i / rate);
        }
        float[] right = left.clone();
        run(Engine.of(settings, rate), left, right);
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
