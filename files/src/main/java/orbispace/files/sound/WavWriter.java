package orbispace.files.sound;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import orbispace.core.audio.Audio;
import orbispace.files.AtomicFile;
import orbispace.files.FileProblem;

/**
 * Writes Broadcast Wave files (EBU Tech 3285, version 0) with the place in the song as time stamp,
 * so that prints line up with their sources. A file appears only when it is whole.
 */
public final class WavWriter {
    /** How samples are written. */
    public enum Depth {
        /** 16-bit integer. */
        BITS_16(16, "16"),
        /** 24-bit integer. */
        BITS_24(24, "24"),
        /** 32-bit float. */
        FLOAT_32(32, "32f");

        private final int bits;
        private final String label;

        Depth(int bits, String label) {
            this.bits = bits;
            this.label = label;
        }

        /** What people write: 16, 24 or 32f. */
        public String label() {
            return label;
        }
    }

    private static final int PART_FRAMES = 4096;
    private static final int BEXT_BYTES = 602;
    private static final long DITHER_SEED = 1884;

    private WavWriter() {}

    /**
     * Writes a sound; integer samples beyond full scale are cut to it.
     *
     * @throws FileProblem in one line, if it cannot be written
     */
    public static void write(Path file, Audio audio, Depth depth, String description)
            throws FileProblem {
        write(file, audio, depth, description, 0, Dither.NONE);
    }

    /**
     * Writes a print that begins so many frames after the song: integer samples are dithered with
     * triangular noise of one step to either side, always the same for the same sound; what is
     * exactly silent stays so.
     */
    public static void print(
            Path file, Audio audio, Depth depth, String description, long startFrame)
            throws FileProblem {
        Dither dither =
                depth == Depth.FLOAT_32
                        ? Dither.NONE
                        : Dither.triangular(DITHER_SEED, 1 << (depth.bits - 1));
        write(file, audio, depth, description, startFrame, dither);
    }

    private static void write(
            Path file, Audio audio, Depth depth, String description, long startFrame, Dither dither)
            throws FileProblem {
        AtomicFile.write(
                file,
                temporary -> {
                    try (OutputStream out =
                            new BufferedOutputStream(Files.newOutputStream(temporary), 1 << 16)) {
                        out.write(header(audio, depth, description, startFrame));
                        samples(out, audio, depth, dither);
                    }
                });
    }

    private static byte[] header(Audio audio, Depth depth, String description, long startFrame) {
        int frameBytes = audio.channelCount() * depth.bits / 8;
        long data = (long) audio.frames() * frameBytes;
        int rate = (int) audio.sampleRateHz();
        ByteBuffer b =
                ByteBuffer.allocate(12 + 8 + BEXT_BYTES + 8 + 16 + 8)
                        .order(ByteOrder.LITTLE_ENDIAN);
        b.put(ascii("RIFF"))
                .putInt((int) (b.capacity() - 8 + data + (data & 1)))
                .put(ascii("WAVE"));
        b.put(ascii("bext")).putInt(BEXT_BYTES);
        int bext = b.position();
        byte[] words = ascii(description);
        b.put(words, 0, Math.min(256, words.length));
        b.position(bext + 256).put(ascii("Orbispace"));
        b.position(bext + 338).putLong(startFrame);
        b.position(bext + BEXT_BYTES);
        b.put(ascii("fmt ")).putInt(16).putShort((short) (depth == Depth.FLOAT_32 ? 3 : 1));
        b.putShort((short) audio.channelCount()).putInt(rate).putInt(rate * frameBytes);
        b.putShort((short) frameBytes).putShort((short) depth.bits);
        b.put(ascii("data")).putInt((int) data);
        return b.array();
    }

    private static void samples(OutputStream out, Audio audio, Depth depth, Dither dither)
            throws IOException {
        int channels = audio.channelCount();
        int frameBytes = channels * depth.bits / 8;
        ByteBuffer part =
                ByteBuffer.allocate(PART_FRAMES * frameBytes).order(ByteOrder.LITTLE_ENDIAN);
        float[] left = new float[PART_FRAMES];
        float[] right = new float[PART_FRAMES];
        for (int at = 0; at < audio.frames(); at += PART_FRAMES) {
            int n = Math.min(PART_FRAMES, audio.frames() - at);
            audio.read(at, n, left, right);
            part.clear();
            for (int i = 0; i < n; i++) {
                put(part, dither.of(left[i]), depth);
                if (channels == 2) {
                    put(part, dither.of(right[i]), depth);
                }
            }
            out.write(part.array(), 0, part.position());
        }
        if ((long) audio.frames() * frameBytes % 2 == 1) {
            out.write(0);
        }
    }

    private static void put(ByteBuffer b, double x, Depth depth) {
        switch (depth) {
            case FLOAT_32 -> b.putFloat((float) x);
            case BITS_16 -> b.putShort((short) Math.clamp(Math.round(x * 32768.0), -32768, 32767));
            case BITS_24 -> {
                int v = Math.clamp(Math.round(x * 8388608.0), -8388608, 8388607);
                b.put((byte) v).put((byte) (v >> 8)).put((byte) (v >> 16));
            }
        }
    }

    private static byte[] ascii(String text) {
        return text.getBytes(StandardCharsets.US_ASCII);
    }
}
