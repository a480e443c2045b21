package orbispace.core.hearing;

import java.util.Arrays;
import java.util.stream.IntStream;
import orbispace.core.audio.Audio;
import orbispace.core.audio.Decibels;
import orbispace.core.signal.Fft;

/**
 * Turns sound into {@link Excitation} at one sample rate and listening level: windowed spectra
 * through a fixed spreading matrix, then forward masking that falls 60 dB in 200 ms. The powers of
 * two channels add.
 *
 * <p>Where the window's length is no power of two, such as at 44.1 kHz, the spectrum is taken on a
 * finer grid of that many points: the same power, sampled more densely, several times faster.
 *
 * <p>Safe for use by several threads.
 */
public final class Ear {
    /** The listening level: 78 dB SPL for a mix at -20 LUFS. */
    public static final double LISTENING_DB = 78;

    /** Excitation per band of a quiet control room, 10 dB re 20 uPa. */
    public static final double QUIET_ROOM_POWER = 10;

    private static final double HIGHEST_BIN_HZ = 17000;
    private static final int FIRST_BIN = 2;
    private static final int FRAMES_PER_PART = 512;
    private static final double NEGLIGIBLE = 1e-10;
    private static final float ZERO_BELOW = 1e-6f;

    private final double sampleRateHz;
    private final double fullScaleDb;
    private final int length;
    private final int bins;
    private final int hop;
    private final double[] window;
    private final double powerScale;
    private final float decayPerFrame;
    private final double[][] spread;
    private final int[] firstBand;

    /**
     * An ear for one sample rate.
     *
     * @param sampleRateHz 8,000 to 192,000
     * @param fullScaleDb sound pressure level of mean square 1.0; 98 for a mix at -20 LUFS
     */
    public Ear(double sampleRateHz, double fullScaleDb) {
        this(sampleRateHz, fullScaleDb, 1);
    }

    /**
     * An ear that listens less often, for who searches and measures again in the end.
     *
     * @param sampleRateHz 8,000 to 192,000
     * @param fullScaleDb sound pressure level of mean square 1.0
     * @param step 1 for every frame, 4 for every fourth
     */
    public Ear(double sampleRateHz, double fullScaleDb, int step) {
        this.sampleRateHz = sampleRateHz;
        this.fullScaleDb = fullScaleDb;
        length = 2 * (int) Math.round(1024 * sampleRateHz / 48000);
        bins = Integer.highestOneBit(2 * length - 1);
        hop = step * (int) Math.round(512 * sampleRateHz / 48000);
        window = Fft.hann(length);
        double squares = 0;
        for (double w : window) {
            squares += w * w;
        }
        powerScale = 2 / (bins * squares) * Decibels.toPower(fullScaleDb);
        decayPerFrame = (float) Math.pow(10, -30 * hop / sampleRateHz);
        int last = Math.min(bins / 2 - 1, (int) Math.floor(HIGHEST_BIN_HZ * bins / sampleRateHz));
        spread = new double[last + 1][];
        firstBand = new int[last + 1];
        buildSpread();
    }

    /** The same ear listening less often. */
    public Ear every(int step) {
        return new Ear(sampleRateHz, fullScaleDb, step);
    }

    /**
     * Sound pressure level of full scale when a mix of this loudness is heard at the listening
     * level.
     */
    public static double fullScaleDb(double mixLufs) {
        return LISTENING_DB - mixLufs;
    }

    /** Frames per second of the excitations made here. */
    public double framesPerSecond() {
        return sampleRateHz / hop;
    }

    /** Excitation frames of a sound of so many samples. */
    public int framesOf(int samples) {
        return 1 + Math.max(0, samples + 2 * (length / 2) - length) / hop;
    }

    /** The excitation of a sound at this ear's sample rate. */
    public Excitation hear(Audio audio) {
        if (audio.sampleRateHz() != sampleRateHz) {
            throw new IllegalArgumentException(
                    "sound at "
                            + audio.sampleRateHz()
                            + " Hz, the ear is made for "
                            + sampleRateHz);
        }
        float[][] channels = new float[audio.channelCount()][];
        for (int c = 0; c < channels.length; c++) {
            channels[c] = audio.channel(c);
        }
        int frames = framesOf(audio.frames());
        float[] cells = new float[frames * HearingModel.BANDS];
        int parts = Math.max(1, frames / FRAMES_PER_PART);
        IntStream.range(0, parts)
                .parallel()
                .forEach(p ->
                        analyse(
                                channels,
                                cells,
                                (int) ((long) p * frames / parts),
                                (int) ((long) (p + 1) * frames / parts)));
        maskForward(cells);
        return new Excitation(cells, framesPerSecond());
    }

    private void analyse(float[][] channels, float[] cells, int from, int to) {
        Fft fft = new Fft(bins);
        double[] buffer = new double[bins];
        double[] power = new double[bins / 2];
        double[] sums = new double[HearingModel.BANDS];
        for (int f = from; f < to; f++) {
            Arrays.fill(power, 0);
            for (float[] channel : channels) {
                addPower(channel, f * hop - length / 2, fft, buffer, power);
            }
            spreadInto(power, sums, cells, f * HearingModel.BANDS);
        }
    }

    private void addPower(float[] samples, int start, Fft fft, double[] buffer, double[] power) {
        boolean silent = true;
        for (int i = 0; i < length; i++) {
            int at = start + i;
            double x = at >= 0 && at < samples.length ? samples[at] : 0;
            silent &= x == 0;
            buffer[i] = x * window[i];
        }
        if (silent) {
            return;
        }
        Arrays.fill(buffer, length, bins, 0);
        fft.forward(buffer);
        for (int k = 1; k < power.length; k++) {
            power[k] += buffer[2 * k] * buffer[2 * k] + buffer[2 * k + 1] * buffer[2 * k + 1];
        }
    }

    /** Adds up bin by bin: the bands that a bin reaches lie side by side, so these go in step. */
    private void spreadInto(double[] power, double[] sums, float[] cells, int at) {
        Arrays.fill(sums, 0);
        for (int k = 0; k < spread.length; k++) {
            double[] gains = spread[k];
            int first = firstBand[k];
            double p = power[k];
            for (int b = 0; b < gains.length; b++) {
                sums[first + b] += gains[b] * p;
            }
        }
        for (int b = 0; b < HearingModel.BANDS; b++) {
            double e = sums[b] * powerScale;
            cells[at + b] = e < ZERO_BELOW ? 0 : (float) e;
        }
    }

    private void maskForward(float[] cells) {
        for (int i = HearingModel.BANDS; i < cells.length; i++) {
            float kept = cells[i - HearingModel.BANDS] * decayPerFrame;
            cells[i] = Math.max(cells[i], kept < ZERO_BELOW ? 0 : kept);
        }
    }

    /** What a bin adds to each band, the ear's own weight included. */
    private double[] gains(int bin) {
        double hz = bin * sampleRateHz / bins;
        double weight = Decibels.toPower(earWeightDb(hz / 1000));
        double[] gains = new double[HearingModel.BANDS];
        for (int b = 0; b < gains.length; b++) {
            double centre = HearingModel.centreHz(b);
            double sharpness = 4 * centre / (24.7 * (0.00437 * centre + 1));
            double p = hz < centre ? sharpness * 0.8236 : sharpness;
            double q = p * Math.abs(hz - centre) / centre;
            double gain = (1 + q) * Math.exp(-q);
            gains[b] = gain > NEGLIGIBLE ? (float) (gain * weight) : 0;
        }
        return gains;
    }

    private void buildSpread() {
        int lowest = (int) Math.ceil((double) FIRST_BIN * bins / length);
        for (int k = 0; k < spread.length; k++) {
            double[] all = k < lowest ? new double[0] : gains(k);
            int first = 0;
            while (first < all.length && all[first] == 0) {
                first++;
            }
            int end = all.length;
            while (end > first && all[end - 1] == 0) {
                end--;
            }
            firstBand[k] = first;
            spread[k] = Arrays.copyOfRange(all, first, end);
        }
    }

    private static double earWeightDb(double kHz) {
        return -0.6 * 3.64 * Math.pow(kHz, -0.8)
                + 6.5 * Math.exp(-0.6 * (kHz - 3.3) * (kHz - 3.3))
                - 0.001 * Math.pow(kHz, 3.6);
    }
}
