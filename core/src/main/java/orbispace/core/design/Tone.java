package orbispace.core.design;

import java.util.List;
import orbispace.core.audio.Audio;
import orbispace.core.signal.Biquad;
import orbispace.core.signal.Cascade;
import orbispace.core.signal.FilterDesign;

/**
 * What is done to a dry stem so that it leaves room for others, or finds its own.
 *
 * @param width of a stem of two channels: 1 as it is, 0 both channels alike, at most 2
 * @param bells small cuts and lifts, in any order
 */
public record Tone(double width, List<Bell> bells) {
    /** Nothing is done. */
    public static final Tone AS_IS = new Tone(1, List.of());

    /** Checks the range. */
    public Tone {
        Ranges.require("width of a source", width, 0, 2);
        bells = List.copyOf(bells);
    }

    /**
     * A bell in the spectrum of a source.
     *
     * @param hz its centre, 20 to 20,000
     * @param gainDb -6 (cut) to 6 (lift) at the centre
     * @param octaves how wide, between the points of half the gain, 0.2 to 4
     */
    public record Bell(double hz, double gainDb, double octaves) {
        private static final double MOST_DB = 6;

        /** Checks the ranges. */
        public Bell {
            Ranges.require("bell of a source", hz, 20, 20000);
            Ranges.require("gain of a bell", gainDb, -MOST_DB, MOST_DB);
            Ranges.require("bell width", octaves, 0.2, 4);
        }

        /** A cut as deep as a dip. */
        public static Bell of(Filter.Band dip) {
            return new Bell(dip.hz(), -dip.depthDb(), dip.octaves());
        }

        /** The quality factor of a bell of this width. */
        public double q() {
            return Filter.Band.q(octaves);
        }
    }

    /** The same with another width. */
    public Tone withWidth(double other) {
        return new Tone(other, bells);
    }

    /** The same with other bells. */
    public Tone withBells(List<Bell> other) {
        return new Tone(width, other);
    }

    /** A sound with all of this done to it. */
    public Audio of(Audio sound) {
        boolean narrows = width != 1 && sound.channelCount() == 2;
        if (bells.isEmpty() && !narrows) {
            return sound;
        }
        float[] left = sound.channel(0).clone();
        float[] right = sound.channel(1).clone();
        if (narrows) {
            for (int i = 0; i < left.length; i++) {
                double mid = (left[i] + (double) right[i]) / 2;
                double side = width * (left[i] - (double) right[i]) / 2;
                left[i] = (float) (mid + side);
                right[i] = (float) (mid - side);
            }
        }
        double rate = sound.sampleRateHz();
        List<Biquad> filters =
                bells.stream()
                        .map(b -> FilterDesign.bell(b.hz(), b.gainDb(), b.q(), rate))
                        .toList();
        new Cascade(filters).process(left, right, 0, left.length);
        return sound.channelCount() == 1 ? Audio.of(rate, left) : Audio.of(rate, left, right);
    }
}
