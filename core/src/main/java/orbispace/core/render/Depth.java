package orbispace.core.render;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.TreeMap;
import orbispace.core.audio.Audio;
import orbispace.core.audio.Decibels;
import orbispace.core.design.Design;
import orbispace.core.design.Return;
import orbispace.core.design.Send;
import orbispace.core.design.Source;
import orbispace.core.signal.WindowedSpectrum;

/**
 * How far back a source stands: its direct energy over the energy it makes in all returns, from the
 * long-term spectrum of the source and the impulse response of each return. Gates, drive, duckers
 * and feeds are not seen.
 *
 * @param directToReverberantDb direct over wet energy; empty if nothing is sent or it is silent
 * @param earliestSeconds the shortest predelay on its way; empty without sends
 * @param centroidHz spectral centre of its wet energy; empty without sends
 */
public record Depth(
        OptionalDouble directToReverberantDb,
        OptionalDouble earliestSeconds,
        OptionalDouble centroidHz) {
    private static final int LENGTH = 4096;
    private static final int MOST_WINDOWS = 256;

    /** Distance in units of the critical distance, at which direct and wet are equal. */
    public OptionalDouble criticalDistances() {
        return directToReverberantDb.isPresent()
                ? OptionalDouble.of(Math.pow(10, -directToReverberantDb.getAsDouble() / 20))
                : OptionalDouble.empty();
    }

    /** Measures all sources of a design. */
    public static Map<String, Depth> of(Design design, SongMaterial material, Job job) {
        Map<String, double[]> answers = new TreeMap<>();
        for (Return r : design.returns()) {
            job.check();
            if (!r.sends().isEmpty()) {
                answers.put(r.id(), power(ImpulseResponse.of(design, r, material.responses())));
            }
        }
        Map<String, Depth> depths = new LinkedHashMap<>();
        for (Source s : design.sources()) {
            job.check();
            Audio audio = material.audio().get(s.id());
            if (audio != null) {
                depths.put(s.id(), depth(design, s, spectrum(audio), answers));
            }
        }
        return depths;
    }

    private static Depth depth(
            Design design, Source s, double[] spectrum, Map<String, double[]> answers) {
        double direct = 0;
        for (double p : spectrum) {
            direct += p * Decibels.toPower(s.gainDb());
        }
        double wet = 0;
        double centre = 0;
        double earliest = Double.POSITIVE_INFINITY;
        for (Return r : design.returns()) {
            Send send = r.sends().get(s.id());
            double[] answer = answers.get(r.id());
            if (send == null || answer == null) {
                continue;
            }
            double fader = send.preFader() ? 0 : s.gainDb();
            double gain = Decibels.toPower(send.levelDb() + fader + r.levelDb());
            for (int k = 0; k < spectrum.length; k++) {
                double energy = gain * spectrum[k] * answer[k];
                wet += energy;
                centre += energy * k * design.song().sampleRateHz() / LENGTH;
            }
            earliest =
                    Math.min(earliest, r.predelay().seconds(design.song().clock(), r.timedAtBar()));
        }
        boolean known = wet > 0 && direct > 0;
        return new Depth(
                known ? OptionalDouble.of(10 * Math.log10(direct / wet)) : OptionalDouble.empty(),
                known ? OptionalDouble.of(earliest) : OptionalDouble.empty(),
                known ? OptionalDouble.of(centre / wet) : OptionalDouble.empty());
    }

    /** Mean power per bin of windows spread over the sound, of both channels. */
    private static double[] spectrum(Audio audio) {
        int hop = Math.max(LENGTH / 2, audio.frames() / MOST_WINDOWS);
        return sum(audio, WindowedSpectrum.hann(LENGTH), hop);
    }

    /**
     * Energy per bin of a whole response, both sides together; 1 for an impulse that stays.
     * Stretches without overlap: their spectra add up to that of the whole on average.
     */
    private static double[] power(Audio response) {
        return sum(response, WindowedSpectrum.plain(LENGTH), LENGTH);
    }

    private static double[] sum(Audio audio, WindowedSpectrum part, int hop) {
        double[] sum = new double[LENGTH / 2];
        for (int at = 0; at < audio.frames(); at += hop) {
            for (int c = 0; c < 2; c++) {
                part.take(audio.channel(c), at);
                part.addPower(sum);
            }
        }
        return sum;
    }

    /**
     * The sends that put a source at a distance: all of its sends move by as many decibels.
     *
     * @param now its depth in the design
     * @param criticalDistances wanted
     * @return by return, levels within -90 and 24 dB; empty if nothing is sent
     */
    public static Map<String, Double> sendsFor(
            Design design, String source, Depth now, double criticalDistances) {
        Map<String, Double> levels = new TreeMap<>();
        OptionalDouble distance = now.criticalDistances();
        if (distance.isEmpty()) {
            return levels;
        }
        double more = 20 * Math.log10(criticalDistances / distance.getAsDouble());
        for (Return r : design.returns()) {
            Send send = r.sends().get(source);
            if (send != null) {
                double level = Math.clamp(send.levelDb() + more, -90, 24);
                levels.put(r.id(), Math.rint(10 * level) / 10);
            }
        }
        return levels;
    }
}
