package orbispace.core.clear;

import orbispace.core.dynamics.DuckBand;
import orbispace.core.hearing.Excitation;
import orbispace.core.hearing.HearingModel;
import orbispace.core.hearing.Passages;

/** Where in the spectrum a key is heard: the middle four fifths of its loudness. */
final class KeyBand {
    private static final double EDGE_SHARE = 0.1;

    private KeyBand() {}

    /** The band of a key while it speaks; all that ears hear where it never does. */
    static DuckBand of(Excitation key, Passages passages) {
        double[] sones = new double[HearingModel.BANDS];
        double total = 0;
        for (int f = passages.speaking().nextSetBit(0);
                f >= 0 && f < key.frames();
                f = passages.speaking().nextSetBit(f + 1)) {
            for (int b = 0; b < sones.length; b++) {
                double heard = HearingModel.loudness(b, key.at(f, b));
                sones[b] += heard;
                total += heard;
            }
        }
        int low = 0;
        double under = sones[0];
        while (low < sones.length - 2 && under < EDGE_SHARE * total) {
            under += sones[++low];
        }
        int high = sones.length - 1;
        double over = sones[high];
        while (high > low + 1 && over < EDGE_SHARE * total) {
            over += sones[--high];
        }
        return new DuckBand(
                rounded(HearingModel.centreHz(low)),
                Math.max(
                        rounded(HearingModel.centreHz(high)),
                        rounded(1.5 * HearingModel.centreHz(low))));
    }

    /** Two digits are as many as an edge of 6 dB per octave needs. */
    private static double rounded(double hz) {
        double step = Math.pow(10, Math.floor(Math.log10(hz)) - 1);
        return Math.rint(hz / step) * step;
    }

    /** The share of the power in each ear band that a ducker of a band does not reach. */
    static double[] outside(DuckBand band) {
        double[] outside = new double[HearingModel.BANDS];
        for (int b = 0; b < outside.length; b++) {
            outside[b] = band.outsideAt(HearingModel.centreHz(b));
        }
        return outside;
    }

    /** How much of the spectrum, as the ear divides it, lies in a band, 0 to 1. */
    static double share(DuckBand band) {
        double sum = 0;
        for (double out : outside(band)) {
            sum += 1 - out;
        }
        return sum / HearingModel.BANDS;
    }
}
