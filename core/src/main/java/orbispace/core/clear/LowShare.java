package orbispace.core.clear;

import java.util.Arrays;
import orbispace.core.audio.Audio;
import orbispace.core.signal.Biquad;
import orbispace.core.signal.Fft;
import orbispace.core.signal.FilterDesign;

/** The power spectrum of a wet sound, and how much of it would lie low under a high-pass. */
final class LowShare {
    private static final int LENGTH = 4096;
    private static final double LOW_EDGE_HZ = 250;

    private final double[] power = new double[LENGTH / 2];
    private final double sampleRateHz;

    LowShare(Audio wet) {
        sampleRateHz = wet.sampleRateHz();
        Fft fft = new Fft(LENGTH);
        double[] window = Fft.hann(LENGTH);
        double[] buffer = new double[LENGTH];
        for (int c = 0; c < wet.channelCount(); c++) {
            float[] samples = wet.channel(c);
            for (int start = 0; start + LENGTH <= samples.length; start += LENGTH / 2) {
                for (int i = 0; i < LENGTH; i++) {
                    buffer[i] = samples[start + i] * window[i];
                }
                fft.forward(buffer);
                for (int k = 1; k < power.length; k++) {
                    power[k] +=
                            buffer[2 * k] * buffer[2 * k] + buffer[2 * k + 1] * buffer[2 * k + 1];
                }
            }
        }
    }

    /** Share of energy under 250 Hz as it stands. */
    double share() {
        return share(new double[power.length]);
    }

    /** Share of energy under 250 Hz through a further high-pass. */
    double shareThrough(double cornerHz, int poles) {
        var sections = FilterDesign.highPass(cornerHz, poles, sampleRateHz);
        double[] gainDb = new double[power.length];
        for (int k = 1; k < gainDb.length; k++) {
            for (Biquad section : sections) {
                gainDb[k] += section.magnitudeDb(hz(k), sampleRateHz);
            }
        }
        return share(gainDb);
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
