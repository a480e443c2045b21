package orbispace.core.render;

import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.TreeMap;
import java.util.stream.DoubleStream;
import orbispace.core.audio.Audio;
import orbispace.core.audio.Decibels;
import orbispace.core.design.Design;
import orbispace.core.design.Return;
import orbispace.core.design.Send;
import orbispace.core.design.Source;
import orbispace.core.hearing.HearingModel;
import orbispace.core.signal.WindowedSpectrum;

/**
 * Measures how far back sources stand, from the long-term spectrum of each source and the impulse
 * response of each return. Gates, drive, duckers and feeds are not seen. Keeps what it knows of the
 * stems and returns of the last design, so that a level that was moved costs next to nothing. Safe
 * for several threads, one at a time.
 */
public final class DepthMeter {
    private static final int LENGTH = 4096;
    private static final int MOST_WINDOWS = 256;

    private final IdentityHashMap<Audio, double[]> spectra = new IdentityHashMap<>();
    private final Map<ImpulseResponse.Recipe, double[]> answers = new HashMap<>();

    /** Measures all sources of a design. */
    public synchronized Map<String, Depth> measure(Design design, SongMaterial material, Job job) {
        Map<String, ImpulseResponse.Recipe> recipes = new TreeMap<>();
        for (Return r : design.returns()) {
            if (!r.sends().isEmpty()) {
                recipes.put(r.id(), ImpulseResponse.recipe(design, r, material.responses()));
            }
        }
        answers.keySet().retainAll(recipes.values());
        spectra.keySet().retainAll(material.audio().values());
        Map<String, double[]> heard = new TreeMap<>();
        recipes.forEach((id, recipe) -> {
            job.check();
            heard.put(id, answers.computeIfAbsent(recipe, r -> power(ImpulseResponse.of(r))));
        });
        Map<String, Depth> depths = new LinkedHashMap<>();
        for (Source s : design.sources()) {
            job.check();
            Audio audio = material.audio().get(s.id());
            if (audio != null) {
                double[] spectrum = spectra.computeIfAbsent(audio, DepthMeter::spectrum);
                depths.put(s.id(), depth(design, s, spectrum, heard));
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
        Map<String, List<Double>> byReturn = new TreeMap<>();
        for (Return r : design.returns()) {
            Send send = r.sends().get(s.id());
            double[] answer = answers.get(r.id());
            if (send == null || answer == null) {
                continue;
            }
            double fader = send.preFader() ? 0 : s.gainDb();
            double gain = Decibels.toPower(send.levelDb() + fader + r.levelDb());
            double here = 0;
            double[] bands = new double[HearingModel.BANDS];
            for (int k = 0; k < spectrum.length; k++) {
                double energy = gain * spectrum[k] * answer[k];
                double hz = k * design.song().sampleRateHz() / LENGTH;
                here += energy;
                centre += energy * hz;
                bands[HearingModel.bandAt(hz)] += energy;
            }
            wet += here;
            byReturn.put(r.id(), DoubleStream.of(bands).boxed().toList());
            earliest =
                    Math.min(earliest, r.predelay().seconds(design.song().clock(), r.timedAtBar()));
        }
        boolean known = wet > 0 && direct > 0;
        return new Depth(
                known ? OptionalDouble.of(10 * Math.log10(direct / wet)) : OptionalDouble.empty(),
                known ? OptionalDouble.of(earliest) : OptionalDouble.empty(),
                known ? OptionalDouble.of(centre / wet) : OptionalDouble.empty(),
                byReturn);
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
        Block read = new Block(new float[LENGTH], new float[LENGTH]);
        for (int at = 0; at < audio.frames(); at += hop) {
            audio.read(at, LENGTH, read.left, read.right);
            for (float[] channel : List.of(read.left, read.right)) {
                part.take(channel, 0);
                part.addPower(sum);
            }
        }
        return sum;
    }
}
