package orbispace.files.sound;

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
     * @param left takes the samples of the first channel, full scale at 1
     * @param right takes those of the second, if there is one
     * @param at where the first is put
     */
    void decode(ByteBuffer b, float[] left, float[] right, int at, int frames) {
        // Both channels of a few frames at a time, while their bytes are near.
        for (int from = 0; from < frames; from += NEAR) {
            int n = Math.min(NEAR, frames - from);
            decode(b, from * frameBytes(), left, at + from, n);
            if (channels == 2) {
                decode(b, from * frameBytes() + bytesPerSample(), right, at + from, n);
            }
        }
    }

    private void decode(ByteBuffer b, int first, float[] into, int at, int frames) {
        int step = frameBytes();
        if (coding == Coding.SIGNED && bits == 24 && order == ByteOrder.LITTLE_ENDIAN) {
            threes(b, first, step, into, at, frames);
            return;
        }
        if (coding == Coding.FLOAT && bits == 32) {
            for (int i = 0; i < frames; i++) {
                into[at + i] = b.getFloat(first + i * step);
            }
            return;
        }
        for (int i = 0; i < frames; i++) {
            into[at + i] = sample(b.position(first + i * step));
        }
    }

    /** Three bytes each, read with the one before them and shifted into place. */
    private static void threes(
            ByteBuffer b, int first, int step, float[] into, int at, int frames) {
        int whole = 0;
        if (first == 0 && frames > 0) {
            into[at] = ((b.getShort(0) & 0xFFFF) | b.get(2) << 16) / 8388608f;
            whole = 1;
        }
        for (int i = whole; i < frames; i++) {
            into[at + i] = (b.getInt(first + i * step - 1) >> 8) / 8388608f;
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
