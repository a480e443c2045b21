package orbispace.core.measure;

import orbispace.core.audio.Polarity;
import orbispace.core.signal.Fft;

/**
 * Where a response begins and which way up it stands. It begins with the first sample within 40 dB
 * of its peak that is more than the ringing of a limited band before what comes after it, or with
 * those before that from which it rises without turning. It has a polarity only where one arrival
 * leads: its first lobe is half as high again as any of the other sign near it, and stands five
 * times over the mean of what follows; a diffuse or dispersed beginning has none.
 *
 * @param frame the first of the response
 */
record Arrival(int frame, Polarity polarity) {
    private static final double WITHIN_DB = 40;
    private static final double OVER_NOISE = 6;
    private static final double TAPER_FROM = 0.6;
    private static final int RINGS = 48;
    private static final double RINGS_MORE = 1.1;
    private static final double RINGS_LEAST = 0.012;
    private static final int MOST_LEAD = 8;
    private static final double LEAD_SHARE = 0.01;
    private static final double LEAST_RISE = 0.1;
    private static final double LOBES_SECONDS = 0.003;
    private static final double AFTER_SECONDS = 0.03;
    private static final double LEADS = 1.5;
    private static final double STANDS_OUT = 5;

    /**
     * Finds the beginning of a response.
     *
     * @param response with what lies before it
     * @param noise root mean square of what is noise in it
     */
    static Arrival of(double[] response, double noise, double sampleRateHz) {
        int size = Integer.highestOneBit(2 * response.length - 1);
        double[] smooth = tapered(java.util.Arrays.copyOf(response, size));
        double[] kernel = new double[size];
        kernel[0] = 1;
        kernel = tapered(kernel);
        double most = 0;
        for (double v : smooth) {
            most = Math.max(most, Math.abs(v));
        }
        double limit = Math.max(most * Math.pow(10, -WITHIN_DB / 20), OVER_NOISE * noise);
        int at = 0;
        while (at + 1 < response.length
                && (Math.abs(smooth[at]) < limit || rings(smooth, kernel, at))) {
            at++;
        }
        return new Arrival(at - lead(response, at, noise), polarity(response, at, sampleRateHz));
    }

    /** Without the uppermost of the band, whose edge rings long. */
    private static double[] tapered(double[] x) {
        Fft fft = new Fft(x.length);
        fft.forward(x);
        x[1] = 0;
        for (int k = 2; k < x.length; k += 2) {
            double share =
                    Math.clamp((k / (double) x.length - TAPER_FROM) / (1 - TAPER_FROM), 0, 1);
            double gain = 0.5 + 0.5 * Math.cos(Math.PI * share);
            x[k] *= gain;
            x[k + 1] *= gain;
        }
        fft.inverse(x);
        return x;
    }

    /** Whether a sample is what a limited band makes of those after it. */
    private static boolean rings(double[] x, double[] kernel, int at) {
        double own = Math.abs(x[at]);
        for (int k = 1; k <= RINGS && at + k < x.length; k++) {
            // Between samples it rings as much as at the sample to either side.
            double most = Math.max(Math.abs(kernel[k]), Math.abs(kernel[k + 1]));
            most = k == 1 ? most : Math.max(most, Math.abs(kernel[k - 1]));
            double share = RINGS_MORE * most / kernel[0] + RINGS_LEAST;
            if (own <= share * Math.abs(x[at + k])) {
                return true;
            }
        }
        return false;
    }

    /** Frames before one in which it rises to it, of the same sign and over a tenth of the next. */
    private static int lead(double[] x, int at, double noise) {
        double most = 0;
        for (int i = at; i < Math.min(x.length, at + RINGS); i++) {
            most = Math.max(most, Math.abs(x[i]));
        }
        double least = Math.max(LEAD_SHARE * most, OVER_NOISE * noise);
        int lead = 0;
        double sign = Math.signum(x[at]);
        while (lead < Math.min(MOST_LEAD, at)
                && sign * x[at - lead - 1] > Math.max(least, LEAST_RISE * Math.abs(x[at - lead]))) {
            lead++;
        }
        return lead;
    }

    private static Polarity polarity(double[] x, int from, double sampleRateHz) {
        int lobes = Math.min(x.length, from + (int) (LOBES_SECONDS * sampleRateHz));
        int end = Math.min(x.length, from + (int) (AFTER_SECONDS * sampleRateHz));
        double up = 0;
        double down = 0;
        for (int i = Math.max(0, from - 2); i < lobes; i++) {
            up = Math.max(up, x[i]);
            down = Math.max(down, -x[i]);
        }
        double power = 0;
        for (int i = lobes; i < end; i++) {
            power += x[i] * x[i];
        }
        double mean = Math.sqrt(power / Math.max(1, end - lobes));
        double first = Math.max(up, down);
        if (first < LEADS * Math.min(up, down) || first < STANDS_OUT * mean) {
            return Polarity.NOT_SURE;
        }
        return up > down ? Polarity.SAME : Polarity.INVERTED;
    }
}
