package orbispace.core.space;

/**
 * The bands in which a reverb decays: the low ratio holds below 200 Hz, the high ratio above 4.4
 * kHz, the decay itself from 320 Hz to 2.9 kHz; between them it goes over in steps of a third of
 * the ratio.
 */
final class ReverbBands {
    /** How many there are. */
    static final int COUNT = 7;

    /** Sound above the range of hearing is left out at high rates. */
    private static final double TOP_HZ = 21000;

    private static final double[] EDGES_HZ = {200, 253, 320, 2900, 3600, 4400};

    /** How far either side of an edge, as a ratio, two bands go over into each other. */
    private static final double OVER = Math.pow(2, 1 / 16.0);

    private ReverbBands() {}

    /** The decay of a band. */
    static double decaySeconds(ReverbSettings s, int band) {
        double ratio =
                switch (band) {
                    case 0 -> s.lowRatio();
                    case 1 -> Math.pow(s.lowRatio(), 2 / 3.0);
                    case 2 -> Math.pow(s.lowRatio(), 1 / 3.0);
                    case 3 -> 1;
                    case 4 -> Math.pow(s.highRatio(), 1 / 3.0);
                    case 5 -> Math.pow(s.highRatio(), 2 / 3.0);
                    default -> s.highRatio();
                };
        return ratio * s.decaySeconds();
    }

    /** How much of a frequency is in a band; over all bands 1, but for what no one hears. */
    static double share(int band, double hz) {
        double share = 1;
        if (band > 0) {
            share *= over(hz, EDGES_HZ[band - 1]);
        }
        if (band < COUNT - 1) {
            share *= 1 - over(hz, EDGES_HZ[band]);
        } else {
            share *= hz < TOP_HZ ? 1 : Math.max(0, 1 - Math.log(hz / TOP_HZ) / Math.log(1.15));
        }
        return share;
    }

    /** From 0 to 1 around an edge. */
    private static double over(double hz, double edge) {
        if (hz <= edge / OVER) {
            return 0;
        }
        if (hz >= edge * OVER) {
            return 1;
        }
        double place = 0.5 + Math.log(hz / edge) / (2 * Math.log(OVER));
        return 0.5 - 0.5 * Math.cos(Math.PI * place);
    }

    /** Power of white noise at a rate in the bands, re that at 48 kHz: no rate is louder. */
    static double heard(double rate) {
        return Math.min(1, within(rate) / within(48000));
    }

    private static double within(double rate) {
        int steps = 2000;
        double sum = 0;
        for (int i = 0; i < steps; i++) {
            double share = share(COUNT - 1, (i + 0.5) / steps * rate / 2);
            sum += i * rate / 2 < EDGES_HZ[COUNT - 2] * steps ? 1 : share * share;
        }
        return sum / steps;
    }

    /**
     * Takes a band out of a spectrum.
     *
     * @param packed as of {@link orbispace.core.signal.Fft}
     * @param into the same, of the band alone
     */
    static void take(int first, int last, double[] packed, double[] into, double rate) {
        int bins = packed.length / 2;
        double perBin = rate / packed.length;
        into[0] = first == 0 ? packed[0] : 0;
        into[1] = last == COUNT - 1 ? packed[1] * share(COUNT - 1, rate / 2) : 0;
        for (int k = 1; k < bins; k++) {
            double share = 0;
            for (int b = first; b <= last; b++) {
                share += share(b, k * perBin);
            }
            into[2 * k] = share * packed[2 * k];
            into[2 * k + 1] = share * packed[2 * k + 1];
        }
    }
}
