package orbispace.core.space;

import java.util.SplittableRandom;
import orbispace.core.signal.Fft;

/**
 * The first part of a reverb, before its echoes are as dense as noise: single echoes of either sign
 * that follow each other ever faster (velvet noise, Karjalainen and Jarvelainen 2007), of the same
 * power at each moment; a plate's go through its dispersion.
 */
final class ReverbStart {
    /** As many echoes as 0.3173 of the frames at 48 kHz: the density of noise. */
    private static final double DENSE_PER_SECOND = 0.3173 * 48000;

    private static final double LEAST_PER_SECOND = 500;
    private static final double STEP_SECONDS = 1e-5;
    private static final double LATEST_SECONDS = 0.025;
    private static final double FULL = 0.985;
    private static final double LEAST_SECONDS = 0.03;
    private static final double REST_SECONDS = 0.06;

    private final ReverbKind.Start start;
    private final double rate;
    private final double denseSeconds;

    /** When the noise has taken over. */
    final double seconds;

    private final Fft fft;
    private final double[] work;
    private final double[] band;

    ReverbStart(ReverbSettings s, double rate) {
        this.rate = rate;
        start = s.kind().start();
        denseSeconds = start.denseSeconds() * Math.sqrt(s.size()) / s.character().density();
        double full = denseSeconds * Math.pow(-Math.log(1 - FULL), 1 / start.denseGrowth());
        seconds = Math.max(LEAST_SECONDS + 2 * start.dispersion() / 10, full);
        int frames = Integer.highestOneBit((int) ((seconds + REST_SECONDS) * rate) - 1) * 2;
        fft = new Fft(frames);
        work = new double[frames];
        band = new double[frames];
    }

    /** Frames that hold it, of which those after {@link #seconds} are to be left. */
    int frames() {
        return work.length;
    }

    /** Echoes each second at a moment, in one path. */
    private double perSecond(double t) {
        if (denseSeconds <= 0) {
            return DENSE_PER_SECOND;
        }
        double density = 1 - Math.exp(-Math.pow(t / denseSeconds, start.denseGrowth()));
        return Math.max(LEAST_PER_SECOND, DENSE_PER_SECOND * density);
    }

    /**
     * Makes the echoes of a path; their power is 1 for each frame.
     *
     * @param seed of the path
     * @param together whether it begins at once, as the other paths do
     */
    void echoes(long seed, boolean together) {
        SplittableRandom random = new SplittableRandom(seed);
        java.util.Arrays.fill(work, 0);
        double t = 0;
        while (t < seconds + REST_SECONDS / 2) {
            double wide = toNext(t);
            boolean first = together && t == 0;
            double at = first ? 0 : t + wide * random.nextDouble();
            boolean positive = first || random.nextBoolean();
            int frame = Math.min(work.length - 1, (int) Math.round(at * rate));
            work[frame] += (positive ? 1 : -1) * Math.sqrt(wide * rate);
            t += wide;
        }
    }

    /** How long it takes from a moment on until one more echo is due. */
    private double toNext(double t) {
        double wide = 0;
        for (double due = 0; due < 1; wide += STEP_SECONDS) {
            due += STEP_SECONDS * perSecond(t + wide);
        }
        return wide;
    }

    /** Goes over to the spectrum, in which {@link #bands} are. */
    void transform(double dispersion) {
        fft.forward(work);
        if (dispersion > 0) {
            disperse(dispersion);
        }
    }

    /** The echoes in a band, or in several that follow each other. */
    double[] bands(int first, int last) {
        ReverbBands.take(first, last, work, band, rate);
        fft.inverse(band);
        return band;
    }

    /** Bending waves: the delay falls with the root of the frequency, to none at the top. */
    private void disperse(double by) {
        double turn = by / LATEST_SECONDS;
        double corner = turn * turn;
        double top = by / Math.sqrt(rate / 2);
        double perBin = rate / work.length;
        work[1] = 0;
        for (int k = 1; k < work.length / 2; k++) {
            double hz = k * perBin;
            double cycles =
                    hz < corner
                            ? LATEST_SECONDS * hz
                            : LATEST_SECONDS * corner + 2 * by * (Math.sqrt(hz) - turn);
            double angle = -2 * Math.PI * (cycles - top * hz);
            double c = Math.cos(angle);
            double s = Math.sin(angle);
            double re = work[2 * k];
            double im = work[2 * k + 1];
            work[2 * k] = re * c - im * s;
            work[2 * k + 1] = re * s + im * c;
        }
    }
}
