package orbispace.core.measure;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import orbispace.core.audio.Audio;
import orbispace.core.audio.Decibels;
import orbispace.core.audio.Pan;
import orbispace.core.signal.Uneven;
import orbispace.core.signal.WindowedSpectrum;

/**
 * How a sound opens the mix that it lies in, at any level of it: the cells of both are kept, so
 * that another level is a sum. Judged by 1,024 transforms spread unevenly and at most 240 bins of
 * an octave; degrees are those of {@link StereoReport}. Safe for use by several threads.
 */
public final class Opening {
    private static final int MOST_FRAMES = 1024;
    private static final int MOST_BINS = 240;

    /** Values of a bin: real and imaginary parts of both channels of both sounds. */
    private static final int VALUES = 8;

    private final float[][] cells;
    private final List<Bin> bins;
    private final double sampleRateHz;
    private final WidthReport closed;

    /** A bin of the transform and the octave in which it lies. */
    private record Bin(int number, int octave) {
        /** Every one of the low octaves, and as many of the high ones. */
        static List<Bin> of(double sampleRateHz) {
            List<List<Bin>> octaves = new ArrayList<>();
            for (int b = 0; b < StereoReport.OCTAVES; b++) {
                octaves.add(new ArrayList<>());
            }
            for (int k = 1; k < StereoReport.LENGTH / 2; k++) {
                int b = StereoReport.octave(k * sampleRateHz / StereoReport.LENGTH);
                if (b >= 0 && b < octaves.size()) {
                    octaves.get(b).add(new Bin(k, b));
                }
            }
            List<Bin> few = new ArrayList<>();
            for (List<Bin> octave : octaves) {
                for (int place : Uneven.places(octave.size(), MOST_BINS)) {
                    few.add(octave.get(place));
                }
            }
            return few;
        }
    }

    private Opening(float[][] cells, List<Bin> bins, double sampleRateHz) {
        this.cells = cells;
        this.bins = bins;
        this.sampleRateHz = sampleRateHz;
        closed = report(0);
    }

    /**
     * Takes a stretch of a mix and of a sound in it, of one rate.
     *
     * @param mix with the sound in it
     * @param opener the sound, at the level that it has in the mix
     * @param from first frame
     * @param to frame behind the last
     */
    public static Opening of(Audio mix, Audio opener, int from, int to) {
        int hop = StereoReport.LENGTH / 2;
        int[] places = Uneven.places((to - from + hop - 1) / hop, MOST_FRAMES);
        List<Bin> bins = Bin.of(mix.sampleRateHz());
        float[][] cells = new float[places.length][VALUES * bins.size()];
        WindowedSpectrum all = WindowedSpectrum.hann(StereoReport.LENGTH);
        WindowedSpectrum own = WindowedSpectrum.hann(StereoReport.LENGTH);
        for (int c = 0; c < 2; c++) {
            float[] whole = mix.channel(c);
            float[] part = opener.channel(c);
            for (int f = 0; f < places.length; f++) {
                int start = from + places[f] * hop;
                all.take(whole, start);
                own.take(part, start);
                for (int i = 0; i < bins.size(); i++) {
                    int k = bins.get(i).number;
                    int at = VALUES * i + 2 * c;
                    cells[f][at] = (float) (all.re(k) - own.re(k));
                    cells[f][at + 1] = (float) (all.im(k) - own.im(k));
                    cells[f][at + 4] = (float) own.re(k);
                    cells[f][at + 5] = (float) own.im(k);
                }
            }
        }
        return new Opening(cells, bins, mix.sampleRateHz());
    }

    /** What it makes wider of the mix without it, so many decibels louder than it is. */
    public Widening at(double db) {
        return report(Decibels.toAmplitude(db)).over(closed);
    }

    private WidthReport report(double gain) {
        Spread[] spreads = new Spread[StereoReport.OCTAVES];
        for (int b = 0; b < spreads.length; b++) {
            spreads[b] = new Spread();
        }
        float g = (float) gain;
        for (int i = 0; i < bins.size(); i++) {
            Spread spread = spreads[bins.get(i).octave];
            for (float[] frame : cells) {
                double left = power(frame, VALUES * i, g);
                double right = power(frame, VALUES * i + 2, g);
                spread.add(90 * Pan.position(left, right), left + right);
            }
        }
        List<WidthReport.Band> bands = new ArrayList<>();
        OptionalDouble none = OptionalDouble.empty();
        for (int b = 0; b < spreads.length; b++) {
            double centre = StereoReport.LOWEST_HZ * Math.pow(2, b);
            if (centre < sampleRateHz / 2) {
                bands.add(new WidthReport.Band(centre, spreads[b].degrees(), none, none));
            }
        }
        return new WidthReport(bands);
    }

    private static double power(float[] frame, int at, float gain) {
        double re = frame[at] + gain * frame[at + 4];
        double im = frame[at + 1] + gain * frame[at + 5];
        return re * re + im * im;
    }
}
