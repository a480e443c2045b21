package orbispace.core.hearing;

import java.util.Arrays;
import java.util.BitSet;
import java.util.stream.IntStream;

/**
 * Excitation of the ear over time: frames x {@link HearingModel#BANDS} powers, frame i centred at i
 * hops. Linear in power: the excitation of a sum of sounds is the sum of excitations, and of a
 * sound at gain g it is g squared times its own.
 */
public final class Excitation {
    private final float[] cells;
    private final double framesPerSecond;

    Excitation(float[] cells, double framesPerSecond) {
        this.cells = cells;
        this.framesPerSecond = framesPerSecond;
    }

    /** No sound for so many frames. */
    public static Excitation none(int frames, double framesPerSecond) {
        return new Excitation(new float[frames * HearingModel.BANDS], framesPerSecond);
    }

    /** The same excitation in every cell, such as the noise of a quiet room. */
    public static Excitation even(int frames, double framesPerSecond, double power) {
        Excitation even = none(frames, framesPerSecond);
        Arrays.fill(even.cells, (float) power);
        return even;
    }

    /** Number of frames. */
    public int frames() {
        return cells.length / HearingModel.BANDS;
    }

    /** Frames per second. */
    public double framesPerSecond() {
        return framesPerSecond;
    }

    /** Power in a cell. */
    public double at(int frame, int band) {
        return cells[frame * HearingModel.BANDS + band];
    }

    /** The sum with another of the same length. */
    public Excitation plus(Excitation other) {
        return combine(other, 1);
    }

    /** This less a part of it, never below zero. */
    public Excitation minus(Excitation part) {
        return combine(part, -1);
    }

    /** By how much the power of each cell differs from that of another of the same length. */
    public Excitation apart(Excitation other) {
        return minus(other).plus(other.minus(this));
    }

    /** Every so-and-so-many-th frame alone, for who searches and measures again in the end. */
    public Excitation every(int step) {
        int bands = HearingModel.BANDS;
        float[] few = new float[(frames() + step - 1) / step * bands];
        for (int f = 0; f * bands < few.length; f++) {
            System.arraycopy(cells, f * step * bands, few, f * bands, bands);
        }
        return new Excitation(few, framesPerSecond / step);
    }

    /** Some frames alone, one after another. */
    public Excitation only(BitSet frames) {
        int bands = HearingModel.BANDS;
        float[] few = new float[frames.cardinality() * bands];
        int to = 0;
        for (int f = frames.nextSetBit(0); f >= 0; f = frames.nextSetBit(f + 1)) {
            System.arraycopy(cells, f * bands, few, to, bands);
            to += bands;
        }
        return new Excitation(few, framesPerSecond);
    }

    /** The excitation of the same sound at a gain whose square is {@code power}. */
    public Excitation times(double power) {
        float[] out = new float[cells.length];
        for (int i = 0; i < out.length; i++) {
            out[i] = (float) (cells[i] * power);
        }
        return new Excitation(out, framesPerSecond);
    }

    /** The excitation of a share of the power of each band. */
    public Excitation share(double[] perBand) {
        float[] out = new float[cells.length];
        for (int i = 0; i < out.length; i++) {
            out[i] = (float) (cells[i] * perBand[i % HearingModel.BANDS]);
        }
        return new Excitation(out, framesPerSecond);
    }

    /** The excitation under a gain that changes from frame to frame, given as power per frame. */
    public Excitation times(float[] powerPerFrame) {
        float[] out = new float[cells.length];
        for (int i = 0; i < out.length; i++) {
            out[i] = cells[i] * powerPerFrame[i / HearingModel.BANDS];
        }
        return new Excitation(out, framesPerSecond);
    }

    /**
     * The same under a gain that leaves a share of each band alone.
     *
     * @param powerPerFrame gain as power
     * @param outsidePerBand the share of each band's power that it does not reach, 0 to 1
     */
    public Excitation times(float[] powerPerFrame, double[] outsidePerBand) {
        float[] out = new float[cells.length];
        for (int i = 0; i < out.length; i++) {
            float outside = (float) outsidePerBand[i % HearingModel.BANDS];
            float gain = outside + (1 - outside) * powerPerFrame[i / HearingModel.BANDS];
            out[i] = cells[i] * gain;
        }
        return new Excitation(out, framesPerSecond);
    }

    /** Frames {@code from} to before {@code to}, cut to what exists. */
    public Excitation slice(int from, int to) {
        int start = Math.clamp(from, 0, frames());
        int end = Math.clamp(to, start, frames());
        return new Excitation(
                Arrays.copyOfRange(cells, start * HearingModel.BANDS, end * HearingModel.BANDS),
                framesPerSecond);
    }

    /** Total loudness in sones of each frame, heard alone. */
    public double[] sones() {
        return IntStream.range(0, frames()).parallel().mapToDouble(this::sonesOf).toArray();
    }

    private double sonesOf(int frame) {
        double sum = 0;
        for (int b = 0; b < HearingModel.BANDS; b++) {
            sum += HearingModel.loudness(b, at(frame, b));
        }
        return sum;
    }

    private Excitation combine(Excitation other, int sign) {
        if (other.cells.length != cells.length) {
            throw new IllegalArgumentException(
                    "excitations of "
                            + frames()
                            + " and "
                            + other.frames()
                            + " frames do not match");
        }
        float[] out = new float[cells.length];
        for (int i = 0; i < out.length; i++) {
            out[i] = Math.max(0, cells[i] + sign * other.cells[i]);
        }
        return new Excitation(out, framesPerSecond);
    }
}
