package orbispace.files.sound;

import java.lang.invoke.MethodHandles;
import java.lang.invoke.VarHandle;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Path;
import orbispace.files.FileProblem;

/**
 * How samples lie in a file.
 *
 * @param coding signed integers, bytes from 0 to 255, or floating point
 * @param channels 1, 2, or 4 for a true stereo impulse response
 * @param rate frames per second, 8000 to 192000
 * @param bits of a sample in the file
 * @param order of its bytes
 */
record PcmFormat(Coding coding, int channels, int rate, int bits, ByteOrder order) {
    enum Coding {
        SIGNED,
        UNSIGNED,
        FLOAT
    }

    /** Four are the paths of a true stereo impulse response. */
    static final int MOST_CHANNELS = 4;

    private static final int NEAR = 512;

    /** What decoding writes over: one byte more than a few frames of two doubles have. */
    static final int MOST_NEAR_BYTES = NEAR * 2 * Double.BYTES + 1;

    private static final VarHandle INTS =
            MethodHandles.byteArrayViewVarHandle(int[].class, ByteOrder.LITTLE_ENDIAN);
    private static final VarHandle FLOATS =
            MethodHandles.byteArrayViewVarHandle(float[].class, ByteOrder.LITTLE_ENDIAN);

    /** What to say of a file with more channels than a stem may have. */
    static FileProblem tooMany(Path file, int channels) {
        return new FileProblem(
                file + ": has " + channels + " channels; bring mono or stereo stems");
    }

    /**
     * Checks what a file says of itself.
     *
     * @throws FileProblem in one line, if it cannot be read
     */
    static void require(Path file, int channels, double rate, String coded, boolean known)
            throws FileProblem {
        if (channels < 1 || channels > MOST_CHANNELS || channels == 3) {
            throw tooMany(file, channels);
        }
        if (!(rate >= 8000 && rate <= 192000)) {
            throw new FileProblem(
                    file
                            + ": has a sample rate of "
                            + Math.round(rate)
                            + " Hz; 8000 to 192000 are read");
        }
        if (!known) {
            throw new FileProblem(file + ": is coded as " + coded + "; export plain PCM or float");
        }
    }

    int frameBytes() {
        return channels * bytesPerSample();
    }

    /**
     * Decodes whole frames at the front of a buffer.
     *
     * @param near {@link #MOST_NEAR_BYTES} bytes that are written over
     * @param left takes the samples of the first channel, full scale at 1
     * @param right takes those of the second, if there is one
     * @param at where the first is put
     */
    void decode(ByteBuffer b, byte[] near, float[] left, float[] right, int at, int frames) {
        // Both channels of a few frames at a time, while their bytes are near.
        for (int from = 0; from < frames; from += NEAR) {
            int n = Math.min(NEAR, frames - from);
            b.get(from * frameBytes(), near, 1, n * frameBytes());
            decode(near, 1, left, at + from, n);
            if (channels == 2) {
                decode(near, 1 + bytesPerSample(), right, at + from, n);
            }
        }
    }

    private void decode(byte[] b, int first, float[] into, int at, int frames) {
        int step = frameBytes();
        boolean little = order == ByteOrder.LITTLE_ENDIAN;
        if (little && coding == Coding.SIGNED && bits == 24) {
            // Three bytes each, read with the one before them and shifted into place.
            for (int i = 0; i < frames; i++) {
                into[at + i] = ((int) INTS.get(b, first + i * step - 1) >> 8) / 8388608f;
            }
        } else if (little && coding == Coding.FLOAT && bits == 32) {
            for (int i = 0; i < frames; i++) {
                into[at + i] = (float) FLOATS.get(b, first + i * step);
            }
        } else {
            ByteBuffer all = ByteBuffer.wrap(b).order(order);
            for (int i = 0; i < frames; i++) {
                into[at + i] = sample(all.position(first + i * step));
            }
        }
    }

    private int bytesPerSample() {
        return (bits + 7) / 8;
    }

    /** The next sample, full scale at 1. */
    float sample(ByteBuffer b) {
        if (coding == Coding.FLOAT) {
            return bits == 32 ? b.getFloat() : (float) b.getDouble();
        }
        if (coding == Coding.UNSIGNED) {
            return ((b.get() & 0xFF) - 128) / 128f;
        }
        return switch (bytesPerSample()) {
            case 1 -> b.get() / 128f;
            case 2 -> b.getShort() / 32768f;
            case 3 -> three(b) / 8388608f;
            default -> (float) (b.getInt() / 2147483648.0);
        };
    }

    private int three(ByteBuffer b) {
        int first = b.get();
        int middle = b.get() & 0xFF;
        int last = b.get();
        return order == ByteOrder.LITTLE_ENDIAN
                ? (first & 0xFF) | middle << 8 | last << 16
                : first << 16 | middle << 8 | (last & 0xFF);
    }
}
