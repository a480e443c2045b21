package orbispace.core.clear;

import java.util.Arrays;
import orbispace.core.audio.Audio;
import orbispace.core.design.Filter;
import orbispace.core.signal.Biquad;
import orbispace.core.signal.FilterDesign;
import orbispace.core.signal.WindowedSpectrum;
import org.jspecify.annotations.Nullable;

/** The power spectrum of a wet sound, and how much of it would lie low under a high-pass. */
final class LowShare {
    private static final int LENGTH = 4096;
    private static final double LOW_EDGE_HZ = 250;

    private final double[] power = new double[LENGTH / 2];
    private final double sampleRateHz;

    LowShare(Audio wet) {
        sampleRateHz = wet.sampleRateHz();
        WindowedSpectrum part = WindowedSpectrum.hann(LENGTH);
        for (int c = 0; c < wet.channelCount(); c++) {
            float[] samples = wet.channel(c);
            for (int start = 0; start + LENGTH <= samples.length; start += LENGTH / 2) {
                part.take(samples, start);
                part.addPower(power);
            }
        }
    }

    /** Share of energy under 250 Hz as it stands. */
    double share() {
        return share(new double[power.length]);
    }

    /**
     * Share of energy under 250 Hz through another high-pass in the place of the one that is there.
     *
     * @param old the one that is there; null for none
     */
    double shareThrough(Filter.Corner wanted, Filter.@Nullable Corner old) {
        double[] gainDb = new double[power.length];
        addGain(gainDb, wanted, 1);
        if (old != null) {
            addGain(gainDb, old, -1);
        }
        return share(gainDb);
    }

    private void addGain(double[] gainDb, Filter.Corner corner, int sign) {
        for (Biquad section : FilterDesign.highPass(corner.hz(), corner.poles(), sampleRateHz)) {
            for (int k = 1; k < gainDb.length; k++) {
                gainDb[k] += sign * section.magnitudeDb(hz(k), sampleRateHz);
            }
        }
    }

    /** Share of the energy that lies between two frequencies. */
    double shareBetween(double fromHz, double toHz) {
        double inside = 0;
        double all = 0;
        for (int k = 1; k < power.length; k++) {
            inside += hz(k) >= fromHz && hz(k) < toHz ? power[k] : 0;
            all += power[k];
        }
        return all <= 0 ? 0 : inside / all;
    }

    private double share(double[] gainDb) {
        double low = 0;
        double[] kept = new double[power.length];
        for (int k = 1; k < power.length; k++) {
            kept[k] = power[k] * Math.pow(10, gainDb[k] / 10);
            low += hz(k) < LOW_EDGE_HZ ? kept[k] : 0;
        }
        double all = Arrays.stream(kept).sum();
        return all <= 0 ? 0 : low / all;
    }

    private double hz(int bin) {
        return bin * sampleRateHz / LENGTH;
    }
}
